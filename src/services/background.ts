import { may } from '../core/firm/rights.ts'
import { firmIds } from '../records/accounts.ts'
import { type Db, withFirm } from '../records/database.ts'
import { importWaiting } from '../records/imports.ts'
import { ask, type FailedJob, failedJobs, type Handlers, takeFailed } from '../records/job-queue.ts'
import { letterWaiting } from '../records/letters.ts'
import { countStale } from '../records/subjects.ts'
import { type Answer, ownerOnly, refusal } from './answer.ts'
import { now } from './clock.ts'
import { bringIn } from './imports/bring-in.ts'
import type { Actor } from './judge-entry.ts'
import type { PostOffice } from './letters/post-office.ts'
import { bySmtp, sendLetters } from './letters/send-letters.ts'
import { catchUp } from './projections.ts'
import { tidy } from './tidy.ts'
import { askForPlan, makePart, planAnew } from './weeks/make-plan.ts'
import type { LookForPlan } from './weeks/search-plan.ts'

/** What a worker tells whoever started it. */
export type Told = { firmId: string; count: number }

/**
 * What is done in the background, whatever asked for it.
 *
 * @param backUp - backs up the whole installation; throws where it fails
 * @param office - where letters are handed over
 * @param lookForPlan - looks for a plan elsewhere: here nothing else is done meanwhile, and what is half written waits
 */
export const handlers = (
  db: Db,
  {
    signal,
    tell,
    backUp,
    lookForPlan,
    office,
  }: {
    signal: AbortSignal
    tell: (told: Told) => void
    backUp: () => Promise<void>
    lookForPlan?: LookForPlan
    office: PostOffice
  },
): Handlers => ({
  async reckon({ firmId }) {
    const count = await catchUp(db, firmId, signal)
    if (count > 0) {
      tell({ firmId, count })
      await planAnew(db, firmId)
    }
    // Not done: whoever works next goes on.
    if (signal.aborted) throw new Error('stopped in the middle')
  },
  async tidy({ firmId }) {
    await tidy(db, firmId, now())
  },
  async 'bring-in'({ firmId }) {
    await bringIn(db, firmId, signal)
    if (signal.aborted) throw new Error('stopped in the middle')
  },
  async 'send-letters'({ firmId }) {
    await sendLetters(db, firmId, bySmtp(firmId, office), now, signal)
  },
  async plan({ firmId, part }) {
    await makePart(db, firmId, part, signal, lookForPlan)
    if (signal.aborted) throw new Error('stopped in the middle')
  },
  async 'look-round'() {
    for (const firmId of await firmIds(db))
      await withFirm(db, firmId, async (trx) => {
        if ((await countStale(trx)) > 0) await ask(trx, 'reckon', { firmId })
        if (await importWaiting(trx)) await ask(trx, 'bring-in', { firmId })
        if (await letterWaiting(trx, now())) await ask(trx, 'send-letters', { firmId })
      })
  },
  async nightly() {
    for (const firmId of await firmIds(db))
      await withFirm(db, firmId, async (trx) => {
        await ask(trx, 'tidy', { firmId })
        // Whoever opens the Round in the morning finds today’s.
        await askForPlan(trx, firmId)
      })
  },
  backup: backUp,
})

/** What failed as often as it may, for the owner. */
export async function failedWork(db: Db, actor: Actor): Promise<FailedJob[]> {
  if (!may(actor.role, 'see-to-the-works')) return []
  return withFirm(db, actor.firmId, (trx) => failedJobs(trx, actor.firmId))
}

/** Asks once more for what failed, or lets it be; either way it is off the list. */
export async function settleFailed(db: Db, actor: Actor, id: string, what: 'again' | 'drop'): Promise<Answer> {
  if (!may(actor.role, 'see-to-the-works')) return ownerOnly
  return withFirm(db, actor.firmId, async (trx) => {
    const job = await takeFailed(trx, actor.firmId, id)
    if (!job) return refusal(404, '', 'unknown', 'is not here')
    if (what === 'again')
      await (job === 'plan' ? askForPlan(trx, actor.firmId) : ask(trx, job, { firmId: actor.firmId }))
    return { ok: true }
  })
}
