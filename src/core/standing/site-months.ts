import type { Entry } from '../ledger/entry.ts'
import { toDay } from '../quantity/local-day.ts'
import { type MonthsSeen, monthsSeen } from '../usage/months-seen.ts'
import { counterLine } from './counter-line.ts'
import { cameOn, effective, ofKind } from './histories.ts'
import { siteOpening } from './site-opening.ts'

/**
 * What the counters of a site's machines say of its months, each since it stands there.
 *
 * @param site - the site's ledger
 * @param machines - of each machine at least its readings and its moves
 */
export function siteMonths(site: Entry[], machines: Entry[][]): MonthsSeen | null {
  const open = siteOpening(effective({ site })).openDays.plain
  return monthsSeen(
    machines.map((entries) => {
      const histories = effective({ machine: entries })
      const readings = ofKind(histories, 'machine', 'reading')
      const last = readings.at(-1)
      if (!last) return []
      const came = cameOn(histories)
      const asOf = toDay(last.happenedOn)
      const { intervals } = counterLine(readings, 'shots', open, 1, asOf, asOf, came)
      return intervals.filter(({ fromDay }) => fromDay >= (came.at(-1) ?? Number.NEGATIVE_INFINITY))
    }),
    open,
  )
}
