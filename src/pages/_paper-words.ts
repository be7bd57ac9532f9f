import { sheetDrawing, sheetRule } from '../layouts/sheet-drawing.tsx'
import type { PaperWords } from '../services/papers/paper-words.ts'
import type { SheetDrawings } from '../services/papers/sheet-pdf.ts'
import { entryWords } from '../ui/entry-words.ts'
import { dayLong, figure } from '../ui/format.ts'
import { foundLeftWords } from '../ui/found-left-words.ts'
import { moneyOf } from '../ui/minor-words.ts'
import { quantityWords } from '../ui/quantity.ts'

/** How a firm's papers read days, figures and sums: as its screens do. */
export const paperWords = (firm: string): PaperWords => ({
  firm,
  day: dayLong,
  figure,
  quantity: quantityWords,
  sum: moneyOf,
  entry: entryWords,
  foundLeft: foundLeftWords,
})

/** How papers are drawn: as the screens are. */
export const paperDrawings: SheetDrawings = { path: sheetDrawing, rule: sheetRule }
