import { type AnalysisRow, analysisColumns, readAnalysis } from '../../core/files/read-analysis.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { mgLPer } from '../../core/quantity/hardness.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import type { Trx } from '../../records/database.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import type { JudgedAnalysis } from '../../views/judged-row.ts'
import { type Cells, entryOn, type ImportContext, nothing, type Planned, refused } from './import-context.ts'

/** Judges a waterworks' table of analyses against what the zone has already. */
export async function planAnalyses(
  trx: Trx,
  context: ImportContext,
  rows: Cells[],
): Promise<Planned<JudgedAnalysis>[]> {
  const { spec, timeZone } = context
  const supplyId = spec.supplyId!
  const there = await entriesOfKinds(trx, [supplyId], ['water-test', 'water-figures', 'withdrawn'])
  const days = new Set(effectiveHistory(there).entries.map(({ happenedOn }) => happenedOn))
  const today = dayAt(timeZone, context.now)
  return rows.map((cells): Planned<JudgedAnalysis> => {
    const row = Object.fromEntries(analysisColumns.map((name) => [name, cells(name)])) as AnalysisRow
    const read = readAnalysis(row, spec.dateForm, spec.unit ?? 'dH', mgLPer.caMgL, spec.mark)
    if (!read.ok) return refused({ verdict: 'unreadable', reason: read.reason })
    const judged = { happened: { on: read.on }, work: read.work }
    if (read.on > today) return refused({ ...judged, verdict: 'impossible', reason: `${read.on} is in the future` })
    if (days.has(read.on))
      return refused({
        ...judged,
        verdict: 'duplicate',
        reason: 'an analysis of this day is in the ledger or the file already',
      })
    days.add(read.on)
    const about = { kind: 'supply' as const, id: supplyId, timeZone }
    const entries = read.work.map((jotting, n) => entryOn(context, `row ${cells.row} ${n}`, about, read.on, jotting))
    return { row: { ...judged, verdict: 'taken' }, plan: { ...nothing, entries } }
  })
}
