import { fromDay, toDay } from '../../quantity/local-day.ts'
import { spentAboveMgL } from '../../softener/learned-capacity.ts'
import { type Histories, ofKind } from '../histories.ts'
import type { WaterFigure } from '../standing.ts'
import { asRenewed, goodOutlet, lastRenewal, testsOf } from '../water-known.ts'
import { type FeedWater, feedWater, type Tests, type WaterFacts } from './feed-water.ts'

/** A stretch of days with one water. */
export interface WaterSpan {
  from: number
  /** Not included. */
  to: number
  water: FeedWater
}

/**
 * The water a machine was fed between two days, by the tests made meanwhile.
 *
 * A test speaks until the next one. Behind a softener a rise from one test to the next, with no regeneration
 * between, is taken half way; where there was one, the earlier test speaks until it and the later one after
 * it: that is how a softener found spent shows in the chalk.
 *
 * @param onTime - as if every regeneration had come in time: the outlet as at the middle one of its good tests
 */
export function waterSpans(
  facts: WaterFacts,
  histories: Histories,
  from: number,
  to: number,
  onTime = false,
): WaterSpan[] {
  const levels = (['site', 'supply'] as const).find((level) => testsOf(histories, level, 'raw', 'total').length > 0)
  const raw = levels ? testsOf(histories, levels, 'raw', 'total') : []
  const carbonate = levels ? testsOf(histories, levels, 'raw', 'carbonate') : []
  const softened = outletSteps(histories, onTime)
  const carbonateOut = testsOf(histories, 'softener', 'softened', 'carbonate')
  const renewed = lastRenewal(histories)
  const renewedDay = renewed && renewed.kind !== 'regenerated' ? toDay(renewed.on) : null
  const changes = new Set([
    from,
    ...[...raw, ...carbonate].map(({ on }) => toDay(on)),
    ...softened.map(({ day }) => day),
    ...(renewedDay === null ? [] : [renewedDay]),
  ])
  const days = [...changes].filter((day) => day >= from && day < to).sort((a, b) => a - b)
  const spans: WaterSpan[] = []
  let before = ''
  for (const [i, day] of days.entries()) {
    const isAsNow = renewedDay === null || day >= renewedDay
    const tests: Tests = {
      ...facts.known,
      // A cartridge that was changed since: what left the one before was tested then.
      ...(!isAsNow && carbonateOut.length > 0 && { softenedCarbonate: onDay(carbonateOut, day) }),
      ...(raw.length > 0 && { raw: onDay(raw, day) }),
      ...(carbonate.length > 0 && { rawCarbonate: onDay(carbonate, day) }),
      ...(softened.length > 0 && (isAsNow ? facts.known.softened : true) && { softened: stepOn(softened, day) }),
    }
    const until = days[i + 1] ?? to
    // Drops are whole: most tests find what the one before found.
    const same = valuesOf(tests)
    if (same === before) spans.at(-1)!.to = until
    else spans.push({ from: day, to: until, water: feedWater(facts, tests) })
    before = same
  }
  return spans
}

const valuesOf = ({ raw, rawCarbonate, softened, softenedCarbonate }: Tests) =>
  [raw, rawCarbonate, softened, softenedCarbonate].map((figure) => figure?.value ?? '').join(' ')

/** The latest test by a day; before the first one, the first. */
const onDay = (tests: WaterFigure[], day: number): WaterFigure =>
  tests.findLast(({ on }) => toDay(on) <= day) ?? tests[0]!

interface OutletStep {
  day: number
  figure: WaterFigure
}

const stepOn = (steps: OutletStep[], day: number): WaterFigure =>
  (steps.findLast((step) => step.day <= day) ?? steps[0]!).figure

/** Hardness after the softener from day to day, as its tests and regenerations tell it. */
function outletSteps(histories: Histories, onTime: boolean): OutletStep[] {
  const tests = testsOf(histories, 'softener', 'softened', 'total')
  if (tests.length === 0) return []
  if (onTime) {
    const middle = goodOutlet(histories) ?? tests[0]!
    return [{ day: toDay(middle.on), figure: middle }]
  }
  const renewed = [
    ...ofKind(histories, 'softener', 'regenerated'),
    ...ofKind(histories, 'softener', 'cartridge-changed'),
    ...ofKind(histories, 'softener', 'membrane-changed'),
  ].map(({ happenedOn }) => toDay(happenedOn))
  const steps: OutletStep[] = []
  for (const [i, test] of tests.entries()) {
    const next = tests[i + 1]
    const [day, until] = [toDay(test.on), next ? toDay(next.on) : Number.POSITIVE_INFINITY]
    const between = renewed.find((renewal) => renewal >= day && renewal < until)
    if (!next) {
      const isRenewed = between !== undefined && test.value > spentAboveMgL
      if (!isRenewed || between > day) steps.push({ day, figure: test })
      if (isRenewed) steps.push({ day: between, figure: asRenewed(histories, fromDay(between)) })
    } else if (between === undefined) steps.push({ day, figure: halfWay(test, next) })
    else if (between === day) steps.push({ day, figure: next })
    else steps.push({ day, figure: test }, { day: between, figure: next })
  }
  return steps
}

const halfWay = (a: WaterFigure, b: WaterFigure): WaterFigure => ({
  ...b,
  low: Math.min(a.low, b.low),
  value: (a.value + b.value) / 2,
  high: Math.max(a.high, b.high),
})
