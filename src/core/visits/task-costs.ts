import { normalQuantile } from '../quantity/normal.ts'
import type { LateClass } from '../trade/lateness.ts'
import type { PlanFigures } from './plan-figures.ts'

/** A task with the window it falls due in, as day numbers. */
export interface DueTask {
  p10: number
  p50: number
  p90: number
  /** When it was done last; absent where nobody knows. */
  since?: number
  /** What is thrown away with the life that is left: the work, and the part in minutes of work. */
  worthMin: number
  /** It is a part that is changed: what is thrown away of it beyond a fifth counts more than its worth. */
  isPart?: boolean
  /** What it does when it is late; `hard`: hygiene, safety or law do not allow it. */
  late: LateClass | 'hard'
}

/** What a task costs on some days, in minutes. */
export interface TaskCosts {
  /** Life thrown away by coming before it is over. */
  early: Float64Array
  /** Expected harm of coming after it; what is past on the first of the days nobody can change. */
  late: Float64Array
  /** Share of its life expected unused. */
  unused: Float64Array
  /** Chance that it is due by then. */
  chanceDue: Float64Array
}

/** Where nobody knows since when: a life of a year. From memory. */
const unknownLife = 365
/** Of a part’s life nobody asks after so much. From memory. */
const freely = 0.2
/** The window’s days, each as likely as the others, by how far they lie from its middle to its end. */
const awayFromMiddle = Array.from({ length: 20 }, (_, i) => normalQuantile((i + 0.5) / 20) / normalQuantile(0.9))

/**
 * What a task costs on each of some days: the share of its life that is thrown away, times its worth (of a part more,
 * where it is much: somebody has to explain it), and the days it is late, times the harm of one. Both are expected over
 * its whole window, which is taken as normal on each side of its middle. Each falls or rises evenly, so that their sum
 * has one best day or one stretch of them.
 *
 * @param days - day numbers, in order
 */
export function taskCosts(task: DueTask, days: readonly number[], figures: PlanFigures): TaskCosts {
  const { p10, p50, p90, since, worthMin, isPart = false, late } = task
  const due = awayFromMiddle.map((away) => p50 + away * (away < 0 ? p50 - p10 : p90 - p50))
  const life = Math.max(1, since === undefined ? unknownLife : p50 - since)
  const more = isPart ? figures.wasteful - 1 : 0
  const perDay = late === 'hard' ? figures.hardPerDay : figures.latePerDay[late]
  const costs: TaskCosts = {
    early: new Float64Array(days.length),
    late: new Float64Array(days.length),
    unused: new Float64Array(days.length),
    chanceDue: new Float64Array(days.length),
  }
  const n = due.length
  // Those of the window’s days that are over by the day, and the sums of both sides of it.
  let over = 0
  let sumOver = 0
  let sumAhead = due.reduce((sum, on) => sum + on, 0)
  let past: number | null = null
  for (const [d, day] of days.entries()) {
    for (; over < n && due[over]! <= day; over++) {
      sumOver += due[over]!
      sumAhead -= due[over]!
    }
    const daysEarly = (sumAhead - (n - over) * day) / n
    // What is not allowed is not weighed by chance: its day is its day.
    const daysLate = late === 'hard' ? Math.max(0, day - p50) : (over * day - sumOver) / n
    past ??= daysLate
    costs.unused[d] = Math.min(1, Math.max(0, daysEarly) / life)
    costs.early[d] = (costs.unused[d]! + Math.max(0, costs.unused[d]! - freely) * more) * worthMin
    costs.late[d] = Math.max(0, daysLate - past) * perDay
    costs.chanceDue[d] = over / n
  }
  return costs
}
