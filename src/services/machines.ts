import { type Db, withFirm } from '../records/database.ts'
import { countMachines, type MachineCursor, machineRows } from '../records/find.ts'
import type { MachinePage } from '../views/machine-page.ts'
import { readCursor, writeCursor } from './cursor.ts'

const pageSize = 100

/** One page of the firm's machines by place and name. */
export async function machinePage(
  db: Db,
  firmId: string,
  filter: { text?: string; siteId?: string; kind?: string; cursor?: string },
  size = pageSize,
): Promise<MachinePage> {
  return withFirm(db, firmId, async (trx) => {
    const rows = await machineRows(
      trx,
      // Whoever looks for a machine by its words may well mean one that is gone.
      { ...filter, retired: Boolean(filter.text) },
      readCursor<MachineCursor>(filter.cursor, ['text', 'text', 'uuid']),
      size + 1,
    )
    const page = rows.slice(0, size)
    const last = page.at(-1)
    return {
      rows: page,
      ...(rows.length > size &&
        last && {
          next: writeCursor([last.siteName, last.name, last.id]),
        }),
      all: await countMachines(trx),
    }
  })
}
