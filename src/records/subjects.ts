import type { SubjectKind } from '../core/ledger/subject.ts'
import { reckoningVersion } from '../core/standing/standing.ts'
import type { Trx } from './database.ts'

export interface Subject {
  id: string
  kind: SubjectKind
}

/** A machine or softener and the ids its reckoning reads. */
export interface Reckoned {
  kind: 'machine' | 'softener'
  id: string
  siteId: string
  customerId: string
  supplyId: string | null
  softenerId: string | null
}

/** Locks subjects' rows in id order, so that two writers never wait for each other in a circle. */
export async function lockSubjects(trx: Trx, ids: string[]): Promise<Map<string, Subject>> {
  if (ids.length === 0) return new Map()
  const rows = await trx('subject')
    .whereIn('id', [...new Set(ids)])
    .orderBy('id')
    .forUpdate()
  return new Map(rows.map((row) => [row.id, { id: row.id, kind: row.kind }]))
}

/** What must be reckoned anew when entries about some subjects are written: one question a sort, however many. */
export async function reckonedBy(trx: Trx, subjects: Subject[]): Promise<Reckoned[]> {
  const idsOf = (kind: SubjectKind) => subjects.filter((subject) => subject.kind === kind).map(({ id }) => id)
  const [machines, softeners] = [idsOf('machine'), idsOf('softener')]
  const found: Reckoned[] = []
  if (machines.length > 0) {
    const own = await machineRows(trx, (query) => query.whereRaw('m.id = any(?)', [machines]))
    const behind = [...own.flatMap((machine) => machine.softenerId ?? []), ...(await softenersLeft(trx, machines))]
    found.push(...own)
    if (behind.length > 0)
      found.push(...(await softenerRows(trx, (query) => query.whereRaw('f.id = any(?)', [[...new Set(behind)]]))))
  }
  if (softeners.length > 0)
    found.push(
      ...(await softenerRows(trx, (query) => query.whereRaw('f.id = any(?)', [softeners]))),
      ...(await machineRows(trx, (query) => query.whereRaw('m.softener_id = any(?)', [softeners]))),
    )
  // No reckoning reads an instrument yet: it says how far a figure is to be trusted.
  for (const [kind, column] of Object.entries(above))
    if (idsOf(kind as SubjectKind).length > 0) found.push(...(await under(trx, column, idsOf(kind as SubjectKind))))
  return [...new Map(found.map((one) => [one.id, one])).values()]
}

/** Where what is above a machine stands in the rows of machines and softeners. */
const above = { site: 's.id', supply: 's.supply_id', customer: 's.customer_id', firm: 's.firm_id' } as const

/** The given machines and softeners, with the ids their reckoning reads. */
export async function reckonedByIds(trx: Trx, subjects: Subject[]): Promise<Reckoned[]> {
  const idsOf = (kind: SubjectKind) => subjects.filter((subject) => subject.kind === kind).map(({ id }) => id)
  const [machines, softeners] = [idsOf('machine'), idsOf('softener')]
  const found = await Promise.all([
    machines.length > 0 ? machineRows(trx, (query) => query.whereIn('m.id', machines)) : [],
    softeners.length > 0 ? softenerRows(trx, (query) => query.whereIn('f.id', softeners)) : [],
  ])
  return found.flat()
}

/** A machine that is, or once was, behind a softener. */
export interface FedMachine extends Reckoned {
  /** The softener it is meant for here: its own, or one it left. */
  behind: string
}

/** Machines behind softeners now, and those that left one: what they drew before counts on. */
export async function fedBy(trx: Trx, softenerIds: string[]): Promise<FedMachine[]> {
  if (softenerIds.length === 0) return []
  const [now, left] = await Promise.all([
    machineRows(trx, (query) => query.whereIn('m.softener_id', softenerIds)),
    trx('entry')
      .where({ kind: 'moved' })
      .whereRaw(`body ->> 'fromSoftenerId' = any(?)`, [softenerIds])
      .distinct('subject_id', trx.raw(`body ->> 'fromSoftenerId' as softener_id`)),
  ])
  const behindNow = new Set(now.map((machine) => `${machine.id} ${machine.softenerId}`))
  const gone = left.filter((row) => !behindNow.has(`${row.subject_id} ${row.softener_id}`))
  const goneIds = gone.map((row) => row.subject_id)
  const machines = goneIds.length > 0 ? await machineRows(trx, (query) => query.whereIn('m.id', goneIds)) : []
  return [
    ...now.map((machine) => ({ ...machine, behind: machine.softenerId! })),
    ...gone.flatMap((row) =>
      machines
        .filter((machine) => machine.id === row.subject_id)
        .map((machine) => ({ ...machine, behind: row.softener_id as string })),
    ),
  ]
}

async function softenersLeft(trx: Trx, machineIds: string[]): Promise<string[]> {
  const rows = await trx('entry')
    .where({ kind: 'moved' })
    .whereRaw('subject_id = any(?)', [machineIds])
    .whereRaw(`body ->> 'fromSoftenerId' is not null`)
    .select(trx.raw(`body ->> 'fromSoftenerId' as softener_id`))
  return rows.map((row) => row.softener_id)
}

