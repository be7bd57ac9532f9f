import { array, object, string } from 'yup'
import { importColumns, importKinds } from '../../core/files/import-columns.ts'
import type { ImportSpec, ImportTable, WordMeaning } from '../../core/files/import-spec.ts'
import { localDay, uuid } from '../../core/parse/fields.ts'
import { type Issue, parseStrict } from '../../core/parse/parse-strict.ts'
import { hardnessUnits } from '../../core/quantity/hardness.ts'
import { dateForms } from '../../core/typed/read-day.ts'

const mostRows = 5000
const mostColumns = 80
const mostCell = 2000
const mostWords = 2000

const request = object({
  id: uuid().required(),
  what: string().oneOf(importKinds).required(),
  columns: object().required(),
  dateForm: string().oneOf(dateForms).required(),
  mark: string().oneOf(['.', ',']).nullable().defined(),
  /** Column, word, meaning: a word may be anything, also the name of something every object has. */
  words: array(array(string().max(mostCell).defined()).length(3).required())
    .required()
    .max(mostWords),
  unit: string().oneOf(hardnessUnits),
  readOn: localDay(),
  fillDown: string().oneOf(['yes', 'no']),
  supplyId: uuid(),
  /** Head and rows as JSON: a list of lists of text. */
  cells: string().required(),
  fileName: string().max(200).default('list'),
  encoding: string().max(40).default('UTF-8'),
  separator: string().max(10).default(';'),
  /** The file as it is, base64. */
  file: string().max(8_000_000).default(''),
}).noUnknown()

/** A list as it was sent: how it is read, its cells, the file. */
export interface ImportRequest {
  id: string
  spec: ImportSpec
  table: ImportTable
  cells: string
  fileName: string
  encoding: string
  separator: string
  file: Buffer
}

/** Parses what was sent, at the door. */
export function parseImport(input: unknown): { ok: true; value: ImportRequest } | { ok: false; issues: Issue[] } {
  const parsed = parseStrict(request, input)
  if (!parsed.ok) return parsed
  const { id, what, dateForm, mark, unit, readOn, fillDown, supplyId, cells, fileName, encoding, separator, file } =
    parsed.value
  const table = tableOf(cells)
  if (typeof table === 'string') return wrong('cells', table)
  const columns = columnsOf(what as ImportSpec['what'], parsed.value.columns, table.head.length)
  if (!columns) return wrong('columns', 'name columns that are not there')
  const missing = importColumns[what as ImportSpec['what']].filter((one) => one.required && (columns[one.id] ?? -1) < 0)
  if (missing.length > 0)
    return wrong('columns', `must say which column is: ${missing.map((one) => one.label).join(', ')}`)
  const words = wordsOf(parsed.value.words as [string, string, string][])
  if (!words) return wrong('words', 'mean something that is not known here')
  const spec = { what, columns, dateForm, mark, words, fillDown: fillDown === 'yes' } as ImportSpec
  if (unit) spec.unit = unit as NonNullable<ImportSpec['unit']>
  if (readOn) spec.readOn = readOn
  if (supplyId) spec.supplyId = supplyId
  return {
    ok: true,
    value: { id, spec, table, cells, fileName, encoding, separator, file: Buffer.from(file, 'base64') },
  }
}

/** Head and rows, or what is wrong with them in words. */
export function tableOf(cells: string): ImportTable | string {
  let read: unknown
  try {
    read = JSON.parse(cells)
  } catch {
    return 'are not JSON'
  }
  const isText = (cell: unknown) => typeof cell === 'string' && cell.length <= mostCell && !cell.includes('\0')
  const isLine = (line: unknown) => Array.isArray(line) && line.length <= mostColumns && line.every(isText)
  if (!Array.isArray(read) || read.length < 2 || !read.every(isLine))
    return `must be lines of text, a head and at least one row, up to ${mostColumns} columns and ${mostCell} characters a cell`
  if (read.length > mostRows + 1) return `must be at most ${mostRows} rows: split the file`
  const [head, ...rows] = read as string[][]
  return { head: head!, rows }
}

function columnsOf(what: ImportSpec['what'], given: object, width: number): Record<string, number> | null {
  const known = importColumns[what].map(({ id }) => id)
  const entries = Object.entries(given)
  const fits = ([id, at]: [string, unknown]) =>
    known.includes(id) && Number.isInteger(at) && (at as number) >= -1 && (at as number) < width
  return entries.every(fits) ? Object.fromEntries(entries) : null
}

/** Columns whose words are asked about. */
const wordColumns = ['kind', 'softener', 'what']
const meanings = ['left-out', 'kind', 'treatment', 'work', 'note']

function wordsOf(given: [column: string, word: string, meaning: string][]): ImportSpec['words'] | null {
  const words: ImportSpec['words'] = Object.fromEntries(wordColumns.map((column) => [column, {}]))
  for (const [column, word, text] of given) {
    if (!wordColumns.includes(column)) return null
    let meaning: WordMeaning
    try {
      meaning = JSON.parse(text)
    } catch {
      return null
    }
    if (typeof meaning !== 'object' || meaning === null || !meanings.includes(meaning.is)) return null
    if (Object.values(meaning).some((value) => !['string', 'number'].includes(typeof value))) return null
    Object.defineProperty(words[column], word, { value: meaning, enumerable: true, configurable: true })
  }
  return words
}

const wrong = (path: string, message: string) => ({
  ok: false as const,
  issues: [{ path, code: 'invalid', message }],
})
