import type { ImportSpec, ImportState, WordMeaning } from '../core/files/import-spec.ts'
import type { RecordKind } from '../core/firm/records.ts'
import type { Trx } from './database.ts'

/** A list that was brought in, as it is kept; the file and its cells are asked for apart. */
export interface KeptImport {
  id: string
  spec: ImportSpec
  technicianId: string
  askedAt: string
  endedAt?: string
  state: ImportState
  fileName: string
  encoding: string
  separator: string
  rows: number
  done: number
  problem?: string
  takenBackBy?: string
}

export type MadeWhat = 'record' | 'filled' | 'entry'

/** Something a row made: a record, what it filled in of one, an entry. */
export interface Made {
  row: number
  what: MadeWhat
  /** The kind of record or entry. */
  kind: string
  id: string
  before?: Record<string, unknown>
  after?: Record<string, unknown>
}

/** Takes a list on. @returns false where one of that id is there */
export async function addImport(
  trx: Trx,
  firmId: string,
  list: Pick<KeptImport, 'id' | 'spec' | 'technicianId' | 'askedAt' | 'fileName' | 'encoding' | 'separator' | 'rows'>,
  contents: { file: Buffer; cells: string },
): Promise<boolean> {
  const added = await trx('import')
    .insert({
      firm_id: firmId,
      id: list.id,
      what: list.spec.what,
      technician_id: list.technicianId,
      asked_at: list.askedAt,
      state: 'waiting',
      file_name: list.fileName,
      encoding: list.encoding,
      separator: list.separator,
      file: contents.file,
      spec: JSON.stringify(list.spec),
      cells: contents.cells,
      rows: list.rows,
    })
    .onConflict(['firm_id', 'id'])
    .ignore()
    .returning('id')
  return added.length > 0
}

const fields = [
  'id',
  'spec',
  'technician_id',
  'asked_at',
  'ended_at',
  'state',
  'file_name',
  'encoding',
  'separator',
  'rows',
  'done',
  'problem',
  'taken_back_by',
]

/** Lists, the latest first. */
export async function importsLatest(trx: Trx, limit: number): Promise<KeptImport[]> {
  const rows = await trx('import')
    .orderBy([
      { column: 'asked_at', order: 'desc' },
      { column: 'id', order: 'desc' },
    ])
    .limit(limit)
    .select(fields)
  return rows.map(toImport)
}

export async function importById(trx: Trx, id: string): Promise<KeptImport | null> {
  const row = await trx('import').where({ id }).first(fields)
  return row ? toImport(row) : null
}

/** The oldest list that waits to be written or taken back; null where none does. */
export async function importWaiting(trx: Trx): Promise<KeptImport | null> {
  const row = await trx('import').whereIn('state', ['waiting', 'going-back']).orderBy(['asked_at', 'id']).first(fields)
  return row ? toImport(row) : null
}

/** The state of a list, held until the transaction ends: whoever works on it does so alone. */
export async function holdImport(trx: Trx, id: string): Promise<ImportState | null> {
  const row = await trx('import').where({ id }).forUpdate().first('state')
  return row?.state ?? null
}

/** Head and rows as JSON, as they were sent. */
export async function cellsOfImport(trx: Trx, id: string): Promise<string | null> {
  const row = await trx('import').where({ id }).first('cells')
  return row?.cells ?? null
}

export async function fileOfImport(trx: Trx, id: string): Promise<Buffer | null> {
  const row = await trx('import').where({ id }).first('file')
  return row?.file ?? null
}

/** Changes how far a list is, or how it ended. */
export async function setImport(
  trx: Trx,
  id: string,
  some: { state?: ImportState; done?: number; problem?: string | null; endedAt?: string; takenBackBy?: string },
): Promise<void> {
  await trx('import')
    .where({ id })
    .update({
      ...(some.state && { state: some.state }),
      ...(some.done !== undefined && { done: some.done }),
      ...(some.problem !== undefined && { problem: some.problem }),
      ...(some.endedAt && { ended_at: some.endedAt }),
      ...(some.takenBackBy && { taken_back_by: some.takenBackBy }),
    })
}

export interface RowOutcome {
  row: number
  verdict: string
  reason?: string
}

/** Writes down what became of some rows, and what they made. */
export async function addOutcomes(trx: Trx, firmId: string, importId: string, rows: RowOutcome[], made: Made[]) {
  const common = { firm_id: firmId, import_id: importId }
  if (rows.length > 0)
    await trx('import_row').insert(
      rows.map(({ row, verdict, reason }) => ({ ...common, row, verdict, reason: reason ?? null })),
    )
  for (let i = 0; i < made.length; i += 1000)
    await trx('import_made')
      .insert(
        made.slice(i, i + 1000).map(({ row, what, kind, id, before, after }) => ({
          ...common,
          row,
          what,
          kind,
          id,
          before: before ? JSON.stringify(before) : null,
          after: after ? JSON.stringify(after) : null,
        })),
      )
      .onConflict()
      .ignore()
}

/** What became of each row so far. */
export async function outcomesOf(trx: Trx, importId: string): Promise<RowOutcome[]> {
  const rows = await trx('import_row').where({ import_id: importId }).orderBy('row')
  return rows.map(({ row, verdict, reason }) => ({ row, verdict, ...(reason && { reason }) }))
}

/** How many rows became what, of some lists. */
export async function verdictCounts(trx: Trx, importIds: string[]): Promise<Map<string, Record<string, number>>> {
  const rows = await trx('import_row')
    .whereIn('import_id', importIds)
    .groupBy('import_id', 'verdict')
    .select('import_id', 'verdict')
    .count('* as n')
  const counts = new Map<string, Record<string, number>>()
  for (const { import_id: id, verdict, n } of rows)
    counts.set(String(id), { ...counts.get(String(id)), [verdict as string]: Number(n) })
  return counts
}

