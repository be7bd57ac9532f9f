import type { LastReading } from '../faults/prior-readings.ts'
import type { Kind } from '../kinds/kind.ts'
import type { EntryOf } from '../ledger/entry.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import { type Histories, ofKind } from './histories.ts'

/** The last reading of each measure of a machine, group by group, each with the one of an earlier day. */
export function lastReadings(kind: Kind, histories: Histories, daysAgo: (day: LocalDay) => number): LastReading[] {
  const by = new Map<string, EntryOf<'measured'>[]>()
  for (const entry of ofKind(histories, 'machine', 'measured')) {
    const key = `${entry.body.measure} ${entry.body.group ?? ''}`
    by.set(key, [...(by.get(key) ?? []), entry])
  }
  return [...by.values()].flatMap((list) => {
    const last = list.at(-1)!
    const measure = kind.measures.find(({ id }) => id === last.body.measure)
    if (!measure || daysAgo(last.happenedOn) < 0) return []
    const before = list.findLast(({ happenedOn }) => happenedOn < last.happenedOn)
    return [
      {
        measure: measure.id,
        name: measure.name,
        value: last.body.value,
        state: last.body.state as LastReading['state'],
        daysAgo: daysAgo(last.happenedOn),
        ...(before && { before: before.body.value }),
      },
    ]
  })
}
