import type { Entry, EntryOf } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'

/**
 * Calls that somebody is to ring back, the first that rang first: those nobody has rung back since.
 *
 * @param entries - effective entries
 */
export function openCalls(entries: readonly Entry[]): EntryOf<'call'>[] {
  const calls = entries.filter(isKind('call'))
  const answered = new Set(calls.flatMap(({ body }) => body.answers ?? []))
  return calls
    .filter(({ id, body }) => body.end === 'ring-back' && !answered.has(id))
    .sort((a, b) => a.happenedAt.localeCompare(b.happenedAt))
}