/** Everything a list made, in the order of its rows. */
export async function madeBy(trx: Trx, importId: string): Promise<Made[]> {
  const rows = await trx('import_made').where({ import_id: importId }).orderBy(['row', 'what', 'id'])
  return rows.map(({ row, what, kind, id, before, after }) => ({
    row,
    what,
    kind,
    id,
    ...(before && { before }),
    ...(after && { after }),
  }))
}

/** Records of a list that something else hangs on: what that is, and who wrote it. */
export interface Hanging {
  kind: RecordKind
  id: string
  /** Entries about it that the list did not make. */
  entries: number
  /** Records that point at it and that the list did not make. */
  records: number
}

/** What hangs on records that a list made, besides what it made itself. */
export async function hangingOn(trx: Trx, importId: string): Promise<Hanging[]> {
  const { rows } = await trx.raw(
    `with made as (
       select kind, id from import_made where import_id = :importId and what = 'record'
     ), written as (
       select id from import_made where import_id = :importId and what = 'entry'
     )
     select made.kind, made.id,
       (select count(*) from entry e where e.subject_id = made.id
          and not exists (select from written w where w.id = e.id)
          and not (e.kind = 'withdrawn' and e.supersedes is not null
                   and exists (select from written w where w.id = e.supersedes)))::int as entries,
       (select count(*) from (
          select s.id from site s where s.customer_id = made.id
          union all select f.id from softener f where f.site_id = made.id
          union all select m.id from machine m where m.site_id = made.id or m.softener_id = made.id
        ) pointing where not exists (select from made other where other.id = pointing.id))::int as records
     from made`,
    { importId },
  )
  return rows.filter(({ entries, records }: Hanging) => entries > 0 || records > 0)
}

/** Keeps what words of a column mean for this firm; the last that was said counts. */
export async function keepMeanings(
  trx: Trx,
  firmId: string,
  about: string,
  meanings: [word: string, meaning: WordMeaning][],
): Promise<void> {
  if (meanings.length === 0) return
  await trx('word_meaning')
    .insert(meanings.map(([word, meaning]) => ({ firm_id: firmId, about, word, meaning: JSON.stringify(meaning) })))
    .onConflict(['firm_id', 'about', 'word'])
    .merge()
}

/** What words mean for this firm, by column. */
export async function meaningsOf(trx: Trx): Promise<ImportSpec['words']> {
  const rows = await trx('word_meaning').orderBy(['about', 'word'])
  const words: ImportSpec['words'] = {}
  for (const { about, word, meaning } of rows) {
    words[about] ??= {}
    Object.defineProperty(words[about], word, { value: meaning, enumerable: true, configurable: true })
  }
  return words
}

/** A list whole, for a file of everything: what came in, how it was read, what became of it. */
export interface WholeImport extends KeptImport {
  /** The file as it came, base64; empty where it was taken out. */
  file: string
  cells: string
  outcomes: RowOutcome[]
  made: Made[]
}

/** Lists whole, oldest first: a few at a time, since each may be large. */
export async function wholeImportsAfter(trx: Trx, after: string | null, limit: number): Promise<WholeImport[]> {
  const query = trx('import').orderBy('id').limit(limit)
  if (after) query.where('id', '>', after)
  const rows = await query
  return Promise.all(
    rows.map(async (row) => ({
      ...toImport(row),
      file: row.file.toString('base64'),
      cells: row.cells,
      outcomes: await outcomesOf(trx, row.id),
      made: await madeBy(trx, row.id),
    })),
  )
}

/** A list as it was kept elsewhere. What was under way there goes on nowhere: it stopped. */
export async function insertWholeImport(trx: Trx, firmId: string, list: WholeImport): Promise<void> {
  await addImport(trx, firmId, list, { file: Buffer.from(list.file, 'base64'), cells: list.cells })
  const isUnderWay = list.state === 'waiting' || list.state === 'going-back'
  await setImport(trx, list.id, {
    state: isUnderWay ? 'stopped' : list.state,
    done: list.done,
    ...(list.problem && { problem: list.problem }),
    ...(list.endedAt && { endedAt: list.endedAt }),
    ...(list.takenBackBy && { takenBackBy: list.takenBackBy }),
  })
  await addOutcomes(trx, firmId, list.id, list.outcomes, list.made)
}

/**
 * Takes out of lists what they say of records that are forgotten: the file and its cells, since nobody can tell which
 * of them are about somebody; what they filled in of those records. That they came in, and what they made, stays.
 */
export async function forgetInLists(trx: Trx, recordIds: string[]): Promise<void> {
  await trx.raw(
    `update import set file = '', cells = '[[]]', file_name = 'a list'
     where exists (select from import_made m where m.firm_id = import.firm_id and m.import_id = import.id
                     and m.id = any(?))`,
    [recordIds],
  )
  await trx('import_made').whereRaw('id = any(?)', [recordIds]).update({ before: null, after: null })
}

// biome-ignore lint/suspicious/noExplicitAny: a row as the driver hands it over
const toImport = (row: any): KeptImport => ({
  id: row.id,
  spec: row.spec,
  technicianId: row.technician_id,
  askedAt: row.asked_at.toISOString(),
  ...(row.ended_at && { endedAt: row.ended_at.toISOString() }),
  state: row.state,
  fileName: row.file_name,
  encoding: row.encoding,
  separator: row.separator,
  rows: row.rows,
  done: row.done,
  ...(row.problem && { problem: row.problem }),
  ...(row.taken_back_by && { takenBackBy: row.taken_back_by }),
})
