import { actOfKeeping, type Kept, recordSchemas } from '../core/firm/records.ts'
import { may } from '../core/firm/rights.ts'
import { parseStrict } from '../core/parse/parse-strict.ts'
import { changeById } from '../records/changes.ts'
import { type Db, retrying, withFirm } from '../records/database.ts'
import { keptById } from '../records/kept.ts'
import type { RemovableKind } from '../records/removal.ts'
import { type Answer, refusal } from './answer.ts'
import { type Actor, issuesOfRecordReferences } from './judge-entry.ts'
import { RefusedMerge, unmerge } from './merging.ts'
import { isRemovable, restoreRecord } from './removing.ts'

/** Undoes what a line of the log did: a removed record is there again, what was made one is two again. */
export async function undoChange(db: Db, actor: Actor, changeId: string, now: Date): Promise<Answer<object>> {
  const unknown = refusal(404, '', 'unknown', 'is nothing that can be undone')
  try {
    return await retrying(() =>
      withFirm(db, actor.firmId, async (trx): Promise<Answer<object>> => {
        const change = await changeById(trx, changeId)
        const { action, aboutKind: kind, aboutId: id, before } = change ?? {}
        if (!change || !isRemovable(kind) || !id) return unknown
        if (!may(actor.role, actOfKeeping(kind))) return refusal(403, '', 'forbidden', 'Only the owner may do that.')
        // What was said of somebody who is forgotten is gone: nothing can be made two of it.
        if (action === 'merged' && !(before && change.after)) return unknown
        if (action === 'merged') {
          await unmerge(trx, actor, change, now)
          return { ok: true }
        }
        if (action !== 'removed') return unknown
        if (await keptById(trx, kind, id)) return { ok: true }
        const parsed = parseStrict(recordSchemas[kind], before)
        if (!parsed.ok) return { ok: false, status: 422, issues: parsed.issues }
        const issues = await issuesOfRecordReferences(trx, kind, parsed.value)
        if (issues.length > 0) return { ok: false, status: 422, issues }
        await restoreRecord(trx, actor, kind, id, parsed.value as Kept<RemovableKind>, now)
        return { ok: true }
      }),
    )
  } catch (error) {
    if (error instanceof RefusedMerge) return error.answer
    if ((error as { code?: string }).code !== '23505') throw error
    return refusal(422, '', 'taken', 'Its serial number is another machine’s by now.')
  }
}
