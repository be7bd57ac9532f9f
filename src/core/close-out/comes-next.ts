import { type LocalDay, toDay } from '../quantity/local-day.ts'
import { normalCdf, normalQuantile } from '../quantity/normal.ts'
import type { Standing } from '../standing/standing.ts'
import { standingTitle } from '../standing/standing-title.ts'

/** Something that falls due at a place after a visit, and how likely it is due before somebody comes again. */
export interface ComesNext {
  key: string
  subjectId: string
  machine: string
  name: string
  /** What is replaced; absent: nothing goes in. */
  part?: string
  /** Of the work by itself. */
  minutes: number
  due: { p10: LocalDay; p50: LocalDay; p90: LocalDay }
  /** Chance that it has fallen due by the next visit; null where none is known. */
  before: number | null
}

/** So many days ahead are told at the end of a visit: what lies beyond is another visit’s. */
const aheadDays = 120
const most = 8
const decile = normalQuantile(0.9)

/**
 * What falls due at the machines of a visit in the months after it, soonest first; with how likely each is due before the
 * next visit. Falling due is not failing: nobody is told that something will break.
 *
 * @param nextOn - of the next visit; null where none is arranged
 */
export function comesNext(
  subjects: readonly { id: string; name: string; standings: readonly Standing[] }[],
  today: LocalDay,
  nextOn: LocalDay | null,
): ComesNext[] {
  const from = toDay(today)
  return subjects
    .flatMap(({ id, name: machine, standings }) =>
      standings.flatMap((standing): ComesNext[] => {
        const { due } = standing
        if (!due || toDay(due.p50) > from + aheadDays) return []
        const { p10, p50, p90 } = due
        return [
          {
            key: `${id} ${standing.key}`,
            subjectId: id,
            machine,
            name: standingTitle(standing),
            ...(standing.part && standing.action === 'replace' && { part: standing.part }),
            minutes: standing.minutes,
            due: { p10, p50, p90 },
            before: nextOn === null ? null : chanceDueBy(due, nextOn),
          },
        ]
      }),
    )
    .sort((a, b) => (a.due.p50 < b.due.p50 ? -1 : a.due.p50 > b.due.p50 ? 1 : a.key < b.key ? -1 : 1))
    .slice(0, most)
}

/**
 * How likely something is due by a day, from its window: normal on each side of its middle, as the plan takes it.
 *
 * @example chanceDueBy({ p10: '2026-12-01', p50: '2026-12-11', p90: '2026-12-31' }, '2026-12-31') // 0.9
 */
export function chanceDueBy({ p10, p50, p90 }: ComesNext['due'], day: LocalDay): number {
  const away = toDay(day) - toDay(p50)
  const half = away < 0 ? toDay(p50) - toDay(p10) : toDay(p90) - toDay(p50)
  // A day that is certain is due on it.
  if (half <= 0) return away < 0 ? 0 : 1
  return normalCdf((away / half) * decile)
}

/** In tenths, as it is said. @example tenths(0.31) // '3 in 10' */
export function tenths(chance: number): string {
  const n = Math.round(chance * 10)
  if (n === 0) return 'hardly'
  return n === 10 ? 'almost surely' : `${n} in 10`
}
