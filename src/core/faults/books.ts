import type { FaultBook } from './fault.ts'
import { c2Faults } from './kinds/c2.ts'
import { dnFaults } from './kinds/dn.ts'
import { dvFaults } from './kinds/dv.ts'
import { pkFaults } from './kinds/pk.ts'
import { srFaults } from './kinds/sr.ts'

/** What is known of each kind's faults, by kind. */
export const faultBooks: FaultBook[] = [c2Faults, dvFaults, dnFaults, srFaults, pkFaults]

/** @returns null where no faults of a kind are written yet */
export const bookOf = (kind: string): FaultBook | null => faultBooks.find((book) => book.kind === kind) ?? null
