import type { BookPart } from '../../../faults/modes.ts'
import { dgParts } from '../domestic-built-in-grinder/fault-parts.ts'

/** What it is made of, by sort: how each part fails there; the same as where the grinder is built in. */
export const btParts: BookPart[] = dgParts
