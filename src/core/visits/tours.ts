/** Stops of one technician’s day in the order of the shortest way round. */
export interface Tour {
  /** Places, home left out. */
  places: readonly number[]
  roadMin: number
}

type Travel = readonly (readonly number[])[]

export const stayAtHome: Tour = { places: [], roadMin: 0 }

/** Up to so many stops the shortest way round is found exactly. */
const exactPlaces = 8
/** Ways round that are remembered; then all are forgotten. */
const mostKept = 100_000

/** The shortest ways round, each reckoned once: the same places always give the same way. */
export class Tours {
  private readonly kept = new Map<string, Tour>()

  constructor(private readonly travel: Travel) {}

  /** @param places - in any order, none twice */
  round(home: number, places: readonly number[]): Tour {
    if (places.length === 0) return stayAtHome
    const sorted = [...places].sort((a, b) => a - b)
    const key = `${home}:${sorted.join()}`
    const known = this.kept.get(key)
    if (known) return known
    if (this.kept.size >= mostKept) this.kept.clear()
    const tour =
      sorted.length <= exactPlaces ? shortest(this.travel, home, sorted) : straightened(this.travel, home, sorted)
    this.kept.set(key, tour)
    return tour
  }
}

/** The least further road for one more place, put in where the way round is. */
export function furtherRoad(travel: Travel, home: number, { places }: Tour, place: number): number {
  let more = Number.POSITIVE_INFINITY
  let from = home
  for (let i = 0; i <= places.length; i++) {
    const to = i < places.length ? places[i]! : home
    const extra = travel[from]![place]! + travel[place]![to]! - travel[from]![to]!
    if (extra < more) more = extra
    from = to
  }
  return more
}

/** Held and Karp 1962, without hours. */
function shortest(travel: Travel, home: number, places: readonly number[]): Tour {
  const n = places.length
  const least = new Float64Array(n << n).fill(Number.POSITIVE_INFINITY)
  const before = new Int8Array(n << n).fill(-1)
  for (let i = 0; i < n; i++) least[(1 << i) * n + i] = travel[home]![places[i]!]!
  for (let set = 1; set < 1 << n; set++)
    for (let last = 0; last < n; last++) {
      const so = least[set * n + last]!
      if (so === Number.POSITIVE_INFINITY) continue
      for (let i = 0; i < n; i++) {
        if (set & (1 << i)) continue
        const at = (set | (1 << i)) * n + i
        const sum = so + travel[places[last]!]![places[i]!]!
        if (sum < least[at]!) {
          least[at] = sum
          before[at] = last
        }
      }
    }
  let set = (1 << n) - 1
  let last = 0
  const back = (i: number) => least[set * n + i]! + travel[places[i]!]![home]!
  for (let i = 1; i < n; i++) if (back(i) < back(last)) last = i
  const roadMin = back(last)
  const order: number[] = []
  while (last >= 0) {
    order.unshift(places[last]!)
    const next = before[set * n + last]!
    set &= ~(1 << last)
    last = next
  }
  return { places: order, roadMin }
}

/** Put in one by one, then until no stretch turned round (Croes 1958) and no stops moved (Or 1976) shorten the way. */
function straightened(travel: Travel, home: number, places: readonly number[]): Tour {
  // Home at both ends; roads may be longer one way than the other.
  let way = [home, home]
  for (const place of places) {
    let at = 1
    let least = Number.POSITIVE_INFINITY
    for (let i = 1; i < way.length; i++) {
      const more = travel[way[i - 1]!]![place]! + travel[place]![way[i]!]! - travel[way[i - 1]!]![way[i]!]!
      if (more < least) [least, at] = [more, i]
    }
    way = way.toSpliced(at, 0, place)
  }
  for (let next = shorter(travel, way); next; next = shorter(travel, way)) way = next
  return { places: way.slice(1, -1), roadMin: lengthOf(travel, way) }
}

/** The first way found that is shorter by one stretch turned round, or by up to three stops put elsewhere. */
function shorter(travel: Travel, way: readonly number[]): number[] | null {
  const road = (from: number, to: number) => travel[way[from]!]![way[to]!]!
  // Minutes to each stop along the way, and the same way driven back.
  const along = new Float64Array(way.length)
  const back = new Float64Array(way.length)
  for (let i = 1; i < way.length; i++) {
    along[i] = along[i - 1]! + road(i - 1, i)
    back[i] = back[i - 1]! + road(i, i - 1)
  }
  const last = way.length - 2
  for (let i = 1; i < last; i++)
    for (let j = i + 1; j <= last; j++) {
      const was = along[j + 1]! - along[i - 1]!
      if (road(i - 1, j) + back[j]! - back[i]! + road(i, j + 1) < was - little)
        return [...way.slice(0, i), ...way.slice(i, j + 1).reverse(), ...way.slice(j + 1)]
    }
  for (let many = 1; many <= 3; many++)
    for (let i = 1; i + many - 1 <= last; i++) {
      const end = i + many - 1
      const won = road(i - 1, i) + road(end, end + 1) - road(i - 1, end + 1)
      for (let j = 0; j <= last; j++) {
        if (j >= i - 1 && j <= end) continue
        if (road(j, i) + road(end, j + 1) - road(j, j + 1) >= won - little) continue
        const rest = way.toSpliced(i, many)
        return rest.toSpliced(j < i ? j + 1 : j + 1 - many, 0, ...way.slice(i, end + 1))
      }
    }
  return null
}

/** Less is no gain: figures are added up and taken away. */
const little = 1e-9

function lengthOf(travel: Travel, way: readonly number[]): number {
  let sum = 0
  for (let i = 1; i < way.length; i++) sum += travel[way[i - 1]!]![way[i]!]!
  return sum
}
