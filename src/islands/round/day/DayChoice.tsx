import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import { counted, dayShort, weekdayShort } from '../../../ui/format.ts'
import type { DayPage } from '../../../views/day-page.ts'
import { everybody, stopsOf } from './whose-day.ts'

/** Where a day of somebody stands. */
export const dayHref = (on: string, who: string): string => `/round/day?on=${on}&who=${who}`

/** Which day, and whose. */
export function DayChoice({ page, who, onWho }: { page: DayPage; who: string; onWho: (id: string) => void }) {
  const beside = (by: 1 | -1) => (
    <a
      className="plain inline-flex min-h-[44px] min-w-[44px] items-center justify-center"
      href={dayHref(fromDay(toDay(page.on) + by), who)}
      aria-label={by < 0 ? 'The day before' : 'The day after'}
    >
      {by < 0 ? '←' : '→'}
    </a>
  )
  return (
    <p className="m-0 flex min-w-0 items-center gap-x-2">
      {beside(-1)}
      <b className="whitespace-nowrap">
        {weekdayShort(page.on)} {dayShort(page.on)}
      </b>
      {beside(1)}
      <label className="flex min-w-0 items-center gap-2">
        <span className="sr-only">Whose day</span>
        <select
          className="field min-h-[44px] min-w-0 max-w-full"
          value={who}
          onChange={({ target: { value } }) =>
            page.otherPeople.some(({ id }) => id === value) ? location.assign(dayHref(page.on, value)) : onWho(value)
          }
        >
          {page.people.map((person) => (
            <option key={person.id} value={person.id}>
              {person.name}, {counted(stopsOf(person).length, 'stop')}
            </option>
          ))}
          <option value={everybody}>{page.otherPeople.length > 0 ? 'All of these' : 'Everybody'}</option>
          {page.otherPeople.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </p>
  )
}
