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
  let order: number[] = []
  for (const place of places) {
    let best: { order: number[]; roadMin: number } | null = null
    for (let i = 0; i <= order.length; i++) {
      const next = order.toSpliced(i, 0, place)
      const roadMin = lengthOf(travel, home, next)
      if (!best || roadMin < best.roadMin) best = { order: next, roadMin }
    }
    order = best!.order
  }
  let roadMin = lengthOf(travel, home, order)
  for (let better = true; better; ) {
    better = false
    for (const next of neighbours(order)) {
      const length = lengthOf(travel, home, next)
      if (length >= roadMin - 1e-9) continue
      order = next
      roadMin = length
      better = true
      break
    }
  }
  return { places: order, roadMin }
}

function* neighbours(order: readonly number[]): Generator<number[]> {
  const n = order.length
  for (let i = 0; i < n - 1; i++)
    for (let j = i + 1; j < n; j++)
      yield [...order.slice(0, i), ...order.slice(i, j + 1).reverse(), ...order.slice(j + 1)]
  for (let many = 1; many <= Math.min(3, n - 1); many++)
    for (let i = 0; i + many <= n; i++) {
      const moved = order.slice(i, i + many)
      const rest = order.toSpliced(i, many)
      for (let j = 0; j <= rest.length; j++) if (j !== i) yield rest.toSpliced(j, 0, ...moved)
    }
}

function lengthOf(travel: Travel, home: number, order: readonly number[]): number {
  let sum = 0
  let at = home
  for (const place of order) {
    sum += travel[at]![place]!
    at = place
  }
  return sum + travel[at]![home]!
}
