import { useEffect, useState } from 'react'
import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import { DueDefs } from '../../../ui/DueBell.tsx'
import { dayFull, dayShort, figure, weekdayShort } from '../../../ui/format.ts'
import { hoursWords } from '../../../ui/hours.ts'
import { Key } from '../../../ui/Key.tsx'
import { Sheet } from '../../../ui/Sheet.tsx'
import { TitleBlock } from '../../../ui/TitleBlock.tsx'
import { meansItself, rowAfter } from '../../../ui/typing.ts'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'
import { fromPage } from '../../from-page.tsx'
import { useFetched } from '../../use-fetched.ts'
import { RoundStops } from '../RoundStops.tsx'
import { AwaySheet } from './AwaySheet.tsx'
import { BestChange } from './BestChange.tsx'
import { CalendarSheet } from './CalendarSheet.tsx'
import { DayStrip } from './DayStrip.tsx'
import { clockOf, moved, timesOf } from './day-times.ts'
import { LoadList } from './LoadList.tsx'
import { useLoaded } from './loaded.ts'
import { PlacesMap } from './PlacesMap.tsx'
import { RoadSheet } from './RoadSheet.tsx'
import { StopCustomer } from './StopCustomer.tsx'
import { StopList } from './StopList.tsx'
import { DayDefs } from './TaskMark.tsx'
import { useDayWrites } from './use-day-writes.ts'
import { useLongerLook } from './use-longer-look.ts'

interface Props {
  first: DayPage
  firm: { id: string; name: string }
  me: string
  /** Whose day the address asks for; `all` for everybody’s. */
  who: string | null
}

const everybody = 'all'
/** How often it looks while the plan is being made. */
const everyMs = 2500