/** Machines and softeners that wait to be reckoned: marked stale, or reckoned by an older version. */
export async function toReckon(trx: Trx, limit: number): Promise<Subject[]> {
  const waiting = (narrow: Narrow) => {
    const query = trx('subject').whereIn('kind', ['machine', 'softener']).limit(limit).forUpdate().skipLocked()
    narrow(query)
    return query
  }
  const stale = await waiting((query) => query.where({ stale: true }).orderBy('id'))
  // Only when nothing is stale: two indexes answer faster than one condition with an "or".
  const rows =
    stale.length > 0 ? stale : await waiting((query) => query.where('reckoning_version', '<', reckoningVersion))
  return rows.map((row) => ({ id: row.id, kind: row.kind }))
}

/** Marks everything that is reckoned. */
export async function markAllStale(trx: Trx): Promise<void> {
  await trx('subject').whereIn('kind', ['machine', 'softener']).update({ stale: true })
}

/** Whether what is stored of it waits to be reckoned. */
export async function isStale(trx: Trx, id: string): Promise<boolean> {
  const row = await trx('subject').where({ id }).first('stale')
  return row?.stale ?? false
}

/** A machine or softener by its id; null for anything else. */
export async function reckonedById(trx: Trx, id: string): Promise<Reckoned | null> {
  const row = await trx('subject').where({ id }).whereIn('kind', ['machine', 'softener']).first('kind')
  const [found] = row ? await reckonedByIds(trx, [{ id, kind: row.kind }]) : []
  return found ?? null
}

export async function markStale(trx: Trx, ids: string[]): Promise<void> {
  for (let i = 0; i < ids.length; i += 5000) {
    await trx('subject')
      .whereIn('id', ids.slice(i, i + 5000))
      .update({ stale: true })
  }
}

/** Marks what has nothing to be reckoned as reckoned. */
export async function letRest(trx: Trx, ids: string[]): Promise<void> {
  if (ids.length > 0)
    await trx('subject').whereIn('id', ids).update({ stale: false, reckoning_version: reckoningVersion })
}

/** How many machines and softeners wait to be reckoned. */
export async function countStale(trx: Trx): Promise<number> {
  const { rows } = await trx.raw(
    `select (select count(*) from subject where stale)
          + (select count(*) from subject where kind in ('machine', 'softener') and not stale
               and reckoning_version < ?) as n`,
    [reckoningVersion],
  )
  return rows[0].n
}

type Narrow = (query: ReturnType<Trx>) => unknown

async function under(trx: Trx, column: string, ids: string[]): Promise<Reckoned[]> {
  const narrow: Narrow = (query) => query.whereRaw(`${column} = any(?)`, [ids])
  return [...(await machineRows(trx, narrow)), ...(await softenerRows(trx, narrow))]
}

async function machineRows(trx: Trx, narrow: Narrow): Promise<Reckoned[]> {
  const query = trx('machine as m')
    .join('site as s', (on) => on.on('s.firm_id', 'm.firm_id').andOn('s.id', 'm.site_id'))
    .select('m.id', 'm.site_id', 'm.softener_id', 's.customer_id', 's.supply_id')
    .orderBy('m.id')
  narrow(query)
  return (await query).map((row) => toReckoned('machine', row))
}

async function softenerRows(trx: Trx, narrow: Narrow): Promise<Reckoned[]> {
  const query = trx('softener as f')
    .join('site as s', (on) => on.on('s.firm_id', 'f.firm_id').andOn('s.id', 'f.site_id'))
    .select('f.id', 'f.site_id', 's.customer_id', 's.supply_id')
    .orderBy('f.id')
  narrow(query)
  return (await query).map((row) => toReckoned('softener', row))
}

const toReckoned = (kind: Reckoned['kind'], row: Record<string, string | null>): Reckoned => ({
  kind,
  id: row.id!,
  siteId: row.site_id!,
  customerId: row.customer_id!,
  supplyId: row.supply_id ?? null,
  softenerId: row.softener_id ?? null,
})

/** What subjects are called, and where: for lists that name them. */
export async function subjectNames(
  trx: Trx,
  ids: string[],
): Promise<Map<string, { name: string; siteName?: string; area?: string; serial?: string; kind?: string }>> {
  const { rows } = await trx.raw(
    `select m.id, m.name, s.name as site_name, null as area, m.serial, m.kind from machine m
       join site s on s.firm_id = m.firm_id and s.id = m.site_id where m.id = any(:ids)
     union all select f.id, f.name, s.name, null, null, null from softener f
       join site s on s.firm_id = f.firm_id and s.id = f.site_id where f.id = any(:ids)
     union all select id, name, name, area, null, null from site where id = any(:ids)
     union all select id, name, null, null, null, null from customer where id = any(:ids)
     union all select id, name, null, null, null, null from supply where id = any(:ids)
     union all select id, name, null, null, serial, null from instrument where id = any(:ids)
     union all select id, name, null, null, null, null from firm where id = any(:ids)`,
    { ids },
  )
  return new Map(
    rows.map((row: Record<string, string | null>) => [
      row.id,
      {
        name: row.name,
        ...(row.site_name && { siteName: row.site_name }),
        ...(row.area && { area: row.area }),
        ...(row.serial && { serial: row.serial }),
        ...(row.kind && { kind: row.kind }),
      },
    ]),
  )
}
