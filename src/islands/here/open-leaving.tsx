import { dayAt } from '../../core/quantity/site-time.ts'
import type { CallerMachine } from '../../core/visits/caller-machine.ts'
import { packedLines } from '../../device/packed.ts'
import type { LeavingPage } from '../../views/leaving-page.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { visitIdToday } from '../visit-today.ts'
import type { Opening, PageHere } from './page-here.ts'

/** The end of a visit from what is on this device: of the place every machine that is packed. */
export async function openLeaving({ url, id, about, ask, now }: Opening): Promise<PageHere> {
  const [{ machines }, lines, { LeavingIsland }] = await Promise.all([
    ask<{ machines: CallerMachine[] }>('/api/machines/all'),
    packedLines(),
    import('../leaving/LeavingView.tsx'),
  ])
  const packed = new Set(lines.map(({ address }) => address))
  const there = machines.filter(({ siteId }) => siteId === id)
  const here = there.filter(({ machineId }) => packed.has(`/api/machines/${machineId}/bundle`))
  const [first] = here
  if (!first) throw new Error(`No machine of ${id} is on this device`)
  const bundle = await ask<MachineBundle>(`/api/machines/${first.machineId}/bundle`)
  const { timeZone } = bundle.site
  const today = dayAt(timeZone, now)
  const page: LeavingPage = {
    firmId: about.firm.id,
    currency: about.firm.preferences.currency,
    site: { id, name: bundle.site.name, area: bundle.site.area, timeZone },
    visitId: url.searchParams.get('visit') ?? visitIdToday(bundle, today, about.technician.id) ?? null,
    machineIds: here.map(({ machineId }) => machineId),
  }
  const data = { page, today, me: about.technician.id }
  return { title: `Leaving ${page.site.name}`, timeZone, view: <LeavingIsland handed={() => data} /> }
}
