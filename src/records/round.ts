import type { Knex } from 'knex'
import type { Trx } from './database.ts'

export interface RoundFilter {
  /** Due on or before this day; absent for all. */
  until?: string
  siteId?: string
  kind?: string
  technicianId?: string
  text?: string
}

/** Where a page ended: the sort key of its last row. */
export type RoundCursor = [dueP50: string, dueP90: string, subjectId: string, key: string]

// biome-ignore lint/suspicious/noExplicitAny: rows of a join, shaped by the service that asked
type Row = any

/**
 * Standings by when and how surely: the middle of the window, then its end. A softener stands with the
 * first machine behind it.
 */
export async function roundRows(
  trx: Trx,
  filter: RoundFilter,
  after: RoundCursor | null,
  limit: number,
): Promise<Row[]> {
  const query = joined(trx, filter)
    .select(
      'st.subject_id',
      'st.key',
      'st.detail',
      'st.due_p50',
      'st.due_p90',
      'su.kind as subject_kind',
      'su.stale',
      trx.raw(`su.summary -> 'counter' ->> 'on' as reading_on`),
      'm.id as machine_id',
      'm.name as machine_name',
      'm.maker',
      'm.model',
      'm.kind',
      's.id as site_id',
      's.name as site_name',
      's.area',
      's.technician_id',
      'f.name as softener_name',
    )
    .orderBy(['st.due_p50', 'st.due_p90', 'st.subject_id', 'st.key'])
    .limit(limit)
  if (after) {
    query.whereRaw('(st.due_p50, st.due_p90, st.subject_id, st.key) > (?::date, ?::date, ?::uuid, ?)', after)
  }
  return query
}

/** How many standings match, and how many of them are over on a day. */
export async function countRound(
  trx: Trx,
  filter: RoundFilter,
  today: string,
): Promise<{ matching: number; overdue: number }> {
  const row = await joined(trx, filter)
    .count({ matching: '*' })
    .select(trx.raw('count(*) filter (where st.due_p50 < ?) as overdue', [today]))
    .first()
  return {
    matching: Number(row?.matching ?? 0),
    overdue: Number((row as { overdue?: string })?.overdue ?? 0),
  }
}

function joined(trx: Trx, filter: RoundFilter): Knex.QueryBuilder {
  const query = trx('standing as st')
    .join('subject as su', (on) => on.on('su.firm_id', 'st.firm_id').andOn('su.id', 'st.subject_id'))
    .join('site as s', (on) => on.on('s.firm_id', 'st.firm_id').andOn('s.id', 'st.site_id'))
    .leftJoin('softener as f', (on) => on.on('f.firm_id', 'st.firm_id').andOn('f.id', 'st.subject_id'))
    .joinRaw(
      `left join lateral (
         select m.* from machine m where m.firm_id = st.firm_id
           and (m.id = st.subject_id or (f.id is not null and m.softener_id = f.id)) order by m.id limit 1
       ) m on true`,
    )
    .whereNotNull('st.due_p50')
  if (filter.until) query.where('st.due_p50', '<=', filter.until)
  if (filter.siteId) query.where('s.id', filter.siteId)
  if (filter.technicianId) query.where('s.technician_id', filter.technicianId)
  if (filter.kind) query.where('m.kind', filter.kind)
  for (const word of words(filter.text)) {
    const like = `%${word.replace(/[\\%_]/g, '\\$&')}%`
    query.whereRaw(
      `concat_ws(' ', s.name, s.area, m.name, m.maker, m.model, m.serial, f.name, st.detail ->> 'name', st.detail ->> 'instance') ilike ?`,
      [like],
    )
  }
  return query
}

/** At most six words are looked for; more is a paste, not a search. What no database keeps is left out. */
export const words = (text: string | undefined): string[] =>
  (text ?? '').replaceAll('\0', ' ').split(/\s+/).filter(Boolean).slice(0, 6)
