import type { FaultBook } from '../../core/faults/fault.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { type Histories, nearestSetting, partPrice } from '../../core/standing/histories.ts'

/** What parts cost here, and what that is in minutes of labour. */
export function pricesOf(book: FaultBook, kind: Kind, histories: Histories) {
  const labourPerMinute = nearestSetting(histories, 'prices')?.body.labourPerMinute ?? null
  const of = (id: string): number | null => {
    const part = book.faults.find((one) => one.id === id)?.part
    return part ? (partPrice(histories, kind.basedOn ?? kind.id, part)?.body.price ?? null) : null
  }
  const minutes = Object.fromEntries(
    book.faults.flatMap(({ id }) => {
      const price = of(id)
      return price !== null && labourPerMinute ? [[id, price / labourPerMinute]] : []
    }),
  )
  return { labourPerMinute, of, minutes }
}
