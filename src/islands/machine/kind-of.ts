import { kindById } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { effective } from '../../core/standing/histories.ts'
import { machineKind } from '../../core/standing/machine-kind.ts'
import { treatmentBefore } from '../../core/standing/water/treatment-before.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'

/**
 * The machine's kind with its own number of groups, and its water's treatment by its name; before it is taken on,
 * the kind it was entered as.
 */
export function kindOf(bundle: MachineBundle): Kind | null {
  const histories = effective(bundle.ledgers)
  const kind = machineKind(histories) ?? kindById(bundle.machine.kind)
  const treatment = treatmentBefore(histories).kind
  if (!kind || treatment === 'none' || treatment === 'exchanger') return kind
  const stations = kind.stations.map((station) =>
    station.id === 'softener' ? { ...station, name: stationNames[treatment] } : station,
  )
  return { ...kind, stations }
}

const stationNames = { cartridge: 'cartridge', membrane: 'membrane', carbon: 'carbon' } as const

/** Stations the kind has but this machine has not. */
export const missingStations = (bundle: MachineBundle): Set<string> => new Set(bundle.softener ? [] : ['softener'])
