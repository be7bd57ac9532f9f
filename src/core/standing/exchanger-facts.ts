import type { Interval } from '../quantity/interval.ts'
import { atChance, type Spread } from '../quantity/spread.ts'
import { capacityBySalt, exchangerLitres, usualSaltGPerL } from '../softener/exchanger.ts'
import { type LearnedCapacity, learnedCapacity } from '../softener/learned-capacity.ts'
import { type Found, type Histories, nearestSetting } from './histories.ts'
import type { Draw } from './softener-draw.ts'
import { waterFacts } from './water/feed-water.ts'
import { outletTests } from './water/outlet-tests.ts'
import { type SetFigure, takeFigure } from './water/set-figure.ts'
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
