import type { Trx } from './database.ts'

/** Takes out of the log of who signed in what the firm keeps no longer. @returns how many lines */
export async function dropOldEvents(trx: Trx, now: Date): Promise<number> {
  const { rows } = await trx.raw('select drop_old_events(?) as n', [now])
  return rows[0].n
}

/** Takes out who rang and where to ring back, of calls the firm keeps no longer. @returns of how many */
export async function dropOldCallers(trx: Trx, now: Date): Promise<number> {
  const { rows } = await trx.raw('select drop_old_callers(?) as n', [now])
  return Number(rows[0].n)
}

/** Takes out photos that the firm keeps no longer. @returns names of those whose file nobody has any more */
export async function dropOldPhotos(trx: Trx, now: Date): Promise<string[]> {
  const { rows } = await trx.raw('select name from drop_old_photos(?) as name', [now])
  const names = rows.map((row: { name: string }) => row.name)
  const left = await trx.raw('select name from unnest(?::text[]) as name where not photo_is_anybodys(name)', [names])
  return left.rows.map((row: { name: string }) => row.name)
}

/** Takes out of the logs what was said of a record that is forgotten, and where a person signed in from. */
export async function forgetTraces(
  trx: Trx,
  kind: 'technician' | 'customer' | 'site' | 'machine',
  id: string,
): Promise<void> {
  await trx.raw('select forget_traces(?, ?)', [kind, id])
}
