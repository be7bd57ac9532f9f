import { toDay } from '../../../core/quantity/local-day.ts'
import type { WeeksRow, WeeksValley } from '../../../views/weeks-ahead.ts'
import type { WeeksAxis } from './weeks-axis.ts'

const height = 62

/** What the same visit costs on each day, in its three strands one upon another; closed days and days off break it. */
export function Valley({ valley, axis, on }: { valley: WeeksValley; axis: WeeksAxis; on: number }) {
  const sums = valley.days.flatMap((day) => (day ? [day.roadMin + day.earlyMin + day.lateMin] : []))
  const least = Math.min(...sums)
  // What costs three times the least is as good as out of the question: cut off there.
  const most = Math.min(Math.max(...sums), Math.max(3 * least, least + 60))
  const y = (minutes: number) => Math.round((height - (Math.min(minutes, most) / most) * (height - 8)) * 100) / 100
  const width = Math.max(1, axis.dayWidth - 0.6)
  const strands = [
    { of: (day: Day) => day.earlyMin, from: () => 0, fill: 'var(--chalk)' },
    { of: (day: Day) => day.lateMin, from: (day: Day) => day.earlyMin, fill: 'var(--brass)' },
    { of: (day: Day) => day.roadMin, from: (day: Day) => day.earlyMin + day.lateMin, fill: 'var(--tint)' },
  ]
  return (
    <svg width={axis.width} height={height + 4} aria-hidden="true" className="block">
      {strands.map(({ of, from, fill }) => (
        <path
          key={fill}
          fill={fill}
          d={valley.days
            .map((day, d) => {
              if (!day) return ''
              const top = y(from(day) + of(day))
              return `M${axis.at(d) - width / 2} ${y(from(day))}V${top}h${width}V${y(from(day))}Z`
            })
            .join('')}
        />
      ))}
      <path
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.25}
        d={valley.days
          .map((day, d) =>
            day ? `M${axis.at(d) - width / 2} ${y(day.roadMin + day.earlyMin + day.lateMin)}h${width}` : '',
          )
          .join('')}
      />
      <path d={`M${axis.todayX} ${height}H${axis.width}`} stroke="var(--hair)" />
      {valley.days[on] && (
        <circle
          cx={axis.at(on)}
          cy={y(valley.days[on].roadMin + valley.days[on].earlyMin + valley.days[on].lateMin)}
          r={5}
          fill="var(--enamel)"
          stroke="var(--copper)"
          strokeWidth={2.5}
        />
      )}
    </svg>
  )
}

type Day = NonNullable<WeeksValley['days'][number]>

/** A window of so many days or fewer stands as high as the row; a wider one is lower, as sure as it is. */
const surestDays = 10

/**
 * The windows of all that is due as one silhouette, with a tick at the middle of each; those that no visit of these
 * weeks has are hollow.
 */
export function Windows({ windows, axis, reach }: { windows: WeeksRow['windows']; axis: WeeksAxis; reach: number }) {
  const coming = windows.filter(({ p50 }) => p50 >= axis.today)
  const silhouette = (left: boolean) => {
    const those = coming.filter((window) => window.left === left)
    if (those.length === 0) return ''
    const heights = Array.from({ length: axis.days }, (_, d) => {
      const day = toDay(axis.today) + d
      return Math.min(
        1,
        those.reduce((sum, window) => sum + heightOn(window, day), 0),
      )
    })
    const side = (sign: 1 | -1) => heights.map((height, d) => `${axis.at(d)} ${reach - sign * height * (reach - 2)}`)
    return `M${[...side(1), ...side(-1).reverse()].join('L')}Z`
  }
  return (
    <g>
      <path d={silhouette(true)} fill="none" stroke="var(--brass)" strokeDasharray="3 2" />
      <path d={silhouette(false)} fill="var(--brass)" fillOpacity={0.35} stroke="var(--brass)" />
      <path
        d={coming.map(({ p50 }) => `M${axis.x(p50)} ${reach - 5}v10`).join('')}
        stroke="var(--ink)"
        strokeWidth={1}
      />
    </g>
  )
}

/** A window’s height on a day: highest at its middle, nothing beyond half as far again as its bounds. */
function heightOn({ p10, p50, p90 }: WeeksRow['windows'][number], day: number): number {
  const [from, middle, to] = [toDay(p10), toDay(p50), toDay(p90)]
  const reachDays = Math.max(1, 1.5 * (day < middle ? middle - from : to - middle))
  const peak = Math.min(1, surestDays / Math.max(surestDays, to - from))
  return peak * Math.max(0, 1 - Math.abs(day - middle) / reachDays)
}
