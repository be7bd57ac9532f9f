import type { EntryKind } from './entry-kinds.ts'

/** Narrows an entry to one kind. */
export const isKind =
  <K extends EntryKind>(kind: K) =>
  <E extends { kind: EntryKind }>(entry: E): entry is Extract<E, { kind: K }> =>
    entry.kind === kind
