import { type CloseOut, closeOut } from '../../core/close-out/close-out.ts'
import { type ComesNext, comesNext } from '../../core/close-out/comes-next.ts'
import type { MachineThere } from '../../core/close-out/left-subjects.ts'
import { type CareKept, careKept, keptLookBackDays } from '../../core/customers/care-kept.ts'
import { reportNumberOf } from '../../core/invoices/number.ts'
import { kindById } from '../../core/kinds/index.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { Entry, EntryOf } from '../../core/ledger/entry.ts'
import { codeOf } from '../../core/papers/code.ts'
import { fromDay, type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { effective } from '../../core/standing/histories.ts'
import { machineKind } from '../../core/standing/machine-kind.ts'
import { reckonMachine } from '../../core/standing/reckon-machine.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { reportCount } from '../../records/report-numbers.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { leavingPage } from '../leaving-page.ts'
import { machineBundle } from '../machine-bundle.ts'
import type { Letterhead } from './letterhead.ts'
import { letterheadOf } from './letterhead-of.ts'

/** All that stands on the service report of a visit. */
export interface Report {
  visitId: string
  /** Of the firm’s own series. */
  number: string
  /** Short, with a check character: what the device called it before the ledger had it. */
  code: string
  on: LocalDay
  site: { name: string; area: string; timeZone: string; customer: string }
  technicians: string[]
  serials: Map<string, string>
  /** What was measured with, by id, with what counts of its calibrations. */
  instruments: Map<string, { name: string; serial: string; calibrations: Entry[] }>
  left: CloseOut
  next: ComesNext[]
  /** What was done between visits, machine by machine, where anything was noted. */
  kept: { name: string; kept: CareKept[] }[]
  letterhead: Letterhead
  closed: EntryOf<'visit-closed'>
  /** How often it was closed anew. */
  revision: number
}

/**
 * The report of a visit as it was closed, from the ledger of today: what was corrected since is in it, and said.
 * @returns null where this firm has no such visit, or it is not closed
 */
export async function reportOf(
  db: Db,
  firmId: string,
  { siteId, visitId, today, now }: { siteId: string; visitId: string; today: LocalDay; now: string },
): Promise<Report | null> {
  const page = await leavingPage(db, firmId, siteId, { visitId, me: '', today })
  if (!page) return null
  const bundles = (await Promise.all(page.machineIds.map((id) => machineBundle(db, firmId, id)))).filter(
    (bundle) => bundle !== null,
  )
  const [first] = bundles
  if (!first) return null
  const left = closeOut({ visitId, on: today, now, machines: bundles.map(machineThere), currency: page.currency })
  if (!left.closed) return null
  const all = (first.ledgers.site ?? []).filter(({ kind, visitId: of }) => kind === 'visit-closed' && of === visitId)
  const people = new Map(first.technicians.map(({ id, name }) => [id, name]))
  const counted = await lookIn(db, firmId, (trx) => reportCount(trx, visitId))
  return {
    visitId,
    number: counted ? reportNumberOf(counted.on, counted.n) : '',
    code: codeOf(left.closedFirstId ?? left.closed.id),
    on: left.closed.happenedOn,
    site: {
      name: page.site.name,
      area: page.site.area,
      timeZone: page.site.timeZone,
      customer: first.site.customer.name,
    },
    technicians: (left.header?.body.technicianIds ?? []).map((id) => people.get(id) ?? 'someone'),
    serials: new Map(bundles.map(({ machine }) => [machine.id, machine.serial])),
    instruments: new Map(
      first.instruments.map(({ id, name, serial, calibrations }) => [
        id,
        { name, serial, calibrations: effectiveHistory<Entry>(calibrations).entries },
      ]),
    ),
    left,
    kept: bundles.flatMap(({ machine, ledgers }) => {
      const kept = careKept(
        effective(ledgers),
        fromDay(toDay(left.closed!.happenedOn) - keptLookBackDays),
        left.closed!.happenedOn,
      )
      return kept.length > 0 ? [{ name: machine.name, kept }] : []
    }),
    letterhead: await letterheadOf(db, firmId),
    next: comesNext(
      bundles
        .filter(({ machine }) => left.subjects.some(({ id }) => id === machine.id))
        .map(({ machine, ledgers }) => ({
          id: machine.id,
          name: machine.name,
          standings: reckonMachine(ledgers)?.standings ?? [],
        })),
      left.closed.happenedOn,
      left.closed.body.next?.on ?? null,
    ),
    closed: left.closed,
    revision: all.length - 1,
  }
}

const machineThere = (bundle: MachineBundle): MachineThere => {
  const { machine, ledgers, softener } = bundle
  const histories = effective(ledgers)
  return {
    id: machine.id,
    name: machine.name,
    model: [machine.maker, machine.model].filter(Boolean).join(' '),
    kind: machineKind(histories) ?? kindById(machine.kind),
    ledgers,
    softener,
    warrantyUntil: machine.warrantyUntil,
    warrantyBy: machine.warrantyBy,
    underWay: [],
  }
}
