import type { RecordedEntry } from '../core/ledger/entry.ts'
import { treatmentKind } from '../core/softener/treatment-kind.ts'
import { effective, nearestSetting, ofKind } from '../core/standing/histories.ts'
import { stageNow } from '../core/standing/stages.ts'
import { carbonBefore } from '../core/standing/water/treatment-before.ts'
import type { SiteSoftener } from '../views/site-page.ts'

/** What kind of treatment it is, how large, and whether it works, from its own entries. */
export function treatmentOf(entries: RecordedEntry[]): Omit<SiteSoftener, 'id' | 'version' | 'siteId' | 'name'> {
  const histories = effective({ softener: entries })
  const taken = ofKind(histories, 'softener', 'commissioned')[0]
  const { resinL, regenerates, saltGPerL, saltTankKg, capacityGPerL, reserve } =
    nearestSetting(histories, 'exchanger')?.body ?? {}
  const { capacityG, bypass } = nearestSetting(histories, 'cartridge')?.body ?? {}
  const { rawShare, rejectLPerL, dosed } = nearestSetting(histories, 'membrane')?.body ?? {}
  const { litres, catalytic } = nearestSetting(histories, 'prefilter')?.body ?? {}
  return {
    stage: stageNow(histories, 'softener').stage,
    ...(taken && { treatment: treatmentKind(taken.body.kind) ?? 'exchanger' }),
    ...(resinL && { resinL }),
    ...(regenerates === 'itself' && { regeneratesItself: true }),
    ...(saltGPerL && { saltGPerL }),
    ...(saltTankKg && { saltTankKg }),
    ...(capacityGPerL && { capacityGPerL }),
    ...(reserve !== undefined && { reserve }),
    ...(capacityG && { capacityG, bypass }),
    ...(rawShare !== undefined && { rawShare }),
    ...(rejectLPerL !== undefined && { rejectLPerL }),
    ...(dosed && { dosed }),
    ...(carbonBefore(histories) && { prefilter: { ...(litres && { litres }), ...(catalytic && { catalytic }) } }),
  }
}
