import type { Entry, ReceivedEntry } from './entry.ts'
import { entryKindOf } from './entry-kinds.ts'

/**
 * An entry in today's words, whatever words it was written in. The ledger keeps it as it came; whoever reads the
 * ledger reads it through here.
 *
 * @param entry - one that was accepted once, by the schema of its own version
 */
export function inTodaysWords<E extends ReceivedEntry>(entry: E): Omit<E, 'kind' | 'body'> & Entry {
  const { kind, body } = renamed(entry) ?? entry
  const now = entryKindOf(kind).body.lifted(body)
  // What a schema let through is taken at its word, here and nowhere else.
  const read = kind === entry.kind && now === body ? entry : { ...entry, kind, body: now }
  return read as Omit<E, 'kind' | 'body'> & Entry
}

/** What was written as an entry of another kind. */
function renamed({ kind, body }: ReceivedEntry): Pick<ReceivedEntry, 'kind' | 'body'> | null {
  // Retiring was a setting before machines had stages.
  if (kind === 'setting' && body.setting === 'retired') return { kind: 'stage', body: { v: 1, stage: 'retired' } }
  return null
}