/** One day of one technician, or of all: when where, on which road, with what in the van. */
function TheDay({ first, firm, me, who: asked }: Props) {
  const [page, setPage] = useState(first)
  const [round, setRound] = useState(0)
  const [who, setWho] = useState(() => whoAtFirst(first, asked, me))
  const [view, setView] = useState<'stops' | 'places'>('stops')
  const [chosenSite, setChosenSite] = useState<string | null>(null)
  const [left, setLeft] = useState<string | null>(null)
  const [sheet, setSheet] = useState<{ what: 'customer' | 'road' | 'away' | 'calendar'; stop: number } | null>(null)
  const lost = useFetched<DayPage>(round > 0 ? `/api/round/day?on=${page.on}&n=${round}` : null, setPage, {
    afterMs: 20,
  })
  const again = () => setRound((n) => n + 1)
  // While the plan is being made the page follows.
  useEffect(() => {
    if (page.plan === 'made') return
    const timer = setTimeout(() => setRound((n) => n + 1), everyMs)
    return () => clearTimeout(timer)
  }, [page])
  const writes = useDayWrites(page, firm.id, again)
  const done = () => {
    setSheet(null)
    again()
  }
  const person = page.people.find(({ id }) => id === who) ?? null
  const shown = person ? [person] : page.people.filter(isOut)
  const drives = shown.map((one) => ({ person: one, times: timesOf(page, one) }))
  const times = person && drives[0]!.times
  const rows = person ? [...person.been, ...person.order, ...person.left.map(({ stop }) => stop)] : []
  const at = rows.findIndex((i) => page.stops[i]!.siteId === chosenSite)
  const firstToCome = person?.order[0] ?? rows[0]
  const chosen = at >= 0 ? rows[at]! : (firstToCome ?? null)
  const choose = (stop: number | undefined) => stop !== undefined && setChosenSite(page.stops[stop]!.siteId)
  const { loaded, toggle } = useLoaded(page.on, who)
  const longer = useLongerLook(page, person)
  const better = person && (longer ?? person.better?.order ?? null)
  const isLeft = better !== null && left === better.join(' ')
  const isToday = page.on === page.today
  const carry = person ? (page.carry[person.id] ?? []) : []
  const acts = {
    busy: writes.busy,
    isMine: isToday && person?.id === me,
    onMove: (stop: number, by: 1 | -1) => {
      const order = person && moved(person.order, stop, by)
      if (order) void writes.setOrder(person, order)
    },
    onBegin: (stop: number) => void writes.begin(stop, me),
    onLeave: (stop: number) => void writes.leave(stop),
    onCustomer: (stop: number) => setSheet({ what: 'customer', stop }),
    onRoad: (stop: number) => setSheet({ what: 'road', stop }),
  }
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (meansItself(event) || sheet) return
      const onControl = event.target instanceof HTMLElement && event.target.closest('a, button, input, select')
      if (event.key === 'j' || event.key === 'k')
        choose(rows[rowAfter(event.key, rows.indexOf(chosen ?? -1), rows.length)])
      if ((event.key === 'J' || event.key === 'K') && chosen !== null) acts.onMove(chosen, event.key === 'J' ? 1 : -1)
      if (event.key === 's' && person && better && !isLeft) void writes.setOrder(person, better)
      if (event.key === 'm') setView((now) => (now === 'stops' ? 'places' : 'stops'))
      if (event.key === 'x') document.querySelector<HTMLInputElement>('[data-load]:not(:checked)')?.click()
      if (event.key === 'Enter' && !onControl && chosen !== null) {
        if (acts.isMine && person?.order.includes(chosen)) acts.onBegin(chosen)
        else location.assign(`/sites/${page.stops[chosen]!.siteId}`)
      }
      if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
        if (onControl) return
        go(fromDay(toDay(page.on) + (event.key === 'ArrowRight' ? 1 : -1)), who)
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })

  const facts =
    person && times ? factsOf(page, person, times, carry.length - carry.filter(({ id }) => loaded.has(id)).length) : []
  const nothing = !shown.some(isOut)
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <DueDefs />
      <DayDefs />
      <TitleBlock
        name={isToday ? 'Today' : dayFull(page.on)}
        under={`${firm.name}, ${person ? person.name : 'everybody'}${isToday ? `, ${dayFull(page.on)}` : ''}`}
        facts={facts}
      />
      <section className="flex min-w-0 flex-1 flex-col bg-enamel" aria-label="The day">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 pt-1 lg:px-6" data-noprint>
          <DayChoice page={page} who={who} onWho={setWho} />
          {page.plan !== 'made' && (
            <span role="status" className="text-[14px] text-second">
              Being planned anew …
            </span>
          )}
          <RoundStops at="day" />
        </div>
        {lost && <Alarm>No connection: the day is as it was.</Alarm>}
        {writes.wrong && <Alarm>{writes.wrong}</Alarm>}
        {nothing ? (
          <Empty page={page} person={person} />
        ) : (
          <>
            <div className="hidden px-4 md:block lg:px-6">
              {drives.map(({ person: one, times: own }) => (
                <DayStrip
                  key={one.id}
                  page={page}
                  person={one}
                  times={own}
                  chosen={chosen}
                  onChoose={choose}
                  rails={person !== null}
                />
              ))}
              <p className="m-0 pb-1 text-right text-[13px] text-second print:hidden">
                Length is time. Wide and pale: when the place may be worked at. Dark: our time there.
              </p>
            </div>
            <div className="flex min-w-0 flex-1 border-t border-hair max-lg:flex-col">
              <div className="min-w-0 flex-1">
                <div className="flex items-center gap-4 px-4 py-1 lg:px-6" data-noprint>
                  {(['stops', 'places'] as const).map((one) => (
                    <button
                      key={one}
                      type="button"
                      aria-pressed={view === one}
                      onClick={() => setView(one)}
                      className={`min-h-[44px] ${view === one ? 'head border-b-2 border-copper' : 'text-second'}`}
                    >
                      {one === 'stops' ? 'Stops in order' : 'The places'}
                    </button>
                  ))}
                  <span className="max-md:hidden">
                    <Key>m</Key>
                  </span>
                  {view === 'places' && (
                    <span className="text-[13px] text-second">as the crow flies; the minutes are the road’s</span>
                  )}
                </div>
                {view === 'places' ? (
                  <div className="px-4 pb-3 lg:px-6">
                    <PlacesMap
                      page={page}
                      drives={drives}
                      chosen={chosen}
                      beside={isLeft ? null : better}
                      onChoose={choose}
                    />
                  </div>
                ) : (
                  drives.map(({ person: one, times: own }) => (
                    <div key={one.id}>
                      {!person && <h2 className="head m-0 px-4 pt-2 lg:px-6">{one.name}</h2>}
                      <StopList
                        page={page}
                        person={one}
                        times={own}
                        chosen={chosen}
                        onChoose={choose}
                        acts={{ ...acts, isMine: isToday && one.id === me }}
                      />
                    </div>
                  ))
                )}
              </div>
              {person && times && (
                <aside
                  className="w-full shrink-0 border-l border-hair px-5 pt-3 pb-6 max-lg:border-t lg:w-[400px]"
                  aria-label="Change and load"
                >
                  {better && !isLeft && (
                    <BestChange
                      page={page}
                      person={person}
                      now={times}
                      then={timesOf(page, person, better)}
                      busy={writes.busy}
                      onTake={() => void writes.setOrder(person, better)}
                      onLeave={() => setLeft(better.join(' '))}
                    />
                  )}
                  <LoadList lines={carry} loaded={loaded} after={person.been.length} onToggle={toggle} />
                  <TakeOut
                    page={page}
                    person={person}
                    onAway={() => setSheet({ what: 'away', stop: -1 })}
                    onCalendar={person.id === me ? () => setSheet({ what: 'calendar', stop: -1 }) : null}
                  />
                </aside>
              )}
            </div>
            <Keys isMine={acts.isMine} />
          </>
        )}
      </section>
      {sheet && (
        <Sheet open onOpenChange={() => setSheet(null)} {...sheetHead(page, person, sheet)}>
          {sheet.what === 'calendar' ? (
            <CalendarSheet />
          ) : sheet.what === 'away' && person ? (
            <AwaySheet page={page} person={person} firmId={firm.id} onDone={done} onCancel={() => setSheet(null)} />
          ) : sheet.what === 'customer' ? (
            <StopCustomer page={page} stop={sheet.stop} onWritten={done} />
          ) : (
            person && (
              <RoadSheet page={page} person={person} stop={sheet.stop} onDone={done} onCancel={() => setSheet(null)} />
            )
          )}
        </Sheet>
      )}
    </div>
  )
}

