import type { Setting } from '../core/ledger/setting-kinds.ts'
import type { YearOfWater } from '../core/standing/water/year-of-water.ts'

/** A site's year of water as it is, and what it is reckoned from. */
export interface YearPage {
  firmId: string
  site: { id: string; name: string; area: string }
  machines: { id: string; name: string; kind: string; litresAYear: number; behind: string | null }[]
  /** How it is treated now, in words. */
  now: string
  year: YearOfWater | null
  /** All that the firm said, so that changing one keeps the others. */
  prices: Omit<Setting<'prices'>, 'v' | 'setting'>
}
