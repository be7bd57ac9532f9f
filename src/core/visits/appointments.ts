import { effectiveHistory } from '../ledger/effective-history.ts'
import type { Entry, EntryOf } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'

/** A visit to come as it stands. */
export interface Appointment {
  visitId: string
  siteId: string
  /** The step it is at. */
  last: EntryOf<'appointment'>
}

/**
 * The visits to come of some sites that stand: proposed by somebody, asked or agreed, not refused, not called off, and
 * with nobody there yet: a visit that was written under its id, or at its site on its day, is it.
 *
 * @param entries - appointments and visits of the sites, and what corrects or withdraws them
 */
export function appointmentsStanding(entries: Entry[]): Appointment[] {
  const counting = effectiveHistory(entries).entries
  const been = new Set(
    counting
      .filter(isKind('visit'))
      .flatMap(({ visitId, id, subjectId, happenedOn }) => [visitId ?? id, `${subjectId} ${happenedOn}`]),
  )
  const last = new Map<string, EntryOf<'appointment'>>()
  for (const entry of counting.filter(isKind('appointment'))) if (entry.visitId) last.set(entry.visitId, entry)
  return [...last]
    .filter(
      ([visitId, { subjectId, body }]) =>
        !been.has(visitId) &&
        !been.has(`${subjectId} ${body.on}`) &&
        body.step !== 'refused' &&
        body.step !== 'called-off',
    )
    .map(([visitId, entry]) => ({ visitId, siteId: entry.subjectId, last: entry }))
}
