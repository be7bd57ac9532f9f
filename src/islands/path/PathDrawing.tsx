import { type ReactNode, useMemo } from 'react'
import type { Kind, Medium } from '../../core/kinds/kind.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { layOut, type PathLayout, type PlacedLine, type PlacedStation } from './layout.ts'
import { groupsOf, type Hanging, StationMark } from './StationMark.tsx'
import { bottomOf } from './station-bottoms.ts'

interface Props {
  kind: Kind
  today: string
  /** Stations this machine does not have. */
  without: Set<string>
  hanging: Map<string, Hanging>
  chosen: string | null
  onChoose: (station: string, standing: Standing | null) => void
  /** On a small screen: the stations to show; the rest is folded. */
  keep?: Set<string>
  /** Stations that have something to say: rails without any are folded away. All are drawn where absent. */
  spoken?: Set<string>
  onUnfold?: () => void
  /** What a lens draws over the path in place of the band: names and leaders there make way. */
  overlay?: (layout: PathLayout) => ReactNode
  /** What a lens draws behind the path. */
  underlay?: (layout: PathLayout) => ReactNode
}

const inside: Record<Medium, string> = {
  water: 'var(--tint)',
  steam: 'var(--steam-in)',
  'hot-water': 'var(--tint)',
  drain: 'var(--drain-in)',
  coffee: 'var(--coffee-in)',
  beans: 'var(--beans-in)',
  milk: 'var(--enamel)',
  control: 'var(--enamel)',
}
const outline: Record<Medium, string> = {
  water: 'var(--deep)',
  steam: 'var(--steam)',
  'hot-water': 'var(--deep)',
  drain: 'var(--second)',
  coffee: 'var(--coffee)',
  beans: 'var(--coffee)',
  milk: 'var(--second)',
  control: 'var(--second)',
}
const bore: Record<Medium, number> = {
  water: 6,
  coffee: 6,
  steam: 3.5,
  'hot-water': 3.5,
  drain: 3,
  beans: 3.5,
  milk: 3,
  control: 1,
}

/**
 * The machine's water path from supply to cup, drawn from its kind's data. What hangs from the stations
 * is the lens's affair; the drawing itself never moves.
 */
