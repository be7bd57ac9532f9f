import type { DayStop } from '../../../views/day-page.ts'

/** Of an upright A4 sheet at full size, px, what margins and heading leave. */
const sheetPx = 920
/** Heights on paper, px: a stop by itself, a line of it, what stands around the load, a line of it in three columns. */
const stopPx = 68
const linePx = 18
const aroundLoadPx = 130
const loadLinePx = 12

/** Tenths of its size at which a day goes on one sheet: 10 whole, 4 the least that can be read. */
export function oneSheet(stops: readonly DayStop[], load: number): number {
  const lines = ({ tasks, faults, notToday }: DayStop) =>
    tasks.length + 2 * faults.length + Math.ceil(notToday.join('; ').length / 90)
  const stopsPx = stops.reduce((sum, stop) => sum + stopPx + lines(stop) * linePx, 0)
  const height = stopsPx + (load > 0 ? aroundLoadPx + load * loadLinePx : aroundLoadPx / 2)
  return Math.max(4, Math.min(10, Math.floor((10 * sheetPx) / height)))
}
