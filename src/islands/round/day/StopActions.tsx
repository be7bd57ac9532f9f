import { geoLink } from '../../../core/files/place-link.ts'
import { Key } from '../../../ui/Key.tsx'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'
import { CallLink } from '../../records/contact-links.tsx'
import { moved } from './day-times.ts'

/** What can be done about a stop. */
export interface StopActs {
  busy: boolean
  /** Somebody’s own day, today: they can say that they are there, and that they left. */
  isMine: boolean
  onMove: (stop: number, by: 1 | -1) => void
  onBegin: (stop: number) => void
  onLeave: (stop: number) => void
  onMistake: (stop: number) => void
  onCustomer: (stop: number) => void
  onRoad: (stop: number) => void
}

/** Under the chosen stop: the way there, the telephone, its place in the day, and that somebody is there. */
export function StopActions({
  page,
  person,
  stop,
  acts,
}: {
  page: DayPage
  person: DayPerson
  stop: number
  acts: StopActs
}) {
  const { place, customer, siteId, state, visitId } = page.stops[stop]!
  const toCome = person.order.includes(stop)
  const plain = 'plain inline-flex min-h-[44px] items-center max-md:min-h-[56px]'
  return (
    <div className="flex flex-wrap items-center gap-2 px-4 pb-3 lg:pl-[80px]" data-noprint>
      {acts.isMine && toCome && (
        <button
          type="button"
          className="act max-md:min-h-[64px] max-md:w-full max-md:text-[18px]"
          disabled={acts.busy}
          onClick={() => acts.onBegin(stop)}
        >
          I am there: begin{' '}
          <span className="max-md:hidden">
            <Key>Enter</Key>
          </span>
        </button>
      )}
      {acts.isMine && state === 'under way' && (
        <>
          <a
            className="act inline-flex items-center justify-center max-md:min-h-[64px] max-md:w-full max-md:text-[18px]"
            href={`/sites/${siteId}/leaving${visitId ? `?visit=${visitId}` : ''}`}
          >
            Close the visit
          </a>
          <button type="button" className={plain} disabled={acts.busy} onClick={() => acts.onLeave(stop)}>
            I leave now
          </button>
        </>
      )}
      {state === 'done' && visitId && (
        <a className={plain} href={`/sites/${siteId}/leaving?visit=${visitId}`}>
          How it was left
        </a>
      )}
      {acts.isMine && state === 'under way' && (
        <button type="button" className={plain} disabled={acts.busy} onClick={() => acts.onMistake(stop)}>
          Not there after all
        </button>
      )}
      <a className={plain} href={`/sites/${siteId}`}>
        Open the site
      </a>
      {place && (
        <a className={plain} href={geoLink(place)}>
          Way there
        </a>
      )}
      {customer.phone && (
        <span className="px-1">
          {customer.contact || customer.name} <CallLink phone={customer.phone} />
        </span>
      )}
      {toCome && (
        <>
          <button
            type="button"
            className={plain}
            disabled={acts.busy || !moved(person.order, stop, -1)}
            onClick={() => acts.onMove(stop, -1)}
          >
            Earlier
          </button>
          <button
            type="button"
            className={plain}
            disabled={acts.busy || !moved(person.order, stop, 1)}
            onClick={() => acts.onMove(stop, 1)}
          >
            Later
          </button>
          <button type="button" className={plain} onClick={() => acts.onRoad(stop)}>
            Road takes …
          </button>
        </>
      )}
      {state === 'agreed' && visitId && (
        <a className={plain} href={`/api/round/visit.ics?visitId=${visitId}`} download>
          For their calendar
        </a>
      )}
      {state !== 'done' && state !== 'under way' && (
        <button type="button" className={plain} onClick={() => acts.onCustomer(stop)}>
          Ask, agree, call off …
        </button>
      )}
    </div>
  )
}
