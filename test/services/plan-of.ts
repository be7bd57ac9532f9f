import { type Db, withFirm } from '../../src/records/database.ts'
import { type KeptPart, keptPart, proposedVisits } from '../../src/records/plan-parts.ts'

/** A small firm’s plan as it is kept, with its visits. @throws where none is */
export const planOf = (db: Db, firmId: string) =>
  withFirm(db, firmId, async (trx) => {
    const plan: KeptPart | null = await keptPart(trx, firmId)
    if (!plan) throw new Error('no plan is kept')
    return { ...plan, visits: await proposedVisits(trx) }
  })
