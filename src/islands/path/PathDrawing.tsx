import { type ReactNode, useMemo } from 'react'
import type { Kind, Medium } from '../../core/kinds/kind.ts'
import { byDue, type Standing } from '../../core/standing/standing.ts'
import { Lifeline } from '../../ui/Lifeline.tsx'
import { lasts, urgencyInk, urgencyOf } from '../../ui/urgency.ts'
import { layOut, type PathLayout, type PlacedLine, type PlacedStation, railScale } from './layout.ts'
import { symbols } from './symbols.tsx'

/** What hangs from a station: lifelines, or a line of words. */
export interface Hanging {
  standings: Standing[]
  words?: string
}

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
  onUnfold?: () => void
  /** What a lens draws over the path in place of the band: names and leaders there make way. */
  overlay?: (layout: PathLayout) => ReactNode
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
  const { kind, today, without, hanging, chosen, onChoose, keep, onUnfold, overlay } = props
  const layout = useMemo(() => layOut(kind, without, keep), [kind, without, keep])
  const { width, top } = layout
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
          placed.hasDuties &&
          !overlay && (
            <Leader
              key={placed.station.id}
              placed={placed}
              until={layout.bandY + (hanging.size === 0 ? 14 : 27 + (layout.rows - 1) * 34)}
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
          aria-label={overlay ? `${count} more stations: show them` : `${count} stations are fine: show them`}
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
            {count} {overlay ? 'more' : 'fine'}
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

const bottoms: Record<string, number> = {
  softener: 41,
  tank: 34,
  boiler: 62,
  thermoblock: 31,
  'small-boiler': 25,
  'full-boiler': 25,
  chute: 15,
  'brew-unit': 37,
  'pod-head': 35,
  group: 35,
  screen: 33,
  basket: 37,
  pump: 33,
  'flow-meter': 18,
  strainer: 19,
  nozzle: 25,
  tray: 10,
  tap: 13,
  'three-way': 17,
}
const bottomOf = (placed: PlacedStation) => bottoms[placed.station.symbol] ?? 14

interface MarkProps {
  placed: PlacedStation
  today: string
  bandY: number
  hanging: Hanging | undefined
  chosen: boolean
  onChoose: Props['onChoose']
  /** Drawn without its name: a lens writes there. */
  bare: boolean
}

function StationMark({ placed, today, bandY, hanging, chosen, onChoose, bare }: MarkProps) {
  const { station, at, hangs, blockX, hasDuties } = placed
  const standings = hanging?.standings ?? []
  const rows = rowsOf(standings, hangs)
  const soonest = rows.flatMap((row) => row.standing ?? []).sort(byDue)[0] ?? null
  const blockY = hangs === 'band' ? bandY : hangs === 'beside' ? at.y - 53 : at.y - 24
  const box = frame(placed)
  const label = hasDuties
    ? `${station.name}: ${soonest ? `${soonest.name}, ${lasts(soonest.due, today)}` : (hanging?.words ?? 'nothing due')}`
    : station.name
  const drawing = (
    <>
      <g
        transform={`translate(${at.x.toFixed(1)} ${at.y})${hangs === 'rail' ? ` scale(${railScale(station.symbol).toFixed(2)})` : ''}`}
      >
        {symbols[station.symbol]}
      </g>
      {hasDuties && !bare && (
        <text x={blockX} y={blockY + 12} fontSize={13} className="slim" fill="var(--ink)">
          {station.name}
        </text>
      )}
      {hanging?.words && (
        <text
          x={blockX}
          y={blockY + (hangs === 'rail' ? 41 : 27)}
          fontSize={12}
          className="mono"
          fill={chosen ? 'var(--copper)' : 'var(--second)'}
        >
          {hanging.words}
        </text>
      )}
      {!hanging?.words &&
        rows.map(
          (row, i) =>
            row.standing && (
              <g key={row.standing.key}>
                {row.number && (
                  <text
                    x={placed.leaderX - 4}
                    y={blockY + 26 + i * 34}
                    fontSize={12.5}
                    textAnchor="end"
                    className="mono"
                    fill="var(--second)"
                  >
                    {row.number}
                  </text>
                )}
                <Lifeline
                  standing={row.standing}
                  today={today}
                  x={hangs === 'band' ? placed.leaderX : blockX}
                  y={blockY + 18 + i * 34}
                  width={hangs === 'band' ? 84 : 80}
                />
                <Reading standing={row.standing} today={today} x={blockX} y={blockY + 40 + i * 34} />
              </g>
            ),
        )}
      {chosen && <Corners {...box} />}
    </>
  )
  if (!hasDuties || (bare && !hanging)) return <g>{drawing}</g>
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button cannot stand inside a drawing
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={chosen}
      className="cursor-pointer"
      onClick={() => onChoose(station.id, soonest)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return
        event.preventDefault()
        event.stopPropagation()
        onChoose(station.id, soonest)
      }}
    >
      <rect x={box.x} y={box.y} width={box.width} height={box.height} fill="transparent" />
      {!bare && <rect x={blockX - 4} y={blockY} width={90} height={44} fill="transparent" />}
      {hangs === 'band' && !bare && (
        <rect x={placed.leaderX - 8} y={at.y} width={16} height={blockY - at.y} fill="transparent" />
      )}
      {drawing}
    </g>
  )
}

