import { toDay } from '../../../core/quantity/local-day.ts'
import { counted, dayFull, dayShort, figure, weekdayShort } from '../../../ui/format.ts'
import type { VisitState, WeeksRow, WeeksValley } from '../../../views/weeks-ahead.ts'
import { MissedVisit } from './MissedVisit.tsx'
import { movedWords } from './moved-words.ts'
import { Valley, Windows } from './Valley.tsx'
import type { WeeksAxis } from './weeks-axis.ts'

interface Props {
  row: WeeksRow
  index: number
  axis: WeeksAxis
  initials: Map<string, string>
  on: boolean
  /** The visit of the row that is looked at. */
  visit: number
  /** There is a plan. */
  planned: boolean
  /** Windows are shown of every row. */
  bells: boolean
  valley: WeeksValley | null
  /** The day looked at, from today. */
  day: number
  /** Where sites of the chosen trip stand. */
  threadX: number | null
  onChoose: () => void
  /** What came of a visit was written here. */
  onWritten: () => void
}

/** A site: when somebody goes there, for how long and for what. */
export function SiteLine(props: Props) {
  const { row, index, axis, initials, on, visit, planned, bells, valley, day, threadX, onChoose, onWritten } = props
  const first = row.visits[visit] ?? row.visits[0]
  const overdueFrom = row.windows.find(({ p50 }) => p50 < axis.today)?.p50
  return (
    <li className={`border-t border-hair ${on ? 'chosen' : ''}`}>
      <button
        type="button"
        data-row={index}
        aria-pressed={on}
        onClick={onChoose}
        className="grid min-h-[52px] w-full grid-cols-[1fr_auto] items-center gap-x-3 px-4 py-1 text-left md:flex md:min-h-[33px] md:gap-x-0 md:py-0.5 lg:px-6"
      >
        <span className="flex min-w-0 items-baseline gap-2 md:w-[212px] md:shrink-0 md:pl-2.5">
          <span className="narrow min-w-0 truncate text-[14px] font-semibold">{row.name}</span>
          <span className="narrow shrink-0 text-[13px] text-second">
            {initials.get(first?.technicianId ?? row.technicianId)}
            {(first?.state === 'asked' || first?.state === 'agreed') && (
              <b className="text-deep"> {first.from ? `${first.state}, ${first.from}` : first.state}</b>
            )}
          </span>
        </span>
        <svg width={axis.width} height={30} className="hidden shrink-0 md:block" aria-hidden="true">
          {axis.weeks.map(({ x }) => (
            <path key={x} d={`M${x} 0V30`} stroke="var(--hair)" strokeOpacity={0.7} />
          ))}
          <path d={`M${axis.todayX} 0V30`} stroke="var(--ink)" strokeWidth={1.25} />
          {overdueFrom && (
            <rect
              x={axis.x(overdueFrom)}
              y={11}
              width={Math.max(3, axis.todayX - axis.x(overdueFrom))}
              height={8}
              fill="url(#hatch)"
              stroke="var(--seal)"
            />
          )}
          {(bells || on) && <Windows windows={row.windows} axis={axis} reach={15} />}
          {threadX !== null && (
            <path d={`M${threadX} 0V30`} stroke="var(--copper)" strokeDasharray="1.500 3" strokeWidth={1.5} />
          )}
          {row.visits.map(({ on: visitOn, state }) => (
            <Bead
              key={visitOn}
              x={axis.x(visitOn)}
              state={state}
              colour={threadX === axis.x(visitOn) ? 'var(--copper)' : 'var(--deep)'}
            />
          ))}
        </svg>
        <span className="mono flex items-baseline justify-end gap-2 text-[13px] max-md:row-span-2 md:w-[196px] md:pl-3">
          {first ? (
            <>
              <span className="md:w-[84px] md:text-left">
                {weekdayShort(first.on)} <b>{dayShort(first.on)}</b>
              </span>
              <span className="w-[40px] text-right">{figure(first.minutes)}</span>
              <span className="w-[48px] text-right text-second">
                {first.tasks}/{row.due}
              </span>
            </>
          ) : (
            <span className="narrow text-second">{planned ? 'nothing in these weeks' : 'not planned yet'}</span>
          )}
        </span>
        <span className="narrow col-start-1 text-[13px] text-second md:hidden">
          {row.missed.length > 0 && (
            <span className="text-seal-ink">
              agreed for {dayShort(row.missed[0]!.on)}, nobody wrote what came of it{' '}
            </span>
          )}
          {row.overdue > 0 && <span className="text-seal-ink">{counted(row.overdue, 'task')} overdue </span>}
          {first && first.with.length > 0 && `with ${first.with.join(', ')}`}
        </span>
        {first && (
          <span className="sr-only">
            {dayFull(first.on)}, {first.minutes} minutes, {first.tasks} of {row.due} tasks
          </span>
        )}
      </button>
      {on &&
        row.missed.map((missed) => (
          <MissedVisit
            key={missed.visitId}
            siteId={row.siteId}
            missed={missed}
            today={axis.today}
            onWritten={onWritten}
          />
        ))}
      {on && (
        <div className="flex items-start px-4 pb-1.5 lg:px-6">
          <p className="narrow m-0 hidden w-[212px] shrink-0 pl-2.5 text-[13px] leading-snug text-second md:block">
            {row.overdue > 0 && (
              <span className="block font-semibold text-seal-ink">{counted(row.overdue, 'task')} overdue</span>
            )}
            {row.moved.map((one) => (
              <span key={one.from} className="block text-ink">
                {movedWords(one)}
              </span>
            ))}
            {(first?.besides ?? 0) > 0 && (
              <span className="block text-ink">{counted(first!.besides, 'task')} besides what was arranged</span>
            )}
            {row.placeUnknown && (
              <span className="block text-brass-ink">nobody said where it is: its road is a guess</span>
            )}
            <Strands valley={valley} day={day} />
          </p>
          <span className="hidden md:block">
            {valley ? <Valley valley={valley} axis={axis} on={day} /> : <span className="block h-[66px]" />}
          </span>
          <p className="narrow m-0 hidden w-[196px] pl-3 text-[13px] leading-snug text-ink md:block">
            {first &&
              (first.with.length > 0 ? `one trip with ${first.with.join(', ')}` : first ? 'a trip of its own' : '')}
            {row.visits.length > 1 && (
              <span className="block text-second">
                {row.visits
                  .filter((other) => other !== first)
                  .map(({ on: other }) => `and ${dayShort(other)}`)
                  .join(', ')}
              </span>
            )}
          </p>
        </div>
      )}
    </li>
  )
}

