import type { DayProblem } from '../../../core/rounds/day-problem.ts'
import { searchDay } from '../../../core/rounds/order-search.ts'

/** An order that stands, of stops of a problem that has others too. */
export interface LookQuestion {
  problem: DayProblem
  order: number[]
}

/** Null where nothing better was found. */
export interface LookAnswer {
  order: number[] | null
}

/** So long it looks, ms, and so much less road makes it worth a word, min. */
const lookMs = 2000
const worthMin = 3

self.onmessage = ({ data: { problem, order } }: MessageEvent<LookQuestion>) => {
  const stops = order.map((i) => problem.stops[i]!)
  const began = performance.now()
  const own = { ...problem, stops }
  const given = [order.map((_, n) => n)]
  const found = searchDay(own, { given, rounds: 40_000, spent: () => (performance.now() - began) / lookMs })
  const before = searchDay(own, { given, rounds: 0 })
  const isBetter = found.cost.unserved === 0 && before.cost.travelMin - found.cost.travelMin >= worthMin
  self.postMessage({ order: isBetter ? found.routes[0]!.map((n) => order[n]!) : null } satisfies LookAnswer)
}
