import type { ListedStage } from '../core/ledger/stage.ts'
import { type Db, lookIn } from '../records/database.ts'
import { countMachines, type MachineCursor, machineRows } from '../records/find.ts'
import type { MachinePage } from '../views/machine-page.ts'
import { readCursor, writeCursor } from './cursor.ts'

const pageSize = 100
/** The first screens of the list, drawn on the server. */
export const firstRows = 40

/** One page of the firm's machines by place and name. */
export async function machinePage(
  db: Db,
  firmId: string,
  filter: { text?: string; siteId?: string; kind?: string; cursor?: string; stage?: ListedStage },
  size = pageSize,
): Promise<MachinePage> {
  return lookIn(db, firmId, async (trx) => {
    const after = readCursor<MachineCursor>(filter.cursor, ['text', 'text', 'uuid'])
    const [rows, all] = await Promise.all([
      // Whoever looks for a machine by its words may well mean one that is gone.
      machineRows(trx, { ...(filter.text && { stage: 'any' }), ...filter }, after, size + 1),
      countMachines(trx),
    ])
    const page = rows.slice(0, size)
    const last = page.at(-1)
    return {
      rows: page,
      ...(rows.length > size &&
        last && {
          next: writeCursor([last.siteName, last.name, last.id]),
        }),
      all,
    }
  })
}
