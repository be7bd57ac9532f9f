import type { Knex } from 'knex'
import { instanceName, kinds } from '../core/kinds/index.ts'
import type { Kind } from '../core/kinds/kind.ts'
import { raisedTasks } from '../core/standing/tasks/index.ts'
import type { Trx } from './database.ts'

export interface RoundFilter {
  /** Due on or before this day; absent for all. */
  until?: string
  siteId?: string
  kind?: string
  technicianId?: string
  /** What the words of a search mean, as `wordMatches` found it. */
  matches?: WordMatch[]
}

/** Where a page ended: the sort key of its last row. */
export type RoundCursor = [dueP50: string, dueP90: string, subjectId: string, key: string]
/** The same where rows are gathered: first the group’s day and the group. */
export type GatheredCursor = [groupOn: string, groupId: string, ...RoundCursor]

/** What rows are gathered by, each group in the order of what is due first; visits in the order of their days. */
export const gatherings = ['site', 'machine', 'visit'] as const
export type Gathering = (typeof gatherings)[number]

/** A task, and the visit it is on. */
export interface TaskOnVisit {
  subjectId: string
  key: string
  on: string
  visit: string
}
/** Those on no visit stand together, after the others. */
export const noVisit = '~'
const neverOn = '9999-12-31'

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
  // The page is found by its keys alone, in the order they are indexed in; then its hundred rows are dressed.
  const page = narrowed(trx, filter).select('st.firm_id', 'st.subject_id', 'st.key').orderBy(inOrder).limit(limit)
  if (after) {
    page.whereRaw('(st.due_p50, st.due_p90, st.subject_id, st.key) > (?::date, ?::date, ?::uuid, ?)', after)
  }
  return dressed(trx, page).orderBy(inOrder)
}

/**
 * The same gathered: what is of one site, one machine or one visit stands together, with how much that is in all.
 *
 * @param ahead - what was arranged from today on, where visits are what they are gathered by: it comes before what
 *   the plan proposes
 */
export async function gatheredRows(
  trx: Trx,
  filter: RoundFilter,
  by: Gathering,
  { today, arranged }: { today: string; arranged: TaskOnVisit[] },
  after: GatheredCursor | null,
  limit: number,
): Promise<Row[]> {
  const matching = narrowed(trx, filter).select(
    'st.firm_id',
    'st.subject_id',
    'st.key',
    'st.due_p50',
    'st.due_p90',
    trx.raw(`coalesce((st.detail->>'minutes')::numeric, 0) as minutes`),
  )
  if (by === 'visit')
    matching
      .joinRaw(
        `left join json_to_recordset(?) as v("subjectId" uuid, key text, "on" date, visit text)
           on v."subjectId" = st.subject_id and v.key = st.key
         left join proposed_task t on t.firm_id = st.firm_id and t.subject_id = st.subject_id and t.key = st.key
           and t.on_day >= ?`,
        [JSON.stringify(arranged), today],
      )
      .select(
        trx.raw(
          `coalesce(v.visit, t.site_id || ' ' || t.on_day, ?) as group_id,
           coalesce(v."on", t.on_day, ?::date) as group_first`,
          [noVisit, neverOn],
        ),
      )
  else
    matching.select(
      trx.raw(`${by === 'site' ? 'st.site_id' : 'st.subject_id'}::text as group_id, st.due_p50 as group_first`),
    )
  const grouped = trx
    .from(matching.as('matching'))
    .select('*')
    .select(
      trx.raw(`min(group_first) over (partition by group_id) as group_on, count(*) over (partition by group_id)
        as group_tasks, sum(minutes) over (partition by group_id) as group_minutes`),
    )
  const page = trx
    .from(grouped.as('st'))
    .select('st.firm_id', 'st.subject_id', 'st.key', 'group_on', 'group_id', 'group_tasks', 'group_minutes')
    .orderBy(['group_on', 'group_id', ...inOrder])
    .limit(limit)
  if (after)
    page.whereRaw(
      `(group_on, group_id, st.due_p50, st.due_p90, st.subject_id, st.key)
         > (?::date, ?, ?::date, ?::date, ?::uuid, ?)`,
      after,
    )
  return dressed(trx, page)
    .select('p.group_on', 'p.group_id', 'p.group_tasks', 'p.group_minutes')
    .orderBy(['p.group_on', 'p.group_id', ...inOrder])
}

