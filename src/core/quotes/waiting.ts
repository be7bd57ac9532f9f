import { type ComesNext, chanceDueBy } from '../close-out/comes-next.ts'
import { type Minor, priceOf } from '../money/minor.ts'
import { fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'

/** What waiting until a day may cost: how likely it is due by then, times coming for it alone. */
export interface Waiting {
  by: LocalDay
  /** That it is due by then, thousandths. */
  chanceMilli: number
  addsMinor: Minor
}

/** Whoever fills the tank changes these, and nobody comes for one alone. Common practice, no source. */
const changedByHand: ReadonlySet<string> = new Set(['tank-filter', 'softening-sachet'])

/** Whether somebody would come for this part alone once it is due. @example callsSomebody('tank-filter') // false */
export const callsSomebody = (part: string | undefined): part is string =>
  part !== undefined && !changedByHand.has(part)

/** Nobody said when somebody comes again: four weeks, as visits to a café usually lie. From memory. */
const usualDays = 28

/**
 * The next two visits, as far as anybody knows: the one that is arranged and one as far beyond it, or four weeks apart.
 *
 * @example twoVisits('2026-11-26', '2026-12-17') // ['2026-12-17', '2027-01-14']
 */
export function twoVisits(today: LocalDay, nextOn: LocalDay | null): [LocalDay, LocalDay] {
  const first = nextOn ? toDay(nextOn) : toDay(today) + usualDays
  return [fromDay(first), fromDay(first + Math.max(usualDays, first - toDay(today)))]
}

/**
 * What waiting adds by each of some days: the chance that it is due by then, times a call of its own. Due is not failed:
 * so it is the most that is to be reckoned with, and what the customer loses while it stands still is not in it.
 *
 * Only of a part that wears and that a technician fits: a check or a clean that is late is late, and calls nobody.
 *
 * @param due - null where nobody knows when: then nothing is said
 * @param callMinor - of coming for it alone; null where nobody said what that costs
 * @example waitingOf({ due: { p10: '2026-12-01', p50: '2026-12-11', p90: '2026-12-31' }, part }, ['2026-12-31'], 8500) // 9 in 10: 7650
 */
export function waitingOf(
  { due, part }: { due: ComesNext['due'] | null; part?: string | undefined },
  days: readonly LocalDay[],
  callMinor: Minor | null,
): Waiting[] | null {
  if (!due || !callsSomebody(part) || callMinor === null) return null
  return days.map((by) => {
    const chanceMilli = Math.round(chanceDueBy(due, by) * 1000)
    return { by, chanceMilli, addsMinor: priceOf({ quantityMilli: chanceMilli, priceMinor: callMinor }) }
  })
}
