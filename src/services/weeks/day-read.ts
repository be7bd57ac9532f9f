import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { effective } from '../../core/standing/histories.ts'
import { libraryHere } from '../../core/standing/own-procedures.ts'
import type { Trx } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { keptByIds } from '../../records/kept.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { keptPlan, machinesAt, ordersOf, sitesAround, sitesNamedOn, timesKept } from '../../records/plan.ts'
import { veryOwnKindsIn } from '../own-kinds.ts'
import { isTooMany, knowsAll, plannedAgain } from './make-plan.ts'
import { planInput } from './plan-input.ts'
import { placeOf } from './plan-roads.ts'

/** More sites left out than these would fill the drawing with names. */
const mostOthers = 40

export type DayRead = Awaited<ReturnType<typeof readDay>>

/** All that is read for a day, inside one look. @param also - sites to know of though nobody goes there on it */
export async function readDay(trx: Trx, firmId: string, on: LocalDay, today: LocalDay, also: string[] = []) {
  const firm = (await theFirm(trx))!
  const isTooLarge = (await isTooMany(trx, today)) !== null
  const plan = isTooLarge ? null : await keptPlan(trx)
  const proposed = plan?.body.visits ?? []
  const siteIds = [
    ...new Set([
      ...proposed.filter((visit) => visit.on === on).map(({ siteId }) => siteId),
      ...(await sitesNamedOn(trx, on)),
      ...also,
    ]),
  ]
  const input = await planInput(trx, firmId, today, proposed, siteIds)
  const [own, machines, orders, customers, visits, firmSettings, kept] = await Promise.all([
    veryOwnKindsIn(trx),
    machinesAt(trx, siteIds),
    ordersOf(trx, on),
    keptByIds(trx, 'customer', [...new Set(input.sites.map(({ record }) => record.customerId))]),
    entriesOfKinds(trx, siteIds, ['visit', 'withdrawn']),
    entriesOfKinds(trx, [firmId], ['own-procedure', 'withdrawn']),
    timesKept(trx),
  ])
  const reports = effectiveHistory(
    await entriesOfKinds(
      trx,
      machines.map(({ id }) => id),
      ['fault-reported', 'repaired', 'test-seen', 'withdrawn'],
    ),
  ).entries
  const going = new Set(siteIds)
  const places = [
    ...input.sites.map(({ record }) => placeOf(record.latitude, record.longitude)),
    ...input.technicians.map((one) => placeOf(one.startLatitude, one.startLongitude)),
  ].filter((place) => place !== null)
  return {
    timeZone: firm.timeZone,
    seq: firm.seq,
    isPlanned: plan !== null,
    isOld: !isTooLarge && (!plan || !knowsAll(plan, today, firm.seq, { kept })),
    input,
    planned: plannedAgain(input, proposed),
    machines,
    reports,
    kinds: new Map(own.map((kind) => [kind.id, kind])),
    library: libraryHere(effective({ firm: firmSettings })),
    customers: new Map(customers.map((customer) => [customer.id, customer])),
    orders: effectiveHistory(orders).entries.filter(isKind('day-order')),
    been: effectiveHistory(visits)
      .entries.filter(isKind('visit'))
      .filter(({ happenedOn }) => happenedOn === on),
    daysOut: [...new Set(proposed.map((visit) => visit.on))].filter((day) => day >= today).sort(),
    others: (await sitesAround(trx, places, mostOthers)).flatMap((site) => {
      if (going.has(site.siteId)) return []
      const next = proposed.find((visit) => visit.siteId === site.siteId && visit.on > on)?.on ?? null
      return [{ ...site, next }]
    }),
  }
}
