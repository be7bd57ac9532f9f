import { useMemo } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import { symbols } from '../path/symbols.tsx'
import { pipePath, type Worked, type WorkedLayout, workedLayout } from './worked-layout.ts'

interface Props {
  kind: Kind
  without: Set<string>
  /** Numbers of the lines by the station they are about, in order. */
  worked: Worked
}

/** The machine’s path small: what was worked on in full with its numbers on leaders, the rest as a ghost. */
export function WorkedPath({ kind, without, worked }: Props) {
  const layout = useMemo(() => workedLayout(kind, without, worked), [kind, without, worked])
  return <WorkedDrawing layout={layout} worked={worked} className="block w-full max-w-[330px]" />
}

/**
 * The drawing by itself.
 * @param names - on paper, where nothing is pointed at, each station that was worked on says its name
 */
export function WorkedDrawing({
  layout,
  worked,
  names = false,
  className,
}: {
  layout: WorkedLayout
  worked: Worked
  names?: boolean
  className?: string
}) {
  const { pipes, pleats, on, off, top, bottom, width } = layout
  return (
    <svg
      viewBox={`0 ${top} ${width} ${bottom - top}`}
      className={className}
      role="img"
      aria-label={`Worked on: ${on.map(({ station }) => station.name.toLowerCase()).join(', ') || 'nothing on its path'}`}
    >
      <g opacity={0.3}>
        {pipes.map((line) => (
          <path key={line.id} d={pipePath(line.points)} fill="none" stroke="var(--deep)" strokeWidth={9} />
        ))}
        {pipes.map((line) => (
          <path key={line.id} d={pipePath(line.points)} fill="none" stroke="var(--enamel)" strokeWidth={6} />
        ))}
        {off.map(({ station, at }) => (
          <g key={station.id} transform={`translate(${at.x.toFixed(1)} ${at.y})`}>
            {symbols[station.symbol]}
          </g>
        ))}
        {pleats.map(({ at, count }) => (
          <text key={`${at.x} ${count}`} x={at.x} y={at.y + 30} fontSize={13} textAnchor="middle" fill="var(--ink)">
            {count} more
          </text>
        ))}
      </g>
      {on.map(({ station, at, hangs }) => {
        const lines = worked.get(station.id)!
        const isBelow = hangs === 'band'
        return (
          <g key={station.id}>
            {isBelow && <path d={`M${at.x} ${at.y}v54`} stroke="var(--deep)" strokeWidth={1.5} />}
            <g transform={`translate(${at.x.toFixed(1)} ${at.y})`}>{symbols[station.symbol]}</g>
            {names && (
              <text x={at.x} y={isBelow ? at.y + 84 : at.y - 34} fontSize={12} textAnchor="middle" fill="var(--ink)">
                {station.name}
              </text>
            )}
            {lines.map(({ n, isOpen }, k) => (
              <g
                key={n}
                transform={
                  isBelow
                    ? `translate(${at.x + (k - (lines.length - 1) / 2) * 24} ${at.y + 56})`
                    : `translate(${at.x + 30 + k * 24} ${at.y})`
                }
              >
                <circle
                  r={10.5}
                  fill={isOpen ? 'var(--enamel)' : 'var(--deep)'}
                  stroke={isOpen ? 'var(--seal)' : 'var(--deep)'}
                  strokeWidth={2}
                />
                <text
                  y={4.5}
                  fontSize={13}
                  textAnchor="middle"
                  fontWeight={650}
                  fill={isOpen ? 'var(--seal-ink)' : 'var(--enamel)'}
                >
                  {n}
                </text>
              </g>
            ))}
          </g>
        )
      })}
    </svg>
  )
}
