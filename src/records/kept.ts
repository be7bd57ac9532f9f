import { billingFields } from '../core/firm/billing-fields.ts'
import type { Kept, RecordKind } from '../core/firm/records.ts'
import type { SubjectKind } from '../core/ledger/subject.ts'
import type { Trx } from './database.ts'

/** A record as it is kept: its fields and the version they are of. */
export type KeptRecord<K extends RecordKind = RecordKind> = { id: string; version: number } & Kept<K>

interface Shape {
  table: string
  /** What entries can be about it, if they can. */
  subject?: SubjectKind
  /** Field and column, where the column is not the field in snake case. */
  fields: readonly string[]
}

/** Where each kind of record lives. The firm is its own row and its own id. */
const shapes: Record<RecordKind, Shape> = {
  customer: {
    table: 'customer',
    subject: 'customer',
    fields: [
      'name',
      'contact',
      'phone',
      'email',
      'note',
      'mayAgree',
      'agreesUpTo',
      'orderNumber',
      ...billingFields,
      'retiredOn',
    ],
  },
  supply: { table: 'supply', subject: 'supply', fields: ['name', 'note', 'retiredOn'] },
  site: {
    table: 'site',
    subject: 'site',
    fields: [
      'customerId',
      'supplyId',
      'technicianId',
      'name',
      'area',
      'address',
      'timeZone',
      'accessNote',
      'latitude',
      'longitude',
      'altitudeM',
      'retiredOn',
    ],
  },
  softener: { table: 'softener', subject: 'softener', fields: ['siteId', 'name'] },
  machine: {
    table: 'machine',
    subject: 'machine',
    fields: [
      'siteId',
      'softenerId',
      'name',
      'maker',
      'model',
      'revision',
      'serial',
      'kind',
      'ownerId',
      'payerId',
      'usedBy',
      'plateVolts',
      'platePhases',
      'plateWatts',
      'plateBar',
      'builtYear',
      'warrantyUntil',
      'warrantyBy',
    ],
  },
  instrument: { table: 'instrument', subject: 'instrument', fields: ['name', 'kind', 'serial', 'retiredOn'] },
  technician: {
    table: 'technician',
    fields: [
      'name',
      'initials',
      'role',
      'leftOn',
      'startLatitude',
      'startLongitude',
      'workWeekdays',
      'startsAt',
      'endsAt',
      'knowsKinds',
    ],
  },
  firm: {
    table: 'firm',
    fields: [
      'name',
      'timeZone',
      'hardnessUnit',
      'volumeUnit',
      'temperatureUnit',
      'pressureUnit',
      'currency',
      'dateForm',
      'weekStart',
      'signInLogDays',
      'photosYears',
      'callersMonths',
    ],
  },
}

const column = (field: string) => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)

/** A record by id; null when this firm has none. */
export async function keptById<K extends RecordKind>(trx: Trx, kind: K, id: string): Promise<KeptRecord<K> | null> {
  const row = await trx(shapes[kind].table).where({ id }).first()
  return row ? toRecord(kind, row) : null
}

/** Those of these records that this firm has. */
export async function keptByIds<K extends RecordKind>(trx: Trx, kind: K, ids: string[]): Promise<KeptRecord<K>[]> {
  if (ids.length === 0) return []
  const rows = await trx(shapes[kind].table).whereRaw('id = any(?)', [ids])
  return rows.map((row) => toRecord(kind, row))
}

/** Records of a kind, all of them, by id: for what is counted in hundreds. */
export async function allKept<K extends RecordKind>(trx: Trx, kind: K): Promise<KeptRecord<K>[]> {
  const rows = await trx(shapes[kind].table).orderBy('id')
  return rows.map((row) => toRecord(kind, row))
}

