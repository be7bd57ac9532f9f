import type { LocalDay } from '../../core/quantity/local-day.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { keptById } from '../../records/kept.ts'
import { customerDays, visitsOfCustomer } from '../../records/visits.ts'
import type { Letterhead } from './letterhead.ts'
import { letterheadOf } from './letterhead-of.ts'
import { type Report, reportOf } from './report.ts'

/** A visit of a day: its report, where it is closed. */
export interface DayVisit {
  visitId: string
  siteId: string
  site: string
  report: Report | null
}

/** What was done for one customer on one day, at all their places. */
export interface DayReport {
  customer: string
  on: LocalDay
  visits: DayVisit[]
  letterhead: Letterhead
}

/** More places than this in one day nobody visits for one customer. */
const mostVisits = 60

/** A day's work for a customer; null where this firm has no such customer, or was not there that day. */
export async function dayReportOf(
  db: Db,
  firmId: string,
  { customerId, on, today, now }: { customerId: string; on: LocalDay; today: LocalDay; now: string },
): Promise<DayReport | null> {
  const found = await lookIn(db, firmId, async (trx) => {
    const customer = await keptById(trx, 'customer', customerId)
    return customer && { name: customer.name, visits: await visitsOfCustomer(trx, customerId, on, mostVisits) }
  })
  if (!found || found.visits.length === 0) return null
  const visits: DayVisit[] = []
  // One after the other: each reads the ledgers of all its machines.
  for (const { visitId, siteId, site } of found.visits)
    visits.push({ visitId, siteId, site, report: await reportOf(db, firmId, { siteId, visitId, today, now }) })
  return { customer: found.name, on, visits, letterhead: await letterheadOf(db, firmId) }
}

/** The last days somebody was at a customer's places. */
export const daysAtCustomer = (db: Db, firmId: string, customerId: string): Promise<LocalDay[]> =>
  lookIn(db, firmId, (trx) => customerDays(trx, customerId, 12))
