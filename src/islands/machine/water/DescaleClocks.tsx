import { toDay } from '../../../core/quantity/local-day.ts'
import type { DescaleClock } from '../../../core/standing/descale-clocks.ts'
import { firmUnit, quantity } from '../../../ui/quantity.ts'
import { dayWords, plotX } from './ChalkChart.tsx'

interface Props {
  clocks: DescaleClock[]
  today: string
  since: number
  from: number
  to: number
  width: number
  gutter: number
}

const pitch = 31
const names: Record<DescaleClock['clock'], string> = {
  thickness: 'Chalk',
  months: 'Calendar',
  prompt: 'Its own prompt',
  litres: 'Usual prompt',
}

/** The clocks of descaling under the chart, on its own days: which comes first, and how sure each is. */
export function DescaleClocks({ clocks, ...scale }: Props) {
  const x = (day: number) => plotX(day, scale)
  const first = clocks.reduce((best, clock) => ((clock.p50 ?? 1e9) < (best.p50 ?? 1e9) ? clock : best))
  const height = clocks.length * pitch + 6
  const now = toDay(scale.today)
  return (
    <svg
      width={scale.width}
      height={height}
      className="block"
      role="img"
      aria-label={clocks.map((clock) => words(clock, scale.today)).join('; ')}
    >
      {clocks.map((clock, i) => {
        const y = i * pitch + 20
        const { p10, p50, p90 } = clock
        const isFirst = clock === first && p50 !== undefined
        const within = p50 !== undefined && p50 <= scale.to
        const tick = p50 === undefined ? null : x(p50)
        const text = words(clock, scale.today)
        const atRight = tick !== null && tick > scale.gutter + (scale.width - scale.gutter) * 0.55
        return (
          <g key={clock.clock}>
            <text x={0} y={y + 4} fontSize={13} className="slim" fill="var(--ink)">
              {names[clock.clock]}
            </text>
            <path
              d={`M${x(scale.since)} ${y}H${x(now)}`}
              stroke={isFirst ? 'var(--water)' : 'var(--tint)'}
              strokeWidth={9}
            />
            <path
              d={`M${x(scale.since)} ${y}H${x(now)}`}
              stroke="var(--deep)"
              strokeWidth={1}
              transform="translate(0 5)"
            />
            {tick !== null && tick > x(now) && (
              <path d={`M${x(now)} ${y}H${tick}`} stroke="var(--second)" strokeWidth={1} />
            )}
            {p10 !== undefined && p90 !== undefined && p90 > p10 && (
              <path
                d={bell(x(p10), tick!, x(p90), y)}
                fill={isFirst ? 'var(--copper)' : 'var(--water)'}
                fillOpacity={0.45}
                stroke={isFirst ? 'var(--copper)' : 'var(--water)'}
                strokeWidth={0.75}
              />
            )}
            {tick !== null && within && (
              <path
                d={`M${tick} ${y - 8}V${y + 8}`}
                stroke={isFirst ? 'var(--copper)' : 'var(--ink)'}
                strokeWidth={2}
              />
            )}
            <text
              x={atRight ? tick! - 8 : Math.max(x(now), tick ?? 0) + 8}
              y={y - 8}
              fontSize={12.5}
              textAnchor={atRight ? 'end' : 'start'}
              className="narrow"
              fill={isFirst ? 'var(--copper)' : 'var(--second)'}
              fontWeight={isFirst ? 620 : 400}
            >
              {text}
              {isFirst && ': first'}
            </text>
          </g>
        )
      })}
      <path d={`M${x(now)} 0V${height}`} stroke="var(--ink)" strokeWidth={1.25} />
    </svg>
  )
}

/** A swelling from the tenth to the ninetieth chance, widest at the middle. */
const bell = (from: number, middle: number, to: number, y: number) =>
  `M${from} ${y}Q${(from + middle) / 2} ${y} ${middle} ${y - 8}Q${(middle + to) / 2} ${y} ${to} ${y}Q${(middle + to) / 2} ${y} ${middle} ${y + 8}Q${(from + middle) / 2} ${y} ${from} ${y}Z`

function words({ clock, p10, p50, p90, limit, unit }: DescaleClock, today: string): string {
  const shown = quantity(limit, unit)
  const after =
    clock === 'thickness'
      ? `${shown.value} mm`
      : clock === 'prompt' && unit === 'prompts'
        ? 'it asked'
        : `${shown.value} ${firmUnit(unit)}`
  if (p50 === undefined) return `${after}, not within ten years`
  const spread = p10 !== undefined && p90 !== undefined ? Math.round((p90 - p10) / 2) : 0
  return `${after}, ${dayWords(p50, today)}${spread > 0 ? ` ± ${spread} d` : ''}`
}
