import type { Kind, Medium, PathLine, Station, StationSymbol } from '../../core/kinds/kind.ts'
import { besideSlot, branchRoom } from './branch-room.ts'
import { half, ordinary } from './half-widths.ts'

export interface Point {
  x: number
  y: number
}

/** A station in its place: its symbol's middle, and where its lifelines hang. */
export interface PlacedStation {
  station: Station
  at: Point
  /** `band` hangs below the main line on a leader; `beside` stands by a branch; `rail` by the control rail. */
  hangs: 'band' | 'beside' | 'rail'
  /** Left edge of what hangs there. */
  blockX: number
  leaderX: number
  hasTasks: boolean
}

export interface PlacedLine {
  id: string
  medium: Medium
  points: Point[]
  label?: { at: Point; text: string }
}

/** A run of stations that need nothing soon, folded into one pleat. */
export interface Pleat {
  at: Point
  count: number
}

/** How much hangs from the stations: what says nothing takes no room. */
export interface Room {
  /** Lines of the band below the main line: one a group of lifelines, one of words, none. */
  rows: number
  /** Stations that have something to say; a rail none of which has is folded away. */
  spoken: Set<string>
}

export interface PathLayout {
  pleats: Pleat[]
  width: number
  /** Where the drawing starts, and its lower edge. */
  top: number
  height: number
  mainY: number
  bandY: number
  rows: number
  /** The first rail at the foot; each further one a pitch lower. */
  railY: number
  rails: { y: number; words: string }[]
  stations: PlacedStation[]
  lines: PlacedLine[]
}

const mainY = 178
const laneY: Record<number, number> = { [-2]: 58, [-1]: 118, 1: 254 }
const bandY = 274
const rowPitch = 34
/** From one rail at the foot to the next. */
const railPitch = 84
/** Room a lifeline with its name needs. */
const slot = 96
const smallestWidth = 1232
/** After these the water is coffee. */
const brews: StationSymbol[] = ['basket', 'brew-unit', 'pod-head']

/** A kind's graph as far as it is drawn here. */
interface Drawn {
  kind: Kind
  /** On a small screen: the stations that are shown. */
  keep: Set<string> | undefined
  main: Station[]
  branches: PathLine[]
  shownOf(line: PathLine): Station[]
  hasTasks(station: Station): boolean
}

/** What has been placed so far; branches find there where they begin and end. */
interface Placed {
  stations: PlacedStation[]
  lines: PlacedLine[]
  place: Map<string, PlacedStation>
}

/**
 * Places a kind's path graph: main line from left to right with room for each lifeline, branches on
 * their lanes, the control rail at the foot. A new kind needs no more than its data.
 *
 * @param without - stations this machine does not have, such as a softener
 * @param kept - on a small screen: the stations to show, the rest folds into pleats
 * @param room - what hangs there; where absent there is room for all of it
 */
