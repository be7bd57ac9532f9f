import { effectiveHistory } from '../core/ledger/effective-history.ts'
import type { Entry, RecordedEntry } from '../core/ledger/entry.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import { whereItStands } from '../core/standing/where-it-stands.ts'
import type { Trx } from '../records/database.ts'
import { type KeptRecord, keptById } from '../records/kept.ts'
import { entriesOf } from '../records/ledger.ts'
import { placeMachine, sayKind } from '../records/machines.ts'

/**
 * Puts machines where their histories say, and as what they say, once these entries are in them. A correction may take
 * a move back: then the machine goes back too; or say that it was another kind all along.
 *
 * @returns whether any machine stands elsewhere, or is something else now
 */
export async function followLedger(trx: Trx, pending: RecordedEntry[]): Promise<boolean> {
  const touched = new Set(
    pending
      .filter((entry) => entry.subjectKind === 'machine' && (entry.kind === 'moved' || entry.supersedes))
      .map((entry) => entry.subjectId),
  )
  let changed = false
  for (const id of touched) {
    const entries = [...(await entriesOf(trx, [id])), ...pending.filter((entry) => entry.subjectId === id)]
    const now = await keptById(trx, 'machine', id)
    if (!now) continue
    const became = await becomes(trx, now, entries)
    changed = (await goes(trx, now, entries)) || became || changed
  }
  return changed
}

async function goes(trx: Trx, now: KeptRecord<'machine'>, entries: Entry[]): Promise<boolean> {
  const place = whereItStands(entries)
  if (!place || (now.siteId === place.siteId && (now.softenerId ?? null) === place.softenerId)) return false
  // A move told by another firm names sites we do not know: the machine stays where it was put here.
  if (!(await keptById(trx, 'site', place.siteId))) return false
  await placeMachine(trx, now.id, place)
  return true
}

async function becomes(trx: Trx, { id, kind }: KeptRecord<'machine'>, entries: Entry[]): Promise<boolean> {
  const taken = effectiveHistory(entries).entries.find(isKind('commissioned'))
  // One that was never taken on stays what it was entered as.
  if (!taken || taken.body.kind === kind) return false
  await sayKind(trx, id, taken.body.kind)
  return true
}
