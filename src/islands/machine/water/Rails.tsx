import { toDay } from '../../../core/quantity/local-day.ts'
import type { WaterRail } from '../../../core/standing/water/water-rails.ts'
import { plotX } from './ChalkChart.tsx'

interface Props {
  rails: WaterRail[]
  today: string
  from: number
  to: number
  width: number
  gutter: number
}

const pitch = 18

/** What keeps the water right, on the chart's own days: filled done, hollow planned, struck missed. */
export function Rails({ rails, ...scale }: Props) {
  const height = rails.length * pitch + 4
  const x = (day: number) => plotX(day, scale)
  return (
    <svg width={scale.width} height={height} className="block" role="img" aria-label={rails.map(words).join('; ')}>
      {rails.map((rail, i) => {
        const y = i * pitch + 10
        return (
          <g key={rail.name}>
            <text x={0} y={y + 4} fontSize={12.5} className="slim" fill="var(--ink)">
              {rail.name}
            </text>
            <path d={`M${scale.gutter} ${y}H${scale.width - 14}`} stroke="var(--hair)" />
            {rail.done.map((day) => (
              <circle key={`d${day}`} cx={x(day)} cy={y} r={4} fill="var(--deep)" />
            ))}
            {rail.planned.map((day) => (
              <circle
                key={`p${day}`}
                cx={x(day)}
                cy={y}
                r={3.75}
                fill="var(--page)"
                stroke="var(--deep)"
                strokeWidth={1.5}
              />
            ))}
            {rail.missed.map((day) => (
              <g key={`m${day}`}>
                <circle cx={x(day)} cy={y} r={3.75} fill="var(--page)" stroke="var(--deep)" strokeWidth={1.5} />
                <path d={`M${x(day) - 6} ${y + 6}L${x(day) + 6} ${y - 6}`} stroke="var(--seal)" strokeWidth={2} />
              </g>
            ))}
          </g>
        )
      })}
      <path d={`M${x(toDay(scale.today))} 0V${height}`} stroke="var(--ink)" strokeWidth={1.25} />
    </svg>
  )
}

const words = ({ name, done, missed, planned }: WaterRail) =>
  `${name}: ${done.length} done, ${missed.length} missed, ${planned.length} planned`
