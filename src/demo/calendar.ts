import { fromDay, toDay } from '../core/quantity/local-day.ts'
import type { Opening } from '../core/usage/open-days.ts'
import type { DemoSite } from './world.ts'

export const historyDays = 730

/** Closures of a site over the history and the year after it: school holidays, Christmas, August. */
export function closuresOf(site: DemoSite, endDay: number): (Opening['closures'][number] & { name: string })[] {
  const years = [
    ...new Set([endDay - historyDays, endDay, endDay + 365].map((day) => Number(fromDay(day).slice(0, 4)))),
  ]
  const over = (name: string, from: (year: number) => string, to: (year: number) => string) =>
    years.map((year) => ({ name, from: from(year), to: to(year) }))
  switch (site.closures) {
    case 'school':
      return [
        ...over(
          'Christmas holidays',
          (y) => `${y}-12-18`,
          (y) => `${y + 1}-01-05`,
        ),
        ...over(
          'Easter holidays',
          (y) => `${y}-03-28`,
          (y) => `${y}-04-12`,
        ),
        ...over(
          'Summer holidays',
          (y) => `${y}-07-20`,
          (y) => `${y}-09-01`,
        ),
        ...over(
          'Autumn half-term',
          (y) => `${y}-10-19`,
          (y) => `${y}-10-30`,
        ),
      ]
    case 'christmas':
      return over(
        'Between the years',
        (y) => `${y}-12-24`,
        (y) => `${y + 1}-01-02`,
      )
    case 'august':
      return over(
        'Yard holiday',
        (y) => `${y}-08-03`,
        (y) => `${y}-08-21`,
      )
    default:
      return []
  }
}

/** Busier in winter, quieter in summer, by about an eighth. */
export function season(day: number): number {
  const yearStart = toDay(`${fromDay(day).slice(0, 4)}-01-01`)
  return 1 + 0.13 * Math.cos(((day - yearStart) / 365) * 2 * Math.PI)
}

/** Month of a day, 1–12. */
export const monthOf = (day: number): number => Number(fromDay(day).slice(5, 7))
