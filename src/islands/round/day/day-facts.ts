import { figure } from '../../../ui/format.ts'
import { hoursWords } from '../../../ui/hours.ts'
import type { Fact } from '../../../ui/TitleBlock.tsx'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'
import { clockOf, type DayTimes } from './day-times.ts'

/** What a day comes to: of what is still to come, nothing where all is done. */
export function dayFacts(page: DayPage, person: DayPerson, times: DayTimes, toLoad: number): Fact[] {
  const { been, order, left } = person
  const stops: Fact = {
    label: 'Stops',
    value: figure(been.length + order.length),
    ...(been.length > 0 && { source: `${been.length} behind` }),
    ...(left.length > 0 && {
      source: `${left.length} ${left.length === 1 ? 'does' : 'do'} not fit`,
      tone: 'text-seal-ink',
    }),
  }
  if (order.length === 0) return [stops]
  return [
    stops,
    { label: 'At machines', value: hoursWords(times.workMin) },
    {
      label: 'On the road',
      value: hoursWords(times.roadMin),
      ...(times.roadKm !== null && { source: `${figure(Math.round(times.roadKm))} km` }),
    },
    {
      label: 'Back',
      value: clockOf(page, times.finishMin),
      source: times.spareMin >= 0 ? `${hoursWords(times.spareMin)} spare` : `${hoursWords(-times.spareMin)} over`,
      ...(times.spareMin < 0 && { tone: 'text-seal-ink' }),
    },
    { label: 'To load', value: figure(toLoad), ...(toLoad > 0 && { tone: 'text-brass-ink' }) },
  ]
}
