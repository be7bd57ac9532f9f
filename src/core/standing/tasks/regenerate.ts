import { hardnessSymbol } from '../../quantity/hardness.ts'
import { fromDay, toDay } from '../../quantity/local-day.ts'
import { type Add, startWorking } from '../../quantity/working.ts'
import { hygieneDays } from '../../softener/exchanger.ts'
import { capacitySd } from '../../softener/learned-capacity.ts'
import { policyName } from '../../wear/limits.ts'
import { type ExchangerFacts, exchangerFacts } from '../exchanger-facts.ts'
import { type Histories, ofKind, ownPolicy } from '../histories.ts'
import { policyOf } from '../machine-facts.ts'
import { litresClock } from '../softener-draw.ts'
import type { SoftenerFacts } from '../softener-facts.ts'
import type { Standing, WaterFigure } from '../standing.ts'
import type { RunningClock } from '../task-clocks.ts'
import { finish } from '../task-standing.ts'
import { policyFigure, takeFigure } from '../water/set-figure.ts'
import { waterKnown } from '../water-known.ts'
import { daysOf, type SoftenerTask } from './raised-task.ts'

/**
 * When a salt-regenerated softener must be regenerated: by the litres its resin gives at this water, or by
 * hygiene, whichever comes first. Its capacity is learned
 * from its own outlet tests.
 *
 * @returns null where nobody said how much resin it holds, or it does it itself
 */
function regenerateStanding({ histories, draw, asOf }: SoftenerFacts, showWorking: boolean): Standing | null {
  const facts = exchangerFacts(histories, draw)
  if (!facts) return null
  const { set, itself, gives, reserve } = facts
  if (itself) return null
  const { resinL } = set.body
  const done = ofKind(histories, 'softener', 'regenerated').at(-1)
  const since = (done ?? ofKind(histories, 'softener', 'commissioned')[0])!.happenedOn
  const start = toDay(since)
  const asOfDay = toDay(asOf)
  const policy = policyOf(ownPolicy(histories, 'regenerate')).value
  const { raw, softened } = waterKnown(histories)
  const working = startWorking(showWorking)
  const { add } = working
  const running: RunningClock[] = []

  const resinLine = add(() => ({
    what: 'Resin',
    value: resinL,
    unit: 'L',
    origin: 'setting',
    source: `set for this ${set.level}`,
  }))
  const capacityLine = capacityLines(facts, histories, add)
  const reserveLine = add(() =>
    set.body.reserve === undefined
      ? reserve.line('Reserve')
      : { what: 'Reserve', value: set.body.reserve, origin: 'setting' },
  )
  if (raw) {
    const inLine = add(() => ({ what: 'Hardness in', ...figureLine(raw) }))
    const outLine = add(() =>
      softened && softened.value === facts.out.value
        ? { what: 'Hardness out', ...figureLine(softened) }
        : takeFigure(histories, 'softener-leakage').line('Hardness out'),
    )
    if (gives) {
      const givesLine = add(() => ({
        what: 'Gives',
        value: gives.value,
        spread: (gives.high - gives.low) / 2,
        unit: 'L',
        formula: `{${resinLine}} × {${capacityLine}} × 1,000 × (1 − {${reserveLine}}) ÷ ({${inLine}} − {${outLine}})`,
        origin: 'reckoned',
      }))
      const how = done ? 'regenerated' : 'taken on'
      running.push(litresClock({ draw, start, since, how, asOf, asOfDay, gives, givesLine }, add))
    }
  } else {
    const source = 'a drop count of the raw water gives the litres'
    add(() => ({ what: 'Hardness in', value: 'not tested', origin: 'measured', source }))
  }
  running.push(
    hygieneClock(
      since,
      asOfDay,
      policyFigure(histories, 'regenerate-days', hygieneDays[policy], `${policyName[policy]}, from memory`),
      add,
    ),
  )
  const head = {
    key: 'regenerate',
    task: 'regenerate',
    name: 'Regenerate softener',
    action: 'regenerate' as const,
    station: 'softener',
    since,
    sinceKnown: Boolean(done),
    minutes: 25,
  }
  return finish(head, running, working, asOf)
}

/** The capacity, with what its own tests made of it; the number of the line that counts. */
function capacityLines({ set, usualGPerL, capacity }: ExchangerFacts, histories: Histories, add: Add): number {
  const unit = 'g CaCO₃/L'
  const what = 'Working capacity'
  if (set.body.capacityGPerL) return add(() => ({ what, value: usualGPerL, unit, origin: 'setting' }))
  const usual = add(() => ({ ...takeFigure(histories, 'hand-capacity').line(what), value: usualGPerL }))
  const { tests } = capacity
  if (tests.length === 0) return usual
  const spent = tests.filter((test) => test.spent).length
  return add(() => ({
    what: 'As this softener showed',
    value: capacity.value,
    spread: (capacity.value * (capacity.below + capacity.above)) / 2,
    unit,
    formula: `{${usual}}, log sd ${capacitySd}, given the tests`,
    origin: 'reckoned',
    source: `${tests.length} outlet tests, ${spent === 0 ? 'none' : spent} found it spent`,
  }))
}

const figureLine = (figure: WaterFigure) => ({
  value: figure.value,
  unit: hardnessSymbol.mgL,
  origin: figure.assumed ? ('default' as const) : ('measured' as const),
  source: `${figure.said}, ${figure.on}`,
})

function hygieneClock(since: string, asOfDay: number, cap: ReturnType<typeof policyFigure>, add: Add): RunningClock {
  const start = toDay(since)
  const days = Math.max(1, Math.round(cap.value))
  const capLine = add(() => cap.line('Hygiene, at the latest after'))
  return {
    use: { clock: 'hygiene', used: asOfDay - start, limit: days, unit: 'days', perDay: 1 },
    passage: { name: 'hygiene', fixed: true, dayAt: () => start + days },
    leftLine: add(() => ({
      what: 'Over by hygiene',
      value: fromDay(start + days),
      formula: `${since} + {${capLine}}`,
      origin: 'reckoned',
    })),
  }
}

export const regenerate: SoftenerTask = {
  id: 'regenerate',
  searchNames: ['regenerate softener'],
  about: 'softener',
  written: () => ({ kind: 'regenerated', body: {} }),
  rail: { name: 'Regenerate', doneOn: (histories) => daysOf(ofKind(histories, 'softener', 'regenerated')) },
  renewal: {
    name: 'Regenerated',
    amount: { label: 'Salt', unit: 'kg', field: 'saltKg', usual: 'saltKg' },
    of: ({ kind, regeneratesItself }) => kind === 'exchanger' && !regeneratesItself,
  },
  standing: (facts, showWorking) => (facts.kind === 'exchanger' ? regenerateStanding(facts, showWorking) : null),
}
