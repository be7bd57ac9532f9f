import { hardnessSymbol } from '../quantity/hardness.ts'
import type { Interval } from '../quantity/interval.ts'
import { fromDay, toDay } from '../quantity/local-day.ts'
import { atChance, type Spread } from '../quantity/spread.ts'
import { type Add, startWorking } from '../quantity/working.ts'
import { capacityBySalt, exchangerLitres, hygieneDays, usualSaltGPerL } from '../softener/exchanger.ts'
import { capacitySd, type LearnedCapacity, learnedCapacity } from '../softener/learned-capacity.ts'
import { schoolName } from '../wear/limits.ts'
import type { RunningClock } from './duty-clocks.ts'
import { finish } from './duty-standing.ts'
import { type Found, type Histories, nearestSetting, ofKind, ownSchool } from './histories.ts'
import { schoolOf } from './machine-facts.ts'
import { saltStanding } from './salt-standing.ts'
import { type Draw, litresClock } from './softener-draw.ts'
import type { Standing, WaterFigure } from './standing.ts'
import { waterFacts } from './water/feed-water.ts'
import { outletTests } from './water/outlet-tests.ts'
import { type SetFigure, schoolFigure, takeFigure } from './water/set-figure.ts'
import { waterKnown } from './water-known.ts'

/** What an exchanger can take up, and what it gives at the present water. */
export interface ExchangerFacts {
  set: Found<'exchanger'>
  itself: boolean
  saltGPerL: number
  /** From memory or set, before its own tests spoke. */
  usualGPerL: number
  /** A capacity somebody set is not learned over. */
  capacity: LearnedCapacity
  reserve: SetFigure
  out: Interval
  /** Litres between regenerations; null where the raw water was never tested or is softer than what comes out. */
  gives: Interval | null
}

/** @returns null where nobody said how much resin it holds */
export function exchangerFacts(histories: Histories, draw: Draw): ExchangerFacts | null {
  const set = nearestSetting(histories, 'exchanger')
  if (!set) return null
  const { resinL, capacityGPerL } = set.body
  const itself = set.body.regenerates === 'itself'
  const saltGPerL = set.body.saltGPerL ?? (itself ? usualSaltGPerL : takeFigure(histories, 'hand-salt').value)
  const usualGPerL =
    capacityGPerL ?? (itself ? capacityBySalt(saltGPerL) : takeFigure(histories, 'hand-capacity').value)
  const facts = waterFacts(histories)
  const capacity: LearnedCapacity = capacityGPerL
    ? { value: capacityGPerL, below: 0, above: 0, tests: [] }
    : learnedCapacity(usualGPerL, resinL, outletTests(histories, draw, facts))
  const reserve = takeFigure(histories, 'softener-reserve')
  const kept = set.body.reserve ?? reserve.value
  const { raw, softened } = waterKnown(histories)
  // A spent outlet says what comes through now, not what it lets through when it works.
  const works = softened && softened.value < (raw?.value ?? 0) / 3 ? softened : null
  const out: Interval = works ?? rangeOf(facts.leakage)
  return {
    set,
    itself,
    saltGPerL,
    usualGPerL,
    capacity,
    reserve,
    out,
    gives: raw && out.value < raw.value ? litresGiven(resinL, capacity, kept, raw, out) : null,
  }
}

const rangeOf = (figure: Spread): Interval => ({
  low: atChance(figure, 0.05),
  value: figure.value,
  high: atChance(figure, 0.95),
})

/**
 * When a salt-regenerated softener must be regenerated: by the litres its resin gives at this water, or by
 * hygiene, whichever comes first. One that regenerates itself asks for salt instead. Its capacity is learned
 * from its own outlet tests.
 *
 * @returns null where nobody said how much resin it holds
 */
export function exchangerStanding(
  histories: Histories,
  draw: Draw,
  asOf: string,
  showWorking: boolean,
): Standing | null {
  const facts = exchangerFacts(histories, draw)
  if (!facts) return null
  const { set, itself, saltGPerL, gives, reserve } = facts
  const { resinL, saltTankKg } = set.body
  if (itself) {
    if (!saltTankKg || !gives) return null
    const use = { tankKg: saltTankKg, perRegenerationKg: (saltGPerL * resinL) / 1000, litres: gives.value }
    return saltStanding(histories, draw, use, asOf, showWorking)
  }
  const done = ofKind(histories, 'softener', 'regenerated').at(-1)
  const since = (done ?? ofKind(histories, 'softener', 'commissioned')[0])!.happenedOn
  const start = toDay(since)
  const asOfDay = toDay(asOf)
  const school = schoolOf(ownSchool(histories, 'regenerate')).value
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
      schoolFigure(histories, 'regenerate-days', hygieneDays[school], `${schoolName[school]} school, from memory`),
      add,
    ),
  )
  const head = {
    key: 'regenerate',
    duty: 'regenerate',
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

/** A test that reads low lets the resin last longer: the bounds cross over. */
function litresGiven(resinL: number, capacity: Spread, reserve: number, raw: Interval, out: Interval): Interval {
  const softest = raw.low || raw.value
  const litres = (gPerL: number, inMgL: number, outMgL: number) =>
    exchangerLitres(resinL, gPerL, reserve, inMgL, outMgL)
  return {
    low: litres(atChance(capacity, 0.1), raw.high, Math.min(out.low, raw.high * 0.99)),
    value: litres(capacity.value, raw.value, out.value),
    high: litres(atChance(capacity, 0.9), softest, Math.min(out.high, softest * 0.9)),
  }
}

const figureLine = (figure: WaterFigure) => ({
  value: figure.value,
  unit: hardnessSymbol.mgL,
  origin: 'measured' as const,
  source: `${figure.said}, ${figure.on}`,
})

function hygieneClock(since: string, asOfDay: number, cap: ReturnType<typeof schoolFigure>, add: Add): RunningClock {
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
