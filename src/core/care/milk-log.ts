import type { RecordedEntry } from '../ledger/entry.ts'
import { fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'

/** One day of the milk log, as far as it is on record. */
export interface MilkDay {
  day: LocalDay
  /** Cleaner through hose and frother. */
  cleaned: boolean
  /** Taken apart, brushed, air jet pricked. */
  stripped: boolean
  /** Milk in the cooler, °C. */
  coolerC: number | null
  /** Technicians whose entries these are. */
  by: string[]
}

/** Milk is kept between these, °C: common practice, no source. */
export const coolerGoodC = { from: 2, to: 5 } as const

/**
 * A month of a machine's milk side from its ledger, a row a day; days without a record are there to be written on.
 *
 * @param entries - of the machine, put-aside ones left out
 * @param month - `YYYY-MM`
 * @example milkLog(entries, '2026-11').length // 30
 */
export function milkLog(entries: RecordedEntry[], month: string): MilkDay[] {
  const first = toDay(`${month}-01`)
  const days: MilkDay[] = []
  for (let day = first; fromDay(day).startsWith(month); day += 1)
    days.push({ day: fromDay(day), cleaned: false, stripped: false, coolerC: null, by: [] })
  for (const { kind, body, happenedOn, recordedBy } of entries) {
    const row = days[toDay(happenedOn) - first]
    if (!row) continue
    const stripped = kind === 'cleaned' && body.task === 'milk-strip'
    const cleaner = kind === 'cleaned' && body.task === 'milk-cleaner'
    const cooler = kind === 'measured' && body.measure === 'cooler-temperature'
    if (!stripped && !cleaner && !cooler) continue
    if (stripped) row.stripped = true
    if (cleaner) row.cleaned = true
    if (cooler) row.coolerC = body.value as number
    if (!row.by.includes(recordedBy)) row.by.push(recordedBy)
  }
  return days
}

/** The month so many months away. @example monthsAway('2026-11', 2) // '2027-01' */
export function monthsAway(month: string, by: number): string {
  const since = Number(month.slice(0, 4)) * 12 + Number(month.slice(5)) - 1 + by
  return `${Math.floor(since / 12)}-${String((since % 12) + 1).padStart(2, '0')}`
}
