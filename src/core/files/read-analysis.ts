import type { Jotting } from '../ledger/entry-kinds.ts'
import { jot } from '../ledger/jot.ts'
import { type HardnessUnit, hardnessFromMgL } from '../quantity/hardness.ts'
import { type DateForm, parseDateCell } from './parse-cells.ts'

/** The cells of one row of a waterworks' table; an empty one was not printed. */
export const analysisColumns = [
  'date',
  'total',
  'carbonate',
  'pH',
  'conductivity',
  'calcium',
  'chloride',
  'silica',
] as const
export type AnalysisRow = Record<(typeof analysisColumns)[number], string>

/** A row read: its day and the tests it stands for, or what is wrong with it. */
export type ReadAnalysis = { ok: true; on: string; work: Jotting[] } | { ok: false; reason: string }

/** A figure as works print it: 19,4 or 19.4, "< 5" as five. @example parseFigureCell('< 5') // 5 */
function parseFigureCell(cell: string): number | null {
  const text = cell
    .trim()
    .replace(/^[<>≤≥~]\s*/, '')
    .replace(',', '.')
  return /^\d{1,6}(\.\d{1,6})?$/.test(text) ? Number(text) : null
}

const mostMgL = 2000

/**
 * Reads a row of a table of analyses. Hardness is in the unit the table is in, calcium as mg/L of the metal
 * as works print it, kept as CaCO₃.
 */
export function readAnalysis(row: AnalysisRow, form: DateForm, unit: HardnessUnit, caMgLPer: number): ReadAnalysis {
  const on = parseDateCell(row.date, form)
  if (on === null) return { ok: false, reason: `"${row.date}" is not a date` }
  const figures: Partial<Record<(typeof analysisColumns)[number], number>> = {}
  for (const name of analysisColumns) {
    if (name === 'date' || !row[name].trim()) continue
    const value = parseFigureCell(row[name])
    if (value === null) return { ok: false, reason: `"${row[name]}" is not a figure (${name})` }
    figures[name] = value
  }
  const { total, carbonate, pH, conductivity, calcium, chloride, silica } = figures
  if (Object.keys(figures).length === 0) return { ok: false, reason: 'no figure stands in this row' }
  if (pH !== undefined && pH > 14) return { ok: false, reason: `pH ${pH} is above 14` }
  for (const [name, value] of [
    ['total', total],
    ['carbonate', carbonate],
  ] as const)
    if (value !== undefined && value > hardnessFromMgL(mostMgL, unit))
      return { ok: false, reason: `${name} hardness ${value} is harder than any tap water: is it in this unit?` }
  const test = (quantity: 'total' | 'carbonate', value: number): Jotting =>
    jot('water-test', { point: 'raw', quantity, method: 'figure', unit, value })
  const rest = {
    ...(pH !== undefined && { pH }),
    ...(conductivity !== undefined && { conductivityUsCm: conductivity }),
    ...(calcium !== undefined && { calciumMgL: Math.round(calcium * caMgLPer * 100) / 100 }),
    ...(chloride !== undefined && { chlorideMgL: chloride }),
    ...(silica !== undefined && { silicaMgL: silica }),
  }
  const work: Jotting[] = [
    ...(total === undefined ? [] : [test('total', total)]),
    ...(carbonate === undefined ? [] : [test('carbonate', carbonate)]),
    ...(Object.keys(rest).length > 0 ? [jot('water-figures', { point: 'raw', by: 'works', ...rest })] : []),
  ]
  return { ok: true, on, work }
}
