import { type Interval, intervalAt } from '../quantity/interval.ts'
import type { Add } from '../quantity/working.ts'
import type { CounterLine } from './counter-line.ts'
import { openDaysLeft } from './open-days-left.ts'
import type { RunningClock } from './task-clocks.ts'
import { dayOfLitres, litresADay, litresBetween, type WaterBudget } from './water-budget.ts'

/** What a softener's litres are counted by: its own meter, or the machines it feeds. */
export interface Draw {
  said: string
  measured: boolean
  perOpenDay: number
  /** Share of calendar days that are open. */
  shareOpen: number
  between(from: number, to: number): number
  dayAfter(since: number, litres: number, chance: number): number | null
}

export function meteredDraw(meter: CounterLine, shareOpen: number): Draw {
  return {
    said: `its meter, ${meter.readings} readings`,
    measured: true,
    perOpenDay: meter.rate.shape / meter.rate.rate,
    shareOpen,
    between: (from, to) => meter.totalAt(to) - meter.totalAt(from),
    dayAfter: meter.dayAfter,
  }
}

/** A machine and the days its water came through the softener; a machine that left has an end. */
export interface Fed {
  budget: WaterBudget
  use: CounterLine
  /** Day numbers, from included, to not; Infinity while it is still behind it. */
  spans: { from: number; to: number }[]
}

/**
 * Several machines draw together: what they drew adds up over the days each was behind the softener; days
 * to come are found by their sum, at the busiest machine's own spread.
 */
export function fedDraw(fed: Fed[], shareOpen: number): Draw {
  const now = fed.filter(({ spans }) => spans.at(-1)?.to === Number.POSITIVE_INFINITY)
  const perOpenDay = now.reduce((sum, { budget, use }) => sum + litresADay(budget, use), 0)
  const main = [...now].sort((a, b) => litresADay(b.budget, b.use) - litresADay(a.budget, a.use))[0]
  const between = (from: number, to: number) =>
    fed.reduce((sum, { budget, use, spans }) => {
      const litres = spans.map((span) => {
        const [start, end] = [Math.max(from, span.from), Math.min(to, span.to)]
        return end > start ? litresBetween(budget, use, start, end) : 0
      })
      return sum + litres.reduce((total, some) => total + some, 0)
    }, 0)
  return {
    said: `${now.length === 1 ? 'the machine' : `${now.length} machines`} behind it, from counts`,
    measured: false,
    perOpenDay,
    shareOpen,
    between,
    dayAfter(since, litres, chance) {
      if (!main || perOpenDay <= 0) return null
      const anchor = Math.max(since, main.use.last?.day ?? since)
      const gone = between(since, anchor)
      if (gone >= litres) return firstDay(since, anchor, (day) => between(since, day) >= litres)
      const share = litresADay(main.budget, main.use) / perOpenDay
      return dayOfLitres(main.budget, main.use, anchor, (litres - gone) * share, chance)
    },
  }
}

/** The day before the first on which something holds that stays so. */
function firstDay(from: number, to: number, holds: (day: number) => boolean): number {
  let [below, above] = [from, to]
  while (above - below > 1) {
    const middle = Math.floor((below + above) / 2)
    if (holds(middle)) above = middle
    else below = middle
  }
  return below
}

interface LitresGiven {
  draw: Draw
  /** Day number the litres count from, and how that day is said. */
  start: number
  since: string
  how: string
  asOf: string
  asOfDay: number
  /** Litres it gives: fewest, likely, most. */
  gives: Interval
  givesLine: number
}

/** The clock of a softener's litres, with the lines that say how much is left. */
export function litresClock(given: LitresGiven, add: Add): RunningClock {
  const { draw, start, since, how, asOf, asOfDay, gives, givesLine } = given
  const drawn = draw.between(start, asOfDay)
  const perDay = add(() => ({
    what: 'Draw',
    value: draw.perOpenDay,
    unit: 'L/open day',
    origin: draw.measured ? 'measured' : 'reckoned',
    source: draw.said,
  }))
  const drawnLine = add(() => ({
    what: `Drawn to ${asOf}`,
    value: drawn,
    unit: 'L',
    formula: `since ${since}`,
    origin: 'reckoned',
    source: how,
  }))
  const leftLine = add(() => ({
    what: 'Left by litres',
    ...openDaysLeft(gives.value - drawn, draw.perOpenDay),
    formula: `({${givesLine}} − {${drawnLine}}) ÷ {${perDay}}`,
    origin: 'reckoned',
  }))
  return {
    use: {
      clock: 'litres',
      used: drawn,
      limit: gives.value,
      unit: 'L',
      perDay: draw.perOpenDay * draw.shareOpen,
    },
    passage: { name: 'litres', dayAt: (chance) => draw.dayAfter(start, intervalAt(gives, chance), chance) },
    leftLine,
  }
}
