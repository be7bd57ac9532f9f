import type { ImportSpec, ImportTable } from '../../core/files/import-spec.ts'
import { kinds } from '../../core/kinds/index.ts'
import type { Issue } from '../../core/parse/parse-strict.ts'
import { effective } from '../../core/standing/histories.ts'
import { veryOwnKinds } from '../../core/standing/own-kinds.ts'
import { type Db, lookIn, type Trx } from '../../records/database.ts'
import { keptById } from '../../records/kept.ts'
import { entriesOf } from '../../records/ledger.ts'
import type { JudgedRow } from '../../views/judged-row.ts'
import type { Actor } from '../judge-entry.ts'
import { planAnalyses } from './analysis-rows.ts'
import { planCustomers } from './customer-rows.ts'
import { type Cells, type ImportContext, type Planned, refused } from './import-context.ts'
import { parseImport } from './import-request.ts'
import { planMachines } from './machine-rows.ts'
import { planReadings } from './reading-rows.ts'
import { planWork } from './work-rows.ts'

export type Checked = { ok: true; rows: JudgedRow[] } | { ok: false; issues: Issue[] }

const planners: Record<
  ImportSpec['what'],
  (trx: Trx, context: ImportContext, rows: Cells[]) => Promise<Planned<JudgedRow>[]>
> = { machines: planMachines, customers: planCustomers, work: planWork, readings: planReadings, analyses: planAnalyses }

/** Says of each row of a list what it would write. Writes nothing. */
export async function checkImport(
  db: Db,
  actor: Actor,
  firm: { timeZone: string },
  input: unknown,
  now: Date,
): Promise<Checked> {
  const parsed = parseImport(input)
  if (!parsed.ok) return parsed
  const { id, spec, table } = parsed.value
  return lookIn(db, actor.firmId, async (trx) => {
    const issues = await issuesOfSpec(trx, spec)
    if (issues.length > 0) return { ok: false, issues }
    const about = { importId: id, ...actor, timeZone: firm.timeZone, askedAt: now, now, spec }
    const planned = await planImport(trx, about, table)
    return { ok: true, rows: planned.map(({ row }) => row) }
  })
}

/** What of a list's spec points at nothing. */
export async function issuesOfSpec(trx: Trx, { what, supplyId }: ImportSpec): Promise<Issue[]> {
  if (what !== 'analyses' || (supplyId && (await keptById(trx, 'supply', supplyId)))) return []
  return [{ path: 'supplyId', code: 'unknown', message: 'is no water zone of this firm' }]
}

/**
 * Every row of a list with what it writes, as things stand now.
 *
 * @param refusedRows - what the ledger would not take, and why: it writes nothing
 */
export async function planImport(
  trx: Trx,
  about: Omit<ImportContext, 'kinds'>,
  table: ImportTable,
  refusedRows: ReadonlyMap<number, string> = new Map(),
): Promise<Planned<JudgedRow>[]> {
  const firm = effective({ firm: await entriesOf(trx, [about.firmId]) })
  const context = { ...about, kinds: [...kinds, ...veryOwnKinds(firm)] }
  const cells = cellsOf(table, about.spec)
  const planned = await planners[about.spec.what](
    trx,
    context,
    cells.filter((_, row) => !refusedRows.has(row)),
  )
  let next = 0
  return cells.map((_, row) => {
    const reason = refusedRows.get(row)
    return reason === undefined ? planned[next++]! : refused({ verdict: 'unreadable', reason })
  })
}

/** The cells of each row by our columns; with `fillDown`, an empty first column means what stands above it. */
function cellsOf({ rows }: ImportTable, { what, columns, fillDown }: ImportSpec): Cells[] {
  const first = { machines: 'site', customers: 'name', work: 'site', readings: 'serial', analyses: 'date' }[what]
  const at = (row: string[], column: string) => row[columns[column] ?? -1] ?? ''
  let above = ''
  return rows.map((row, i) => {
    const own = at(row, first)
    if (own.trim()) above = own
    const filled = fillDown && !own.trim() ? above : own
    return Object.assign((column: string) => (column === first ? filled : at(row, column)), { row: i })
  })
}
