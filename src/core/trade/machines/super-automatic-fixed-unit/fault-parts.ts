import type { BookPart } from '../../../faults/modes.ts'
import { srParts } from '../super-automatic-removable-unit/fault-parts.ts'

/** What it is made of, by sort: how each part fails there; its unit comes out with the case open. */
export const stParts: BookPart[] = srParts
