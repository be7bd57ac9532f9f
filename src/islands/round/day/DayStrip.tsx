import { counted } from '../../../ui/format.ts'
import type { DayPage, DayPerson, DayStop } from '../../../views/day-page.ts'
import { clockOf, type DayTimes } from './day-times.ts'
import { markOf } from './day-words.ts'
import { fillOf } from './TaskMark.tsx'

interface Props {
  page: DayPage
  person: DayPerson
  times: DayTimes
  chosen: number | null
  onChoose: (stop: number) => void
  /** With a rail for each stop; a glance at several people does without. */
  rails: boolean
}

const left = 150
const width = 1232
const top = 30
const boxY = top + 24
const boxHeight = 34
const workHeight = 14

/** One person’s day, length is time: roads, stops, break, and when each place may be worked at. */
export function DayStrip({ page, person, times, chosen, onChoose, rails }: Props) {
  const { outing } = person
  const firstMin = Math.min(outing.startMin, ...person.been.map((i) => page.stops[i]!.arrivedMin!))
  const from = Math.floor((firstMin - 15) / 60) * 60
  const to = Math.ceil((Math.max(outing.endMin, times.finishMin) + 20) / 60) * 60
  const x = (minute: number) => left + ((minute - from) / (to - from)) * (width - left - 26)
  const hours = Array.from({ length: (to - from) / 60 + 1 }, (_, i) => from + i * 60)
  const boxes = [
    ...person.been.map((i, n) => {
      const stop = page.stops[i]!
      return { i, n, from: stop.arrivedMin!, to: stop.leftMin ?? stop.arrivedMin! + stop.serviceMin, done: true }
    }),
    ...times.stops.map(({ stop, beginMin, endMin }, n) => ({
      i: stop,
      n: person.been.length + n,
      from: beginMin,
      to: endMin,
      done: false,
    })),
  ]
  const railY = (n: number) => boxY + boxHeight + workHeight + 18 + n * 14
  const height = rails ? railY(Math.max(1, boxes.length)) - 2 : boxY + boxHeight + workHeight + 8
  const breaks = [
    ...times.stops.flatMap(({ rest }) => (rest ? [rest] : [])),
    ...(times.restAtEnd ? [times.restAtEnd] : []),
  ]
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block w-full"
      role="img"
      aria-label={`${person.name}: ${counted(boxes.length, 'stop')}, back ${clockOf(page, times.finishMin)}`}
    >
      <path d={`M${left} ${top}H${width - 6}`} stroke="var(--ink)" />
      {hours.map((minute) => (
        <g key={minute}>
          <path d={`M${x(minute)} ${top - 6}V${top}`} stroke="var(--ink)" />
          <text x={x(minute)} y={top - 10} textAnchor="middle" fontSize={14} className="mono" fill="var(--second)">
            {clockOf(page, minute)}
          </text>
        </g>
      ))}
      <text x={0} y={boxY + 15} fontSize={14} fontWeight={600} fill="var(--ink)">
        {cut(person.name, 20)}
      </text>
      <text x={0} y={boxY + 33} fontSize={13} fill="var(--second)">
        {person.away ? cut(person.away, 22) : person.isSet ? 'order set by hand' : 'best order'}
      </text>
      {times.stops.map(({ stop, legMin, arriveMin, beginMin, rest }, n) => {
        const wait = beginMin - arriveMin - (rest ? rest.to - rest.from : 0)
        return (
          <g key={stop}>
            <Road from={x(arriveMin - legMin)} to={x(arriveMin)} minutes={legMin} />
            {x(beginMin) - x(rest?.to ?? arriveMin) > 84 && (
              <text
                x={(x(rest?.to ?? arriveMin) + x(beginMin)) / 2}
                y={boxY + 12}
                textAnchor="middle"
                fontSize={12}
                fill="var(--brass-ink)"
              >
                wait {Math.round(wait)} min
              </text>
            )}
            {n === times.stops.length - 1 && (
              <Road from={x(times.finishMin - times.homeLegMin)} to={x(times.finishMin)} minutes={times.homeLegMin} />
            )}
          </g>
        )
      })}
      {breaks.map(({ from: at, to: end }) => (
        <text key={at} x={(x(at) + x(end)) / 2} y={boxY + 22} textAnchor="middle" fontSize={13} fill="var(--ink)">
          break
        </text>
      ))}
      {boxes.map(({ i, n, from: begin, to: end, done }, b) => {
        const stop = page.stops[i]!
        const next = boxes[b + 1]
        const room = (next ? x(next.from) : width) - x(begin) - 4
        const late = times.lateBy.has(i)
        return (
          // A pointer’s way in; the list below has the same stops as buttons.
          // biome-ignore lint/a11y/noStaticElementInteractions: the drawing is an image, its list is the control
          <g key={i} onClick={() => onChoose(i)} className="cursor-pointer">
            <text x={x(begin)} y={boxY - 6} fontSize={14} fontWeight={600} className="slim" fill="var(--ink)">
              {cut(stop.name, room / 7.2)}
            </text>
            <rect
              x={x(begin)}
              y={boxY}
              width={Math.max(4, x(end) - x(begin))}
              height={boxHeight}
              fill="var(--enamel)"
              stroke={late ? 'var(--seal)' : i === chosen ? 'var(--copper)' : 'var(--deep)'}
              strokeWidth={i === chosen ? 3 : 1.75}
            />
            <text x={x(begin) + 8} y={boxY + 23} fontSize={17} fontWeight={700} fill="var(--deep)">
              {done ? '✓' : n + 1}
            </text>
            {x(end) - x(begin) > 88 &&
              (!done || stop.leftMin !== undefined || stop.header?.body.minutes !== undefined) && (
                <text x={x(end) - 6} y={boxY + 23} textAnchor="end" fontSize={13} className="mono" fill="var(--second)">
                  {Math.round(end - begin)} min
                </text>
              )}
            <Work stop={stop} x={x(begin)} width={Math.max(4, x(end) - x(begin))} done={done} />
          </g>
        )
      })}
      {times.order.length > 0 && (
        <g>
          <circle
            cx={x(times.finishMin) + 5}
            cy={boxY + 17}
            r={5}
            fill="var(--enamel)"
            stroke="var(--deep)"
            strokeWidth={1.75}
          />
          {times.overMin > 0 && (
            <text
              x={Math.min(x(times.finishMin) + 16, width - 90)}
              y={boxY + 8}
              fontSize={13}
              fontWeight={600}
              fill="var(--seal-ink)"
            >
              {Math.round(times.overMin)} min over
            </text>
          )}
        </g>
      )}
      {rails &&
        boxes.map(({ i, n, from: begin, to: end, done }) => {
          const stop = page.stops[i]!
          const spans = stop.hours.length > 0 ? stop.hours : [{ from, to }]
          const y = railY(n) - 6
          return (
            <g key={i}>
              <text
                x={0}
                y={y + 4}
                fontSize={13}
                fontWeight={i === chosen ? 700 : 500}
                className="slim"
                fill="var(--ink)"
              >
                {n + 1} {cut(stop.name, 22)}
              </text>
              <path d={`M${left} ${y}H${width - 6}`} stroke="var(--hair)" />
              {spans.map((span) => (
                <path
                  key={span.from}
                  d={`M${x(Math.max(from, span.from))} ${y}H${x(Math.min(to, span.to))}`}
                  stroke="var(--tint)"
                  strokeWidth={7}
                />
              ))}
              {stop.promised && stop.open[0] && (
                <path d={`M${x(stop.open[0].from)} ${y - 6}V${y + 6}`} stroke="var(--copper)" strokeWidth={2} />
              )}
              <path
                d={`M${x(begin)} ${y}H${x(end)}`}
                stroke={times.lateBy.has(i) ? 'var(--seal)' : done ? 'var(--second)' : 'var(--deep)'}
                strokeWidth={7}
              />
            </g>
          )
        })}
      {page.nowMin !== null && page.nowMin >= from && page.nowMin <= to && (
        <g>
          <path d={`M${x(page.nowMin)} ${top}V${height}`} stroke="var(--copper)" strokeWidth={1.5} />
          <path d={`M${x(page.nowMin) - 5} ${top - 7}h10l-5 7z`} fill="var(--copper)" />
        </g>
      )}
    </svg>
  )
}

