import { dayShort, weekdayShort } from '../../../ui/format.ts'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'

/** A day on which nobody goes anywhere: why, and where to look instead. */
export function NoStops({ page, person }: { page: DayPage; person: DayPerson | null }) {
  const next = page.daysOut.find((day) => day > page.on)
  return (
    <>
      <p className="head m-0">{person ? `${person.name} has no stop on this day` : 'Nobody has a stop on this day'}</p>
      <p className="mt-1 text-second">
        A visit that was agreed, or that the plan proposes, stands here with its road and what it needs.
      </p>
      <p className="flex flex-wrap gap-3">
        {next && (
          <a className="act inline-flex items-center" href={`/round/day?on=${next}`}>
            {weekdayShort(next)} {dayShort(next)}, the next with one
          </a>
        )}
        <a className="plain inline-flex items-center" href="/round/weeks">
          Weeks ahead
        </a>
      </p>
    </>
  )
}
