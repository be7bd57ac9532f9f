import { bookFor } from '../../../src/core/faults/books.ts'
import type { FaultBook } from '../../../src/core/faults/fault.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import { type Kind, withOptions } from '../../../src/core/kinds/kind.ts'

/** A kind in every way it may be fitted, each with its faults. */
export function everyFitting(id: string): { said: Map<string, boolean>; kind: Kind; book: FaultBook }[] {
  const whole = kindById(id)!
  return whole.options
    .reduce<Map<string, boolean>[]>(
      (all, option) => all.flatMap((said) => [true, false].map((is) => new Map([...said, [option.id, is]]))),
      [new Map()],
    )
    .map((said) => {
      const kind = withOptions(whole, said)
      return { said, kind, book: bookFor(kind)! }
    })
}