/** A page’s keys with all that a row says. */
function dressed(trx: Trx, page: Knex.QueryBuilder): Knex.QueryBuilder {
  return trx
    .withMaterialized('page', page)
    .from('page as p')
    .joinRaw('join standing st on st.firm_id = p.firm_id and st.subject_id = p.subject_id and st.key = p.key')
    .join('subject as su', (on) => on.on('su.firm_id', 'st.firm_id').andOn('su.id', 'st.subject_id'))
    .join('site as s', (on) => on.on('s.firm_id', 'st.firm_id').andOn('s.id', 'st.site_id'))
    .leftJoin('softener as f', (on) => on.on('f.firm_id', 'st.firm_id').andOn('f.id', 'st.subject_id'))
    .joinRaw(
      `left join lateral (
         select m.* from machine m where m.firm_id = st.firm_id
           and (m.id = st.subject_id or (f.id is not null and m.softener_id = f.id)) order by m.id limit 1
       ) m on true`,
    )
    .select(
      'st.subject_id',
      'st.key',
      'st.detail',
      'st.due_p50',
      'st.due_p90',
      'su.kind as subject_kind',
      'su.stale',
      trx.raw(`case when isfinite(su.reading_on) then su.reading_on end as reading_on`),
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
}

const inOrder = ['st.due_p50', 'st.due_p90', 'st.subject_id', 'st.key']

/**
 * How many standings match, and how many of them are over on a day.
 * @param most - no more than this and one are counted
 */
export async function countRound(
  trx: Trx,
  filter: RoundFilter,
  today: string,
  most: number,
): Promise<{ matching: number; overdue: number }> {
  const upTo = async (narrow: (query: Knex.QueryBuilder) => unknown) => {
    const some = narrowed(trx, filter)
      .select(trx.raw('1'))
      .limit(most + 1)
    narrow(some)
    const row = await trx.count({ n: '*' }).from(some.as('some')).first()
    return Number((row as { n?: number } | undefined)?.n ?? 0)
  }
  const [matching, overdue] = await Promise.all([
    upTo(() => undefined),
    upTo((query) => query.where('st.due_p50', '<', today)),
  ])
  return { matching, overdue }
}

/** What one word of a search means: these machines and softeners at these places, or these tasks. */
export type WordMatch = { keys: string[] } & ({ subjectIds: string[] } | { like: string })

/** A word that names more machines than this is looked for row by row: it is found soon enough. */
const fewSubjects = 500

/**
 * Each word by what it can mean; every one of them must match.
 *
 * @param own - kinds the firm made: their tasks have names too
 */
export async function wordMatches(trx: Trx, text: string | undefined, own: Kind[] = []): Promise<WordMatch[]> {
  const named = [...keyNames, ...keysOf(own)]
  const matches: WordMatch[] = []
  for (const word of words(text)) {
    const like = likeWord(word)
    const { rows } = await trx.raw(
      `(select m.id from machine m join site s on s.firm_id = m.firm_id and s.id = m.site_id
          where m.words || ' ' || s.words like :like limit :most)
       union all
       (select f.id from softener f join site s on s.firm_id = f.firm_id and s.id = f.site_id
          where lower(f.name) || ' ' || s.words like :like limit :most)`,
      { like, most: fewSubjects + 1 },
    )
    const keys = [...new Set(named.filter(({ name }) => name.includes(word.toLowerCase())).map(({ key }) => key))]
    matches.push(
      rows.length <= fewSubjects ? { subjectIds: rows.map((row: { id: string }) => row.id), keys } : { like, keys },
    )
  }
  return matches
}

/** Every key a standing can have, by what it is called; those of softeners and descaling stand in no kind. */
const keysOf = (list: Kind[]): { key: string; name: string }[] =>
  list.flatMap((kind) =>
    kind.tasks.flatMap(({ id, name, each }) =>
      each
        ? [1, 2, 3, 4].map((n) => ({ key: `${id}@${n}`, name: `${name} ${instanceName(each, n)}`.toLowerCase() }))
        : [{ key: id, name: name.toLowerCase() }],
    ),
  )

const keyNames = [
  ...keysOf(kinds),
  ...raisedTasks.flatMap(({ id, searchNames }) => searchNames.map((name) => ({ key: id, name }))),
]

function narrowed(trx: Trx, filter: RoundFilter): Knex.QueryBuilder {
  const query = trx('standing as st').whereNotNull('st.due_p50')
  if (filter.until) query.where('st.due_p50', '<=', filter.until)
  if (filter.siteId) query.where('st.site_id', filter.siteId)
  if (filter.technicianId)
    query.whereRaw(
      `exists (select from site t where t.firm_id = st.firm_id and t.id = st.site_id and t.technician_id = ?)`,
      [filter.technicianId],
    )
  if (filter.kind)
    query.whereRaw(
      `exists (select from machine k where k.firm_id = st.firm_id and k.kind = ?
         and (k.id = st.subject_id or k.softener_id = st.subject_id))`,
      [filter.kind],
    )
  for (const match of filter.matches ?? []) {
    query.where((any) => {
      // No key of that name: without the branch the machines' own index answers.
      if (match.keys.length > 0) any.whereRaw('st.key = any(?)', [match.keys])
      if ('subjectIds' in match) any.orWhereRaw('st.subject_id = any(?::uuid[])', [match.subjectIds])
      else
        any.orWhereRaw(
          `exists (select from site w left join machine x on x.firm_id = w.firm_id and x.id = st.subject_id
             where w.firm_id = st.firm_id and w.id = st.site_id and coalesce(x.words, '') || ' ' || w.words like ?)`,
          [match.like],
        )
    })
  }
  return query
}

/** At most six words are looked for; more is a paste, not a search. What no database keeps is left out. */
export const words = (text: string | undefined): string[] =>
  (text ?? '').replaceAll('\0', ' ').split(/\s+/).filter(Boolean).slice(0, 6)

/** A word anywhere in a text kept in small letters. */
export const likeWord = (word: string): string => `%${word.toLowerCase().replace(/[\\%_]/g, '\\$&')}%`