export function layOut(kind: Kind, without: Set<string> = new Set(), kept?: Set<string>, room?: Room): PathLayout {
  const keep = kept && withEnds(kind, kept)
  const byId = new Map(kind.stations.map((station) => [station.id, station]))
  const withTasks = new Set([
    'softener',
    ...kind.tasks.filter(({ by }) => by !== 'customer').map((task) => task.station),
    ...kind.vessels.map((vessel) => vessel.station),
  ])
  const here = (line: PathLine) => line.stations.filter((id) => !without.has(id)).map((id) => byId.get(id)!)
  const mainLine = kind.lines.find((line) => line.lane === 0)!
  const { main, folded } = fold(here(mainLine), keep)
  const shown = (line: PathLine) => !keep || line.stations.some((id) => keep.has(id))
  const drawn: Drawn = {
    kind,
    keep,
    main,
    branches: kind.lines.filter((line) => line.lane !== 0 && line.lane < 2 && shown(line)),
    shownOf: (line) => here(line).filter((station) => !keep || keep.has(station.id)),
    hasTasks: ({ id }) => withTasks.has(id),
  }
  const placed: Placed = { stations: [], lines: [], place: new Map() }
  const wide = placeMain(drawn, mainLine, placed)
  // What makes no coffee ends where its line ends.
  const cup = placed.stations.find(({ station }) => station.symbol === 'cup') ?? placed.stations.at(-1)!
  for (const line of drawn.branches) placeBranch(drawn, line, cup, placed)

  // A branch that runs on beyond the cup takes the sheet with it.
  const besides = placed.stations.filter(({ hangs }) => hangs === 'beside')
  const width = Math.max(wide, ...besides.map(({ blockX }) => blockX + slot))
  const rows = room ? room.rows : Math.max(1, kind.groups)
  const railY = bandY + 46 + (rows - 1) * rowPitch + 34
  const speaks = (line: PathLine) => !room || line.stations.some((id) => room.spoken.has(id))
  const rails = kind.lines
    .filter((line) => line.lane >= 2 && shown(line) && speaks(line))
    .sort((one, other) => one.lane - other.lane)
  rails.forEach((rail, n) => {
    placeRail(drawn, rail, railY + n * railPitch, width, placed)
  })
  // Without its upper branches the drawing starts where the main line's symbols do; on a desk the lens
  // switch stands there and wants its room.
  const lanes = drawn.branches.map((line) => line.lane)
  const top = lanes.includes(-2) ? 0 : lanes.includes(-1) ? 52 : keep ? 112 : 76
  const pleats = folded.map(({ id, count }) => ({ at: placed.place.get(id)!.at, count }))
  const real = placed.stations.filter(({ at }) => !pleats.some((pleat) => pleat.at === at))
  return {
    width,
    top,
    height: railY + (rails.length > 0 ? 30 + (rails.length - 1) * railPitch : -20),
    mainY,
    bandY,
    rows,
    railY,
    rails: rails.map((rail, n) => ({
      y: railY + n * railPitch,
      words: railName(rail),
    })),
    stations: real,
    lines: placed.lines,
    pleats,
  }
}

/** Where a hot-water tap leaves the station it stands under. */
const tapOffset = (station: Station) => half(station) * 0.62

/** What the stations of the main line need along it, in order, and how much before the first. */
function roomAlong({ main, branches, shownOf, hasTasks }: Drawn) {
  const fromOf = (medium: Medium) =>
    new Set(branches.filter((line) => line.medium === medium).map((line) => line.from?.station))
  const [tapped, drained] = [fromOf('hot-water'), fromOf('drain')]
  const leaderOffset = (station: Station) =>
    tapped.has(station.id) ? -half(station) * 0.66 : drained.has(station.id) ? -10 : 0
  const reach = (station: Station) => {
    if (tapped.has(station.id)) return tapOffset(station) + slot
    return hasTasks(station) ? Math.max(half(station) + 6, leaderOffset(station) + slot) : half(station) + 6
  }
  const need = main.map((station, i) => {
    const next = main[i + 1]
    return next ? Math.max(reach(station) - Math.min(0, leaderOffset(next)), half(station) + half(next) + 14) : 0
  })
  // Branches in one lane stand beside each other: each wants its room along the main line.
  let ahead = 0
  for (const { from, to, room } of branchRoom(branches, main, (line) => shownOf(line).length)) {
    const between = need.slice(Math.max(0, from), to).reduce((sum, each) => sum + each, 0) + (from < 0 ? ahead : 0)
    const more = Math.max(0, room - between)
    if (to > 0) need[to - 1]! += more
    else ahead += more
  }
  return { need, ahead, leaderOffset, isDrained: drained.size > 0 }
}

