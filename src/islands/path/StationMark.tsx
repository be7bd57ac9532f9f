import { byDue, type Standing } from '../../core/standing/standing.ts'
import { Lifeline } from '../../ui/Lifeline.tsx'
import { lasts, urgencyInk, urgencyOf } from '../../ui/urgency.ts'
import { railScale } from './half-widths.ts'
import type { PlacedStation } from './layout.ts'
import { bottomOf } from './station-bottoms.ts'
import { symbols } from './symbols.tsx'

/** What hangs from a station: lifelines, or a line of words. */
export interface Hanging {
  standings: Standing[]
  words?: string
}

interface MarkProps {
  placed: PlacedStation
  today: string
  bandY: number
  hanging: Hanging | undefined
  chosen: boolean
  onChoose: (station: string, standing: Standing | null) => void
  /** Drawn without its name: a lens writes there. */
  bare: boolean
}

/** A station as it stands in the drawing: symbol, name, what hangs from it; pressed, it is chosen. */
export function StationMark({ placed, today, bandY, hanging, chosen, onChoose, bare }: MarkProps) {
  const { station, at, hangs, blockX, hasTasks } = placed
  const standings = hanging?.standings ?? []
  const rows = rowsOf(standings, hangs)
  const soonest = rows.flatMap((row) => row.standing ?? []).sort(byDue)[0] ?? null
  const blockY = hangs === 'band' ? bandY : hangs === 'beside' ? at.y - 53 : at.y - 24
  const box = frame(placed)
  const label = hasTasks
    ? `${station.name}: ${soonest ? `${soonest.name}, ${lasts(soonest.due, today, soonest.unseen)}` : (hanging?.words ?? 'nothing due')}`
    : station.name
  const drawing = (
    <>
      <g
        transform={`translate(${at.x.toFixed(1)} ${at.y})${hangs === 'rail' ? ` scale(${railScale(station.symbol).toFixed(2)})` : ''}`}
      >
        {symbols[station.symbol]}
      </g>
      {hasTasks && !bare && (
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
  // Wide enough for a thumb: the mark, what is written by it, and the line between them.
  const touched = [
    area(box.x, box.y, box.width, box.height),
    ...(bare ? [] : [area(blockX - 4, blockY, 90, 44)]),
    ...(hangs === 'band' && !bare ? [area(placed.leaderX - 8, at.y, 16, blockY - at.y)] : []),
  ].join('')
  if (!hasTasks || (bare && !hanging)) return <g>{drawing}</g>
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
      <path d={touched} fill="transparent" />
      {drawing}
    </g>
  )
}

const area = (x: number, y: number, width: number, height: number) => `M${x} ${y}h${width}v${height}h${-width}z`

/** Groups that standings are about, by number. */
export const groupsOf = (standings: Standing[]): number[] =>
  [
    ...new Set(standings.flatMap((standing) => (standing.instance?.startsWith('group') ? [standing.index!] : []))),
  ].sort()

/** One row a group in the band; beside branches and on the rail the soonest speaks for all. */
function rowsOf(
  standings: Standing[],
  hangs: PlacedStation['hangs'],
): { number?: number; standing: Standing | undefined }[] {
  const soonest = (some: Standing[]) => [...some].sort(byDue)[0]
  const numbers = groupsOf(standings)
  if (hangs !== 'band' || numbers.length < 2) return [{ standing: soonest(standings) }]
  return numbers.map((number) => ({
    number,
    standing: soonest(standings.filter((standing) => standing.index === number)),
  }))
}

/** What fits under a lifeline: the verb where it is not a replacement, the spread where there is room. */
function shortReading(standing: Standing, today: string): string {
  const verb = standing.action === 'replace' ? '' : `${standing.action === 'regenerate' ? 'regen.' : standing.action} `
  const text = `${verb}${lasts(standing.due, today, standing.unseen)}`
  if (text.length <= 12) return text
  const short = text.replace(/ (±\d+|or more)$/, '').replace('overdue', 'over')
  return short.length <= 12 ? short : lasts(standing.due, today, standing.unseen).replace('overdue', 'over')
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
