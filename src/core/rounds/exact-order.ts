import { compareDays, type DayCost, type DayProblem } from './day-problem.ts'
import { home, type Moment, served, setOut } from './walk.ts'

/** Up to so many stops every order is weighed. */
export const exactStops = 10

interface Label extends Moment {
  before: Label | null
  stop: number
}

const tiny = 1e-9

/**
 * The best order of one outing, exactly: by dynamic programming over sets of stops (Held and Karp 1962). Each set and
 * last stop keeps every way to it that is not worse both in travel and in time, since the shorter way may be the later.
 *
 * @param which - the stops that may be served, at most about a dozen
 * @returns fewest left out, then least travel, then home earliest
 */
export function exactOrder(problem: DayProblem, which: readonly number[], k = 0): { order: number[]; cost: DayCost } {
  const outing = problem.outings[k]!
  const n = which.length
  const sets: (Label[] | undefined)[] = new Array(n << n)
  let best: { label: Label | null; cost: DayCost } = {
    label: null,
    cost: { unserved: n, travelMin: 0, finishMin: outing.startMin },
  }
  const keep = (set: number, last: number, label: Label) => {
    const at = set * n + last
    const labels = sets[at]
    if (!labels) sets[at] = [label]
    else if (!labels.some((other) => isNoWorse(other, label)))
      sets[at] = [...labels.filter((other) => !isNoWorse(label, other)), label]
  }
  const from = (label: Label | null, place: number, set: number) => {
    for (let i = 0; i < n; i++) {
      if (set & (1 << i)) continue
      const stop = problem.stops[which[i]!]!
      const next = served(problem, outing, label ?? setOut(outing), place, stop)
      if (next) keep(set | (1 << i), i, { ...next, before: label, stop: which[i]! })
    }
  }
  from(null, outing.start, 0)
  for (let set = 1; set < 1 << n; set++) {
    const unserved = n - ones(set)
    for (let last = 0; last < n; last++) {
      for (const label of sets[set * n + last] ?? []) {
        const place = problem.stops[label.stop]!.place
        const back = home(problem, outing, label, place)
        if (back) {
          const cost = { unserved, ...back }
          if (compareDays(cost, best.cost) < 0) best = { label, cost }
        }
        from(label, place, set)
      }
      sets[set * n + last] = undefined
    }
  }
  const order: number[] = []
  for (let label = best.label; label; label = label.before) order.unshift(label.stop)
  return { order, cost: best.cost }
}

const isNoWorse = (a: Moment, b: Moment) =>
  a.travelMin <= b.travelMin + tiny && a.beforeRest <= b.beforeRest + tiny && a.afterRest <= b.afterRest + tiny

function ones(set: number): number {
  let count = 0
  for (let left = set; left > 0; left &= left - 1) count++
  return count
}
