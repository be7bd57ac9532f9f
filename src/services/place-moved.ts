import type { RecordedEntry } from '../core/ledger/entry.ts'
import { whereItStands } from '../core/standing/where-it-stands.ts'
import type { Trx } from '../records/database.ts'
import { keptById } from '../records/kept.ts'
import { entriesOf } from '../records/ledger.ts'
import { placeMachine } from '../records/machines.ts'

/**
 * Puts machines where their histories say, once these entries are in them. A correction may take a move
 * back: then the machine goes back too.
 *
 * @returns whether any machine stands elsewhere now
 */
export async function placeMoved(trx: Trx, pending: RecordedEntry[]): Promise<boolean> {
  const touched = new Set(
    pending
      .filter((entry) => entry.subjectKind === 'machine' && (entry.kind === 'moved' || entry.supersedes))
      .map((entry) => entry.subjectId),
  )
  let changed = false
  for (const id of touched) {
    const entries = [...(await entriesOf(trx, [id])), ...pending.filter((entry) => entry.subjectId === id)]
    const place = whereItStands(entries)
    const now = await keptById(trx, 'machine', id)
    if (!place || !now || (now.siteId === place.siteId && (now.softenerId ?? null) === place.softenerId)) continue
    // A move told by another firm names sites we do not know: the machine stays where it was put here.
    if (!(await keptById(trx, 'site', place.siteId))) continue
    await placeMachine(trx, id, place)
    changed = true
  }
  return changed
}
