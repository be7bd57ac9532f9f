import Papa from 'papaparse'

/** A spreadsheet as text cells: the head row, and the rows below it. */
export interface FileTable {
  name: string
  head: string[]
  rows: string[][]
  encoding: string
  separator: string
}

export type FileRead = { ok: true; table: FileTable } | { ok: false; why: string }

const mostBytes = 5_000_000
const mostRows = 5000

const separatorNames: Record<string, string> = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' }

/** Reads a CSV in the usual separators and encodings. What cannot be one is said in words. */
export async function readFile(file: File): Promise<FileRead> {
  if (file.size > mostBytes)
    return {
      ok: false,
      why: `${file.name} has ${megabytes(file.size)} MB; such a file fits into 5 MB. Is it the right file?`,
    }
  if (file.size === 0) return { ok: false, why: `${file.name} is empty.` }
  const bytes = new Uint8Array(await file.arrayBuffer())
  if (bytes[0] === 0x50 && bytes[1] === 0x4b)
    return {
      ok: false,
      why: `${file.name} is a workbook, not a CSV. In your spreadsheet choose "save as" and CSV, then read that.`,
    }
  const decoded = decode(bytes)
  if (!decoded)
    return {
      ok: false,
      why: `${file.name} is no text: it holds bytes that no CSV has. Save the sheet as CSV and read that.`,
    }
  const parsed = Papa.parse<string[]>(decoded.text, {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t', '|'],
  })
  const [head, ...rows] = parsed.data
  if (!head || head.length < 2)
    return {
      ok: false,
      why: `${file.name} has no columns: its first line must name them, parted by commas, semicolons or tabs.`,
    }
  if (rows.length === 0) return { ok: false, why: `${file.name} has a head line and no rows below it.` }
  if (rows.length > mostRows)
    return {
      ok: false,
      why: `${file.name} has ${rows.length} rows; up to ${mostRows} are read at once. Please split it.`,
    }
  const wide = Math.max(head.length, ...rows.map((row) => row.length))
  const pad = (row: string[]) => Array.from({ length: wide }, (_, i) => (row[i] ?? '').trim())
  return {
    ok: true,
    table: {
      name: file.name,
      head: pad(head).map((name, i) => name || `column ${i + 1}`),
      rows: rows.map(pad),
      encoding: decoded.encoding,
      separator: separatorNames[parsed.meta.delimiter] ?? parsed.meta.delimiter,
    },
  }
}

/** UTF-8 where the bytes allow it, UTF-16 by its mark, else the western code page of older spreadsheets. */
function decode(bytes: Uint8Array): { text: string; encoding: string } | null {
  if (bytes[0] === 0xff && bytes[1] === 0xfe)
    return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'UTF-16' }
  if (bytes[0] === 0xfe && bytes[1] === 0xff)
    return { text: new TextDecoder('utf-16be').decode(bytes), encoding: 'UTF-16' }
  if (bytes.slice(0, 4096).includes(0)) return null
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' }
  } catch {
    const odd = bytes.slice(0, 4096).filter((byte) => byte < 9 || (byte > 13 && byte < 32)).length
    return odd > 0 ? null : { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Windows-1252' }
  }
}

const megabytes = (bytes: number) => (bytes / 1e6).toFixed(1)

/** Which column looks like what, by its name; −1 where none does. */
export function guessColumns(head: string[], columns: { id: string; guess: RegExp }[]): Record<string, number> {
  return Object.fromEntries(
    columns.map(({ id, guess }) => [id, head.findIndex((name) => guess.test(name.toLowerCase()))]),
  )
}

/** Refused rows as a CSV, with the reason; cells that a spreadsheet would run as a formula are made plain. */
export function refusedCsv(head: string[], rows: { cells: string[]; reason: string }[]): string {
  const plain = (cell: string) => (/^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell)
  return Papa.unparse({
    fields: [...head, 'reason'],
    data: rows.map(({ cells, reason }) => [...cells, reason].map(plain)),
  })
}
