import type { DayPage, DayPerson } from '../../../views/day-page.ts'

interface Props {
  page: DayPage
  person: DayPerson
  onAway: () => void
  /** One’s own only. */
  onCalendar: (() => void) | null
}

/** What a day goes out as, and that somebody does not work on it. */
export function ThisDay({ page, person, onAway, onCalendar }: Props) {
  const file = (form: string) => `/api/round/day-file?on=${page.on}&who=${person.id}&as=${form}`
  return (
    <section aria-label="This day" className="pt-3" data-noprint>
      <h2 className="head m-0">This day</h2>
      <p className="m-0 flex flex-wrap gap-2 pt-1">
        {person.order.length > 0 && (
          <>
            <button type="button" className="plain" onClick={() => window.print()}>
              Print it
            </button>
            <a className="plain inline-flex items-center" href={file('gpx')} download>
              Route, GPX
            </a>
            <a className="plain inline-flex items-center" href={file('geojson')} download>
              GeoJSON
            </a>
          </>
        )}
        <button type="button" className="plain" onClick={onAway}>
          Away …
        </button>
        {onCalendar && (
          <button type="button" className="plain" onClick={onCalendar}>
            My calendar …
          </button>
        )}
      </p>
    </section>
  )
}
