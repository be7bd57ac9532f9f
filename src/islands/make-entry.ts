import type { Entry } from '../core/ledger/entry.ts'
import type { EntryKind } from '../core/ledger/entry-kinds.ts'
import type { SubjectKind } from '../core/ledger/subject.ts'
import { browserNow } from '../ui/clock.ts'
import type { Told } from './keep.ts'
import { newId, sendEntries } from './send-entries.ts'

/** An entry made here and now about one subject. */
export function makeEntry(
  subjectKind: SubjectKind,
  subjectId: string,
  kind: EntryKind,
  body: Record<string, unknown>,
  happenedOn: string,
  more: Partial<Entry> = {},
): Entry {
  return {
    id: newId(),
    subjectKind,
    subjectId,
    kind,
    happenedAt: browserNow().toISOString(),
    happenedOn,
    body: { v: 1, ...body },
    ...more,
  }
}

/** Writes entries from a form: what is wrong comes back at its field. */
export async function writeFrom(entries: Entry[]): Promise<Told<object>> {
  const sent = await sendEntries(entries)
  if (sent.ok) return { ok: true }
  if (sent.why === 'refused') return { ok: false, issues: sent.issues }
  const message = 'message' in sent ? sent.message : 'Somebody else wrote here meanwhile: reload, then try again.'
  return { ok: false, issues: [{ path: '', code: sent.why, message }] }
}