export function PathDrawing(props: Props) {
  const { kind, today, without, hanging, chosen, onChoose, keep, spoken, onUnfold, overlay, underlay } = props
  const rows = rowsOf([...hanging].flatMap(([id, one]) => (!keep || keep.has(id) ? [one] : [])))
  const layout = useMemo(
    () => layOut(kind, without, keep, spoken && { rows, spoken }),
    [kind, without, keep, rows, spoken],
  )
  const { width, top } = layout
  /** Only where dates hang does the rest stand well. */
  const due = [...hanging.values()].some(({ standings }) => standings.length > 0)
  // A lens of the water leaves the electrical rail away: nothing of the path moves.
  const height = (overlay ? layout.bandY + 72 : layout.height) - top
  const stations = overlay ? layout.stations.filter(({ hangs }) => hangs !== 'rail') : layout.stations
  const railIds = new Set(kind.lines.filter(({ lane }) => lane >= 2).map(({ id }) => id))
  const pipes = layout.lines.filter((line) => !railIds.has(line.id))
  const rails = overlay ? [] : layout.lines.filter((line) => railIds.has(line.id))
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset cannot be a drawing
    <svg
      width={width}
      height={height}
      viewBox={`0 ${top} ${width} ${height}`}
      className={keep ? 'block' : 'block min-w-full print:h-auto print:w-full'}
      role="group"
      aria-label={`Water path: ${kind.name}`}
    >
      {underlay?.(layout)}
      {/* All outlines first, then all insides, so that tees merge. */}
      {pipes.map((line) => (
        <path
          key={line.id}
          d={d(line)}
          fill="none"
          stroke={outline[line.medium]}
          strokeWidth={bore[line.medium] + 3}
          strokeLinejoin="round"
        />
      ))}
      {pipes.map((line) => (
        <path
          key={line.id}
          d={d(line)}
          fill="none"
          stroke={inside[line.medium]}
          strokeWidth={bore[line.medium]}
          strokeLinejoin="round"
        />
      ))}
      {pipes.map(
        (line) =>
          line.label && (
            <text
              key={line.id}
              x={line.label.at.x}
              y={line.label.at.y}
              fontSize={12.5}
              className="slim"
              fill={line.medium === 'steam' ? 'var(--steam-text)' : 'var(--second)'}
            >
              {layout.stations.some(
                (placed) =>
                  placed.hangs === 'beside' &&
                  placed.at.y === line.points.at(1)?.y &&
                  placed.at.x - line.label!.at.x < 40,
              )
                ? ''
                : line.label.text}
            </text>
          ),
      )}
      {rails.map((rail) => (
        <path key={rail.id} d={d(rail)} stroke="var(--second)" strokeWidth={1} strokeDasharray="2 3" fill="none" />
      ))}
      {!overlay &&
        layout.rails.map(({ y, words }, i) => (
          <text key={words} x={4} y={y - (i === 0 ? 24 : 38)} fontSize={12.5} className="slim" fill="var(--second)">
            {words}
          </text>
        ))}
      {layout.stations.map(
        (placed) =>
          placed.hangs === 'band' &&
          placed.hasTasks &&
          !overlay && (
            <Leader
              key={placed.station.id}
              placed={placed}
              until={layout.bandY + (hanging.size === 0 ? 14 : Math.max(14, 27 + (layout.rows - 1) * 34))}
              chosen={chosen === placed.station.id}
            />
          ),
      )}
      {layout.pleats.map(({ at, count }) => (
        // biome-ignore lint/a11y/useSemanticElements: a button cannot stand inside a drawing
        <g
          key={at.x}
          role="button"
          tabIndex={0}
          aria-label={due ? `${count} stations are fine: show them` : `${count} more stations: show them`}
          className="cursor-pointer"
          onClick={onUnfold}
          onKeyDown={(event) => event.key === 'Enter' && onUnfold?.()}
        >
          <rect x={at.x - 24} y={at.y - 28} width={48} height={64} fill="var(--enamel)" />
          <path
            d={`M${at.x - 24} ${at.y}h6l5 -11l8 22l8 -22l8 22l5 -11h8`}
            fill="none"
            stroke="var(--deep)"
            strokeWidth={1.5}
          />
          <text x={at.x} y={at.y + 32} fontSize={13.5} textAnchor="middle" className="slim" fill="var(--second)">
            {count} {due ? 'fine' : 'more'}
          </text>
        </g>
      ))}
      {stations.map((placed) => (
        <StationMark
          key={placed.station.id}
          placed={placed}
          today={today}
          bandY={layout.bandY}
          hanging={hanging.get(placed.station.id)}
          chosen={chosen === placed.station.id}
          onChoose={onChoose}
          bare={overlay !== undefined && placed.hangs === 'band'}
        />
      ))}
      {overlay?.(layout)}
    </svg>
  )
}

/** Lines that hang from the busiest station: a lifeline a group, or one of words. */
const rowsOf = (hanging: Hanging[]): number =>
  Math.max(
    0,
    ...hanging.map(({ standings, words }) => (standings.length > 0 ? groupsOf(standings).length || 1 : words ? 1 : 0)),
  )

const d = (line: PlacedLine) => `M${line.points.map(({ x, y }) => `${x.toFixed(1)} ${y}`).join('L')}`

/** A leader breaks the pipes it crosses with a gap of five. */
function Leader({ placed, until, chosen }: { placed: PlacedStation; until: number; chosen: boolean }) {
  const from = placed.at.y + bottomOf(placed)
  const path = `M${placed.leaderX} ${from}V${until}`
  return (
    <g>
      <path d={path} stroke="var(--enamel)" strokeWidth={11} />
      <path d={path} stroke={chosen ? 'var(--copper)' : 'var(--second)'} strokeWidth={chosen ? 1.75 : 1} />
    </g>
  )
}
