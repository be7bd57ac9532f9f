import type { Jotting } from '../ledger/entry-kinds.ts'
import { jot } from '../ledger/jot.ts'
import { type HardnessUnit, hardnessFromMgL, hardnessSymbol } from '../quantity/hardness.ts'
import { type Reads, readAs } from '../typed/read-as.ts'
import { type DateForm, dayOf } from '../typed/read-day.ts'
import type { DecimalMark } from '../typed/read-number.ts'

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

const mostMgL = 2000

/** Above these a figure of tap water is a typing error, or read by the wrong mark. */
const columnReads = {
  total: {},
  carbonate: {},
  pH: { unit: 'pH', from: 0, to: 14 },
  conductivity: { unit: 'µS/cm', from: 0, to: 20_000 },
  calcium: { unit: 'mg/L', from: 0, to: 2000 },
  chloride: { unit: 'mg/L', from: 0, to: 20_000 },
  silica: { unit: 'mg/L', from: 0, to: 500 },
} as const

/** Hardness is in the table's unit, or in the one that stands in the cell. */
const columnUnit = (name: keyof typeof columnReads, unit: HardnessUnit): Reads =>
  name === 'total' || name === 'carbonate'
    ? { unit: hardnessSymbol[unit], from: 0, to: 10 * hardnessFromMgL(mostMgL, unit) }
    : {}

/**
 * Reads a row of a table of analyses. Hardness is in the unit the table is in, calcium as mg/L of the metal
 * as works print it, kept as CaCO₃.
 *
 * @param mark - the decimal mark of the file, where its cells tell
 */
export function readAnalysis(
  row: AnalysisRow,
  form: DateForm,
  unit: HardnessUnit,
  caMgLPer: number,
  mark: DecimalMark | null = null,
): ReadAnalysis {
  const on = dayOf(row.date, form)
  if (on === null) return { ok: false, reason: `"${row.date}" is not a date` }
  const figures: Partial<Record<(typeof analysisColumns)[number], number>> = {}
  for (const name of analysisColumns) {
    if (name === 'date' || !row[name].trim()) continue
    // As works print what lies below what they can tell: "< 5" is five at most.
    const read = readAs(row[name].trim().replace(/^[<>≤≥]\s*/, ''), {
      ...columnReads[name],
      ...columnUnit(name, unit),
      mark,
    })
    if (read.is === 'either')
      return { ok: false, reason: `${name} "${row[name]}" is ${read.values.join(' or ')}: the file does not say which` }
    if (read.is === 'wrong') return { ok: false, reason: `${name} "${row[name]}" ${read.why}` }
    if (read.is === 'value') figures[name] = read.value
  }
  const { total, carbonate, pH, conductivity, calcium, chloride, silica } = figures
  if (Object.keys(figures).length === 0) return { ok: false, reason: 'no figure stands in this row' }
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
