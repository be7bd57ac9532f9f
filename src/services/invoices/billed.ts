import type { Billed } from '../../core/invoices/draft.ts'
import { reportNumberOf } from '../../core/invoices/number.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { effective, nearestSetting } from '../../core/standing/histories.ts'
import type { Trx } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { keptById, keptByIds } from '../../records/kept.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { reportCount } from '../../records/report-numbers.ts'
import { entriesOfVisits } from '../../records/visits.ts'

/** A closed visit with all that its invoice is drawn from. */
export interface BilledVisit extends Billed {
  siteId: string
  timeZone: string
  /** Whom it is written to now, and who else may get it: whoever keeps the place, and who pays for its machines. */
  customerId: string
  mayPay: { id: string; name: string }[]
}

/**
 * What the invoice of a visit is drawn from. Where one other than the customer of the place pays for all machines that
 * were worked on, it is written to them.
 *
 * @param payerId - whom it is to be written to, where somebody chose
 * @returns null where this firm has no such visit, or it is not closed
 */
export async function billedVisit(trx: Trx, visitId: string, payerId?: string): Promise<BilledVisit | null> {
  const siteId = (await entriesOfVisits(trx, [visitId])).find(isKind('visit-closed'))?.subjectId
  if (!siteId) return null
  const [there, site, firm] = await Promise.all([
    // A closing that was withdrawn is withdrawn by an entry of no visit.
    entriesOfKinds(trx, [siteId], ['visit-closed', 'withdrawn']),
    keptById(trx, 'site', siteId),
    theFirm(trx),
  ])
  const standing = effectiveHistory(there).entries.filter(isKind('visit-closed'))
  const closed = standing.findLast((entry) => entry.visitId === visitId)
  if (!closed || !site || !firm) return null
  const machineIds = closed.body.minutes.map(({ subjectId }) => subjectId)
  const machines = await keptByIds(trx, 'machine', machineIds)
  const payers = new Set(machines.map((machine) => machine.payerId ?? site.customerId))
  const [only] = payers
  const usual = payers.size === 1 && only ? only : site.customerId
  const candidates = [...new Set([site.customerId, ...payers])]
  const customers = await keptByIds(trx, 'customer', candidates)
  const customer = customers.find(({ id }) => id === payerId) ?? customers.find(({ id }) => id === usual)
  if (!customer) return null
  const settings = await entriesOfKinds(trx, [firm.id, customer.id], ['setting', 'withdrawn'])
  const about = (subjectId: string) => settings.filter((entry) => entry.subjectId === subjectId)
  const histories = effective({ customer: about(customer.id), firm: about(firm.id) })
  const counted = await reportCount(trx, visitId)
  return {
    closed,
    reportNumber: counted ? reportNumberOf(counted.on, counted.n) : '',
    firmName: firm.name,
    invoicing: nearestSetting(histories, 'invoicing')?.body ?? null,
    letterhead: nearestSetting(histories, 'letterhead')?.body ?? null,
    taxName: nearestSetting(histories, 'rates')?.body.taxName,
    taxTold: nearestSetting(histories, 'tax-told')?.body ?? null,
    customer,
    place: { name: site.name, area: site.area },
    siteId: site.id,
    timeZone: site.timeZone,
    customerId: customer.id,
    mayPay: customers.map(({ id, name }) => ({ id, name })),
  }
}
