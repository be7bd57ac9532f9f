import { effectiveHistory } from '../core/ledger/effective-history.ts'
import type { Entry } from '../core/ledger/entry.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import type { Issue } from '../core/parse/parse-strict.ts'
import type { Trx } from '../records/database.ts'
import { entriesOfKinds } from '../records/ledger.ts'
import { entriesOfVisits } from '../records/visits.ts'

/**
 * What speaks against closing a visit: a machine that was worked on is not for use, and nobody said how it was made safe.
 * What a colleague wrote meanwhile, of which whoever closed it could not know, does not.
 *
 * @param beside - what came in the same batch
 * @param knownSeq - how far the ledger was known where it was closed without network
 */
export async function issuesOfClosing(trx: Trx, entry: Entry, beside: Entry[], knownSeq?: number): Promise<Issue[]> {
  if (!isKind('visit-closed')(entry) || !entry.visitId) return []
  const { visitId, body } = entry
  const here = beside.filter((one) => one.visitId === visitId)
  const written = [...(await entriesOfVisits(trx, [visitId])), ...here]
  const machineIds = [
    ...new Set(written.filter(({ subjectKind }) => subjectKind === 'machine').map(({ subjectId }) => subjectId)),
  ]
  const kept = await entriesOfKinds(trx, machineIds, ['held', 'released', 'withdrawn'])
  const known = kept.filter(({ seq }) => knownSeq === undefined || seq <= knownSeq)
  const ids = new Set(known.map(({ id }) => id))
  const counting = effectiveHistory<Entry>([
    ...known,
    ...beside.filter(({ id, subjectId }) => machineIds.includes(subjectId) && !ids.has(id)),
  ]).entries
  const released = new Set(counting.filter(isKind('released')).map((one) => one.body.held))
  const isolated = new Set((body.isolated ?? []).map(({ held }) => held))
  return counting
    .filter(isKind('held'))
    .filter(({ id, happenedAt }) => !released.has(id) && !isolated.has(id) && happenedAt <= entry.body.signed.at)
    .map(({ id }) => ({
      path: 'body.isolated',
      code: 'not_for_use',
      message: 'leaves out a machine that is not for use: sign it off, or say how it was isolated and tagged',
      value: id,
    }))
}
