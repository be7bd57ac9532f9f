import { lostTill } from '../../../core/visits/best-moments.ts'
import { figure } from '../../../ui/format.ts'
import { Key } from '../../../ui/Key.tsx'
import type { CallMoment } from '../../../views/call-page.ts'
import { clockOf } from '../day/day-times.ts'
import { momentName, movesWords } from './call-words.ts'

interface Props {
  n: number
  moment: CallMoment
  on: boolean
  today: string
  timeZone: string
  nowMin: number
  me: string
  lostPerDay: number | null
  onChoose: () => void
}

/** One moment to go: which place in whose day, what it costs, and the day in small with it. */
export function MomentRow({ n, moment, on, today, timeZone, nowMin, me, lostPerDay, onChoose }: Props) {
  const lost = lostTill(moment, lostPerDay, nowMin)
  const clock = (minute: number) => clockOf({ on: moment.on, timeZone }, minute)
  const longer = moment.finishMin - moment.wasFinishMin
  const moves = movesWords(moment)
  return (
    <li className={`border-t border-hair ${on ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}>
      <button type="button" aria-pressed={on} className="block w-full px-4 py-2 text-left" onClick={onChoose}>
        <span className="flex items-baseline gap-2">
          <Key>{String(n)}</Key>
          <b className="min-w-0 flex-1 text-[15px] font-semibold">
            {momentName(moment, today, me, moment.technicianId)}
          </b>
        </span>
        <span className="mono flex flex-wrap gap-x-4 text-[14px]">
          <span>
            <b className="font-semibold">{Math.abs(Math.round(moment.detourMin))}</b> min{' '}
            {moment.detourMin < -0.5 ? 'less' : 'more'} road
          </span>
          {lost !== null && (
            <span>
              <b className="font-semibold">{figure(Math.round(lost))}</b> drinks not made
            </span>
          )}
        </span>
        <SmallDay moment={moment} clock={clock} />
        <span className="block text-[14px] text-second">
          There {clock(moment.beginMin)} to {clock(moment.endMin)}. Home {clock(moment.finishMin)}
          {Math.abs(longer) >= 5 && moment.wasFinishMin > moment.dayFromMin && `, was ${clock(moment.wasFinishMin)}`}.
        </span>
        {!moment.knowsKind && (
          <span className="block text-[14px] font-semibold text-brass-ink">Does not know this kind of machine.</span>
        )}
        {moves && <span className="block text-[14px] text-brass-ink">{moves}.</span>}
      </button>
    </li>
  )
}

const width = 400

/** A day in small, length is time: the call is the copper box. */
function SmallDay({ moment, clock }: { moment: CallMoment; clock: (minute: number) => string }) {
  const { day, dayFromMin, dayToMin, hours } = moment
  const from = Math.floor(dayFromMin / 60) * 60
  const to = Math.max(from + 60, Math.ceil(Math.max(dayToMin, ...day.map(({ toMin }) => toMin)) / 60) * 60)
  const x = (minute: number) => 6 + ((minute - from) / (to - from)) * (width - 12)
  const hour = Array.from({ length: Math.floor((to - from) / 180) + 1 }, (_, i) => from + 180 * i)
  let n = 0
  return (
    <svg viewBox={`0 0 ${width} 44`} className="my-1 block w-full" aria-hidden="true">
      <path d={`M6 12.5H${width - 6}`} stroke="var(--deep)" strokeWidth={1.25} />
      {hours.map((span) => (
        <path
          key={span.from}
          d={`M${x(Math.max(from, span.from))} 26H${x(Math.min(to, span.to))}`}
          stroke="var(--tint)"
          strokeWidth={4}
        />
      ))}
      {day.map(({ siteId, state, fromMin, toMin }) => {
        const isCall = state === 'call'
        if (!isCall) n += 1
        const wide = Math.max(7, x(toMin) - x(fromMin))
        return (
          <g key={`${siteId} ${fromMin}`}>
            <rect
              x={x(fromMin)}
              y={3}
              width={wide}
              height={19}
              fill={isCall ? 'var(--copper)' : state === 'done' ? 'var(--tint)' : 'var(--enamel)'}
              stroke={isCall ? 'var(--copper)' : 'var(--deep)'}
            />
            {wide > 12 &&
              (isCall ? (
                <path
                  d={`M${x(fromMin) + wide / 2 - 4} 8.5l8 8m0-8l-8 8`}
                  stroke="var(--on-copper)"
                  strokeWidth={1.75}
                />
              ) : (
                <text
                  x={x(fromMin) + wide / 2}
                  y={17}
                  textAnchor="middle"
                  fontSize={12}
                  className="mono"
                  fill="var(--ink)"
                >
                  {n}
                </text>
              ))}
          </g>
        )
      })}
      {hour.map((minute) => (
        <text
          key={minute}
          x={Math.min(width - 20, Math.max(20, x(minute)))}
          y={42}
          textAnchor="middle"
          fontSize={12}
          className="mono"
          fill="var(--second)"
        >
          {clock(minute)}
        </text>
      ))}
    </svg>
  )
}
