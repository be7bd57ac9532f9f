import type { Db } from '../src/records/database.ts'

/**
 * Gives a machine a long past in plain SQL: half of it readings a day apart, half what was done and noted, all before
 * what it has already.
 *
 * @param entries - how many are put in
 */
export async function longHistory(
  owner: Db,
  firmId: string,
  machineId: string,
  entries: number,
  endDay: string,
): Promise<void> {
  const half = Math.round(entries / 2)
  const made = (kind: string, body: string, salt: string) =>
    owner.raw(
      `insert into entry (firm_id, id, seq, subject_kind, subject_id, kind, happened_at, happened_on, recorded_at,
         recorded_by, body)
       select :firmId, overlay(overlay(md5(:salt || n) placing '7' from 13) placing 'a' from 17)::uuid,
         (select seq from firm where id = :firmId) + n, 'machine', :machineId, ${kind},
         date '${endDay}' - 450 - :half::int + n + time '09:00', date '${endDay}' - 450 - :half::int + n,
         date '${endDay}' - 450 - :half::int + n + time '10:00',
         (select id from technician where firm_id = :firmId limit 1), ${body}
       from generate_series(1, :half::int) n`,
      { firmId, machineId, half, salt: `${salt} ${machineId}` },
    )
  const numbered = () =>
    owner.raw('update firm set seq = (select max(seq) from entry where firm_id = :firmId) where id = :firmId', {
      firmId,
    })
  await made(`'reading'`, `json_build_object('v', 1, 'counter', 'shots', 'count', n * 40 + n * 7919 % 31)`, 'read')
  await numbered()
  await made(
    `case n % 3 when 0 then 'note' else 'cleaned' end`,
    `case n % 3 when 0 then json_build_object('v', 1, 'text', 'Dry under the machine after ten minutes, day ' || n)
       else json_build_object('v', 1, 'task', (array['drain-hose-clean', 'hot-water-screen'])[n % 3]) end`,
    'done',
  )
  await numbered()
  // It was taken on before all that.
  await owner.raw(
    `update entry set happened_on = date '${endDay}' - 460 - :half::int, happened_at = date '${endDay}' - 460 - :half::int + time '09:00'
     where firm_id = :firmId and subject_id = :machineId and kind = 'commissioned'`,
    { firmId, machineId, half },
  )
  await owner.raw('update subject set stale = true where firm_id = :firmId and id = :machineId', { firmId, machineId })
}
