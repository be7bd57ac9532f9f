import { minorOf } from '../../core/money/minor.ts'
import type { Advised } from '../../core/quotes/advised.ts'
import type { ToQuote } from '../../core/quotes/quote-lines.ts'
import { numberIn } from '../../core/typed/read-as.ts'

/** One row of what is advised, with what was put right of it by hand. */
export interface ChosenRow {
  taken: boolean
  /** Of one piece, as it is typed. */
  price: string
  minutes: string
}

/** What is wrong in the rows, by the row’s key and field. */
export type WrongRows = Record<string, 'price' | 'minutes'>

const minutesReads = { whole: true, from: 0, to: 6000, unit: 'min' }

/**
 * The rows that were taken, as they are quoted. What goes in needs a price; what nobody can say the time of needs it said.
 */
export function chosenOf(
  advised: readonly Advised[],
  rows: Readonly<Record<string, ChosenRow>>,
  currency: string,
): { items: ToQuote[]; wrong: WrongRows } {
  const wrong: WrongRows = {}
  const items = advised.flatMap(
    ({ key, subjectId, name, part, partName = name, pieces, isUnderWarranty }): ToQuote[] => {
      const row = rows[key]
      if (!row?.taken) return []
      const price = row.price.trim()
      const partMinor = price === '' ? null : minorOf(price.replace(',', '.'), currency)
      const minutes = numberIn(row.minutes, minutesReads)
      if (minutes === null) wrong[key] = 'minutes'
      if ((price !== '' && (partMinor === null || partMinor < 0)) || (price === '' && part)) wrong[key] = 'price'
      if (wrong[key]) return []
      return [
        {
          key,
          subjectId,
          name: partName,
          ...(part && { part }),
          pieces,
          partMinor,
          minutes: minutes!,
          isUnderWarranty,
        },
      ]
    },
  )
  return { items, wrong }
}
