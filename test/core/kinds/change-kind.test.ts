import { expect } from 'chai'
import fc from 'fast-check'
import {
  movedStation,
  stationHeld,
  withoutStation,
  withoutTask,
  withPrompt,
  withStation,
  withTask,
} from '../../../src/core/kinds/change-kind.ts'
import { checkKind } from '../../../src/core/kinds/check-kind.ts'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import { type Kind, takesOneStation } from '../../../src/core/kinds/kind.ts'
import { symbolNames } from '../../../src/core/kinds/kind-words.ts'
import { slugOf } from '../../../src/core/parse/slug-of.ts'

/** Steps somebody may take in any order, each by three numbers. */
const steps: ((kind: Kind, a: number, b: number) => Kind)[] = [
  (kind, a) => {
    const { id } = kind.stations[a % kind.stations.length]!
    return stationHeld(kind, id) ? kind : withoutStation(kind, id)
  },
  (kind, a, b) => movedStation(kind, kind.stations[a % kind.stations.length]!.id, b % 2 ? 1 : -1),
  (kind, a, b) => {
    const line = kind.lines[a % kind.lines.length]!
    const symbol = symbolNames[b % symbolNames.length]!
    return takesOneStation(line) ? kind : withStation(kind, line.id, { name: `Valve ${b % 3}`, symbol })
  },
  (kind, a, b) =>
    withTask(kind, {
      name: `Thing ${a % 3}`,
      station: kind.stations[b % kind.stations.length]!.id,
      action: (['replace', 'clean', 'grease', 'check', 'service'] as const)[a % 5]!,
      clock: (['shots', 'months', 'litres', 'kilograms'] as const)[b % 4]!,
      limits: [1, 2, 3],
      minutes: 10,
    }),
  (kind, a) => withoutTask(kind, a % Math.max(1, kind.tasks.length)),
  (kind, a) =>
    withPrompt(kind, {
      where: 'Display',
      shows: 'words',
      means: 'wash it',
      ...(kind.tasks.length > 0 && { asksFor: kind.tasks[a % kind.tasks.length]!.id }),
    }),
]

describe('a kind changed step by step', () => {
  it('holds together after any steps, whatever kind it was', () => {
    const number = fc.nat(1000)
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.array(fc.tuple(fc.nat(steps.length - 1), number, number), { maxLength: 25 }),
        (kind, taken) => {
          const changed = taken.reduce((now, [step, a, b]) => steps[step]!(now, a, b), kind)
          const checked = checkKind(changed)
          expect(checked.ok ? [] : checked.issues).to.deep.equal([])
        },
      ),
      { numRuns: 200 },
    )
  })

  it('leaves out what hangs on a station, and nothing that others need', () => {
    const c2 = kindById('c2')!
    expect(stationHeld(c2, 'boiler')).to.be.a('string')
    expect(() => withoutStation(c2, 'boiler')).to.throw()
    const without = withoutStation(c2, 'screen')
    expect(without.parts.some(({ station }) => station === 'screen')).to.equal(false)
    expect(without.tasks.some(({ station }) => station === 'screen')).to.equal(false)
    expect(without.parts).to.have.length(
      c2.parts.length - c2.parts.filter(({ station }) => station === 'screen').length,
    )
  })

  it('keeps a prompt whose task has gone, asking for nothing', () => {
    const sr = kindById('sr')!
    const at = sr.tasks.findIndex(({ id }) => id === 'oil-removal')
    const prompt = withoutTask(sr, at).prompts.find(({ id }) => id === 'clean')!
    expect(prompt).to.not.have.property('asksFor')
    expect(prompt.means).to.equal(sr.prompts.find(({ id }) => id === 'clean')!.means)
  })

  it('moves a station along its line and no further than its ends', () => {
    const pk = kindById('pk')!
    const main = (kind: Kind) => kind.lines.find(({ lane }) => lane === 0)!.stations
    const [first, second] = main(pk)
    expect(main(movedStation(pk, first!, 1)).slice(0, 2)).to.deep.equal([second, first])
    expect(main(movedStation(pk, first!, -1))).to.deep.equal(main(pk))
  })

  it('names what is new in small letters, once', () => {
    expect(slugOf('Großer Filter, 2.5"', [])).to.equal('gro-er-filter-2-5')
    expect(slugOf('Head gasket', ['head-gasket', 'head-gasket-2'])).to.equal('head-gasket-3')
    expect(slugOf('…', [])).to.equal('own')
  })
})
