import { toDay } from '../core/quantity/local-day.ts'
import type { Standing } from '../core/standing/standing.ts'
import type { DueAxis } from './due-axis.ts'
import { urgencyColour, urgencyOf } from './urgency.ts'

interface Props {
  due: NonNullable<Standing['due']>
  axis: DueAxis
  /** Middle of the row. */
  y: number
  /** Half the room above and below. */
  reach: number
  /** The forecast hangs on an old reading: drawn dashed. */
  stale?: boolean
  faded?: boolean
}

/**
 * The due window as a swelling on the line: taller is surer in days. A thin pipe runs from today to the
 * middle, so that a row reads as "lasts until". Overdue is a hatched bar back to the day it was due.
 */
export function DueBell({ due, axis, y, reach, stale = false, faded = false }: Props) {
  const urgency = urgencyOf(due, axis.today)
  const colour = faded ? 'var(--second)' : urgencyColour[urgency]
  const middle = axis.x(due.p50)
  if (urgency === 'overdue') {
    return (
      <g opacity={faded ? 0.5 : undefined}>
        <rect
          x={middle}
          y={y - 4.5}
          width={Math.max(3, axis.todayX - middle)}
          height={9}
          fill="url(#hatch)"
          stroke={colour}
          strokeWidth={1}
        />
      </g>
    )
  }
  const exact = due.p10 === due.p90
  // A day the calendar fixes has no spread: a narrow diamond, not a bell.
  const shape = exact
    ? `M${middle - 4} ${y}L${middle} ${y - reach}L${middle + 4} ${y}L${middle} ${y + reach}Z`
    : bell(due, axis, y, reach)
  return (
    <g opacity={faded ? 0.55 : undefined}>
      <path
        d={`M${axis.todayX} ${y - 2}H${middle}M${axis.todayX} ${y + 2}H${middle}`}
        stroke={stale ? colour : 'var(--deep)'}
        strokeWidth={1}
        strokeDasharray={stale ? '4 3' : undefined}
        fill="none"
        opacity={faded ? 0.4 : undefined}
      />
      <path
        d={shape}
        fill={colour}
        fillOpacity={stale ? 0.18 : 0.5}
        stroke={colour}
        strokeWidth={1}
        strokeDasharray={stale || faded ? '3 2' : undefined}
      />
      <path
        d={`M${middle} ${y - reach}V${y + reach}`}
        stroke={faded ? 'var(--second)' : 'var(--ink)'}
        strokeWidth={1.5}
      />
      <path d={`M${middle - 4} ${y - reach - 1}h8l-4 5z`} fill={faded ? 'var(--second)' : 'var(--ink)'} />
    </g>
  )
}

/** A two-sided bell: spread early from p10, late from p90, drawn on the stretched axis. */
function bell(due: NonNullable<Standing['due']>, axis: DueAxis, y: number, reach: number): string {
  const middle = toDay(due.p50)
  const early = Math.max(0.35, (middle - toDay(due.p10)) / 1.2816)
  const late = Math.max(0.35, (toDay(due.p90) - middle) / 1.2816)
  // A window of a few days stands tall, one of months lies flat; never too flat to see.
  const height = reach * Math.min(1, Math.max(0.3, 6 / (early + late + 3)))
  const points = Array.from({ length: 17 }, (_, i) => {
    const z = -2.4 + (i * 4.8) / 16
    return { x: axis.at(middle + z * (z < 0 ? early : late)), h: Math.max(0.6, height * Math.exp((-z * z) / 2)) }
  })
  const up = points.map(({ x, h }) => [x, y - h] as const)
  const down = points.map(({ x, h }) => [x, y + h] as const).reverse()
  return outline([...up, ...down])
}

/** A closed shape in steps of tenths of a pixel: half as long as places would be, and a page has forty of them. */
function outline(points: (readonly [x: number, y: number])[]): string {
  const tenths = points.map(([x, y]) => [Math.round(x * 10), Math.round(y * 10)] as const)
  const steps = tenths.slice(1).map(([x, y], i) => {
    const [dx, dy] = [(x - tenths[i]![0]) / 10, (y - tenths[i]![1]) / 10]
    return `${dx}${dy < 0 ? '' : ' '}${dy}`
  })
  const [x, y] = tenths[0]!
  return `M${x / 10} ${y / 10}l${steps.join(' ')}z`
}

/** Shared patterns, once a page. */
export function DueDefs() {
  return (
    <svg width="0" height="0" aria-hidden="true" className="absolute">
      <defs>
        <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--enamel)" />
          <rect width="3" height="6" fill="var(--seal)" />
        </pattern>
      </defs>
    </svg>
  )
}
