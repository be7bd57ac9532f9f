import { guessColumns, type ImportWhat, importColumns } from '../../core/files/import-columns.ts'
import { type DateForm, fittingForms } from '../../core/typed/read-day.ts'
import { type DecimalMark, decimalMarkOf } from '../../core/typed/read-number.ts'

/** So many rows tell how a list is written. */
const mostLooked = 500

/** How a list's lines are read: which column is what, how its days and figures are written. */
export interface Reading {
  columns: Record<string, number>
  dateForm: DateForm
  mark: DecimalMark | null
}

/**
 * What follows from a sheet's lines and its head.
 *
 * @param head - the line that names the columns
 */
export function guessReading(what: ImportWhat, lines: string[][], head: number): Reading {
  const columns = guessColumns(what, lines[head]!)
  const forms = fittingForms(cellsRead(what, lines.slice(head + 1), columns, ['day']))
  return {
    columns,
    dateForm: forms[0] ?? 'day-first',
    mark: decimalMarkOf(cellsRead(what, lines.slice(head + 1), columns, ['figure', 'count'])),
  }
}

/** The cells that say something, of all columns that are read so. */
export const cellsRead = (
  what: ImportWhat,
  rows: string[][],
  columns: Record<string, number>,
  reads: string[],
): string[] =>
  importColumns[what]
    .filter((column) => reads.includes(column.reads) && (columns[column.id] ?? -1) >= 0)
    .flatMap(({ id }) => rows.slice(0, mostLooked).map((row) => row[columns[id]!] ?? ''))
    .filter(Boolean)
