import type { FaultBook } from '../../core/faults/fault.ts'
import { otherThanAll } from '../../core/faults/rank-causes.ts'
import type { Search } from '../../core/faults/search.ts'
import { shelf } from '../../device/shelf.ts'

/** A photo of what an answer was given by: it waits on this device as an image until the server has given it its name. */
export interface AnswerPhoto {
  id: string
  /** The answer, by its moment. */
  of: number
  image?: string
  name?: string
}

/** A search as it is kept on this device, with the ids of what it will write: saved twice it is one write. */
export interface KeptSearch {
  search: Search
  reportId: string
  ids: Record<string, string>
  photos?: AnswerPhoto[]
  /** The fault is in the ledger, and so many of its answers, under these ids: they were told or tried before. */
  onRecord?: number
}

/** By machine. */
export const keptSearches = shelf<KeptSearch>({
  name: 'search',
  version: 1,
  schema: async () => (await import('./search-schema.ts')).searchSchema,
  former: (machineId) => `evenshot-search-${machineId}`,
})

/** A search after a press: of what was on record and is taken back, another answer is another entry. */
export function afterPress(kept: KeptSearch, search: Search): KeptSearch {
  const { onRecord } = kept
  if (onRecord === undefined || search.seen.length >= onRecord) return { ...kept, search }
  const { [`seen ${search.seen.length}`]: _, ...ids } = kept.ids
  return { ...kept, search, ids, onRecord: search.seen.length }
}

/** What a kept search names that its book has not, or not any more; null where all of it is there. */
export function strangeTo(book: FaultBook, { search }: KeptSearch): string | null {
  const strange =
    search.seen.find(({ test, outcome }) => !hasOutcome(book, test, outcome))?.test ??
    search.cannot.find((id) => !book.tests.some((test) => test.id === id)) ??
    search.notCured.find((id) => !book.faults.some((fault) => fault.id === id)) ??
    [search.symptom, ...(search.also ?? [])].find((said) => !book.symptoms.some(({ id }) => id === said))
  return strange === undefined ? null : `what it calls ${strange} has another name now`
}

const hasOutcome = (book: FaultBook, test: string, outcome: string): boolean =>
  book.tests.find(({ id }) => id === test)?.outcomes.some(({ id }) => id === outcome || outcome === otherThanAll) ??
  false
