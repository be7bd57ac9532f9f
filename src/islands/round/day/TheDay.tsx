import { useEffect, useState } from 'react'
import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import { DueDefs } from '../../../ui/DueBell.tsx'
import { dayFull } from '../../../ui/format.ts'
import { Key } from '../../../ui/Key.tsx'
import { KeyBar } from '../../../ui/KeyBar.tsx'
import { later } from '../../../ui/later.tsx'
import { TitleBlock } from '../../../ui/TitleBlock.tsx'
import type { DayHandOver, DayPage, DayPerson } from '../../../views/day-page.ts'
import { fromPage } from '../../from-page.tsx'
import { useFetched } from '../../use-fetched.ts'
import { RoundStops } from '../RoundStops.tsx'
import { BestChange } from './BestChange.tsx'
import { DayChoice, dayHref } from './DayChoice.tsx'
import { type DayAsks, DaySheet } from './DaySheet.tsx'
import { DayStrip } from './DayStrip.tsx'
import { dayFacts } from './day-facts.ts'
import { moved, timesOf } from './day-times.ts'
import { HandOver } from './HandOver.tsx'
import { LoadList } from './LoadList.tsx'
import { useLoaded } from './loaded.ts'
import { NoStops } from './NoStops.tsx'
import { oneSheet } from './one-sheet.ts'
import { PlacesMap } from './PlacesMap.tsx'
import { StopList } from './StopList.tsx'
import { DayDefs } from './TaskMark.tsx'
import { ThisDay } from './ThisDay.tsx'
import { useDayKeys } from './use-day-keys.ts'
import { useDayWrites } from './use-day-writes.ts'
import { useLongerLook } from './use-longer-look.ts'
import { isOut, isPromised, stopsOf, whoAtFirst } from './whose-day.ts'

interface Props {
  first: DayPage
  firm: { id: string; name: string }
  me: string
  /** Whose day the address asks for; `all` for everybody’s. */
  who: string | null
}

const CrossedList = later(() => import('../../crossed/CrossedList.tsx').then((module) => module.CrossedList))

/** How often it looks while the plan is being made. */
const everyMs = 2500

