import type { RecordedEntry } from '../core/ledger/entry.ts'
import { bodyOf } from '../core/ledger/upcast.ts'
import { effective, nearestSetting, ofKind } from '../core/standing/histories.ts'
import { stageNow } from '../core/standing/stages.ts'
import type { SiteSoftener } from '../views/site-page.ts'

/** What kind of treatment it is, how large, and whether it works, from its own entries. */
export function treatmentOf(entries: RecordedEntry[]): Omit<SiteSoftener, 'id' | 'version' | 'siteId' | 'name'> {
  const histories = effective({ softener: entries })
  const taken = ofKind(histories, 'softener', 'commissioned')[0]
  const { resinL, regenerates, saltGPerL, saltTankKg, capacityGPerL, reserve } =
    nearestSetting(histories, 'exchanger')?.body ?? {}
  const { capacityG, bypass } = nearestSetting(histories, 'cartridge')?.body ?? {}
  return {
    stage: stageNow(histories, 'softener').stage,
    treatment: taken ? bodyOf(taken).kind : '',
    ...(resinL && { resinL }),
    ...(regenerates === 'itself' && { regeneratesItself: true }),
    ...(saltGPerL && { saltGPerL }),
    ...(saltTankKg && { saltTankKg }),
    ...(capacityGPerL && { capacityGPerL }),
    ...(reserve !== undefined && { reserve }),
    ...(capacityG && { capacityG, bypass }),
  }
}
