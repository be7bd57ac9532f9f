/** A task as the choice of visits sees it: what it costs on each day that could be a visit. */
export interface Dated {
  /** By day, in order; infinite where it must not be done. Falls to its least and rises from there. */
  costOn: ArrayLike<number>
  /** What it costs to leave it for a visit beyond these days; infinite where that will not do. */
  leftCost: number
}

export interface ChosenVisit {
  /** Index of the day. */
  day: number
  /** Indexes of the tasks done then. */
  tasks: number[]
}

export interface ChosenVisits {
  visits: ChosenVisit[]
  /** Tasks left for later. */
  left: number[]
  cost: number
}

const never = Number.POSITIVE_INFINITY

/**
 * The days of least cost for the tasks of one place: each visit costs its trip, each task what it costs on the day of
 * the visit it is done on. Exact, by dynamic programming over days.
 *
 * A task's cost falls to its best day and rises after it, so of all visits only the last one up to that day and the
 * first one from it on can be the right one: what lies between two visits in a row is then told by these two alone.
 *
 * @param tripCost - by day; infinite where nobody can go, below nothing where not to go costs something
 * @param tasks - what each costs, nothing or more
 * @returns null where some task can be done on none of the days and not be left
 * @example
 * chooseVisits([10, 10, 10], [{ costOn: [0, 1, 2], leftCost: 99 }, { costOn: [4, 2, 0], leftCost: 99 }])
 * // { visits: [{ day: 2, tasks: [0, 1] }], left: [], cost: 12 }
 */
export function chooseVisits(tripCost: ArrayLike<number>, tasks: readonly Dated[]): ChosenVisits | null {
  const days: number[] = []
  for (let day = 0; day < tripCost.length; day++) if (tripCost[day]! < never) days.push(day)
  const n = days.length
  const best = tasks.map((task) => bestDay(task, days))
  const inOrder = tasks.map((_, t) => t).sort((a, b) => best[a]! - best[b]!)
  // Before so many of the tasks in order the best day of the next lies at or after this day of the list.
  const upTo = new Int32Array(n + 1)
  for (let i = 0, t = 0; i <= n; i++) {
    while (t < inOrder.length && (i === n || best[inOrder[t]!]! < i)) t++
    upTo[i] = t
  }
  // Visits at −1 and n stand for none before the first and none after the last.
  const least = new Float64Array(n + 1).fill(never)
  const before = new Int32Array(n + 1).fill(-1)
  // A trip may be worth something of itself, where it was promised: what can still be won by that.
  const gain = days.reduce((sum, day) => sum + Math.max(0, -tripCost[day]!), 0)
  for (let j = 0; j <= n; j++) {
    for (let i = j - 1; i >= -1; i--) {
      const start = i < 0 ? 0 : least[i]!
      if (start >= least[j]! + gain) continue
      const sum = start + (j < n ? tripCost[days[j]!]! : 0)
      const total = sum + betweenCost(i, j, least[j]! - sum)
      if (total < least[j]!) {
        least[j] = total
        before[j] = i
      }
    }
  }
  if (least[n]! === never) return null
  const chosen: number[] = []
  for (let j = before[n]!; j >= 0; j = before[j]!) chosen.unshift(j)
  return { ...dealOut(tasks, chosen, days, best), cost: least[n]! }

  /** What the tasks whose best day lies between two visits in a row cost; given up once it is more than `most`. */
  function betweenCost(i: number, j: number, most: number): number {
    let sum = 0
    for (let t = i < 0 ? 0 : upTo[i]!; t < upTo[j]!; t++) {
      const { costOn, leftCost } = tasks[inOrder[t]!]!
      let least = leftCost
      if (i >= 0 && costOn[days[i]!]! < least) least = costOn[days[i]!]!
      if (j < n && costOn[days[j]!]! < least) least = costOn[days[j]!]!
      sum += least
      if (sum >= most) return never
    }
    return sum
  }
}

/** Each task to the cheapest of the chosen days; what is as cheap on two goes to the earlier. */
function dealOut(tasks: readonly Dated[], chosen: number[], days: number[], best: number[]) {
  const visits = chosen.map((i): ChosenVisit => ({ day: days[i]!, tasks: [] }))
  const left: number[] = []
  for (const [t, { costOn, leftCost }] of tasks.entries()) {
    const after = chosen.findIndex((i) => i >= best[t]!)
    const candidates = after < 0 ? [visits.at(-1)] : [visits[after - 1], visits[after]]
    let to: ChosenVisit | null = null
    for (const visit of candidates) if (visit && costOn[visit.day]! < (to ? costOn[to.day]! : leftCost)) to = visit
    if (to) to.tasks.push(t)
    else left.push(t)
  }
  return { visits: visits.filter(({ tasks }) => tasks.length > 0), left }
}

/** Index in the list of days of the first on which a task costs least. */
function bestDay({ costOn }: Dated, days: number[]): number {
  let best = 0
  for (let i = 1; i < days.length; i++) if (costOn[days[i]!]! < costOn[days[best]!]!) best = i
  return best
}
