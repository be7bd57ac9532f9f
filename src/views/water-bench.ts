import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { Level } from '../core/standing/histories.ts'

/** What the water bench knows before anything is typed: nothing, or one site's water. */
export interface WaterBenchPage {
  firmId: string
  site: { id: string; name: string; area: string } | null
  /** What kind of treatment each is, where it is known. */
  softeners: { id: string; name: string; treatment?: string }[]
  /** Machines there that draw water, and what they draw in all. */
  machines: number
  litresPerDay: number | null
  /** Tests, settings and analyses by level. */
  ledgers: Partial<Record<Level, RecordedEntry[]>>
}
