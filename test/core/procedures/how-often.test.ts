import { expect } from 'chai'
import { careSheet } from '../../../src/core/care/care-sheet.ts'
import { kinds } from '../../../src/core/kinds/index.ts'
import { withOptions } from '../../../src/core/kinds/kind.ts'
import { doseSaid } from '../../../src/core/procedures/dose.ts'
import { shownFigures } from '../../../src/core/procedures/procedure.ts'
import { waySetting } from '../../../src/core/procedures/way-setting.ts'
import { clocksOf } from '../../../src/core/standing/way-lives.ts'
import { procedures } from '../../../src/core/trade/procedures/index.ts'
import { careOf, doses, rhythms } from './how-often.ts'

const ways = procedures.flatMap((procedure) => procedure.ways.map((way) => ({ procedure, way })))
const wayOf = (procedure: string, way: string) =>
  ways.find((one) => one.procedure.id === procedure && one.way.id === way)!

describe('how often a way has it done', () => {
  it('is said of every way, and of no other', () => {
    expect(rhythms.map(([procedure, way]) => `${procedure}, ${way}`).sort()).to.deep.equal(
      ways.map(({ procedure, way }) => `${procedure.id}, ${way.id}`).sort(),
    )
  })

  for (const [id, name, every] of rhythms)
    it(`${id}, ${name}`, () => {
      const { procedure, way } = wayOf(id, name)
      const { hours, days, drinks, litres } = way.every ?? {}
      const clocks = Object.entries({ hours, days, drinks, litres }).filter(([, value]) => value !== undefined)
      expect(way.every ? Object.fromEntries(clocks) : null).to.deep.equal(every)
      // It stands among its figures once, in its own words.
      const said = shownFigures(way).filter((figure) => figure.name === 'How often')
      expect(said.map(({ words }) => words)).to.deep.equal(way.every ? [way.every.words] : [])
      // Chosen somewhere it is on record by its clocks.
      const { rhythm } = waySetting(procedure, way)
      const counted = days !== undefined || drinks !== undefined || litres !== undefined
      expect(rhythm !== undefined).to.equal(counted && (way.writes ?? procedure.writes).length > 0)
      if (!rhythm) return
      expect(rhythm.words).to.equal(way.every!.words)
      expect([...clocksOf(rhythm).keys()].sort()).to.deep.equal(
        [
          ...(drinks === undefined ? [] : ['shots']),
          ...(litres === undefined ? [] : ['litres']),
          ...(days === undefined ? [] : ['months']),
        ].sort(),
      )
    })
})

describe('what a person pours', () => {
  it('is in the list, whatever the way', () => {
    const all = ways.flatMap(({ procedure, way }) =>
      way.parts.flatMap(({ steps }) =>
        steps.flatMap((step) =>
          step.act === 'dose' ? [[procedure.id, way.id, step.id, doseSaid(step.dose), step.into].join(', ')] : [],
        ),
      ),
    )
    expect(all.sort()).to.deep.equal(doses.map((line) => line.join(', ')).sort())
  })

  it('is never nothing, and never a strength that does nothing', () => {
    for (const { procedure, way } of ways)
      for (const step of way.parts.flatMap(({ steps }) => steps)) {
        if (step.act !== 'dose') continue
        const { grams, scoops, tablets, gramsPerL, oneTo, words } = step.dose
        const name = `${procedure.id}, ${way.id}, ${step.id}`
        for (const figure of [grams?.usual, scoops, tablets, gramsPerL])
          if (figure !== undefined) expect(figure, name).to.be.above(0)
        if (oneTo !== undefined) expect(oneTo, name).to.be.within(1, 100)
        expect(doseSaid(step.dose).length, name).to.be.above(2)
        expect(
          [grams, scoops, tablets, gramsPerL, oneTo, words].some((one) => one !== undefined),
          name,
        ).to.equal(true)
      }
  })
})

describe('the customer’s sheet', () => {
  for (const kind of kinds)
    it(`of a ${kind.id} says each thing once, as often as it is done`, () => {
      const sheet = careSheet(withOptions(kind, new Map()), {
        drinksPerOpenDay: Math.round(kind.drinksPerOpenDay.p50),
        policy: 'usual',
      })
      const said = Object.fromEntries(sheet.rhythms.map(({ rhythm, items }) => [rhythm, items.map(({ say }) => say)]))
      expect(said).to.deep.equal(careOf[kind.id])
      const all = Object.values(said).flat()
      expect(new Set(all).size).to.equal(all.length)
    })

  it('gives nothing of a technician’s into the customer’s hands', () => {
    for (const [kind, sheet] of Object.entries(careOf))
      for (const line of Object.values(sheet).flat())
        expect(line, kind).to.not.match(/case|boiler opened|bypass|safety valve|electrical|earth|probe|relief/i)
  })
})
