import type { Kind } from '../core/kinds/kind.ts'
import type { Pen } from '../core/ledger/entry-definition.ts'
import { entryKindOf, type Jotting } from '../core/ledger/entry-kinds.ts'
import { dayLong, figure } from './format.ts'
import { limitWords } from './interval-words.ts'
import { quantityWords } from './quantity.ts'

const writing: Omit<Pen, 'machine'> = { figure, quantity: quantityWords, day: dayLong, limit: limitWords }

/** An entry in the words of the trade. @example entryWords(entry, c2) // 'Counter 184,220' */
export const entryWords = ({ kind, body }: Jotting, machine: Kind | null): string =>
  entryKindOf(kind).words(body, { ...writing, machine })

/** Sentences of some entries by their ids: a page that only shows them is handed them, and needs no schemas. */
export const saidById = (entries: (Jotting & { id: string })[], machine: Kind | null = null): Record<string, string> =>
  Object.fromEntries(entries.map((entry) => [entry.id, entryWords(entry, machine)]))