function sheetHead(page: DayPage, person: DayPerson | null, { what, stop }: { what: string; stop: number }) {
  if (what === 'calendar')
    return { title: 'My calendar', about: 'What was agreed with customers, in the calendar you have.' }
  if (what === 'away')
    return { title: `${person?.name ?? ''} is away`, about: 'Nothing is planned for them on these days.' }
  const title = page.stops[stop]!.name
  return { title, about: what === 'road' ? 'How long the road to it takes, parking included.' : dayFull(page.on) }
}

const isOut = ({ been, order, left }: DayPerson) => been.length + order.length + left.length > 0

/** Mine where I have something to do, else the first who has, else mine. */
function whoAtFirst({ people }: DayPage, asked: string | null, me: string): string {
  if (asked === everybody || people.some(({ id }) => id === asked)) return asked!
  const busy = people.filter(isOut)
  return (
    (busy.find(({ id }) => id === me) ?? busy[0] ?? people.find(({ id }) => id === me) ?? people[0])?.id ?? everybody
  )
}

const go = (on: string, who: string) => location.assign(`/round/day?on=${on}&who=${who}`)

function factsOf(page: DayPage, person: DayPerson, times: ReturnType<typeof timesOf>, toLoad: number) {
  const stops = person.been.length + person.order.length
  return [
    {
      label: 'Stops',
      value: figure(stops),
      ...(person.left.length > 0 && {
        source: `${person.left.length} ${person.left.length === 1 ? 'does' : 'do'} not fit`,
        tone: 'text-seal-ink',
      }),
    },
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

function DayChoice({ page, who, onWho }: { page: DayPage; who: string; onWho: (id: string) => void }) {
  const near = [-1, 1].map((by) => fromDay(toDay(page.on) + by))
  return (
    <p className="m-0 flex min-w-0 items-center gap-x-2">
      <a
        className="plain inline-flex min-h-[44px] min-w-[44px] items-center justify-center"
        href={`/round/day?on=${near[0]}&who=${who}`}
        aria-label="The day before"
      >
        ←
      </a>
      <b className="whitespace-nowrap">
        {weekdayShort(page.on)} {dayShort(page.on)}
      </b>
      <a
        className="plain inline-flex min-h-[44px] min-w-[44px] items-center justify-center"
        href={`/round/day?on=${near[1]}&who=${who}`}
        aria-label="The day after"
      >
        →
      </a>
      <label className="flex min-w-0 items-center gap-2">
        <span className="sr-only">Whose day</span>
        <select
          className="field min-h-[44px] min-w-0 max-w-full"
          value={who}
          onChange={(event) => onWho(event.target.value)}
        >
          {page.people.map(({ id, name, been, order, left }) => (
            <option key={id} value={id}>
              {name}, {been.length + order.length + left.length}{' '}
              {been.length + order.length + left.length === 1 ? 'stop' : 'stops'}
            </option>
          ))}
          <option value={everybody}>Everybody</option>
        </select>
      </label>
    </p>
  )
}

interface TakeOutProps {
  page: DayPage
  person: DayPerson
  onAway: () => void
  /** One’s own only. */
  onCalendar: (() => void) | null
}

function TakeOut({ page, person, onAway, onCalendar }: TakeOutProps) {
  const file = (form: string) => `/api/round/day-file?on=${page.on}&who=${person.id}&as=${form}`
  return (
    <section aria-label="This day" className="pt-3" data-noprint>
      <h2 className="head m-0">This day</h2>
      <p className="m-0 flex flex-wrap gap-2 pt-1">
        <button type="button" className="plain" onClick={() => window.print()}>
          Print it
        </button>
        <a className="plain inline-flex items-center" href={file('gpx')} download>
          Route, GPX
        </a>
        <a className="plain inline-flex items-center" href={file('geojson')} download>
          GeoJSON
        </a>
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

function Empty({ page, person }: { page: DayPage; person: DayPerson | null }) {
  const next = page.daysOut.find((day) => day > page.on)
  return (
    <div className="px-6 py-8">
      <p className="head m-0">
        {person?.away ? `${person.name} is away: ${person.away}` : 'Nobody has a stop on this day'}
      </p>
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
    </div>
  )
}

function Keys({ isMine }: { isMine: boolean }) {
  return (
    <p
      className="m-0 hidden flex-wrap items-center gap-x-4 gap-y-1 border-t border-hair px-6 py-2 text-[13px] text-second md:flex"
      data-noprint
    >
      <span>
        <Key>j</Key> <Key>k</Key> stop
      </span>
      <span>
        <Key>J</Key> <Key>K</Key> later, earlier
      </span>
      <span>
        <Key>s</Key> take the change
      </span>
      <span>
        <Key>x</Key> next is loaded
      </span>
      <span>
        <Key>m</Key> places
      </span>
      <span>
        <Key>←</Key> <Key>→</Key> day
      </span>
      <span>
        <Key>Enter</Key> {isMine ? 'I am there' : 'open the site'}
      </span>
      <span className="ml-auto">Hatched: over. Filled: due. Chevrons: done early, since we are there.</span>
    </p>
  )
}

const Alarm = ({ children }: { children: string }) => (
  <p role="alert" className="m-0 px-6 py-1 font-semibold text-seal-ink">
    {children}
  </p>
)

export const DayIsland = fromPage(TheDay)
