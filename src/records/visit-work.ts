import { doneByEntries } from '../core/kinds/kind.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Trx } from './database.ts'

/** What was done on a visit, as the ledger names it. */
export interface WorkOnVisit {
  minutes: number
  /** Kind of machine, kind of entry, and the task or part it names. */
  done: [kind: string, entry: string, named: string][]
}

/** So many visits back are enough to know a firm’s pace. */
const mostVisits = 600

/**
 * Visits whose times somebody looked at, with the work on them; those with a repair are left out, since nobody knows
 * how long the looking took.
 */
export async function workOnVisits(trx: Trx, since: LocalDay): Promise<WorkOnVisit[]> {
  const { rows } = await trx.raw(
    `with timed as (
       select coalesce(v.visit_id, v.id) as visit,
              coalesce(extract(epoch from (v.body->>'leftAt')::timestamptz - (v.body->>'arrivedAt')::timestamptz) / 60,
                       (v.body->>'minutes')::numeric) as minutes
       from entry v
       where v.kind = 'visit' and v.happened_on >= :since
         and (v.body->>'minutes' is not null or (v.body->>'arrivedAt' is not null and v.body->>'leftAt' is not null))
         and not exists (select from entry s where s.firm_id = v.firm_id and s.supersedes = v.id)
       order by v.happened_on desc, v.id desc
       limit :most
     )
     select t.visit, t.minutes::float as minutes,
            json_agg(json_build_array(m.kind, e.kind, coalesce(e.body->>'task', e.body->>'part'))) as done
     from timed t
     join entry e on e.visit_id = t.visit and e.kind = any(:kinds)
       and not exists (select from entry s where s.firm_id = e.firm_id and s.supersedes = e.id)
     join machine m on m.firm_id = e.firm_id and m.id = e.subject_id
     where t.minutes > 0
       and not exists (select from entry r where r.visit_id = t.visit and r.kind in ('repaired', 'fault-reported'))
     group by t.visit, t.minutes`,
    { since, most: mostVisits, kinds: [...doneByEntries] },
  )
  return rows.map(({ minutes, done }: WorkOnVisit) => ({ minutes, done }))
}
