import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { effective } from '../../core/standing/histories.ts'
import { libraryHere } from '../../core/standing/own-procedures.ts'
import type { Trx } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { keptByIds } from '../../records/kept.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { machinesAt, ordersOf, sitesAround, sitesNamedOn } from '../../records/plan.ts'
import { keptPart, proposedDays, proposedVisits } from '../../records/plan-parts.ts'
import { veryOwnKindsIn } from '../own-kinds.ts'
import { plannedAgain } from './make-plan.ts'
import { planInput } from './plan-input.ts'
import { isOld, planParts } from './plan-parts.ts'
import { placeOf } from './plan-roads.ts'
import { whoTogether } from './who-together.ts'

/** More sites left out than these would fill the drawing with names. */
const mostOthers = 40

export type DayRead = Awaited<ReturnType<typeof readDay>>

interface AskedDay {
  on: LocalDay
  today: LocalDay
  /** In a firm of many whose day it is above all; those who begin nearest to them are read with them. */
  technicianId?: string
  /** Sites to know of though nobody goes there on it. */
  also?: string[]
}

/** All that is read for a day, inside one look. */
export async function readDay(trx: Trx, firmId: string, { on, today, technicianId, also = [] }: AskedDay) {
  const firm = (await theFirm(trx))!
  const { goes, others: otherPeople } = await whoTogether(trx, technicianId)
  const by = goes && { technicianIds: goes }
  const siteIds = [
    ...new Set([
      ...(await proposedVisits(trx, { on, ...by })).map(({ siteId }) => siteId),
      ...(await sitesNamedOn(trx, on, goes)),
      ...also,
    ]),
  ]
  const proposed = await proposedVisits(trx, { siteIds })
  const input = await planInput(trx, firmId, today, proposed, { siteIds, ...(goes && { goes }) })
  const [own, machines, orders, customers, visits, firmSettings, daysOut] = await Promise.all([
    veryOwnKindsIn(trx),
    machinesAt(trx, siteIds),
    ordersOf(trx, on),
    keptByIds(trx, 'customer', [...new Set(input.sites.map(({ record }) => record.customerId))]),
    entriesOfKinds(trx, siteIds, ['visit', 'withdrawn']),
    entriesOfKinds(trx, [firmId], ['own-procedure', 'withdrawn']),
    proposedDays(trx, today, goes),
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
  const around = (await sitesAround(trx, places, mostOthers)).filter(({ siteId }) => !going.has(siteId))
  const later = await proposedVisits(trx, { siteIds: around.map(({ siteId }) => siteId), from: on })
  const parts = (await planParts(trx, firmId)).filter(({ id, of }) => of === null || !goes || goes.includes(id))
  const kept = await Promise.all(parts.map(({ id }) => keptPart(trx, id)))
  const old = await Promise.all(parts.map((part, i) => isOld(trx, part, kept[i]!, { today, seq: firm.seq })))
  return {
    timeZone: firm.timeZone,
    seq: firm.seq,
    isPlanned: kept.every((part) => part !== null),
    /** Parts of the plan that do not know all. */
    toPlan: parts.flatMap(({ id }, i) => (old[i] ? [id] : [])),
    otherPeople,
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
    daysOut,
    others: around.map((site) => ({
      ...site,
      next: later.find((visit) => visit.siteId === site.siteId && visit.on > on)?.on ?? null,
    })),
  }
}