/** A page of records by name, each word somewhere in the named columns. */
export async function keptByName<K extends RecordKind>(
  trx: Trx,
  kind: K,
  { words, after, limit, where }: { words: string[]; after: [string, string] | null; limit: number; where?: object },
): Promise<KeptRecord<K>[]> {
  const query = trx(shapes[kind].table).orderBy(['name', 'id']).limit(limit)
  if (where) query.where(where)
  for (const word of words) query.whereRaw('name ilike ?', [`%${word.replace(/[\\%_]/g, '\\$&')}%`])
  if (after) query.whereRaw('(name, id) > (?, ?::uuid)', after)
  return (await query).map((row) => toRecord(kind, row))
}

/** Adds a record, and the subject row entries about it hang on. */
export async function insertKept<K extends RecordKind>(
  trx: Trx,
  firmId: string,
  kind: K,
  id: string,
  record: Kept<K>,
): Promise<void> {
  const { subject } = shapes[kind]
  if (subject) await trx('subject').insert({ firm_id: firmId, id, kind: subject })
  await insertKeptRow(trx, firmId, kind, id, record)
}

/** The record alone, where its subject is there already. */
export async function insertKeptRow<K extends RecordKind>(
  trx: Trx,
  firmId: string,
  kind: K,
  id: string,
  record: Kept<K>,
): Promise<void> {
  await trx(shapes[kind].table).insert({ firm_id: firmId, id, ...newRow(kind, record) })
}

/** Adds records as they were kept elsewhere, versions and all. */
export async function insertManyKept<K extends RecordKind>(
  trx: Trx,
  firmId: string,
  kind: K,
  records: KeptRecord<K>[],
): Promise<void> {
  const { table, subject } = shapes[kind]
  for (let i = 0; i < records.length; i += 1000) {
    const some = records.slice(i, i + 1000)
    if (subject) await trx('subject').insert(some.map(({ id }) => ({ firm_id: firmId, id, kind: subject })))
    await trx(table).insert(
      some.map(({ id, version, ...record }) => ({ firm_id: firmId, id, version, ...newRow(kind, record) })),
    )
  }
}

/** A page of records by id: for a file of everything. */
export async function keptAfter<K extends RecordKind>(
  trx: Trx,
  kind: K,
  after: string | null,
  limit: number,
): Promise<KeptRecord<K>[]> {
  const query = trx(shapes[kind].table).orderBy('id').limit(limit)
  if (after) query.where('id', '>', after)
  return (await query).map((row) => toRecord(kind, row))
}

/** Changes a record if it still has this version. @returns the new version, or null when it has another */
export async function updateKept<K extends RecordKind>(
  trx: Trx,
  kind: K,
  id: string,
  version: number,
  record: Kept<K>,
): Promise<number | null> {
  const rows = await trx(shapes[kind].table)
    .where({ id, version })
    .update({ ...toRow(kind, record), version: version + 1 })
    .returning('version')
  return rows[0]?.version ?? null
}

/** What a new record does not say is as the table says: records of an earlier version lack what came since. */
const newRow = (kind: RecordKind, record: object): Record<string, unknown> =>
  Object.fromEntries(shapes[kind].fields.map((field) => [column(field), (record as Record<string, unknown>)[field]]))

const toRow = (kind: RecordKind, record: object): Record<string, unknown> =>
  Object.fromEntries(
    shapes[kind].fields.map((field) => [column(field), (record as Record<string, unknown>)[field] ?? null]),
  )

function toRecord<K extends RecordKind>(kind: K, row: Record<string, unknown>): KeptRecord<K> {
  const fields = shapes[kind].fields.flatMap((field) => {
    const value = row[column(field)]
    return value === null ? [] : [[field, value]]
  })
  return { id: row.id, version: row.version, ...Object.fromEntries(fields) } as KeptRecord<K>
}

/** Time zones of some sites. */
export async function siteZones(trx: Trx, ids: string[]): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map()
  const rows = await trx('site').whereRaw('id = any(?)', [ids]).select('id', 'time_zone')
  return new Map(rows.map((row) => [row.id, row.time_zone]))
}
