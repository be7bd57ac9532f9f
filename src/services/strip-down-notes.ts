import { effectiveHistory } from '../core/ledger/effective-history.ts'
import { type NotedBefore, notedBefore } from '../core/strip-down/noted-before.ts'
import { type Db, lookIn } from '../records/database.ts'
import { machineRows } from '../records/find.ts'
import { entriesOfKinds } from '../records/ledger.ts'

/** Machines of a kind whose sheets are read. */
const mostRead = 500
const mostShown = 60

/** What was noted while machines of a kind were in pieces, with the machine’s name. */
export async function stripDownNotes(
  db: Db,
  firmId: string,
  kind: string,
): Promise<(NotedBefore & { machine: string })[]> {
  return lookIn(db, firmId, async (trx) => {
    const rows = await machineRows(trx, { kind, stage: 'any' }, null, mostRead)
    const names = new Map(rows.map(({ id, name, siteName }) => [id, `${name}, ${siteName}`]))
    const entries = await entriesOfKinds(trx, [...names.keys()], ['strip-down', 'withdrawn'])
    return notedBefore(effectiveHistory(entries).entries)
      .slice(0, mostShown)
      .map((one) => ({ ...one, machine: names.get(one.machineId)! }))
  })
}
