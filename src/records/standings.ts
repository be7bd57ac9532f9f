import { type Reckoning, reckoningVersion } from '../core/standing/standing.ts'
import type { Trx } from './database.ts'
import type { Reckoned } from './subjects.ts'

/** What a board needs of a reckoning besides its standings. */
export type Summary = Omit<Reckoning, 'standings'>

/** Replaces a subject's standings by a new reckoning's; an empty one when it cannot be reckoned. */
export async function storeReckoning(
  trx: Trx,
  firmId: string,
  subject: Reckoned,
  reckoning: Reckoning | null,
): Promise<void> {
  const standings = reckoning?.standings ?? []
  await trx('standing')
    .where({ subject_id: subject.id })
    .whereNotIn(
      'key',
      standings.map((standing) => standing.key),
    )
    .delete()
  if (standings.length > 0) {
    await trx('standing')
      .insert(
        standings.map((standing) => ({
          firm_id: firmId,
          subject_id: subject.id,
          key: standing.key,
          site_id: subject.siteId,
          due_p10: standing.due?.p10 ?? null,
          due_p50: standing.due?.p50 ?? null,
          due_p90: standing.due?.p90 ?? null,
          detail: JSON.stringify(standing),
        })),
      )
      .onConflict(['firm_id', 'subject_id', 'key'])
      .merge()
  }
  const { standings: _, ...summary } = reckoning ?? { standings: [] }
  await trx('subject')
    .where({ id: subject.id })
    .update({ stale: false, reckoning_version: reckoningVersion, summary: JSON.stringify(summary) })
}
