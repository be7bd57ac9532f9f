import type { ReactNode } from 'react'
import { counted, dayNear } from '../../../ui/format.ts'
import { hoursWords } from '../../../ui/hours.ts'
import type { DayPage, DayPerson, DayStop } from '../../../views/day-page.ts'
import { SoakAndCold } from '../SoakAndCold.tsx'
import { clockThere, type DayTimes } from './day-times.ts'
import { leftWords, stateShort, whyToday } from './day-words.ts'
import { StopActions, type StopActs } from './StopActions.tsx'
import { StopWaits } from './StopWaits.tsx'
import { TaskMark } from './TaskMark.tsx'

interface Props {
  page: DayPage
  person: DayPerson
  times: DayTimes
  chosen: number | null
  onChoose: (stop: number) => void
  acts: StopActs
}

/** The stops in order: when, where, what is done at each and why today. What the day cannot hold stands below. */
export function StopList({ page, person, times, chosen, onChoose, acts }: Props) {
  const timed = new Map(times.stops.map((one) => [one.stop, one]))
  const rows = [...person.been, ...times.order]
  return (
    <section aria-label="Stops in order">
      <ol className="m-0 list-none p-0">
        {rows.map((i, n) => {
          const stop = page.stops[i]!
          const own = timed.get(i)
          return (
            <Row
              key={stop.siteId}
              stop={stop}
              number={String(n + 1)}
              isLast={n === rows.length - 1}
              isDone={stop.state === 'done'}
              on={i === chosen}
              onChoose={() => onChoose(i)}
              today={page.on}
              isPlanned={page.plan !== 'being made'}
              time={clockThere(page, own?.beginMin ?? stop.arrivedMin!, stop.timeZone)}
              under={
                own
                  ? `${Math.round(own.legMin)} min of road${own.beginMin - own.arriveMin > 5 && !own.rest ? `, ${Math.round(own.beginMin - own.arriveMin)} min wait` : ''}`
                  : stop.isTimed === false
                    ? 'when it was written'
                    : stop.leftMin !== undefined
                      ? `left ${clockThere(page, stop.leftMin, stop.timeZone)}`
                      : stateShort[stop.state]
              }
              wrong={
                times.lateBy.has(i)
                  ? `Too late by ${hoursWords(times.lateBy.get(i)!)}: its hours or the promise are over.`
                  : ''
              }
            >
              {i === chosen && <StopActions page={page} person={person} stop={i} acts={acts} />}
            </Row>
          )
        })}
        {person.left.map(({ stop: i, why }) => {
          const stop = page.stops[i]!
          return (
            <Row
              key={stop.siteId}
              stop={stop}
              number="–"
              isLast
              isDone={false}
              on={i === chosen}
              onChoose={() => onChoose(i)}
              today={page.on}
              isPlanned={page.plan !== 'being made'}
              time={stop.promised ?? ''}
              under={stateShort[stop.state]}
              wrong={leftWords[why]}
            >
              {i === chosen && <StopActions page={page} person={person} stop={i} acts={acts} />}
            </Row>
          )
        })}
      </ol>
    </section>
  )
}

interface RowProps {
  stop: DayStop
  number: string
  isLast: boolean
  isDone: boolean
  on: boolean
  onChoose: () => void
  today: string
  time: string
  under: string
  wrong: string
  isPlanned: boolean
  children: ReactNode
}

