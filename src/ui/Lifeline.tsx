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
  // The tube is round at its end, and never quite full.
  const filled = tenths(Math.min(width - 4, notch * share))
  const over = urgency === 'overdue'
  const tube = `M${x} ${y}H${x + width - 4}a4 4.5 0 0 1 0 ${height}H${x}Z`
  return (
    <g>
      <defs>
        <linearGradient id={id} x1={x} x2={x + Math.max(filled, 1)} y1="0" y2="0" gradientUnits="userSpaceOnUse">
          <stop offset={Math.max(0, 1 - feather(standing)).toFixed(2)} stopColor={colour} />
          <stop offset="1" stopColor={colour} stopOpacity={over ? 1 : 0.25} />
        </linearGradient>
      </defs>
      <path d={tube} fill={over ? 'url(#hatch)' : 'var(--field)'} />
      <rect x={x} y={y} width={over ? notch : filled} height={height} fill={over ? colour : `url(#${id})`} />
      <path d={tube} fill="none" stroke={over ? colour : 'var(--deep)'} strokeWidth={1} />
      <path d={`M${x + notch - 4} ${y - 2}h8l-4 5z`} fill="var(--ink)" />
      <path d={`M${x + notch} ${y}v${height}`} stroke="var(--ink)" strokeWidth={1.25} />
    </g>
  )
}

const tenths = (x: number) => Math.round(x * 10) / 10

/** How much of the fill fades: the window's width against the whole life. */
function feather(standing: Standing): number {
  if (!standing.due || !standing.since) return 0.1
  const life = toDay(standing.due.p50) - toDay(standing.since)
  const width = toDay(standing.due.p90) - toDay(standing.due.p10)
  return Math.min(0.7, Math.max(0.08, life > 0 ? width / life : 0.7))
}
