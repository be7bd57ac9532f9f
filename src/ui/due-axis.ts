import { addMonths, fromDay, type LocalDay, toDay } from '../core/quantity/local-day.ts'
import { dayShort } from './format.ts'

/** A time axis that gives the near future more room: x = ln(1 + days ÷ 4), overdue straight to the left. */
export interface DueAxis {
  today: LocalDay
  width: number
  /** Where today stands. */
  todayX: number
  x(day: LocalDay): number
  /** The same for a day number, which may lie between two days. */
  at(dayNumber: number): number
  ticks: { x: number; label?: string }[]
  /** Borders between the bands, and what each is called. */
  bands: { from: number; to: number; name: string }[]
}

/** A hundredth of a pixel: finer than any screen, and server and browser do not agree on a logarithm's last digit. */
const hundredth = (x: number) => Math.round(x * 100) / 100

/**
 * @param ahead - days shown after today
 * @param behind - days shown before it, all the rest is pressed to the edge
 */
export function dueAxis(today: LocalDay, width: number, ahead = 366, behind = 60): DueAxis {
  const todayX = Math.round(width * 0.15)
  const start = toDay(today)
  const stretch = (days: number) => Math.log(1 + days / 4)
  const scale = (width - todayX - 6) / stretch(ahead)
  const place = (dayNumber: number) => {
    const days = dayNumber - start
    if (days < 0) return hundredth(Math.max(2, todayX + (days / behind) * (todayX - 4)))
    return hundredth(Math.min(width - 2, todayX + stretch(days) * scale))
  }
  const x = (day: LocalDay) => place(toDay(day))
  const at = (days: number) => place(start + days)
  const ticks: DueAxis['ticks'] = [1, 2, 3, 4, 5, 6, 7, 14, 21]
    .filter((days) => days < ahead)
    .map((days) => ({ x: at(days) }))
    .filter((tick, i, all) => i === 0 || tick.x - all[i - 1]!.x > 7)
  const firstOfNext = addMonths(toDay(`${today.slice(0, 7)}-01`), 1)
  let lastLabel = at(3)
  for (let month = 0; ; month += 1) {
    const day = addMonths(firstOfNext, month)
    if (day - start > ahead) break
    const position = x(fromDay(day))
    const label =
      position - lastLabel > 34 && position < width - 24 ? dayShort(fromDay(day)).replace(/^1 /, '') : undefined
    if (label) lastLabel = position
    if (label || position - (ticks.at(-1)?.x ?? 0) > 7) ticks.push({ x: position, ...(label && { label }) })
  }
  const borders: [string, number][] = [
    ['this week', 7],
    ['a month', 31],
    ['a quarter', 92],
    ['later', ahead],
  ]
  const bands: DueAxis['bands'] = [{ from: 0, to: todayX, name: 'overdue' }]
  let from = todayX
  for (const [name, days] of borders) {
    if (days > ahead && name !== 'later') continue
    const to = at(Math.min(days, ahead))
    if (to - from > 12) bands.push({ from, to, name })
    from = to
  }
  return { today, width, todayX, x, at: place, ticks, bands }
}