/** Places the main line and the coffee at its end. @returns how wide the sheet is for it */
function placeMain(drawn: Drawn, mainLine: PathLine, { stations, lines, place }: Placed): number {
  const { kind, keep, main, branches, hasTasks } = drawn
  const { need, ahead, leaderOffset, isDrained } = roomAlong(drawn)
  const last = main.at(-1)!
  const isTray = (id: string) => kind.stations.some((station) => station.id === id && station.symbol === 'tray')
  const hangsAtTheEnd =
    (last.symbol !== 'cup' && hasTasks(last)) ||
    branches.some((line) =>
      kind.stations.some((one) => line.stations.includes(one.id) && hasTasks(one) && isTray(one.id)),
    )
  const trayRoom = hangsAtTheEnd ? slot - 8 : isDrained ? 46 : 30
  const needed = half(main[0]!) + ahead + need.reduce((a, b) => a + b, 0) + trayRoom
  const wide = Math.max(keep ? 358 : smallestWidth, Math.ceil(needed))
  const spare = (wide - needed) / Math.max(1, main.length - 1)

  // What is chosen wears corners, which must not leave the sheet.
  let x = ahead + Math.max(half(main[0]!) + 2, keep ? 24 : 0)
  main.forEach((station, i) => {
    const isCup = station.symbol === 'cup'
    const leaderX = x + leaderOffset(station)
    const one: PlacedStation = {
      station,
      at: { x, y: isCup ? mainY + 46 : mainY },
      hangs: 'band',
      blockX: leaderX + 5,
      leaderX,
      hasTasks: hasTasks(station),
    }
    stations.push(one)
    place.set(station.id, one)
    x += need[i]! + spare
  })
  const end = stations.at(-1)!
  const cup = stations.find((placed) => placed.station.symbol === 'cup')
  const brewIndex = main.findIndex((station) => brews.includes(station.symbol))
  const brewX = (cup ? (stations[brewIndex] ?? stations.at(-2)!) : end).at.x
  lines.push({
    id: 'main',
    medium: mainLine.medium,
    points: [
      { x: stations[0]!.at.x, y: mainY },
      { x: brewX, y: mainY },
    ],
  })
  if (cup)
    lines.push({
      id: 'coffee',
      medium: 'coffee',
      points: [
        { x: brewX, y: mainY },
        { x: cup.at.x, y: mainY },
        { x: cup.at.x, y: mainY + 26 },
      ],
    })
  return wide
}

/** Places a branch on its lane: a tap below its vessel, a drain to under the cup, else along the lane. */
function placeBranch(drawn: Drawn, line: PathLine, cup: PlacedStation, placed: Placed): void {
  const { hasTasks, shownOf } = drawn
  const from = line.from && placed.place.get(line.from.station)
  const own = shownOf(line)
  const hung = (station: Station, hangs: PlacedStation['hangs'], at: Point, gap: number): void => {
    const one = { station, at, hangs, blockX: at.x + gap, leaderX: at.x, hasTasks: hasTasks(station) }
    placed.stations.push(one)
    placed.place.set(station.id, one)
  }
  if (line.medium === 'hot-water' && from) {
    const x = from.at.x + tapOffset(from.station)
    hung(own[0]!, 'band', { x, y: 252 }, 5)
    const points = [mainY + 50, 246].map((y) => ({ x, y }))
    placed.lines.push({ id: line.id, medium: line.medium, points })
    return
  }
  if (line.medium === 'drain' && from) {
    const y = laneY[1]!
    hung(own[0]!, 'band', { x: cup.at.x, y }, 5)
    const points = [
      { x: from.at.x, y: mainY + 14 },
      { x: from.at.x, y },
      { x: cup.at.x - 40, y },
    ]
    placed.lines.push({ id: line.id, medium: line.medium, points })
    return
  }
  placeAlong(line, own, placed, hung)
}

