import type { Entry, ReceivedEntry } from '../../../src/core/ledger/entry.ts'
import { type EntryKind, entryKindOf } from '../../../src/core/ledger/entry-kinds.ts'
import { inTodaysWords } from '../../../src/core/ledger/upcast.ts'

/** A body's fields, whatever its kind: a test asks for what it expects to be there. */
// biome-ignore lint/suspicious/noExplicitAny: a field that is missing is what the test is to find out
export const told = ({ body }: { body: object }): Record<string, any> => body

/** An entry of a test as the ledger hands it over, its body taken as it stands. */
export const asKept = <E extends Omit<ReceivedEntry, 'body'> & { body: object }>(
  entry: E,
): Omit<E, 'kind' | 'body'> & Entry => inTodaysWords({ ...entry, body: { v: 1, ...entry.body } })

/** What speaks against a body, at its field. */
export function issuesOf(kind: EntryKind, body: object): string[] {
  const parsed = entryKindOf(kind).body.parse({ v: 1, ...body })
  return parsed.ok ? [] : parsed.issues.map(({ path, message }) => `${path}: ${message}`)
}
