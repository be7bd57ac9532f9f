import { object, string } from 'yup'
import type { Issue } from '../core/parse/parse-strict.ts'
import { parseStrict } from '../core/parse/parse-strict.ts'
import { type Db, withFirm } from '../records/database.ts'
import { countMachines, type MachineCursor, machineRows } from '../records/find.ts'
import { machineById, renameMachine } from '../records/machines.ts'
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
      filter,
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

const line = (most: number) =>
  string().trim().min(1, 'must not be empty').max(most, `must be at most ${most} characters`)

const names = object({
  name: line(80).required(),
  maker: line(60).required(),
  model: line(60).required(),
  serial: line(60).required(),
}).noUnknown()

export type Renamed =
  | { ok: true; version: number }
  | { ok: false; reason: 'unknown' | 'stale' | 'refused'; issues: Issue[] }

/** Changes what a machine is called, unless somebody else did so since it was read. */
export async function editMachine(
  db: Db,
  firmId: string,
  machineId: string,
  version: number,
  input: unknown,
): Promise<Renamed> {
  const parsed = parseStrict(names, input)
  if (!parsed.ok) return { ok: false, reason: 'refused', issues: parsed.issues }
  try {
    return await withFirm(db, firmId, async (trx) => {
      if (!(await machineById(trx, machineId))) return { ok: false, reason: 'unknown', issues: [] }
      const now = await renameMachine(trx, machineId, version, parsed.value)
      if (now !== null) return { ok: true, version: now }
      const message = 'was changed by somebody else meanwhile: reload to see it, then change it again'
      return {
        ok: false,
        reason: 'stale',
        issues: [{ path: 'version', code: 'stale', message, value: version }],
      }
    })
  } catch (error) {
    if ((error as { code?: string }).code !== '23505') throw error
    const issue = {
      path: 'serial',
      code: 'taken',
      message: 'is the serial number of another machine',
      value: parsed.value.serial,
    }
    return { ok: false, reason: 'refused', issues: [issue] }
  }
}
