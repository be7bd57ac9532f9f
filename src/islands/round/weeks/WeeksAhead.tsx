import { useEffect, useRef, useState } from 'react'
import type { Setting } from '../../../core/ledger/setting-kinds.ts'
import { DueDefs } from '../../../ui/DueBell.tsx'
import { counted, dayShort, figure, weekdayShort } from '../../../ui/format.ts'
import { hoursWords } from '../../../ui/hours.ts'
import { KeyBar } from '../../../ui/KeyBar.tsx'
import { Sheet } from '../../../ui/Sheet.tsx'
import { TitleBlock } from '../../../ui/TitleBlock.tsx'
import { meansItself, rowAfter } from '../../../ui/typing.ts'
import type { WeeksAhead as Weeks, WeeksTask, WeeksValley } from '../../../views/weeks-ahead.ts'
import { fromPage } from '../../from-page.tsx'
import { useFetched } from '../../use-fetched.ts'
import { RoundStops } from '../RoundStops.tsx'
import { WaitsSheet } from '../WaitsSheet.tsx'
import { Columns } from './Columns.tsx'
import { PlanningSheet } from './PlanningSheet.tsx'
import { indexOf, SiteLine } from './SiteLine.tsx'
import { VisitWorking } from './VisitWorking.tsx'
import { nameOf, WhoseSites } from './WhoseSites.tsx'
import { weeksAxis } from './weeks-axis.ts'

/** How often it looks while the plan is being made. */
const everyMs = 2000

interface Props {
  first: Weeks
  firm: string
  /** The site that is looked at first. */
  siteId: string | null
  /** What the firm set of its own to plan by, and whether it said what a minute costs. */
  planning: { firmId: string; own: Setting<'planning'> | null; hasPrice: boolean }
}

