import type { Entry } from './entry.ts'
import type { Body, EntryKind } from './entry-kinds.ts'

/**
 * Reads a body in today's shape, whatever version it was written in. Bodies are stored as received, so
 * each new version adds one step here and none is ever removed. Version 1 is the first.
 */
export function bodyOf<K extends EntryKind>(entry: { kind: K; body: Record<string, unknown> }): Body<K> {
  return entry.body as Body<K>
}

/** Narrows an entry to one kind. */
export const isKind =
  <K extends EntryKind>(kind: K) =>
  <E extends Entry>(entry: E): entry is E & { kind: K } =>
    entry.kind === kind

/**
 * An entry in today's words. What was written under an older name is read under the new one; the ledger
 * keeps it as it came.
 */
export function lifted<E extends Entry>(entry: E): E {
  // Retiring was a setting before machines had stages.
  if (entry.kind === 'setting' && entry.body.setting === 'retired')
    return { ...entry, kind: 'stage', body: { v: 1, stage: 'retired' } }
  return entry
}
