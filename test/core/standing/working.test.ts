import { expect } from 'chai'
import { kinds } from '../../../src/core/kinds/index.ts'
import type { Line } from '../../../src/core/quantity/working.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { reckonSoftener } from '../../../src/core/standing/reckon-softener.ts'
import type { Standing } from '../../../src/core/standing/standing.ts'
import { topics } from '../../../src/core/topics/index.ts'
import { entry, everyDay, ledgers, setting, steadyReadings, takenOn } from './a-history.ts'

const hard = entry(
  'water-test',
  '2026-05-01',
  { point: 'raw', quantity: 'total', method: 'drops', unit: 'dH', drops: 19, perDrop: 1 },
  { subjectKind: 'site', subjectId: 'site' },
)

/** Every standing the three kinds, an exchanger and a cartridge can have. */
function everyStanding(): [string, Standing][] {
  const site = [everyDay, hard]
  const machines = kinds.map((kind) =>
    ledgers([takenOn(kind.id, '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 350)], { site }),
  )
  const softener = (kind: string, body: Record<string, unknown>) => {
    const about = { subjectKind: 'softener' as const, subjectId: 'softener' }
    const own = [
      entry('commissioned', '2026-01-05', { kind, kindVersion: 1, partsNew: true }, about),
      setting('softener', '2026-01-05', body),
    ]
    return reckonSoftener({ softener: own, site }, [machines[0]!])!.standings
  }
  return [
    ...machines.flatMap((machine, i) =>
      reckonMachine(machine)!.standings.map((standing): [string, Standing] => [
        `${kinds[i]!.id} ${standing.key}`,
        standing,
      ]),
    ),
    ...softener('exchanger', { setting: 'exchanger', resinL: 12 }).map((standing): [string, Standing] => [
      `exchanger ${standing.key}`,
      standing,
    ]),
    ...softener('cartridge', { setting: 'cartridge', capacityG: 500, bypass: 0.3 }).map(
      (standing): [string, Standing] => [`cartridge ${standing.key}`, standing],
    ),
  ]
}

const references = (line: Line) => [...(line.formula ?? '').matchAll(/\{(\d+)\}/g)].map((match) => Number(match[1]))

function checkLines(name: string, lines: Line[]): void {
  lines.forEach((line, i) => {
    for (const n of references(line)) expect(n, `${name}: line ${i + 1} "${line.formula}"`).to.be.within(1, i)
    expect(line.what, name).to.be.a('string').with.length.above(2)
    if (typeof line.value === 'number') expect(Number.isFinite(line.value), `${name}: ${line.what}`).to.equal(true)
    if (line.mark === 'M')
      expect(`${line.source ?? ''} ${line.what}`, `${name}: ${line.what}`).to.satisfy((text: string) => text.length > 0)
  })
}

describe('workings', () => {
  const all = everyStanding()

  it('name only lines that stand above', () => {
    expect(all.length).to.be.above(100)
    for (const [name, standing] of all) checkLines(name, standing.working.lines)
  })

  it('label every default by where it is from, and give it a mark', () => {
    for (const [name, standing] of all) {
      for (const line of standing.working.lines.filter((one) => one.origin === 'default')) {
        expect(line.mark, `${name}: ${line.what}`).to.be.oneOf(['M', 'T'])
        expect(line.source, `${name}: ${line.what}`).to.be.a('string')
      }
    }
  })

  it('let a person change every life and interval where it stands', () => {
    for (const [name, standing] of all.filter(([key]) => !/exchanger|cartridge/.test(key))) {
      const adjustable = standing.working.lines.filter((line) => line.adjust?.setting === 'life')
      const clocks = standing.uses.filter((use) => use.clock !== 'prompt' && use.clock !== 'thickness')
      expect(adjustable.length, name).to.equal(clocks.length)
      for (const line of adjustable) expect(line.adjust!.position, name).to.equal(standing.task)
    }
  })

  it('end with the day that is due, and say which line governs', () => {
    for (const [name, standing] of all.filter(([, one]) => one.due)) {
      const due = standing.working.lines.find((line) => line.what === 'Due')
      expect(due?.value, name).to.equal(standing.due!.p50)
      const line = /^Line (\d+)/.exec(standing.working.why!)
      if (line) expect(Number(line[1]), name).to.be.at.most(standing.working.lines.length)
      else expect(standing.working.why, name).to.match(/^Only /)
    }
  })

  it('of the topics hold to the same rules', () => {
    for (const topic of topics) {
      const asked = topic.ask(topic.example)
      if (!asked.ok) throw new Error(topic.name)
      expect(asked.answer.working.length, topic.name).to.be.above(2)
      checkLines(topic.name, asked.answer.working)
    }
  })
})
