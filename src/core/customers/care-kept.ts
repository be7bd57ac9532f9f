import { type LocalDay, toDay } from '../quantity/local-day.ts'
import { type Histories, ofKind } from '../standing/histories.ts'

/** Care is looked back upon for as long as visits are usually apart, days. From memory. */
export const keptLookBackDays = 91

/** A job between visits: how often it was noted, and how often it was agreed. */
export interface CareKept {
  what: string
  done: number
  agreed: number
}

/**
 * What was noted as done between visits from a day on, until another. Of what nobody noted it says nothing: not noted is
 * not the same as not done.
 *
 * @example careKept(histories, '2026-08-28', '2026-11-26') // [{ what: 'Tank washed', done: 11, agreed: 13 }]
 */
export function careKept(histories: Histories, since: LocalDay, until: LocalDay): CareKept[] {
  const days = toDay(until) - toDay(since)
  const noted = ofKind(histories, 'machine', 'care-done').filter(
    ({ happenedOn }) => happenedOn > since && happenedOn <= until,
  )
  return [...new Set(noted.map(({ body }) => body.what))].map((what) => {
    // Twice on one day is once.
    const on = new Set(noted.filter(({ body }) => body.what === what).map(({ happenedOn }) => happenedOn))
    const { everyDays } = noted.findLast(({ body }) => body.what === what)!.body
    return { what, done: on.size, agreed: Math.max(1, Math.round(days / everyDays)) }
  })
}

/** As it is told, without blame. @example keptWords({ what: 'Tank washed', done: 4, agreed: 6 }) // 'Tank washed: noted 4 times, about 6 agreed' */
export const keptWords = ({ what, done, agreed }: CareKept): string =>
  done >= agreed
    ? `${what}: as often as agreed, thank you`
    : `${what}: noted ${done === 1 ? 'once' : `${done} times`}, about ${agreed} agreed`
