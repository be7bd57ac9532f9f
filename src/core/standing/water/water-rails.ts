import { toDay } from '../../quantity/local-day.ts'
import { type Histories, ofKind, touching } from '../histories.ts'
import { flushTask } from '../raised-tasks.ts'
import type { Standing } from '../standing.ts'

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
  const daysOf = (entries: { happenedOn: string }[]) => entries.map(({ happenedOn }) => toDay(happenedOn))
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
  const rails = [
    rail('regenerate', 'Regenerate', daysOf(ofKind(histories, 'softener', 'regenerated'))),
    rail('change-cartridge', 'Change cartridge', daysOf(ofKind(histories, 'softener', 'cartridge-changed'))),
    rail('change-membrane', 'Change membrane', daysOf(ofKind(histories, 'softener', 'membrane-changed'))),
    rail('change-prefilter', 'Change carbon', daysOf(ofKind(histories, 'softener', 'prefilter-changed'))),
    rail('salt', 'Fill up salt', daysOf(ofKind(histories, 'softener', 'salt-added'))),
    rail(flushTask, 'Freshen boiler', daysOf(touching(histories, 'machine', flushTask))),
    rail('descale', 'Descale', daysOf(ofKind(histories, 'machine', 'descaled'))),
  ]
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