function Row({ stop, number, isLast, isDone, on, onChoose, today, time, under, wrong, isPlanned, children }: RowProps) {
  return (
    <li className={`border-t border-hair ${on ? 'chosen' : ''}`}>
      <button
        type="button"
        data-stop={stop.siteId}
        aria-pressed={on}
        onClick={onChoose}
        className="grid w-full grid-cols-[44px_1fr_auto] gap-x-3 px-4 py-2 text-left print:px-0 print:py-0.5 md:grid-cols-[44px_230px_1fr] lg:pl-6"
      >
        <span className="relative row-span-3 flex justify-center md:row-span-1" aria-hidden="true">
          {!isLast && <span className="absolute top-6 -bottom-4 w-[5px] border-x-[1.5px] border-deep bg-tint" />}
          <svg width={30} height={30} className="relative" aria-hidden="true">
            <circle
              cx={15}
              cy={15}
              r={13}
              fill={isDone ? 'var(--deep)' : 'var(--enamel)'}
              stroke="var(--deep)"
              strokeWidth={2}
            />
            <text
              x={15}
              y={20.5}
              textAnchor="middle"
              fontSize={16}
              fontWeight={700}
              fill={isDone ? 'var(--enamel)' : 'var(--deep)'}
            >
              {isDone ? '✓' : number}
            </text>
          </svg>
        </span>
        <span className="min-w-0">
          <span className="block leading-tight font-semibold">{stop.name}</span>
          <span className="narrow block text-[14px] text-second">
            {[stop.area, stateShort[stop.state], stop.promised && `promised ${stop.promised}`]
              .filter(Boolean)
              .join(', ')}
          </span>
          {stop.accessNote && <span className="narrow block text-[14px]">{stop.accessNote}</span>}
          {stop.hoursNote && <span className="narrow block text-[14px] text-second">{stop.hoursNote}</span>}
          {stop.waits && <StopWaits waits={stop.waits} />}
        </span>
        <span className="mono text-right text-[14px] md:hidden">
          <b className="block text-[15px]">{time}</b>
          <span className="text-second">{hoursWords(stop.serviceMin)}</span>
        </span>
        <span className="min-w-0 max-md:col-span-2 max-md:col-start-2">
          <span className="mb-0.5 hidden items-baseline gap-3 md:flex">
            <b className="mono">{time}</b>
            <span className="mono text-[14px]">{hoursWords(stop.serviceMin)}</span>
            <span className="text-[13px] text-second">{under}</span>
          </span>
          {wrong && <span className="block text-[14px] font-semibold text-seal-ink">{wrong}</span>}
          {stop.faults.map((fault) => (
            <span
              key={fault.machineId}
              className="flex items-baseline gap-2 text-[14px] leading-snug print:text-[11.5px]"
            >
              <svg width={14} height={14} className="shrink-0 translate-y-[2px]" aria-hidden="true">
                <rect width={14} height={14} fill="var(--copper)" />
                <path d="M4 4l6 6M10 4l-6 6" stroke="var(--on-copper)" strokeWidth={1.75} />
              </svg>
              <span className="min-w-0">
                <b className="font-semibold">{fault.machineName}:</b> “{fault.text}”{' '}
                <span className="text-second">reported {dayNear(fault.on, today)}</span>
              </span>
            </span>
          ))}
          {stop.tasks.map((task) => (
            <span
              key={`${task.subjectId} ${task.key}`}
              className="flex flex-wrap items-baseline gap-x-2 text-[14px] leading-snug md:flex-nowrap print:flex-nowrap print:text-[11.5px] print:leading-tight"
            >
              <span className="translate-y-[2px]">
                <TaskMark task={task} />
              </span>
              <span className="min-w-0 flex-1">
                {task.name} <span className="text-second">{task.machineName}</span>
              </span>
              <span
                className={`shrink-0 text-[13px] max-md:order-last max-md:basis-full max-md:pl-[22px] print:order-none print:basis-auto print:pl-0 print:text-[11px] ${task.over > 0 ? 'font-semibold text-seal-ink' : 'text-second'}`}
              >
                {whyToday(task, today)}
              </span>
              <span className="mono w-7 shrink-0 text-right text-[13px] print:text-[11px]">{task.minutes}</span>
            </span>
          ))}
          {!isDone && <SoakAndCold tasks={stop.tasks} />}
          {stop.notToday.length > 0 && (
            <span className="block text-[13px] text-second">
              No room today, left for another visit: {stop.notToday.join('; ')}.
            </span>
          )}
          {stop.tasks.length === 0 && !isDone && stop.state !== 'under way' && (
            <span className="block text-[14px] text-second">
              {isPlanned
                ? `${stop.faults.length > 0 ? '' : 'Nothing is due here: '}${counted(Math.round(stop.serviceMin), 'minute')} are kept for it.`
                : 'What is done here comes with the plan, in a moment.'}
            </span>
          )}
        </span>
      </button>
      {children}
    </li>
  )
}
