import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { fromDay } from '../../core/quantity/local-day.ts'
import { drivesOf } from '../../core/rounds/drives.ts'
import type { Coordinates, DrivenRoad, Road } from '../../core/rounds/travel.ts'
import { effective } from '../../core/standing/histories.ts'
import type { Trx } from '../../records/database.ts'
import { timedVisitsSince } from '../../records/plan.ts'

export const placeOf = (latitude?: number, longitude?: number): Coordinates | null =>
  latitude === undefined || longitude === undefined ? null : { latitude, longitude }

/** There and back by whoever has the shortest way. */
export const tripAlone = (
  road: (fromId: string, toId: string) => Road,
  siteId: string,
  technicians: { id: string }[],
): number => Math.min(...technicians.map(({ id }) => road(id, siteId).minutes + road(siteId, id).minutes))

/** Drives older than this may have gone by other roads. */
const driveDays = 400

/** Roads as they were driven, from arrivals and departures. */
export async function drivenRoads(trx: Trx, today: number): Promise<DrivenRoad[]> {
  const { entries } = effectiveHistory(await timedVisitsSince(trx, fromDay(today - driveDays)))
  return drivesOf(
    entries
      .filter(isKind('visit'))
      .flatMap(({ subjectId, body: { technicianIds, arrivedAt, leftAt } }) =>
        arrivedAt ? [{ siteId: subjectId, technicianIds, arrivedAt, ...(leftAt && { leftAt }) }] : [],
      ),
  )
}

/** Roads somebody put right: of two sayings about one pair the later counts. */
export function typedRoads(settings: Map<string, RecordedEntry[]>, sites: { id: string }[]): DrivenRoad[] {
  const said = sites.flatMap(({ id }) =>
    (effective({ site: settings.get(id) ?? [] }).site?.settings.get('road') ?? []).flatMap((entry) =>
      entry.body.setting === 'road' ? [{ from: id, at: entry.happenedAt, ...entry.body }] : [],
    ),
  )
  const latest = new Map<string, (typeof said)[number]>()
  for (const one of said.sort((a, b) => a.at.localeCompare(b.at)))
    latest.set([one.from, one.toId].sort().join(' '), one)
  return [...latest.values()].flatMap(({ from, toId, minutes }) =>
    minutes === undefined ? [] : [{ from, to: toId, minutes }],
  )
}
