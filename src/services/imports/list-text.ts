import iconv from 'iconv-lite'
import Papa from 'papaparse'

/** The separators of lists, as their names stand in the database. */
const separators = [',', ';', '\t', '|']

/**
 * Lines as a file in the letters and separators of the one they came from, so that it can be mended and read again
 * by the program that wrote it. A cell that a spreadsheet would run as a formula is made plain.
 *
 * @param encoding - "UTF-8", "UTF-16", "Windows-1252"; anything else is written as UTF-8
 */
export function listText(lines: string[][], { encoding, separator }: { encoding: string; separator: string }): Buffer {
  const plain = (cell: string) => (/^[=+\-@\t\r]/.test(cell) && !/^[+-]?[\d.,' ]+$/.test(cell) ? `'${cell}` : cell)
  const delimiter = separators.includes(separator) ? separator : ';'
  const text = `${Papa.unparse(
    lines.map((line) => line.map(plain)),
    { delimiter },
  )}\r\n`
  const isKnown = encoding !== 'UTF-8' && iconv.encodingExists(encoding)
  // Spreadsheets know UTF-8 by its mark alone.
  return iconv.encode(text, isKnown ? encoding : 'UTF-8', { addBOM: !isKnown || encoding.startsWith('UTF-16') })
}
