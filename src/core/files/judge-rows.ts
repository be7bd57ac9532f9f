import type { LocalDay } from '../quantity/local-day.ts'
import { toDay } from '../quantity/local-day.ts'
import { judgeReadings } from '../usage/judge-readings.ts'
import type { OpenDays } from '../usage/open-days.ts'

export interface DatedReading {
  on: LocalDay
  count: number
}

export type RowVerdict = 'taken' | 'duplicate' | 'impossible'

/**
 * What becomes of a file's readings of one machine, held against what the ledger has. A duplicate says
 * what is there already; an impossible one is a fall or a leap that its neighbours refute. Resets and
 * rollovers are taken: they happened.
 *
 * @param rows - in the file's order
 * @returns one verdict a row, in that order
 */
export function judgeRows(
  rows: DatedReading[],
  existing: DatedReading[],
  options: { open: OpenDays; priorPerOpenDay: number },
): RowVerdict[] {
  const verdicts = rows.map((): RowVerdict => 'taken')
  const seen = new Set(existing.map(({ on, count }) => `${on} ${count}`))
  const fresh: (DatedReading & { row: number | null })[] = existing.map((reading) => ({
    ...reading,
    row: null,
  }))
  rows.forEach((reading, row) => {
    const key = `${reading.on} ${reading.count}`
    if (seen.has(key)) {
      verdicts[row] = 'duplicate'
      return
    }
    seen.add(key)
    fresh.push({ ...reading, row })
  })
  fresh.sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.count - b.count))
  const judged = judgeReadings(
    fresh.map(({ on, count }) => ({ day: toDay(on), count })),
    options,
  )
  for (const { index, kind } of judged.flags) {
    const row = fresh[index]!.row
    if (row !== null && (kind === 'impossible' || kind === 'outlier')) verdicts[row] = 'impossible'
  }
  return verdicts
}