/** Who goes where when in the next weeks, and what each day would cost. */
function WeeksAhead({ first, firm, siteId, planning }: Props) {
  const [weeks, setWeeks] = useState(first)
  const [asked, setAsked] = useState(0)
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      first.rows.findIndex((row) => row.siteId === siteId),
    ),
  )
  const [visit, setVisit] = useState(0)
  const [day, setDay] = useState<number | null>(null)
  const [bells, setBells] = useState(false)
  const [sheet, setSheet] = useState(false)
  const [waits, setWaits] = useState<WeeksTask | null>(null)
  const [figures, setFigures] = useState(false)
  const [valley, setValley] = useState<WeeksValley | null>(null)
  const { rows, technicians, sums, today } = weeks
  const chosen = rows[at] ?? null
  const there = chosen?.visits[visit] ?? null
  const axis = weeksAxis(today, weeks.days, 520)
  const names = new Map(technicians.map(({ id, name }) => [id, name]))
  const initials = new Map(technicians.map((one) => [one.id, one.initials]))

  // The site and the day that were looked at are still looked at when the rows come in another order.
  const follow = useRef<{ siteId: string; on: string } | null>(null)
  // A visit that is gone is answered sooner than the rows that say where it went: those are waited for, not asked anew.
  const waitsFor = useRef({ rows: false, visit: false })
  const [again, setAgain] = useState(0)
  const askAnew = () => {
    waitsFor.current.rows = true
    setAsked((n) => n + 1)
  }
  function take(answer: Weeks) {
    if (waitsFor.current.visit) setAgain((n) => n + 1)
    waitsFor.current = { rows: false, visit: false }
    const kept = follow.current ?? (chosen && there ? { siteId: chosen.siteId, on: there.on } : null)
    follow.current = null
    setWeeks(answer)
    const row = answer.rows.findIndex(({ siteId }) => siteId === kept?.siteId)
    if (row < 0) return
    setAt(row)
    setVisit(
      Math.max(
        0,
        answer.rows[row]!.visits.findIndex(({ on }) => on === kept!.on),
      ),
    )
  }
  // While it is being made anew the page follows.
  useEffect(() => {
    if (!weeks.beingMade) return
    const timer = setTimeout(askAnew, everyMs)
    return () => clearTimeout(timer)
  }, [weeks])
  const lost = useFetched<Weeks>(
    asked > 0 ? `/api/round/weeks?n=${asked}${weeks.whose ? `&who=${weeks.whose.technicianId}` : ''}` : null,
    take,
  )
  useFetched<{ valley: WeeksValley | null }>(
    chosen && there ? `/api/round/valley?siteId=${chosen.siteId}&on=${there.on}&n=${asked}.${again}` : null,
    (answer) => {
      setValley(answer.valley)
      if (answer.valley || weeks.beingMade) return
      // Planned anew meanwhile: the rows are asked for as they are now.
      if (waitsFor.current.rows && !lost) waitsFor.current.visit = true
      else askAnew()
    },
    { afterMs: 60 },
  )
  const own = valley && chosen && there && valley.siteId === chosen.siteId && valley.on === there.on ? valley : null
  const planned = there ? indexOf(there.on, today) : 0
  const looked = day ?? planned

  // The day it was slid to is now its own.
  const written = (on: string) => {
    if (chosen) follow.current = { siteId: chosen.siteId, on }
    setDay(null)
    setValley(null)
    askAnew()
  }
  const choose = (i: number) => {
    setAt(i)
    setVisit(0)
    setDay(null)
  }
  const slide = useRef((_: 1 | -1) => undefined as undefined)
  slide.current = (step) => {
    if (!own) return
    for (let d = looked + step; d >= 0 && d < own.days.length; d += step)
      if (own.days[d]) {
        setDay(d === planned ? null : d)
        return
      }
  }
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (meansItself(event)) return
      if (event.key === 'j' || event.key === 'k') choose(rowAfter(event.key, at, rows.length))
      if (event.key === 'a') {
        // Or it would be the first thing typed into the sheet.
        event.preventDefault()
        document.querySelector<HTMLElement>('[data-next-step]')?.click()
      }
      if (event.key === 'b') setBells((now) => !now)
      if (event.key === 'w') setSheet(true)
      if (event.key === 'v' && chosen && chosen.visits.length > 1) {
        setVisit((now) => (now + 1) % chosen.visits.length)
        setDay(null)
      }
      if (event.key === 'ArrowRight' || event.key === 'ArrowLeft') {
        event.preventDefault()
        slide.current(event.key === 'ArrowRight' ? 1 : -1)
      }
      if (
        event.key === 'Enter' &&
        chosen &&
        !(event.target instanceof HTMLElement && event.target.closest('a, button'))
      )
        location.assign(`/sites/${chosen.siteId}`)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
  useEffect(() => {
    document.querySelector(`[data-row="${at}"]`)?.scrollIntoView({ block: 'nearest' })
  }, [at])

  const details = (keyed: boolean) =>
    chosen && own ? (
      <VisitWorking
        key={`${own.siteId} ${own.on} ${own.state}`}
        row={chosen}
        valley={own}
        today={today}
        day={looked}
        names={names}
        onDay={setDay}
        keyed={keyed}
        onWritten={written}
        onWaits={setWaits}
        onFigures={() => setFigures(true)}
      />
    ) : null
  const visits = rows.reduce((sum, row) => sum + row.visits.length, 0)
  const agreed = rows.reduce((sum, row) => sum + row.visits.filter(({ state }) => state === 'agreed').length, 0)
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <DueDefs />
      <TitleBlock
        name="Weeks ahead"
        under={`${firm}, ${counted(rows.length, 'site')} with something due${weeks.whose ? `, ${nameOf(weeks.whose)}’s` : ''}`}
        facts={[
          {
            label: 'Trips in twelve weeks',
            value: figure(sums.trips),
            source: `${figure(sums.tripsAlone)} alone`,
          },
          {
            label: 'On the road',
            value: hoursWords(sums.roadMin),
            source: `saves ${Math.round(Math.max(0, sums.roadAloneMin - sums.roadMin) / 60)} h`,
          },
          { label: 'Changed early, costs', value: hoursWords(sums.earlyMin) },
          {
            label: 'Likely late',
            value: figure(sums.late),
            source: `of ${counted(sums.tasks, 'task')}`,
            ...(sums.late > 0 && { tone: 'text-brass-ink' }),
          },
          { label: 'Agreed', value: figure(agreed), source: `of ${counted(visits, 'visit')}` },
        ]}
      />
      <div className="flex min-w-0 flex-1">
        <section className="flex min-w-0 flex-1 flex-col bg-enamel" aria-label="Weeks ahead">
          <div className="flex flex-wrap items-center justify-between gap-x-4 px-4 pt-1 lg:px-6">
            <p className="m-0 text-[15px] text-second" role="status">
              {weeks.beingMade
                ? weeks.madeOn
                  ? 'Being planned anew: days may move.'
                  : 'Being planned: a moment.'
                : 'Planned today. What is proposed stays unless another day saves more than it costs to move.'}
            </p>
            {weeks.whose && <WhoseSites whose={weeks.whose} />}
            <RoundStops at="weeks" />
          </div>
          {weeks.beyond > 0 && (
            <p className="m-0 px-4 text-[15px] text-seal-ink lg:px-6">
              {counted(weeks.beyond, 'more site')} fall due: too many for one technician’s twelve weeks, in no plan.
              Give some to somebody else, on their pages.
            </p>
          )}
          {lost && (
            <p role="alert" className="m-0 px-6 py-1 font-semibold text-seal-ink">
              No connection: the plan is as it was.
            </p>
          )}
          {technicians.length === 0 && rows.length > 0 ? (
            <p className="m-0 px-6 py-6">
              Nobody is at work on any day: say under{' '}
              <a className="word" href="/firm">
                People
              </a>{' '}
              on which days each of you is.
            </p>
          ) : rows.length === 0 ? (
            <p className="m-0 px-6 py-6 text-second">
              Nothing falls due in half a year. Take on a machine, and its dates make the visits.
            </p>
          ) : (
            <>
              <div className="slim hidden items-end px-4 text-[13px] text-second md:flex lg:px-6">
                <span className="w-[212px] shrink-0 pb-1 pl-2.5">Place</span>
                <svg width={axis.width} height={34} className="shrink-0" aria-hidden="true">
                  <text x={axis.todayX - 4} y={13} textAnchor="end" fontSize={12} fill="var(--seal-ink)">
                    over
                  </text>
                  <text x={axis.todayX + 4} y={13} fontSize={12} fill="var(--ink)">
                    today
                  </text>
                  {axis.weeks.map(({ x, label }) => (
                    <g key={x}>
                      <path d={`M${x} 28V34`} stroke="var(--second)" />
                      {label && (
                        <text x={x + 2} y={30} fontSize={12} className="mono" fill="var(--second)">
                          {label}
                        </text>
                      )}
                    </g>
                  ))}
                  <path d={`M${axis.todayX} 16V34`} stroke="var(--ink)" strokeWidth={1.25} />
                </svg>
                <span className="flex w-[196px] justify-end gap-2 pb-1 pl-3">
                  <span className="w-[84px]">Visit</span>
                  <span className="w-[40px] text-right">min</span>
                  <span className="w-[48px] text-right">tasks</span>
                </span>
              </div>
              <ul className="m-0 list-none p-0">
                {rows.map((row, i) => (
                  <SiteLine
                    key={row.siteId}
                    row={row}
                    index={i}
                    axis={axis}
                    initials={initials}
                    on={i === at}
                    visit={i === at ? visit : 0}
                    planned={weeks.madeOn !== null}
                    bells={bells}
                    valley={i === at ? own : null}
                    day={looked}
                    onWritten={askAnew}
                    threadX={there && goesAlong(row.visits, there) ? axis.x(there.on) : null}
                    onChoose={() => {
                      choose(i)
                      if (window.innerWidth < 1024) setSheet(true)
                    }}
                  />
                ))}
              </ul>
              <Columns weeks={weeks} axis={axis} chosen={there?.on ?? null} />
              <KeyBar
                keys={[
                  [['j', 'k'], 'row'],
                  [['←', '→'], 'slide the day'],
                  [['v'], 'its next visit'],
                  [['b'], 'windows of all'],
                  [['Enter'], 'open the site'],
                  [['a'], 'asked, then agreed'],
                ]}
              >
                <span className="ml-auto">Ring: proposed. Dot in it: asked. Nail: agreed. Dotted: one trip.</span>
              </KeyBar>
            </>
          )}
        </section>
        {chosen && (
          <aside
            className="sticky top-0 hidden h-screen w-[320px] shrink-0 overflow-auto border-l border-hair px-5 pt-3 pb-6 lg:block print:hidden"
            aria-label="Working"
          >
            {details(true) ?? (
              <p className="m-0 text-second">
                {there
                  ? `${weekdayShort(there.on)} ${dayShort(there.on)} …`
                  : weeks.madeOn
                    ? 'Nothing in these weeks: what is due here comes later.'
                    : 'The days are being weighed.'}
              </p>
            )}
          </aside>
        )}
      </div>
      {sheet && chosen && own && (
        <Sheet
          open
          onOpenChange={() => setSheet(false)}
          title={chosen.name}
          about="What this visit costs on its day, and on others."
        >
          {details(false)}
        </Sheet>
      )}
      {waits && waits.subjectKind !== 'site' && chosen && (
        <WaitsSheet
          subjectKind={waits.subjectKind}
          subjectId={waits.subjectId}
          task={waits.key}
          taskName={waits.name}
          where={`${waits.machineName}, ${chosen.name}`}
          now={waits.waits}
          today={today}
          onClose={() => setWaits(null)}
          onSaved={() => {
            setWaits(null)
            if (there) written(there.on)
          }}
        />
      )}
      {figures && (
        <PlanningSheet
          firmId={planning.firmId}
          own={planning.own}
          hasPrice={planning.hasPrice}
          today={today}
          onClose={() => setFigures(false)}
          onSaved={() => location.reload()}
        />
      )}
    </div>
  )
}

/** Whether a row has a visit on the trip that is looked at. */
const goesAlong = (visits: Weeks['rows'][number]['visits'], trip: { on: string; technicianId: string }) =>
  visits.some(({ on, technicianId }) => on === trip.on && technicianId === trip.technicianId)

export const WeeksIsland = fromPage(WeeksAhead)