/** The road as a tube with its minutes above. */
function Road({ from, to, minutes }: { from: number; to: number; minutes: number }) {
  if (minutes < 0.5) return null
  const y = boxY + 17
  return (
    <>
      <path d={`M${from} ${y - 2.5}H${to}M${from} ${y + 2.5}H${to}`} stroke="var(--deep)" strokeWidth={1.25} />
      <text x={(from + to) / 2} y={y - 7} textAnchor="middle" fontSize={13} className="mono" fill="var(--second)">
        {Math.round(minutes)}
      </text>
    </>
  )
}

/** What the time at a stop goes into: each task by what it is, grey for the stop itself. */
function Work({ stop, x, width: wide, done }: { stop: DayStop; x: number; width: number; done: boolean }) {
  const y = boxY + boxHeight
  const share = wide / Math.max(1, stop.serviceMin)
  let at = x
  const parts = stop.tasks.map((task) => {
    const own = task.minutes * share
    const rect = (
      <rect
        key={`${task.subjectId} ${task.key}`}
        x={at}
        y={y}
        width={own}
        height={workHeight}
        fill={fillOf[markOf(task)]}
      />
    )
    at += own
    return rect
  })
  return (
    <>
      <rect x={x} y={y} width={wide} height={workHeight} fill={done ? 'var(--second)' : 'var(--drain-in)'} />
      {parts}
      <rect x={x} y={y} width={wide} height={workHeight} fill="none" stroke="var(--deep)" />
    </>
  )
}

/** A name that does not run into the next. */
export const cut = (name: string, room: number): string =>
  name.length <= room ? name : room < 3 ? '' : `${name.slice(0, Math.floor(room) - 1).trimEnd()}…`
