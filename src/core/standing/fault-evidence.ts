import { nothingKnown, type PriorEvidence } from '../faults/prior-factors.ts'
import type { Kind } from '../kinds/kind.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'
import { type Histories, ofKind } from './histories.ts'
import type { Standing } from './standing.ts'

/** Entries that say that hands were in a machine, at the station of the part they name. */
const openings = ['fitted', 'removed', 'repaired'] as const

/** What a machine's records say before anything is tried, as of a day. */
export function faultEvidence(kind: Kind, histories: Histories, standings: Standing[], today: LocalDay): PriorEvidence {
  const daysAgo = (day: LocalDay) => toDay(today) - toDay(day)
  const lifeUsed: Record<string, number> = {}
  for (const { part, action, uses } of standings) {
    if (!part || action !== 'replace') continue
    // Of several the furthest gone speaks: one of them is complained of, and nobody knows which.
    lifeUsed[part] = Math.max(lifeUsed[part] ?? 0, ...uses.map(({ used, limit }) => used / limit))
  }
  const stationOf = new Map(kind.parts.map(({ id, station }) => [id, station]))
  const opened = openings.flatMap((entryKind) =>
    ofKind(histories, 'machine', entryKind).flatMap(({ body, happenedOn }) => {
      const station = stationOf.get(String(body.part ?? ''))
      return station ? [{ station, daysAgo: daysAgo(happenedOn) }] : []
    }),
  )
  const descaled = ofKind(histories, 'machine', 'descaled').at(-1)
  const going = ofKind(histories, 'machine', 'stage')
  const again = going.at(-1)
  const stood = again?.body.stage === 'working' ? going.at(-2) : undefined
  return {
    ...nothingKnown,
    lifeUsed,
    opened: opened.filter(({ daysAgo: age }) => age >= 0),
    descaledDaysAgo: descaled ? daysAgo(descaled.happenedOn) : null,
    // It stood until it was set going again, and that was lately.
    stoodDays:
      again && stood && daysAgo(again.happenedOn) <= 14 ? toDay(again.happenedOn) - toDay(stood.happenedOn) : null,
  }
}