/** A branch along its lane, from where it leaves the main line or to where it meets it. */
function placeAlong(
  line: PathLine,
  own: Station[],
  { lines, place }: Placed,
  hung: (station: Station, hangs: PlacedStation['hangs'], at: Point, gap: number) => void,
): void {
  const from = line.from && place.get(line.from.station)
  const to = line.to && place.get(line.to.station)
  const y = laneY[line.lane]!
  const startX = from
    ? from.at.x + (line.lane === -2 ? -half(from.station) * 0.5 : 0)
    : to!.at.x - besideSlot * own.length
  let at = startX + (from ? 34 : 0)
  for (const station of own) {
    hung(station, 'beside', { x: at, y }, half(station) + 3)
    at += besideSlot
  }
  const points: Point[] = from
    ? [
        { x: startX, y: from.at.y - portAbove(from.station) },
        { x: startX, y },
      ]
    : [{ x: startX, y }]
  if (to && line.to?.port === 'left') {
    const entry = to.at.x - half(to.station)
    points.push({ x: entry - 16, y }, { x: entry - 16, y: mainY - 34 }, { x: entry + 2, y: mainY - 34 })
  } else if (to) {
    points.push({ x: to.at.x, y }, { x: to.at.x, y: mainY - portAbove(to.station) })
  } else {
    points.push({ x: at - besideSlot - 8, y })
  }
  lines.push({
    id: line.id,
    medium: line.medium,
    points,
    ...(line.label && { label: { at: { x: startX + 6, y: y - 8 }, text: line.label } }),
  })
}

/** A rail at the foot: what serves the whole machine. */
function placeRail({ keep, shownOf, hasTasks }: Drawn, rail: PathLine, y: number, width: number, placed: Placed): void {
  const own = shownOf(rail)
  const step = keep ? 124 : Math.min((width - 8) / own.length, 190)
  own.forEach((station, i) => {
    const at = { x: 18 + i * step, y }
    placed.stations.push({
      station,
      at,
      hangs: 'rail',
      blockX: at.x + Math.min(ordinary, half(station)),
      leaderX: at.x,
      hasTasks: hasTasks(station),
    })
  })
  placed.lines.push({
    id: rail.id,
    medium: rail.medium,
    points: [
      { x: 4, y },
      { x: 18 + Math.max(0, own.length - 1) * step, y },
    ],
  })
}

/** What stands on a rail at the foot, in words. */
export const railName = (line: PathLine): string =>
  line.medium === 'control' ? 'electrical and control' : (line.label ?? '')

/** Runs of stations that are not kept, each as one narrow stand-in. */
function fold(
  main: Station[],
  keep: Set<string> | undefined,
): { main: Station[]; folded: { id: string; count: number }[] } {
  if (!keep) return { main, folded: [] }
  const result: Station[] = []
  const folded: { id: string; count: number }[] = []
  for (const station of main) {
    if (keep.has(station.id)) {
      result.push(station)
      continue
    }
    const last = folded.at(-1)
    if (last && result.at(-1)?.id === last.id) last.count += 1
    else {
      folded.push({ id: `pleat ${station.id}`, count: 1 })
      result.push({ id: `pleat ${station.id}`, name: '', symbol: 'joint' })
    }
  }
  return { main: result, folded }
}

/** What is kept, with the stations its branches hang from, and the ends of the line. */
function withEnds(kind: Kind, keep: Set<string>): Set<string> {
  const kept = new Set(keep)
  for (const station of kind.stations) if (station.symbol === 'cup') kept.add(station.id)
  // A branch may hang from another: as long as ends are found, theirs are looked for too.
  for (let before = -1; before < kept.size; ) {
    before = kept.size
    for (const line of kind.lines) {
      if (line.lane === 0 || line.lane >= 2 || !line.stations.some((id) => kept.has(id))) continue
      if (line.from) kept.add(line.from.station)
      if (line.to) kept.add(line.to.station)
    }
  }
  return kept
}

/** Height of a symbol above the main line: where a branch leaves its top. */
function portAbove(station: Station): number {
  const heights: Partial<Record<StationSymbol, number>> = {
    boiler: 60,
    'small-boiler': 24,
    'full-boiler': 24,
    thermoblock: 36,
    'brew-unit': 38,
    pump: 20,
  }
  return heights[station.symbol] ?? 20
}