/** A ring rolls; one with a dot waits for an answer; a nail holds. */
function Bead({ x, state, colour }: { x: number; state: VisitState; colour: string }) {
  if (state === 'agreed')
    return (
      <g stroke={colour} fill={colour}>
        <path d={`M${x} 4V26M${x - 4} 4H${x + 4}`} strokeWidth={2.5} />
        <circle cx={x} cy={15} r={5} />
      </g>
    )
  return (
    <g>
      <circle cx={x} cy={15} r={5} fill="var(--enamel)" stroke={colour} strokeWidth={2} />
      {state !== 'proposed' && <circle cx={x} cy={15} r={2} fill={colour} />}
    </g>
  )
}

/** The three strands of the day looked at. */
function Strands({ valley, day }: { valley: WeeksValley | null; day: number }) {
  const cost = valley?.days[day]
  if (!cost) return null
  const lines = [
    [cost.earlyMin, 'changed early', 'bg-chalk'],
    [cost.lateMin, 'risk of being late', 'bg-brass'],
    [cost.roadMin, 'further road', 'bg-tint'],
  ] as const
  return lines.map(([minutes, words, colour]) => (
    <span key={words} className="flex items-center gap-1.5">
      <span className={`h-2.5 w-2.5 shrink-0 ${colour}`} aria-hidden="true" />
      <span className="mono font-semibold text-ink">{Math.round(minutes)} min</span> {words}
    </span>
  ))
}

/** Which day of the weeks a visit is on. */
export const indexOf = (on: string, today: string): number => toDay(on) - toDay(today)
