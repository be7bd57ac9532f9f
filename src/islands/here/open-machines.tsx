import type { CallerMachine } from '../../core/visits/caller-machine.ts'
import { packedLines } from '../../device/packed.ts'
import { MachinesHere } from './MachinesHere.tsx'
import type { Opening, PageHere } from './page-here.ts'

export async function openMachines({ about, ask }: Opening): Promise<PageHere> {
  const [{ machines }, lines] = await Promise.all([
    ask<{ machines: CallerMachine[] }>('/api/machines/all'),
    packedLines(),
  ])
  const packed = new Set(lines.map(({ address }) => address))
  const isHere = ({ machineId }: CallerMachine) => packed.has(`/api/machines/${machineId}/bundle`)
  return {
    title: 'Machines',
    timeZone: about.firm.timeZone,
    view: <MachinesHere machines={machines} isHere={isHere} firm={about.firm.name} />,
  }
}
