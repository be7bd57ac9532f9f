import { useId } from 'react'
import type { LocalDay } from '../core/quantity/local-day.ts'
import { toDay } from '../core/quantity/local-day.ts'
import type { Standing } from '../core/standing/standing.ts'
import { urgencyColour, urgencyOf, usedShare } from './urgency.ts'

/** The end of life stands at this share of the tube; the rest is room to be over. */
const notchAt = 0.82

interface Props {
  standing: Standing
  today: LocalDay
  x: number
  y: number
  width?: number
}

/**
 * The used share of the governing life as a tube with an end notch. The last part fades over the
 * forecast's spread; past the notch it is hatched.
 */
export function Lifeline({ standing, today, x, y, width = 84 }: Props) {
  const id = useId()
  const height = 9
  const share = usedShare(standing, today)
  const urgency = urgencyOf(standing.due, today)
  const colour = urgencyColour[urgency]
  const notch = width * notchAt
  const filled = Math.min(width, notch * share)
  const over = urgency === 'overdue'
  const tube = `M${x} ${y}H${x + width - 4}a4 4.5 0 0 1 0 ${height}H${x}Z`
  return (
    <g>
      <defs>
        <linearGradient id={id} x1={x} x2={x + Math.max(filled, 1)} y1="0" y2="0" gradientUnits="userSpaceOnUse">
          <stop offset={Math.max(0, 1 - feather(standing))} stopColor={colour} />
          <stop offset="1" stopColor={colour} stopOpacity={over ? 1 : 0.25} />
        </linearGradient>
        <clipPath id={`${id}c`}>
          <path d={tube} />
        </clipPath>
      </defs>
      <path d={tube} fill="var(--field)" />
      <g clipPath={`url(#${id}c)`}>
        <rect
          x={x}
          y={y}
          width={over ? notch : Math.min(filled, width)}
          height={height}
          fill={over ? colour : `url(#${id})`}
        />
        {over && <rect x={x + notch} y={y} width={width - notch} height={height} fill="url(#hatch)" />}
      </g>
      <path d={tube} fill="none" stroke={over ? colour : 'var(--deep)'} strokeWidth={1} />
      <path d={`M${x + notch - 4} ${y - 2}h8l-4 5z`} fill="var(--ink)" />
      <path d={`M${x + notch} ${y}v${height}`} stroke="var(--ink)" strokeWidth={1.25} />
    </g>
  )
}

/** How much of the fill fades: the window's width against the whole life. */
function feather(standing: Standing): number {
  if (!standing.due || !standing.since) return 0.1
  const life = toDay(standing.due.p50) - toDay(standing.since)
  const width = toDay(standing.due.p90) - toDay(standing.due.p10)
  return Math.min(0.7, Math.max(0.08, life > 0 ? width / life : 0.7))
}
