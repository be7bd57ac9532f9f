import { kindById } from '../core/kinds/index.ts'
import type { Pen } from '../core/ledger/entry-definition.ts'
import { entryKindOf, type Jotting } from '../core/ledger/entry-kinds.ts'
import { dayLong, figure } from './format.ts'
import { limitWords } from './interval-words.ts'
import { quantityWords } from './quantity.ts'

const writing: Omit<Pen, 'machine'> = { figure, quantity: quantityWords, day: dayLong, limit: limitWords }

/** An entry in the words of the trade. @example entryWords(entry, 'c2') // 'Counter 184,220' */
export const entryWords = ({ kind, body }: Jotting, machineKindId: string): string =>
  entryKindOf(kind).words(body, { ...writing, machine: kindById(machineKindId) })
