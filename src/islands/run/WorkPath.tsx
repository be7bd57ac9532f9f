import { useMemo } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import { layOut, type Point } from '../path/layout.ts'
import { symbols } from '../path/symbols.tsx'

interface Props {
  kind: Kind
  without: Set<string>
  /** Stations the step works on. */
  lit: Set<string>
  words: string
  /** Only the stretch around what is worked on: for a narrow screen. */
  near?: boolean
}

const pad = 40

/** The path above a run: faint, with the stretch that is worked on in full and a bracket over it. */
export function WorkPath({ kind, without, lit, words, near = false }: Props) {
  const layout = useMemo(() => layOut(kind, without), [kind, without])
  const stations = layout.stations.filter(({ hangs }) => hangs !== 'rail')
  const on = stations.filter(({ station }) => lit.has(station.id))
  const main = on.filter(
    ({ hangs, station }) => hangs === 'band' && station.symbol !== 'tray' && station.symbol !== 'tap',
  )
  const xs = (main.length > 0 ? main : on).map(({ at }) => at.x)
  const [left, right] = [Math.min(...xs) - pad, Math.max(...xs) + pad]
  const railIds = new Set(kind.lines.filter(({ lane }) => lane >= 2).map(({ id }) => id))
  const pipes = layout.lines.filter(({ id }) => !railIds.has(id))
  const d = (points: Point[]) => `M${points.map(({ x, y }) => `${x.toFixed(1)} ${y}`).join('L')}`
  const drained = pipes.filter(
    ({ medium }) => medium === 'drain' && on.some(({ station }) => station.symbol === 'tray'),
  )
  // Only as high as the main line, unless a branch above it is worked on.
  const top = Math.min(layout.mainY - 92, ...on.filter(({ hangs }) => hangs === 'beside').map(({ at }) => at.y - 44))
  const bracketY = layout.mainY - 62
  const [from, to] =
    near && xs.length > 0 ? [Math.max(0, left - 120), Math.min(layout.width, right + 160)] : [0, layout.width]
  return (
    <svg
      viewBox={`${from} ${top} ${to - from} ${layout.mainY + 92 - top}`}
      className="block h-full w-full"
      preserveAspectRatio="xMaxYMid meet"
      role="img"
      aria-label={
        on.length > 0 ? `${words}: ${on.map(({ station }) => station.name.toLowerCase()).join(', ')}` : 'Water path'
      }
    >
      <g opacity={0.32}>
        {pipes.map((line) => (
          <path key={line.id} d={d(line.points)} fill="none" stroke="var(--deep)" strokeWidth={7} />
        ))}
        {pipes.map((line) => (
          <path key={line.id} d={d(line.points)} fill="none" stroke="var(--enamel)" strokeWidth={4} />
        ))}
        {stations.map(({ station, at }) => (
          <g key={station.id} transform={`translate(${at.x.toFixed(1)} ${at.y})`}>
            {symbols[station.symbol]}
          </g>
        ))}
      </g>
      {main.length > 0 && <path d={`M${left} ${layout.mainY}H${right}`} stroke="var(--water)" strokeWidth={7} />}
      {drained.map((line) => (
        <path key={line.id} d={d(line.points)} fill="none" stroke="var(--water)" strokeWidth={5} />
      ))}
      {on.map(({ station, at }) => (
        <g key={station.id} transform={`translate(${at.x.toFixed(1)} ${at.y})`}>
          {symbols[station.symbol]}
        </g>
      ))}
      {main.length > 0 && (
        <g stroke="var(--copper)" strokeWidth={2.5} fill="none">
          <path d={`M${left} ${bracketY + 10}V${bracketY}H${right}V${bracketY + 10}`} />
          <text
            x={(left + right) / 2}
            y={bracketY - 9}
            fontSize={20}
            textAnchor="middle"
            className="slim"
            fill="var(--copper)"
            stroke="none"
          >
            {words}
          </text>
        </g>
      )}
    </svg>
  )
}
