import { effectiveHistory } from '../core/ledger/effective-history.ts'
import type { EntryOf } from '../core/ledger/entry.ts'
import { fromDay, type LocalDay, toDay } from '../core/quantity/local-day.ts'
import { heldNow } from '../core/standing/held-now.ts'
import { effective, nearestSetting } from '../core/standing/histories.ts'
import { reckonMachine } from '../core/standing/reckon-machine.ts'
import type { CallerMachine } from '../core/visits/caller-machine.ts'
import { openCalls } from '../core/visits/open-calls.ts'
import { openReport } from '../core/visits/open-reports.ts'
import { callerRows, callsSince } from '../records/calls.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { technicians } from '../records/firms.ts'
import { keptById, keptByIds } from '../records/kept.ts'
import { machinesAt } from '../records/plan.ts'
import { reckonedByIds } from '../records/subjects.ts'
import { visitHeaders } from '../records/visits.ts'
import type { CallPlace, OpenFault, RingBack } from '../views/call-page.ts'
import { isUuid } from './cursor.ts'
import { ledgersById, ledgersOf } from './reckon-subjects.ts'

const mostFound = 8
/** A call that nobody rang back in so many days is in the ledger, and on no list. */
const openDays = 30
/** More machines than these of one place are not all reckoned while somebody waits. */
const mostAtPlace = 30

/** Machines that somebody may be ringing about, by any words, a serial number or the customer’s telephone number. */
export const whoRang = (db: Db, firmId: string, text: string): Promise<CallerMachine[]> =>
  text.trim() === '' ? Promise.resolve([]) : lookIn(db, firmId, (trx) => callerRows(trx, { text }, mostFound))

/** A device takes no more names along than these. */
const mostNames = 10_000

/** All machines in service by their names: a device finds them without network. */
export const machineNames = (db: Db, firmId: string): Promise<CallerMachine[]> =>
  lookIn(db, firmId, (trx) => callerRows(trx, {}, mostNames))

/** One machine as a call names it; null where this firm has none in service. */
export const callerMachine = (db: Db, firmId: string, machineId: string): Promise<CallerMachine | null> =>
  isUuid(machineId)
    ? lookIn(db, firmId, async (trx) => (await callerRows(trx, { machineId }, 1))[0] ?? null)
    : Promise.resolve(null)

/** What is known of a place while somebody from there is on the telephone; null where this firm has no such site. */
export async function callPlace(db: Db, firmId: string, siteId: string): Promise<CallPlace | null> {
  return lookIn(db, firmId, async (trx) => {
    const site = await keptById(trx, 'site', siteId)
    if (!site) return null
    const [customer, machines, people, [last]] = await Promise.all([
      keptById(trx, 'customer', site.customerId),
      machinesAt(trx, [siteId]),
      technicians(trx),
      visitHeaders(trx, { siteId }, null, 1),
    ])
    const some = machines.slice(0, mostAtPlace)
    const reckoned = await reckonedByIds(
      trx,
      some.map(({ id }) => ({ id, kind: 'machine' as const })),
    )
    const byId = await ledgersById(trx, firmId, reckoned)
    const names = new Map(people.map(({ id, name }) => [id, name]))
    const hours = reckoned[0] && nearestSetting(effective(ledgersOf(firmId, reckoned[0], byId)), 'visit-hours')?.body
    return {
      siteId,
      siteName: site.name,
      area: site.area,
      timeZone: site.timeZone,
      accessNote: site.accessNote,
      technicianId: site.technicianId,
      customer: {
        id: site.customerId,
        name: customer?.name ?? '',
        contact: customer?.contact ?? '',
        phone: customer?.phone ?? '',
      },
      hours: hours ? { weekdays: hours.weekdays, hours: hours.hours ?? [], note: hours.note ?? '' } : null,
      lastVisit: last?.kind === 'visit' ? { on: last.happenedOn, technicians: namesOf(last.body.technicianIds) } : null,
      machines: some.flatMap((machine) => {
        const subject = reckoned.find(({ id }) => id === machine.id)
        const ledgers = subject && ledgersOf(firmId, subject, byId)
        const reckoning = ledgers && reckonMachine(ledgers, { showWorking: false })
        if (!reckoning || reckoning.stage === 'retired') return []
        const histories = effective(ledgers)
        return [
          {
            id: machine.id,
            name: machine.name,
            model: [machine.maker, machine.model].filter(Boolean).join(' '),
            kind: machine.kind,
            perDay: !reckoning.use || reckoning.use.assumed || reckoning.uncounted ? null : reckoning.use.mean,
            isOut: reckoning.stage !== 'working' || heldNow(histories).length > 0,
            fault: faultOf(openReport(histories.machine?.entries ?? [])),
          },
        ]
      }),
    }
    function namesOf(ids: readonly string[]): string[] {
      return ids.flatMap((id) => names.get(id) ?? [])
    }
  })
}

const faultOf = (report: EntryOf<'fault-reported'> | undefined): OpenFault | null =>
  report ? { id: report.id, text: report.body.text, symptom: report.body.symptom ?? null, on: report.happenedOn } : null

/** Calls that are to be rung back, the first that rang first. */
export const ringBacks = (db: Db, firmId: string, today: LocalDay): Promise<RingBack[]> =>
  lookIn(db, firmId, async (trx) => {
    const written = await callsSince(trx, fromDay(toDay(today) - openDays))
    const open = openCalls(effectiveHistory(written).entries)
    if (open.length === 0) return []
    const { machines, sites, customers } = await placesOf(trx, open)
    const names = new Map((await technicians(trx)).map(({ id, name }) => [id, name]))
    const taken = new Map(written.map((entry) => [entry.id, entry]))
    return open.map((entry): RingBack => {
      const machine = machines.get(entry.subjectId)
      const site = sites.get(machine?.siteId ?? entry.subjectId)
      const customer = site && customers.get(site.customerId)
      const { text, caller, phone } = entry.body
      return {
        id: entry.id,
        at: entry.happenedAt,
        text: text ?? '',
        caller: caller ?? '',
        phone: phone ?? '',
        customer: customer ? { contact: customer.contact, phone: customer.phone } : null,
        by: names.get(taken.get(entry.id)?.recordedBy ?? '') ?? '',
        origin: taken.get(entry.id)?.origin ?? null,
        machine: machine ? { id: machine.id, name: machine.name } : null,
        place: site?.name ?? '',
      }
    })
  })

/** Machines, sites and customers that some calls are about. */
async function placesOf(trx: Trx, calls: readonly { subjectKind: string; subjectId: string }[]) {
  const about = (kind: string) => calls.flatMap((call) => (call.subjectKind === kind ? [call.subjectId] : []))
  const machines = await keptByIds(trx, 'machine', about('machine'))
  const sites = await keptByIds(trx, 'site', [...about('site'), ...machines.map(({ siteId }) => siteId)])
  const customers = await keptByIds(
    trx,
    'customer',
    sites.map(({ customerId }) => customerId),
  )
  return { machines: byIdOf(machines), sites: byIdOf(sites), customers: byIdOf(customers) }
}

const byIdOf = <T extends { id: string }>(all: readonly T[]): Map<string, T> => new Map(all.map((one) => [one.id, one]))
