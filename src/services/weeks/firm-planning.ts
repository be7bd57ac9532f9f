import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { effective, nearestSetting } from '../../core/standing/histories.ts'
import { type PlanFigures, planFiguresOf } from '../../core/visits/plan-figures.ts'
import { type Db, lookIn, type Trx } from '../../records/database.ts'
import { entriesOfKinds } from '../../records/ledger.ts'

const firmSettings = async (trx: Trx, firmId: string) =>
  effective({ firm: await entriesOfKinds(trx, [firmId], ['setting', 'withdrawn']) })

/** What a firm’s visits are planned by. */
export const firmPlanFigures = async (trx: Trx, firmId: string): Promise<PlanFigures> =>
  planFiguresOf(nearestSetting(await firmSettings(trx, firmId), 'planning')?.body)

/** What a firm set of its own to plan by, and whether it said what a minute of work costs. */
export const ownPlanning = (
  db: Db,
  firmId: string,
): Promise<{ firmId: string; own: Setting<'planning'> | null; hasPrice: boolean }> =>
  lookIn(db, firmId, async (trx) => {
    const settings = await firmSettings(trx, firmId)
    return {
      firmId,
      own: nearestSetting(settings, 'planning')?.body ?? null,
      hasPrice: nearestSetting(settings, 'prices')?.body.labourPerMinute !== undefined,
    }
  })