/** One day of one technician, or of all: when where, on which road, with what in the van. */
function TheDay({ first, firm, me, who: asked }: Props) {
  const [page, setPage] = useState(first)
  const [round, setRound] = useState(0)
  const [who, setWho] = useState(() => whoAtFirst(first, asked, me))
  const [view, setView] = useState<'stops' | 'places'>('stops')
  const [chosenSite, setChosenSite] = useState<string | null>(null)
  const [refused, setRefused] = useState<string | null>(null)
  const [kept, setKept] = useState<string | null>(null)
  const [asks, setAsks] = useState<DayAsks | null>(null)
  const lost = useFetched<DayPage>(round > 0 ? `/api/round/day?on=${page.on}&who=${who}&n=${round}` : null, setPage, {
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
  const person = page.people.find(({ id }) => id === who) ?? null
  const shown = person ? [person] : page.people.filter(isOut)
  const drives = shown.map((one) => ({ person: one, times: timesOf(page, one) }))
  const rows = shown.flatMap(stopsOf)
  const chosen =
    rows.find((i) => page.stops[i]!.siteId === chosenSite) ?? (person ? (person.order[0] ?? rows[0] ?? null) : null)
  const choose = (stop: number) => setChosenSite(page.stops[stop]!.siteId)
  const whose = (stop: number): DayPerson => shown.find((one) => stopsOf(one).includes(stop))!
  const { loaded, toggle } = useLoaded(page.on, who)
  const longer = useLongerLook(page, person)
  const found = person && (longer ?? person.better?.order ?? null)
  const better = found && refused === found.join(' ') ? null : found
  const isToday = page.on === page.today
  const isMine = (one: DayPerson) => isToday && one.id === me
  const carry = person ? (page.carry[person.id] ?? []) : []
  const move = (stop: number, by: 1 | -1) => {
    const order = moved(whose(stop).order, stop, by)
    if (order) void writes.setOrder(whose(stop), order)
  }
  const take = person && better ? () => void writes.setOrder(person, better) : null
  const acts = {
    busy: writes.busy,
    onMove: move,
    onBegin: (stop: number) => void writes.begin(stop, me),
    onLeave: (stop: number) => void writes.leave(stop),
    onMistake: (stop: number) => void writes.takeBack(stop),
    onCustomer: (stop: number) => setAsks({ what: 'customer', stop }),
    onRoad: (stop: number) => setAsks({ what: 'road', stop }),
  }
  useDayKeys({
    ...{ rows, chosen, choose, move, take, isOff: asks !== null },
    turn: () => setView((now) => (now === 'stops' ? 'places' : 'stops')),
    open: (stop) =>
      isMine(whose(stop)) && whose(stop).order.includes(stop)
        ? acts.onBegin(stop)
        : location.assign(`/sites/${page.stops[stop]!.siteId}`),
    go: (by) => location.assign(dayHref(fromDay(toDay(page.on) + by), who)),
  })
  // Of one person’s day only what is given or taken there.
  const offered = page.handOver
  const concerns =
    offered && (!person || offered.moves.some(({ fromId, toId }) => fromId === person.id || toId === person.id))
  // What is only proposed may be elsewhere in a moment.
  const stands = page.plan === 'made' || offered?.moves.every(({ stop }) => isPromised(page.stops[stop]!))
  const handOver = concerns && kept !== keyOf(offered) && stands ? offered : null
  const own = person && (
    <ThisDay
      page={page}
      person={person}
      onAway={() => setAsks({ what: 'away' })}
      onCalendar={person.id === me ? () => setAsks({ what: 'calendar' }) : null}
    />
  )
  const toLoad = carry.filter(({ id }) => !loaded.has(id)).length
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <DueDefs />
      <DayDefs />
      <TitleBlock
        name={isToday ? 'Today' : dayFull(page.on)}
        under={`${firm.name}, ${person ? person.name : 'everybody'}${isToday ? `, ${dayFull(page.on)}` : ''}`}
        facts={person ? dayFacts(page, person, drives[0]!.times, toLoad) : []}
      />
      <section
        className="flex min-w-0 flex-1 flex-col bg-enamel"
        data-sheet={oneSheet(
          shown.flatMap((one) => stopsOf(one).map((i) => page.stops[i]!)),
          carry.length,
        )}
        aria-label="The day"
      >
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
        {shown.map(({ id, name, away, ...stops }) =>
          away === null ? null : (
            <p key={id} role="status" className="m-0 px-4 py-1 font-semibold text-brass-ink lg:px-6">
              {name}: {away}.
              {stops.order.length + stops.left.length > 0 &&
                ' What was agreed stands: somebody else goes, or they are rung.'}
            </p>
          ),
        )}
        {person && isMine(person) && person.been.length > 0 && person.order.length === 0 && (
          <div className="px-4 lg:px-6">
            <CrossedList />
          </div>
        )}
        {handOver && (
          <HandOver
            page={page}
            handOver={handOver}
            busy={writes.busy}
            onTake={() => void writes.handOver(handOver)}
            onLeave={() => setKept(keyOf(handOver))}
          />
        )}
        {rows.length === 0 ? (
          <div className="px-4 py-6 lg:px-6">
            <NoStops page={page} person={person} />
            {own}
          </div>
        ) : (
          <>
            <div className="hidden px-4 md:block lg:px-6">
              {drives.map(({ person: one, times }) => (
                <DayStrip
                  key={one.id}
                  page={page}
                  person={one}
                  times={times}
                  chosen={chosen}
                  onChoose={choose}
                  rails={person !== null}
                />
              ))}
              <p className="m-0 pb-1 text-right text-[13px] text-second">
                Length is time, roads in minutes. Wide and pale: when the place may be worked at; dark: our time there.
                Roads and the break are from memory until typed or driven.
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
                    <PlacesMap page={page} drives={drives} chosen={chosen} beside={better} onChoose={choose} />
                  </div>
                ) : (
                  drives.map(({ person: one, times }) => (
                    <div key={one.id}>
                      {!person && <h2 className="head m-0 px-4 pt-2 lg:px-6">{one.name}</h2>}
                      <StopList
                        page={page}
                        person={one}
                        times={times}
                        chosen={chosen}
                        onChoose={choose}
                        acts={{ ...acts, isMine: isMine(one) }}
                      />
                    </div>
                  ))
                )}
              </div>
              {person && (
                <aside
                  className="w-full shrink-0 border-l border-hair px-5 pt-3 pb-6 max-lg:border-t lg:w-[400px]"
                  aria-label="Change and load"
                >
                  {better && take && (
                    <BestChange
                      page={page}
                      person={person}
                      now={drives[0]!.times}
                      then={timesOf(page, person, better)}
                      busy={writes.busy}
                      onTake={take}
                      onLeave={() => setRefused(better.join(' '))}
                    />
                  )}
                  <LoadList lines={carry} loaded={loaded} after={person.been.length} onToggle={toggle} />
                  {own}
                </aside>
              )}
            </div>
            <div className="border-t border-hair">
              <KeyBar
                keys={[
                  [['j', 'k'], 'stop'],
                  [['J', 'K'], 'later, earlier'],
                  [['s'], 'take the change'],
                  [['x'], 'next is loaded'],
                  [['m'], 'places'],
                  [['←', '→'], 'day'],
                  [['Enter'], person && isMine(person) ? 'I am there' : 'open the site'],
                ]}
              >
                <span className="ml-auto">Hatched: over. Filled: due. Chevrons: done early, since we are there.</span>
              </KeyBar>
            </div>
          </>
        )}
      </section>
      {asks && (
        <DaySheet
          asks={asks}
          page={page}
          person={'stop' in asks ? whose(asks.stop) : person!}
          firmId={firm.id}
          onDone={() => {
            setAsks(null)
            again()
          }}
          onClose={() => setAsks(null)}
        />
      )}
    </div>
  )
}

const keyOf = ({ moves }: DayHandOver) => moves.map(({ stop, toId }) => `${stop} ${toId}`).join()

const Alarm = ({ children }: { children: string }) => (
  <p role="alert" className="m-0 px-6 py-1 font-semibold text-seal-ink">
    {children}
  </p>
)

export const DayIsland = fromPage(TheDay)