/** One row a group in the band; beside branches and on the rail the soonest speaks for all. */
function rowsOf(
  standings: Standing[],
  hangs: PlacedStation['hangs'],
): { number?: number; standing: Standing | undefined }[] {
  const soonest = (some: Standing[]) => [...some].sort(byDue)[0]
  const numbers = [
    ...new Set(standings.flatMap((standing) => (standing.instance?.startsWith('group') ? [standing.index!] : []))),
  ].sort()
  if (hangs !== 'band' || numbers.length < 2) return [{ standing: soonest(standings) }]
  return numbers.map((number) => ({
    number,
    standing: soonest(standings.filter((standing) => standing.index === number)),
  }))
}

/** What fits under a lifeline: the verb where it is not a replacement, the spread where there is room. */
function shortReading(standing: Standing, today: string): string {
  const verb = standing.action === 'replace' ? '' : `${standing.action === 'regenerate' ? 'regen.' : standing.action} `
  const text = `${verb}${lasts(standing.due, today)}`
  if (text.length <= 12) return text
  const short = text.replace(/ ±\d+$/, '').replace('overdue', 'over')
  return short.length <= 12 ? short : lasts(standing.due, today).replace('overdue', 'over')
}

function Reading({ standing, today, x, y }: { standing: Standing; today: string; x: number; y: number }) {
  const urgency = urgencyOf(standing.due, today)
  const text = shortReading(standing, today)
  return (
    <g>
      <text
        x={x}
        y={y}
        fontSize={12}
        className="mono"
        fill={urgencyInk[urgency]}
        fontWeight={urgency === 'overdue' ? 600 : 500}
        letterSpacing={-0.3}
      >
        {text}
      </text>
      {urgency === 'soon' && (
        <path d={`M${x} ${y + 3.5}h${text.length * 6.9}`} stroke="var(--brass)" strokeWidth={1.5} />
      )}
    </g>
  )
}

function frame(placed: PlacedStation) {
  const small = placed.hangs === 'rail' && railScale(placed.station.symbol) < 1
  if (small) return { x: placed.at.x - 19, y: placed.at.y - 19, width: 38, height: 38 }
  const half =
    { boiler: 82, tank: 52, thermoblock: 50, 'brew-unit': 62, 'pod-head': 52, nozzle: 48, softener: 28 }[
      placed.station.symbol as string
    ] ?? (placed.hangs === 'band' ? 25 : 17)
  const up =
    { boiler: 66, softener: 56, 'three-way': 38, valve: 38 }[placed.station.symbol as string] ??
    (placed.hangs === 'band' ? 42 : 17)
  const down = placed.hangs === 'band' ? bottomOf(placed) + 4 : 17
  return { x: placed.at.x - half, y: placed.at.y - up, width: 2 * half, height: up + down }
}

/** Four copper corners: chosen. */
function Corners({ x, y, width, height }: { x: number; y: number; width: number; height: number }) {
  const [r, b] = [x + width, y + height]
  return (
    <path
      d={`M${x} ${y + 9}V${y}H${x + 9}M${r - 9} ${y}H${r}V${y + 9}M${r} ${b - 9}V${b}H${r - 9}M${x + 9} ${b}H${x}V${b - 9}`}
      fill="none"
      stroke="var(--copper)"
      strokeWidth={2}
    />
  )
}
