import { addMonths, fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'

/** Visits that were agreed to come round again and again. */
export interface Contract {
  everyMonths: number
  /** The first of them. */
  firstOn: LocalDay
  /** So many days before and after its day a visit counts as it. */
  within: number
}

/** One of them that nobody has made yet. */
export interface ContractVisit {
  on: LocalDay
  /** Day numbers between which a visit counts as it. */
  from: number
  to: number
}

/** Longer ago than this nobody makes up for what was left out, in turns of the contract. */
const mostMissed = 1

/**
 * The contract’s visits that are still to be made: of those missed since somebody was there only the last, and all that
 * begin before a day.
 *
 * @param been - days somebody was there
 * @param today - a day number
 * @param until - a day number; none whose stretch begins later
 * @example contractVisits({ everyMonths: 3, firstOn: '2026-09-15', within: 14 }, ['2026-09-20'], today, until)[0].on // '2026-12-15'
 */
export function contractVisits(
  { everyMonths, firstOn, within }: Contract,
  been: readonly LocalDay[],
  today: number,
  until: number,
): ContractVisit[] {
  const days = been.map(toDay)
  const first = toDay(firstOn)
  let visits: ContractVisit[] = []
  let missed = 0
  for (let turn = 0; ; turn += 1) {
    const on = addMonths(first, turn * everyMonths)
    const [from, to] = [on - within, on + within]
    if (from > until) break
    // Made late it is still this one, until the next could be meant.
    const next = addMonths(first, (turn + 1) * everyMonths) - within
    if (days.some((day) => day >= from && day < Math.max(next, to + 1))) {
      // Somebody was there since: what was left out before is over.
      visits = []
      missed = 0
      continue
    }
    if (to < today) missed += 1
    visits.push({ on: fromDay(on), from, to })
  }
  return visits.slice(Math.max(0, missed - mostMissed))
}

/** What a contract’s visit costs on some days: nothing within its stretch, nearly all before it, much with each day after. */
export function contractCosts(
  { from, to }: Pick<ContractVisit, 'from' | 'to'>,
  days: readonly number[],
  { tooEarly, perDayLate }: { tooEarly: number; perDayLate: number },
): { early: Float64Array; late: Float64Array } {
  const first = Math.max(0, (days[0] ?? to) - to)
  return {
    early: Float64Array.from(days, (day) => (day < from ? tooEarly : 0)),
    late: Float64Array.from(days, (day) => Math.max(0, day - to - first) * perDayLate),
  }
}
