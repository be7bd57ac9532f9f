import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { plainWords } from '../../src/core/files/guess-kind.ts'
import { findHead, type ImportWhat } from '../../src/core/files/import-columns.ts'
import type { ImportSpec, WordMeaning } from '../../src/core/files/import-spec.ts'
import { guessReading } from '../../src/islands/import/guess-reading.ts'
import { type ListFile, readFile } from '../../src/islands/import/read-file.ts'

const folder = new URL('./', import.meta.url)

/** One of the made-up lists in this folder, read as a browser reads it. */
export async function listFile(name: string): Promise<ListFile> {
  const read = await readFile(new File([readFileSync(new URL(name, folder))], name))
  if (!read.ok) throw new Error(read.why)
  return read.file
}

export interface ListChoices {
  /** By column: what each word means. */
  words?: Record<string, Record<string, WordMeaning>>
  unit?: ImportSpec['unit']
  fillDown?: boolean
  readOn?: string
  id?: string
}

/** A kind of machine, as a word may mean it. */
export const kind = (id: string, groups?: number): WordMeaning => ({ is: 'kind', kind: id, ...(groups && { groups }) })
export const leftOut: WordMeaning = { is: 'left-out' }

/** What a browser sends of a list, with what a person chose. */
export async function listRequest(name: string, what: ImportWhat, choices: ListChoices = {}) {
  const file = await listFile(name)
  const { lines } = file.sheets[0]!
  const head = findHead(what, lines)
  const { words = {}, unit = 'dH', fillDown = false, readOn, id = randomUUID() } = choices
  return {
    id,
    what,
    ...guessReading(what, lines, head),
    unit,
    fillDown: fillDown ? 'yes' : 'no',
    ...(readOn && { readOn }),
    words: Object.entries(words).flatMap(([column, said]) =>
      Object.entries(said).map(([word, meaning]) => [column, plainWords(word), JSON.stringify(meaning)]),
    ),
    cells: JSON.stringify(lines.slice(head)),
    fileName: name,
    encoding: file.encoding,
    separator: file.separator,
    file: Buffer.from(file.bytes).toString('base64'),
  }
}
