import type { PaperWords } from '../../../src/services/papers/paper-words.ts'
import { entryWords } from '../../../src/ui/entry-words.ts'
import { dayLong, figure } from '../../../src/ui/format.ts'
import { foundLeftWords } from '../../../src/ui/found-left-words.ts'
import { moneyOf } from '../../../src/ui/minor-words.ts'
import { quantityWords } from '../../../src/ui/quantity.ts'

/** How papers under test read days, figures and sums: as the screens do. */
export const words: PaperWords = {
  firm: 'Quillgate & Daughter',
  day: dayLong,
  figure,
  quantity: quantityWords,
  sum: moneyOf,
  entry: entryWords,
  foundLeft: foundLeftWords,
}
