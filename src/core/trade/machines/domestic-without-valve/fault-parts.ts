import type { BookPart } from '../../../faults/modes.ts'
import { domestic, domesticGroup } from '../../shared/faults/parts.ts'

const withoutGauge: NonNullable<BookPart['without']> = { high: 'nothing is pumped against a blind basket there: it is not seen' }

/** What it is made of, by sort: how each part fails there. */
export const dnParts: BookPart[] = [...domestic({ block: 'boiler' }).map((part) => (part.sort === 'relief' ? { ...part, without: withoutGauge } : part)), ...domesticGroup()]
