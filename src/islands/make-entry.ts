import type { Entry, Envelope } from '../core/ledger/entry.ts'
import type { Body, Jotting } from '../core/ledger/entry-kinds.ts'
import { jot, type OfFirstShape } from '../core/ledger/jot.ts'
import type { SubjectKind } from '../core/ledger/subject.ts'
import type { Unversioned } from '../core/ledger/versions.ts'
import { happenedAt } from '../core/quantity/site-time.ts'
import { browserNow, pageZone } from '../ui/clock.ts'
import type { EntriesAnswer } from '../views/entry-verdict.ts'
import type { Told } from './keep.ts'
import { newId } from './new-id.ts'
import { sendEntries } from './send-entries.ts'

/** An entry made here and now about one subject. */
export function makeEntry<K extends OfFirstShape>(
  subjectKind: SubjectKind,
  subjectId: string,
  kind: K,
  body: Unversioned<Body<K>>,
  happenedOn: string,
  more: Partial<Envelope> = {},
): Entry {
  return writtenAbout(subjectKind, subjectId, jot(kind, body), happenedOn, more)
}

/** A jotting, written here and now about one subject. */
export const writtenAbout = (
  subjectKind: SubjectKind,
  subjectId: string,
  jotting: Jotting,
  happenedOn: string,
  more: Partial<Envelope> = {},
): Entry => ({
  id: newId(),
  subjectKind,
  subjectId,
  happenedAt: happenedAt(pageZone(), happenedOn, browserNow()),
  happenedOn,
  ...more,
  ...jotting,
})

/**
 * Writes entries from a form: what is wrong comes back at its field.
 * @param unlessSince - refused where somebody else wrote about these subjects since
 */
export async function writeFrom(
  entries: Entry[],
  unlessSince?: Parameters<typeof sendEntries>[1],
): Promise<Told<object>> {
  const sent = await sendEntries(entries, unlessSince)
  if (sent.ok) return { ok: true }
  if (sent.why === 'refused') return { ok: false, issues: sent.issues }
  const message = 'message' in sent ? sent.message : othersWrote(sent.answer)
  return { ok: false, issues: [{ path: '', code: sent.why, message }] }
}

/** Who was quicker. @example 'Odile wrote here meanwhile: reload, look at it, then try again.' */
const othersWrote = ({ writtenSince = [] }: EntriesAnswer): string =>
  `${[...new Set(writtenSince.map(({ by }) => by))].join(', ') || 'Somebody else'} wrote here meanwhile: reload, look at it, then try again.`
