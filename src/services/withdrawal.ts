import type { RecordedEntry } from '../core/ledger/entry.ts'
import { jot } from '../core/ledger/jot.ts'
import { dayAt } from '../core/quantity/site-time.ts'

/** An entry that takes another back, of today. */
export function withdrawal(
  { id: supersedes, subjectKind, subjectId, happenedOn }: RecordedEntry,
  { id, now }: { id: string; now: Date },
) {
  // The day it is everywhere already: what is withdrawn happened on it or before, or is of today.
  const today = dayAt('Etc/GMT+12', now)
  return {
    id,
    subjectKind,
    subjectId,
    ...jot('withdrawn', {}),
    happenedAt: now.toISOString(),
    happenedOn: happenedOn > today ? happenedOn : today,
    supersedes,
  }
}
