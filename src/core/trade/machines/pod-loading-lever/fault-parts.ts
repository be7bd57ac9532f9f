import type { BookPart } from '../../../faults/modes.ts'
import { pkParts } from '../pod-locking-head/fault-parts.ts'

/** What it is made of, by sort: how each part fails there. */
export const plParts: BookPart[] = pkParts
