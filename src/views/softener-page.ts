import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { OutletTest } from '../core/softener/learned-capacity.ts'
import type { Standing } from '../core/standing/standing.ts'
import type { RenewalWords, TaskToWrite } from '../core/standing/tasks/raised-task.ts'
import type { PassageTest } from '../core/standing/water/passage-tests.ts'
import type { SiteSoftener } from './site-page.ts'

/** What was found of chlorine on a day, mg/L. */
export interface ChlorineTest {
  on: string
  point: 'raw' | 'behind'
  freeMgL?: number
  totalMgL?: number
}

/** What can be noted as done, with what of it can be said. */
export interface Renewal extends Pick<RenewalWords, 'name' | 'besides'> {
  written: TaskToWrite
  amount?: { label: string; unit: string; field: string; usual?: number; needed?: boolean }
}

/** A softener at its site: what it feeds, what is due, what its outlet was found to be, what that taught. */
export interface SoftenerPage {
  firmId: string
  softener: SiteSoftener
  site: { id: string; name: string; area: string; timeZone: string }
  standings: Standing[]
  draw: { perOpenDay: number; said: string; measured: boolean }
  /** What its meter shows over the counts. */
  meter: { factor: number; intervals: number; applied: number | null } | null
  feeds: { id: string; name: string; kind: string; litresPerOpenDay: number }[]
  tests: {
    on: string
    said: string
    low: number
    high: number
    litres: number | null
    takenUpGPerL: number | null
    spent: boolean
  }[]
  /** Grams a litre of resin; of a cartridge grams in all, as printed on it and as it showed. */
  capacity: {
    resinL: number | null
    usualGPerL: number
    value: number
    below: number
    above: number
    tests: OutletTest[]
    isSet: boolean
  } | null
  gives: { low: number; value: number; high: number } | null
  /** What its membrane let through, the latest first; the share at which it is changed, and the line it goes by. */
  passage: {
    tests: PassageTest[]
    limit: number
    trend: Record<'from' | 'to', { on: string; passage: number }> | null
  } | null
  /** Chlorine before and behind its carbon, the latest first, with what may come through. */
  chlorine: { tests: ChlorineTest[]; freeLimitMgL: number; totalLimitMgL: number } | null
  saltKg: number | null
  /** What it makes of the raw water, and what that does; null where the raw water was never tested. */
  out: {
    hardnessMgL: number
    alkalinityMgL: number
    conductivityUsCm: number
    pH: number
    rawPh: number
    siBrew: number | null
    sodiumMgL: number
  } | null
  /** Days it was regenerated, filled or changed, the latest first. */
  renewals: RecordedEntry[]
  /** What can be noted as done on it, the main thing first; what is `besides` renews the softener, not its treatment. */
  canRenew: Renewal[]
}
