import { toDay } from '../../quantity/local-day.ts'
import type { Histories } from '../histories.ts'
import type { Standing } from '../standing.ts'
import { raisedTasks } from '../tasks/index.ts'

/** One kind of work on the water, along the days: what was done, what should have been, what is planned. */
export interface WaterRail {
  name: string
  done: number[]
  missed: number[]
  planned: number[]
}

/** So much later than planned and it was missed. */
const missedAfter = 1.6

/** Rails of the work that keeps a machine's water right, from one day to another. */
export function waterRails(histories: Histories, standings: Standing[], from: number, to: number): WaterRail[] {
  const rail = (key: string, name: string, done: number[], every?: number): WaterRail | null => {
    const standing = standings.find((one) => one.key === key)
    if (!standing && done.length === 0) return null
    const due = standing?.due ? toDay(standing.due.p50) : null
    const pitch = every ?? (due !== null && standing?.since ? due - toDay(standing.since) : null)
    return {
      name,
      done: done.filter((day) => day >= from),
      missed: pitch === null ? [] : missedOf(done, pitch).filter((day) => day >= from && day <= to),
      planned: planned(due, pitch, standing ? toDay(standing.asOf) : from, to),
    }
  }
  const rails = raisedTasks.map(({ id, rail: one }) =>
    one ? rail(id, one.name, one.doneOn(histories).map(toDay)) : null,
  )
  return rails.filter((one) => one !== null)
}

/** Days work should have been done on, between two on which it was, had it kept its pitch. */
function missedOf(done: number[], pitch: number): number[] {
  return done.slice(1).flatMap((day, i) => {
    const before = done[i]!
    return pitch > 0 && day - before > missedAfter * pitch ? [Math.round(before + pitch)] : []
  })
}

function planned(due: number | null, pitch: number | null, today: number, to: number): number[] {
  if (due === null) return []
  const first = Math.max(due, today)
  if (!pitch || pitch < 1) return first <= to ? [first] : []
  const days: number[] = []
  for (let day = first; day <= to; day += Math.max(1, Math.round(pitch))) days.push(day)
  return days
}
