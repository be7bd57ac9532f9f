import { reckonMachine } from '../../core/standing/reckon-machine.ts'
import { reckonSoftener } from '../../core/standing/reckon-softener.ts'
import type { Reckoning } from '../../core/standing/standing.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'

export interface ReckonedBundle {
  reckoning: Reckoning | null
  softener: Reckoning | null
}

/** A machine's bundle reckoned from its ledgers: on the server for the page, and here after a save or a draft. */
export function reckonBundle(bundle: MachineBundle): ReckonedBundle {
  const { machine: _, ...around } = bundle.ledgers
  const beside = bundle.fedBeside.map((fed) => ({ ...around, ...fed }))
  return {
    reckoning: reckonMachine(bundle.ledgers),
    softener: bundle.softener ? reckonSoftener(around, [bundle.ledgers, ...beside]) : null,
  }
}
