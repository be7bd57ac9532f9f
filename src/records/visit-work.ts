import { doneByEntries } from '../core/kinds/kind.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Trx } from './database.ts'

/** What was done on a visit, as the ledger names it. */
export interface WorkOnVisit {
  minutes: number
  /** The machine, its kind, kind of entry, and the task or part it names. */
  done: [machineId: string, kind: string, entry: string, named: string][]
}

/** So many visits back are enough to know a firm’s pace. */
const mostVisits = 600

/** Work whose minutes the catalogue does not give: a visit with it tells nothing of the rest. */
const uncounted = [
  'repaired',
  'fault-reported',
  'regenerated',
  'cartridge-changed',
  'membrane-changed',
  'prefilter-changed',
  'strip-down',
  'taken-over',
]

/**
 * Visits of one technician whose times somebody looked at, with the work on them; those with a repair, or with work at
 * the water’s treatment, are left out, since nobody knows how long that took. Said twice it is one visit, as the later
 * one says.
 */
export async function workOnVisits(trx: Trx, since: LocalDay): Promise<WorkOnVisit[]> {
  const { rows } = await trx.raw(
    `with timed as (
       select distinct on (coalesce(v.visit_id, v.id)) coalesce(v.visit_id, v.id) as visit, v.happened_on,
              coalesce(extract(epoch from (v.body->>'leftAt')::timestamptz - (v.body->>'arrivedAt')::timestamptz) / 60,
                       (v.body->>'minutes')::numeric) as minutes
       from entry v
       where v.kind = 'visit' and v.happened_on >= :since
         and (v.body->>'minutes' is not null or (v.body->>'arrivedAt' is not null and v.body->>'leftAt' is not null))
         and json_array_length(v.body->'technicianIds') = 1
         and not exists (select from entry s where s.firm_id = v.firm_id and s.supersedes = v.id)
       order by coalesce(v.visit_id, v.id), v.happened_at desc, v.id desc
     ), latest as (
       select * from timed order by happened_on desc, visit limit :most
     )
     select t.visit, t.minutes::float as minutes,
            json_agg(json_build_array(m.id, m.kind, e.kind, coalesce(e.body->>'task', e.body->>'part'))) as done
     from latest t
     join entry e on e.visit_id = t.visit and e.kind = any(:kinds)
       and not exists (select from entry s where s.firm_id = e.firm_id and s.supersedes = e.id)
     join machine m on m.firm_id = e.firm_id and m.id = e.subject_id
     where t.minutes > 0
       and not exists (select from entry r where r.visit_id = t.visit and r.kind = any(:uncounted))
     group by t.visit, t.minutes`,
    { since, most: mostVisits, kinds: [...doneByEntries], uncounted },
  )
  return rows.map(({ minutes, done }: WorkOnVisit) => ({ minutes, done }))
}
