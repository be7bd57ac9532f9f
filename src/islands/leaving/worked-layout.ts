import type { LeftSubject } from '../../core/close-out/left-subjects.ts'
import type { Kind, Station } from '../../core/kinds/kind.ts'
import { stationOf } from '../../core/ledger/station-of.ts'
import { layOut, type PlacedLine, type PlacedStation, type Pleat, type Point } from '../path/layout.ts'

/** Lines of what was done, by the station they are about: their numbers, and whether it was left open. */
export type Worked = Map<string, { n: number; isOpen: boolean }[]>

export type PlacedWork = Pick<PlacedStation, 'station' | 'at' | 'hangs'>

/** A machine’s path as it is drawn small: what was worked on in full, the rest as a ghost. */
export interface WorkedLayout {
  width: number
  top: number
  bottom: number
  pipes: PlacedLine[]
  pleats: Pleat[]
  on: PlacedWork[]
  off: PlacedWork[]
}

/**
 * Where what was worked on stands. What holds the water is a landmark; of the rest only what was worked on stands in full,
 * the path is pleated. What serves the whole machine stands in a row close below it, as far as it was touched.
 */
export function workedLayout(kind: Kind, without: Set<string>, worked: Worked): WorkedLayout {
  const kept = new Set([...worked.keys(), ...kind.vessels.slice(0, 1).map(({ station }) => station)])
  const layout = layOut(kind, without, kept, { rows: 0, spoken: new Set(worked.keys()) })
  const railIds = new Set(kind.lines.filter(({ lane }) => lane >= 2).map(({ id }) => id))
  const railY = Math.max(
    layout.mainY + 112,
    ...layout.stations.filter(({ hangs }) => hangs !== 'rail').map(({ at }) => at.y + 84),
  )
  let onRail = 0
  const placed = layout.stations.flatMap(({ station, at, hangs }): PlacedWork[] => {
    if (hangs !== 'rail') return [{ station, at, hangs }]
    if (!worked.has(station.id)) return []
    onRail += 1
    return [{ station, at: { x: 40 + (onRail - 1) * 110, y: railY }, hangs }]
  })
  const isOn = ({ id }: Station) => worked.has(id)
  const on = placed.filter(({ station }) => isOn(station))
  return {
    width: layout.width,
    top: Math.min(layout.mainY - 62, ...placed.map(({ at }) => at.y - 34)),
    bottom: Math.max(layout.mainY + 62, ...on.map(({ at, hangs }) => at.y + (hangs === 'band' ? 72 : 34))),
    pipes: layout.lines.filter(({ id }) => !railIds.has(id)),
    pleats: layout.pleats,
    on,
    off: placed.filter(({ station }) => !isOn(station)),
  }
}

/** Numbers of the lines at the stations they are about. */
export function workedAt({ lines, rest, machineKind }: LeftSubject): Worked {
  const at: Worked = new Map()
  const put = (station: string | undefined, n: number, isOpen: boolean) => {
    if (station) at.set(station, [...(at.get(station) ?? []), { n, isOpen }])
  }
  for (const [i, line] of lines.entries()) put(line.station, i + 1, line.isOpen)
  if (machineKind)
    for (const [i, entry] of rest.entries())
      put(stationOf(entry, machineKind) ?? undefined, lines.length + i + 1, false)
  return at
}

/** A pipe as it is drawn. */
export const pipePath = (points: Point[]): string => `M${points.map(({ x, y }) => `${x.toFixed(1)} ${y}`).join('L')}`
