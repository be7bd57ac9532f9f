import Papa from 'papaparse'

/** A file of lists as it was given: its sheets as lines of text cells, its letters, its bytes. */
export interface ListFile {
  name: string
  encoding: string
  /** As it stands in the file: `;`. */
  separator: string
  sheets: { name: string; lines: string[][] }[]
  bytes: Uint8Array
}

export type FileRead = { ok: true; file: ListFile } | { ok: false; why: string }

const mostBytes = 5_000_000
export const mostRows = 5000
const mostColumns = 80
const mostCell = 2000

/** Reads a CSV in the usual separators and letters, or a workbook. What cannot be one is said in words. */
export async function readFile(file: File): Promise<FileRead> {
  const no = (why: string): FileRead => ({ ok: false, why })
  if (file.size > mostBytes)
    return no(`${file.name} has ${(file.size / 1e6).toFixed(1)} MB; such a file fits into 5 MB. Is it the right file?`)
  if (file.size === 0) return no(`${file.name} is empty.`)
  const bytes = new Uint8Array(await file.arrayBuffer())
  const read = isWorkbook(bytes) ? await readWorkbook(bytes) : readText(bytes)
  if (!read) return no(`${file.name} is neither a CSV nor a workbook that can be read (xlsx, xls, ods).`)
  const sheets = read.sheets
    .map(({ name, lines }) => ({ name, lines: tidied(lines) }))
    .filter(({ lines }) => lines.length > 1)
  if (sheets.length === 0)
    return no(`${file.name} has no rows below a head: a line must name the columns, and rows stand below it.`)
  return { ok: true, file: { ...read, name: file.name, sheets, bytes } }
}

/** Zip, as xlsx and ods are; or the old binary format. */
const isWorkbook = (bytes: Uint8Array) =>
  (bytes[0] === 0x50 && bytes[1] === 0x4b) || (bytes[0] === 0xd0 && bytes[1] === 0xcf && bytes[2] === 0x11)

type Read = Pick<ListFile, 'encoding' | 'separator' | 'sheets'>

/** The reader of workbooks is large: it comes when one is given. Formulas come as what they showed. */
async function readWorkbook(bytes: Uint8Array): Promise<Read | null> {
  try {
    const { read, utils } = await import('@e965/xlsx')
    const book = read(bytes, { type: 'array', cellDates: false, cellFormula: false, cellHTML: false })
    const sheets = book.SheetNames.flatMap((name) => {
      const sheet = book.Sheets[name]
      if (!sheet?.['!ref']) return []
      // A cell that was merged stands for all it covers.
      for (const { s, e } of sheet['!merges'] ?? []) {
        const first = sheet[utils.encode_cell(s)]
        if (!first || (e.r - s.r) * (e.c - s.c) > 1000) continue
        for (let r = s.r; r <= e.r; r += 1)
          for (let c = s.c; c <= e.c; c += 1) if (c === s.c) sheet[utils.encode_cell({ r, c })] ??= first
      }
      const lines = utils.sheet_to_json<unknown[]>(sheet, { header: 1, raw: true, defval: '', blankrows: false })
      const isDay = (r: number, c: number) => /[dmy]/i.test(String(sheet[utils.encode_cell({ r, c })]?.z ?? ''))
      const top = utils.decode_range(sheet['!ref']).s
      return [{ name, lines: lines.map((line, r) => line.map((cell, c) => asText(cell, isDay(r + top.r, c + top.c)))) }]
    })
    return { encoding: 'UTF-8', separator: ';', sheets }
  } catch (error) {
    console.info('not a workbook', error)
    return null
  }
}

/** Figures with every digit and a point; a day as a day, whatever form the sheet shows it in. */
function asText(cell: unknown, isDay: boolean): string {
  if (typeof cell === 'number') return isDay ? String(Math.floor(cell)) : String(Number(cell.toPrecision(15)))
  return cell === null || cell === undefined ? '' : String(cell)
}

function readText(bytes: Uint8Array): Read | null {
  const decoded = decode(bytes)
  if (!decoded) return null
  const parsed = Papa.parse<string[]>(decoded.text, {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t', '|'],
  })
  return {
    encoding: decoded.encoding,
    separator: parsed.meta.delimiter || ';',
    sheets: [{ name: '', lines: parsed.data }],
  }
}

/** As wide as the widest line, blanks at the ends of cells gone, empty lines too. */
function tidied(lines: string[][]): string[][] {
  const wide = Math.min(mostColumns, Math.max(0, ...lines.map((line) => line.length)))
  return lines
    .map((line) =>
      Array.from({ length: wide }, (_, i) => (line[i] ?? '').replaceAll('\0', '').trim().slice(0, mostCell)),
    )
    .filter((line) => line.some((cell) => cell !== ''))
}

/** Lines of cells of a CSV in the usual separators and letters, as wide as they are; null where it is no text. */
export const readLines = (bytes: Uint8Array): string[][] | null => readText(bytes)?.sheets[0]?.lines ?? null

/** UTF-8 where the bytes allow it, UTF-16 by its mark, else the western code page of older spreadsheets. */
function decode(bytes: Uint8Array): { text: string; encoding: string } | null {
  if (bytes[0] === 0xff && bytes[1] === 0xfe)
    return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'UTF-16LE' }
  if (bytes[0] === 0xfe && bytes[1] === 0xff)
    return { text: new TextDecoder('utf-16be').decode(bytes), encoding: 'UTF-16BE' }
  if (bytes.slice(0, 4096).includes(0)) return null
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' }
  } catch {
    const odd = bytes.slice(0, 4096).filter((byte) => byte < 9 || (byte > 13 && byte < 32)).length
    return odd > 0 ? null : { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Windows-1252' }
  }
}
