import type { Stop } from '../../core/bench/training.ts'
import { useWidth } from '../use-width.ts'

interface Props {
  stops: Stop[]
  minutes: number
  /** Length of the scale, min. */
  until: number
  /** Where the fault was found, if it was. */
  found?: boolean
  label: string
}

const y = 24

/** A run on the technician's clock: a numbered stop a test, hollow where it told nothing new, a square where it was found. */
export function ClockBar({ stops, minutes, until, found, label }: Props) {
  const [frame, width] = useWidth(560)
  const x = (at: number) => 12 + (Math.min(at, until) / until) * (width - 70)
  const pitch = [5, 10, 15, 30, 60].find((each) => until / each <= width / 60) ?? 120
  const ticks = Array.from({ length: Math.floor(until / pitch) + 1 }, (_, i) => i * pitch)
  return (
    <div ref={frame}>
      <svg viewBox={`0 0 ${width} 56`} className="block w-full" role="img" aria-label={`${label}: ${minutes} minutes`}>
        <rect
          x={12}
          y={y - 6}
          width={width - 82}
          height={12}
          fill="var(--field)"
          stroke="var(--deep)"
          strokeWidth={1.5}
        />
        <rect x={12} y={y - 6} width={x(minutes) - 12} height={12} fill="var(--water)" />
        {ticks.map((tick) => (
          <g key={tick}>
            <path d={`M${x(tick)} ${y + 8}v5`} stroke="var(--second)" strokeWidth={1} />
            <text x={x(tick)} y={y + 28} fontSize={13} textAnchor="middle" className="mono" fill="var(--second)">
              {tick}
            </text>
          </g>
        ))}
        {stops.map(({ atMinutes, nothingNew, test }, i) => (
          <g key={`${test} ${i + 1}`} transform={`translate(${x(atMinutes)} ${y})`}>
            <circle
              r={10}
              fill={nothingNew ? 'var(--enamel)' : 'var(--deep)'}
              stroke="var(--deep)"
              strokeWidth={1.5}
              strokeDasharray={nothingNew ? '3 2.5' : undefined}
            />
            <text
              y={4.5}
              textAnchor="middle"
              fontSize={12.5}
              className="mono"
              fill={nothingNew ? 'var(--ink)' : 'var(--enamel)'}
            >
              {i + 1}
            </text>
          </g>
        ))}
        {found && (
          <rect
            x={x(minutes) + 6}
            y={y - 9}
            width={18}
            height={18}
            fill="var(--deep)"
            stroke="var(--enamel)"
            strokeWidth={2}
          />
        )}
        <text
          x={width - 4}
          y={y + 5}
          fontSize={15}
          textAnchor="end"
          className="mono"
          fill="var(--ink)"
          fontWeight={600}
        >
          {Math.round(minutes)} min
        </text>
      </svg>
    </div>
  )
}
