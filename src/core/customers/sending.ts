import type { HardnessUnit } from '../quantity/hardness.ts'
import type { TheyTold } from './their-fault.ts'

/** What somebody at a machine sends, of what is theirs to do or to read. */
export type Sending =
  | { what: 'counter'; count: number }
  | { what: 'job'; say: string }
  | { what: 'regenerated'; saltKg?: number }
  | { what: 'salt'; kg: number }
  | { what: 'strip'; low: number; high: number; unit: HardnessUnit }
  | { what: 'another-day'; words: string; caller?: string }

/** That something is wrong, with who says so. */
export interface Reported extends TheyTold {
  /** Who it is and where to ring back, where they say so. */
  caller: string
  phone: string
}
