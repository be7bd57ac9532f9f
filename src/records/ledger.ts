import type { KeptEntry, RecordedEntry } from '../core/ledger/entry.ts'
import type { EntryKind } from '../core/ledger/entry-kinds.ts'
import { inTodaysWords } from '../core/ledger/upcast.ts'
import type { Trx } from './database.ts'

/** Everything the ledger holds about some subjects, in any order. */
export async function entriesOf(trx: Trx, subjectIds: string[]): Promise<RecordedEntry[]> {
  if (subjectIds.length === 0) return []
  const rows = await trx('entry').whereRaw('subject_id = any(?)', [subjectIds])
  return rows.map(toEntry)
}

/** How many entries there are about some subjects. */
export async function countEntries(trx: Trx, subjectIds: string[]): Promise<number> {
  const row = await trx('entry').whereRaw('subject_id = any(?)', [subjectIds]).count('* as n').first()
  return Number(row?.n ?? 0)
}

/** What was written about some subjects after a cursor, in the order it was written. */
export async function entriesOfSince(trx: Trx, subjectIds: string[], seq: number): Promise<RecordedEntry[]> {
  if (subjectIds.length === 0) return []
  const rows = await trx('entry').whereRaw('subject_id = any(?)', [subjectIds]).where('seq', '>', seq).orderBy('seq')
  return rows.map(toEntry)
}

/** Everything about one subject as it came, in the order it was written: what is handed on to others. */
export async function keptEntriesOf(trx: Trx, subjectId: string): Promise<KeptEntry[]> {
  return (await trx('entry').where('subject_id', subjectId).orderBy('seq')).map(asItCame)
}

/** What the ledger holds about some subjects, of some kinds. */
export async function entriesOfKinds(trx: Trx, subjectIds: string[], kinds: EntryKind[]): Promise<RecordedEntry[]> {
  if (subjectIds.length === 0) return []
  const rows = await trx('entry').whereRaw('subject_id = any(?)', [subjectIds]).whereIn('kind', kinds)
  return rows.map(toEntry)
}

/** Entries that have a name somewhere in their words, the latest first, a hundred at most. */
export async function entriesNaming(trx: Trx, name: string): Promise<RecordedEntry[]> {
  const like = `%${name.replace(/[\\%_]/g, '\\$&')}%`
  return (await trx('entry').whereRaw('body::text ilike ?', [like]).orderBy('seq', 'desc').limit(100)).map(toEntry)
}

/** Entries by id, whatever they are about, as they came: what a retry is compared with. */
export async function entriesById(trx: Trx, ids: string[]): Promise<KeptEntry[]> {
  if (ids.length === 0) return []
  const rows = await trx('entry').whereIn('id', ids)
  return rows.map(asItCame)
}

/** Entries written since a cursor, oldest first, as they came: how a device catches up, and a file is filled. */
export async function entriesSince(trx: Trx, seq: number, limit: number): Promise<KeptEntry[]> {
  const rows = await trx('entry').where('seq', '>', seq).orderBy('seq').limit(limit)
  return rows.map(asItCame)
}

/**
 * Appends entries under the firm's next numbers. It takes the firm's row lock, so it is the last
 * statement of its transaction: numbers become visible in order, and nothing waits behind them.
 */
export async function appendEntries(trx: Trx, firmId: string, entries: Omit<KeptEntry, 'seq'>[]): Promise<void> {
  if (entries.length === 0) return
  const rows = entries.map((entry, i) => ({ n: i, ...toColumns(entry) }))
  await trx.raw(
    `with taken as (update firm set seq = seq + :count where id = :firmId returning seq)
     insert into entry (firm_id, id, seq, subject_kind, subject_id, visit_id, kind, happened_at, happened_on,
                        recorded_at, recorded_by, body, supersedes, origin, known_seq)
     select :firmId, r.id, taken.seq - :count + 1 + r.n, r.subject_kind, r.subject_id, r.visit_id, r.kind,
            r.happened_at, r.happened_on, r.recorded_at, r.recorded_by, r.body, r.supersedes,
            r.origin, r.known_seq
     from taken, json_to_recordset(:rows::json) as r(n int, id uuid, subject_kind text, subject_id uuid,
       visit_id uuid, kind text, happened_at timestamptz, happened_on date, recorded_at timestamptz,
       recorded_by uuid, body json, supersedes uuid, origin text, known_seq bigint)`,
    { firmId, count: rows.length, rows: JSON.stringify(rows) },
  )
}

/** Puts in entries as they were kept elsewhere, under the numbers they had. */
export async function insertEntries(trx: Trx, firmId: string, entries: KeptEntry[]): Promise<void> {
  for (let i = 0; i < entries.length; i += 1000) {
    await trx('entry').insert(
      entries.slice(i, i + 1000).map((entry) => ({
        firm_id: firmId,
        seq: entry.seq,
        ...toColumns(entry),
        body: JSON.stringify(entry.body),
      })),
    )
  }
}

const toColumns = (entry: Omit<KeptEntry, 'seq'>) => ({
  id: entry.id,
  subject_kind: entry.subjectKind,
  subject_id: entry.subjectId,
  visit_id: entry.visitId ?? null,
  kind: entry.kind,
  happened_at: entry.happenedAt,
  happened_on: entry.happenedOn,
  recorded_at: entry.recordedAt,
  recorded_by: entry.recordedBy,
  body: entry.body,
  supersedes: entry.supersedes ?? null,
  origin: entry.origin ?? null,
  known_seq: entry.knownSeq ?? null,
})

/** A row as it was written. */
// biome-ignore lint/suspicious/noExplicitAny: a row as the driver hands it over; this function gives it its shape
export const asItCame = (row: any): KeptEntry => ({
  id: row.id,
  seq: row.seq,
  subjectKind: row.subject_kind,
  subjectId: row.subject_id,
  ...(row.visit_id && { visitId: row.visit_id }),
  kind: row.kind,
  happenedAt: row.happened_at.toISOString(),
  happenedOn: row.happened_on,
  recordedAt: row.recorded_at.toISOString(),
  recordedBy: row.recorded_by,
  body: row.body,
  ...(row.supersedes && { supersedes: row.supersedes }),
  ...(row.origin && { origin: row.origin }),
  ...(row.known_seq !== null && { knownSeq: row.known_seq }),
})

/** A row in today's words. */
export const toEntry = (row: unknown): RecordedEntry => inTodaysWords(asItCame(row))

/** Some rows with what corrects or withdraws them, in today's words. */
export async function withCorrections(trx: Trx, rows: { id: string }[]): Promise<RecordedEntry[]> {
  const ids = rows.map(({ id }) => id)
  const about = await trx('entry').whereRaw('supersedes = any(?)', [ids]).whereRaw('not (id = any(?))', [ids])
  return [...rows, ...about].map(toEntry)
}

/** Entries by id, in today's words. */
export async function entriesHeld(trx: Trx, ids: string[]): Promise<RecordedEntry[]> {
  if (ids.length === 0) return []
  return (await trx('entry').whereIn('id', ids).orderBy('seq')).map(toEntry)
}

/** Which of these entries another one corrects or withdraws. */
export async function supersededOf(trx: Trx, ids: string[]): Promise<Set<string>> {
  const rows = await trx('entry').whereIn('supersedes', ids).select('supersedes')
  return new Set(rows.map((row) => row.supersedes))
}
