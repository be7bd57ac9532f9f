import { kindById } from '../core/kinds/index.ts'
import type { Kind } from '../core/kinds/kind.ts'
import { effectiveHistory } from '../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import { type Comeback, comebacks } from '../core/visits/comebacks.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { technicians } from '../records/firms.ts'
import { entriesOfKinds } from '../records/ledger.ts'
import { subjectNames } from '../records/subjects.ts'
import { entriesOfVisits, troublesOf, type VisitCursor, type VisitFilter, visitHeaders } from '../records/visits.ts'
import type { Visit, VisitPage, VisitRow, VisitSubject } from '../views/visit-page.ts'
import { readCursor, writeCursor } from './cursor.ts'
import { veryOwnKindsIn } from './own-kinds.ts'

const pageSize = 30
/** The first screen of the list, drawn on the server. */
export const firstVisits = 10

/** One page of visits, the latest first, with what was done and whether it held. */
export async function visitPage(
  db: Db,
  firmId: string,
  { cursor, ...filter }: VisitFilter & { cursor?: string },
  size = pageSize,
): Promise<VisitPage> {
  return lookIn(db, firmId, async (trx) => {
    const after = readCursor<VisitCursor>(cursor, ['date', 'uuid'])
    const headers = await visitHeaders(trx, filter, after, size + 1)
    const page = headers.slice(0, size)
    const last = page.at(-1)
    return {
      rows: (await visitsWith(trx, page)).map(listed),
      ...(headers.length > size && last && { next: writeCursor([last.happenedOn, last.id]) }),
    }
  })
}

/** One visit; null when this firm has none. */
export async function visitById(db: Db, firmId: string, visitId: string): Promise<Visit | null> {
  return lookIn(db, firmId, async (trx) => {
    const [header] = await visitHeaders(trx, { visitId }, null, 1)
    return header ? ((await visitsWith(trx, [header]))[0] ?? null) : null
  })
}

async function visitsWith(trx: Trx, headers: RecordedEntry[]): Promise<Visit[]> {
  const visitIds = headers.flatMap((header) => header.visitId ?? [])
  const [written, everybody] = await Promise.all([entriesOfVisits(trx, visitIds), technicians(trx)])
  const { entries } = effectiveHistory(written)
  const [names, returned] = await Promise.all([
    subjectNames(trx, [...new Set(entries.map((entry) => entry.subjectId))]),
    comebacksOf(trx, entries),
  ])
  const isOwn = [...names.values()].some(({ kind }) => kind && !kindById(kind))
  const own = isOwn ? await veryOwnKindsIn(trx) : []
  const people = new Map(everybody.map((person) => [person.id, person.name]))
  const rivals = new Set<string>()
  return headers.filter(isKind('visit')).flatMap((header): Visit[] => {
    const visitId = header.visitId ?? header.id
    // Two corrections of one header are rivals: the greatest id comes first here, and is the one that counts.
    if (rivals.has(visitId)) return []
    rivals.add(visitId)
    const body = header.body
    const done = entries.filter(
      (entry) =>
        entry.visitId === visitId &&
        entry.kind !== 'visit' &&
        entry.kind !== 'visit-closed' &&
        entry.kind !== 'quoted' &&
        entry.kind !== 'appointment',
    )
    const ids = new Set(done.map((entry) => entry.id))
    const site = names.get(header.subjectId)
    return [
      {
        visitId,
        headerId: header.id,
        on: header.happenedOn,
        siteId: header.subjectId,
        siteName: site?.name ?? '',
        area: site?.area ?? '',
        technicians: body.technicianIds.map((id) => people.get(id) ?? 'someone'),
        ...(body.terms && { terms: body.terms }),
        ...(body.orderNumber && { orderNumber: body.orderNumber }),
        ...(body.minutes !== undefined && { minutes: body.minutes }),
        ...(body.arrivedAt && { arrivedAt: body.arrivedAt }),
        ...(body.leftAt && { leftAt: body.leftAt }),
        about: subjects(done, names, own),
        returns: returned.filter((comeback) => ids.has(comeback.againId)),
        cameBack: returned.filter((comeback) => ids.has(comeback.repairId)),
      },
    ]
  })
}

/** A list shows what was said and how much was done, not each entry. */
function listed({ about, ...call }: Visit): VisitRow {
  const entries = about.flatMap((subject) => subject.entries)
  return {
    ...call,
    machines: about.filter(({ kind }) => kind === 'machine').map(({ name }) => name),
    said: entries.flatMap((entry) =>
      entry.kind === 'fault-reported' ? [`“${entry.body.text}”`] : entry.kind === 'repaired' ? [entry.body.text] : [],
    ),
    lines: entries.length,
  }
}

interface Named {
  name: string
  area?: string
  kind?: string
}

function subjects(entries: RecordedEntry[], names: Map<string, Named>, ownKinds: Kind[]): VisitSubject[] {
  const bySubject = new Map<string, RecordedEntry[]>()
  for (const entry of entries) bySubject.set(entry.subjectId, [...(bySubject.get(entry.subjectId) ?? []), entry])
  return [...bySubject].map(([id, own]) => {
    const { name = '', kind } = names.get(id) ?? {}
    const ownKind = ownKinds.find((one) => one.id === kind)
    return {
      kind: own[0]!.subjectKind as VisitSubject['kind'],
      id,
      name,
      ...(kind && { machineKind: kind }),
      ...(ownKind && { ownKind }),
      entries: own,
    }
  })
}

/** Repairs that came back, of every machine these entries are about. */
async function comebacksOf(trx: Trx, entries: RecordedEntry[]): Promise<Comeback[]> {
  const machineIds = new Set(
    entries
      .filter((entry) => isKind('repaired')(entry) || isKind('fault-reported')(entry))
      .map((entry) => entry.subjectId),
  )
  if (machineIds.size === 0) return []
  const troubles = await troublesOf(trx, [...machineIds])
  return [...machineIds].flatMap((id) =>
    comebacks(effectiveHistory(troubles.filter((entry) => entry.subjectId === id)).entries),
  )
}

/** Everything measured on the machines of a visit, by machine: what its figures are held against. */
export async function measuredOn(db: Db, firmId: string, visit: Visit): Promise<Record<string, RecordedEntry[]>> {
  const machineIds = visit.about.filter(({ kind }) => kind === 'machine').map(({ id }) => id)
  const entries = await lookIn(db, firmId, (trx) => entriesOfKinds(trx, machineIds, ['measured', 'withdrawn']))
  return Object.fromEntries(machineIds.map((id) => [id, entries.filter((entry) => entry.subjectId === id)]))
}
