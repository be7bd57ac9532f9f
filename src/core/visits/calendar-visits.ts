import { effectiveHistory } from '../ledger/effective-history.ts'
import type { EntryOf, RecordedEntry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'

/** A visit as a calendar holds it. */
export interface CalendarVisit {
  visitId: string
  siteId: string
  /** One more with each thing that was said of it (RFC 5545, 3.8.7.4). */
  sequence: number
  state: 'confirmed' | 'tentative' | 'cancelled'
  /** What was last said: the day, the time, how long. */
  last: EntryOf<'appointment'>
  /** When it was said last. */
  saidAt: string
}

/**
 * The visits of one technician that a calendar shows: those that were agreed with them at some time, as they stand now.
 * One that was called off, refused, or given to somebody else stays as cancelled, so that it goes from every calendar.
 *
 * @param entries - appointments of any sites, and what corrects or withdraws them
 */
export function calendarVisits(entries: readonly RecordedEntry[], technicianId: string): CalendarVisit[] {
  const counting = effectiveHistory([...entries]).entries.filter(isKind('appointment'))
  const byVisit = new Map<string, EntryOf<'appointment'>[]>()
  for (const entry of counting) {
    if (!entry.visitId) continue
    byVisit.set(entry.visitId, [...(byVisit.get(entry.visitId) ?? []), entry])
  }
  return [...byVisit].flatMap(([visitId, steps]): CalendarVisit[] => {
    const agreed = steps.filter(({ body }) => body.step === 'agreed' && body.technicianId === technicianId)
    if (agreed.length === 0) return []
    const last = steps.at(-1)!
    const ids = new Set(entries.filter((entry) => entry.visitId === visitId).map(({ id }) => id))
    const said = entries.filter((entry) => ids.has(entry.id) || (entry.supersedes && ids.has(entry.supersedes)))
    const isOver =
      last.body.step === 'called-off' || last.body.step === 'refused' || last.body.technicianId !== technicianId
    return [
      {
        visitId,
        siteId: last.subjectId,
        sequence: said.length - 1,
        state: isOver ? 'cancelled' : last.body.step === 'agreed' ? 'confirmed' : 'tentative',
        // What goes from a calendar is what was in it.
        last: isOver ? agreed.at(-1)! : last,
        saidAt: said
          .map(({ recordedAt }) => recordedAt)
          .sort()
          .at(-1)!,
      },
    ]
  })
}
