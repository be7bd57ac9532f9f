import { v7 } from 'uuid'
import { addChange, type Change, type ChangeCursor, changes } from '../records/changes.ts'
import { type Db, withFirm } from '../records/database.ts'
import { technicians } from '../records/firms.ts'
import type { ChangePage, ChangeRow } from '../views/change-page.ts'
import { readCursor, writeCursor } from './cursor.ts'

const pageSize = 50

/** A page of who did what, the latest first. Entries are not in it: the ledger says who wrote them. */
export async function changePage(db: Db, firmId: string, cursor?: string, size = pageSize): Promise<ChangePage> {
  return withFirm(db, firmId, async (trx) => {
    const rows = await changes(trx, readCursor<ChangeCursor>(cursor, ['instant', 'uuid']), size + 1)
    const people = new Map((await technicians(trx)).map((person) => [person.id, person.name]))
    const page = rows.slice(0, size)
    const last = page.at(-1)
    return {
      rows: page.map((change) => toRow(change, people)),
      ...(rows.length > size && last && { next: writeCursor([last.at, last.id]) }),
    }
  })
}

function toRow(change: Change, people: Map<string, string>): ChangeRow {
  const [before, after] = [fieldsOf(change.before), fieldsOf(change.after)]
  const named = String(after.name ?? before.name ?? after.file ?? (change.aboutId && people.get(change.aboutId)) ?? '')
  const fields = [...new Set([...Object.keys(before), ...Object.keys(after)])]
    .filter((field) => change.action === 'changed' && before[field] !== after[field])
    .map((field) => ({ field, before: before[field], after: after[field] }))
  return {
    id: change.id,
    at: change.at,
    by: people.get(change.technicianId) ?? 'someone',
    action: change.action,
    aboutKind: change.aboutKind,
    name: named,
    fields,
  }
}

const fieldsOf = (record: unknown): Record<string, unknown> => (record as Record<string, unknown> | undefined) ?? {}

/** Writes down that somebody took all data out. */
export const noteExport = (db: Db, who: { firmId: string; technicianId: string }, now: Date): Promise<void> =>
  withFirm(db, who.firmId, (trx) =>
    addChange(trx, who.firmId, {
      id: v7(),
      at: now.toISOString(),
      technicianId: who.technicianId,
      action: 'exported',
      aboutKind: 'firm',
      aboutId: who.firmId,
    }),
  )
