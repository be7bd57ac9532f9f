import { array, object, string } from 'yup'
import { type AnalysisRow, analysisColumns, readAnalysis } from '../core/files/read-analysis.ts'
import { effectiveHistory } from '../core/ledger/effective-history.ts'
import { uuid } from '../core/parse/fields.ts'
import { type Issue, parseStrict } from '../core/parse/parse-strict.ts'
import { type HardnessUnit, hardnessUnits, mgLPer } from '../core/quantity/hardness.ts'
import { dayAt } from '../core/quantity/site-time.ts'
import { type DateForm, dateForms } from '../core/typed/read-day.ts'
import { type Db, withFirm } from '../records/database.ts'
import { keptById } from '../records/kept.ts'
import { entriesOfKinds } from '../records/ledger.ts'
import type { JudgedAnalysis } from '../views/judged-row.ts'

const mostRows = 2000

const request = object({
  supplyId: uuid().required(),
  unit: string().oneOf(hardnessUnits).required(),
  dateForm: string().oneOf(dateForms).required(),
  rows: array(
    object(Object.fromEntries(analysisColumns.map((name) => [name, string().max(200).defined()])))
      .noUnknown()
      .required(),
  )
    .required()
    .max(mostRows, `must be at most ${mostRows} rows: split the file`),
}).noUnknown()

/** Judges a waterworks' table of analyses against what the zone has already. Nothing is written. */
export async function checkAnalyses(
  db: Db,
  firmId: string,
  timeZone: string,
  input: unknown,
  now: Date,
): Promise<{ ok: true; rows: JudgedAnalysis[] } | { ok: false; issues: Issue[] }> {
  const parsed = parseStrict(request, input)
  if (!parsed.ok) return parsed
  const { supplyId, unit, dateForm } = parsed.value
  const rows = parsed.value.rows as unknown as AnalysisRow[]
  const there = await withFirm(db, firmId, async (trx) => {
    if (!(await keptById(trx, 'supply', supplyId))) return null
    return entriesOfKinds(trx, [supplyId], ['water-test', 'water-figures', 'withdrawn'])
  })
  if (!there)
    return { ok: false, issues: [{ path: 'supplyId', code: 'unknown', message: 'is no water zone of this firm' }] }
  const days = new Set(effectiveHistory(there).entries.map(({ happenedOn }) => happenedOn))
  const today = dayAt(timeZone, now)
  return {
    ok: true,
    rows: rows.map((row): JudgedAnalysis => {
      const read = readAnalysis(row, dateForm as DateForm, unit as HardnessUnit, mgLPer.caMgL)
      if (!read.ok) return { verdict: 'unreadable', reason: read.reason }
      const judged = { happenedOn: read.on, work: read.work, timeZone }
      if (read.on > today) return { ...judged, verdict: 'impossible', reason: `${read.on} is in the future` }
      if (days.has(read.on))
        return {
          ...judged,
          verdict: 'duplicate',
          reason: 'an analysis of this day is in the ledger or the file already',
        }
      days.add(read.on)
      return { ...judged, verdict: 'taken' }
    }),
  }
}
