import { useCallback, useMemo, useState } from 'react'
import { kindById } from '../../core/kinds/index.ts'
import { effective } from '../../core/standing/histories.ts'
import { machineKind } from '../../core/standing/machine-facts.ts'
import { reckonMachine } from '../../core/standing/reckon-machine.ts'
import { reckonSoftener } from '../../core/standing/reckon-softener.ts'
import type { Reckoning, Standing } from '../../core/standing/standing.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { byDue } from '../path/PathDrawing.tsx'

/** A machine's bundle, reckoned here from its ledgers; `reload` fetches it anew after a save. */
export function useBundle(first: MachineBundle) {
  const [bundle, setBundle] = useState(first)
  const reckoned = useMemo(() => reckonBundle(bundle), [bundle])
  const reload = useCallback(async () => {
    const response = await fetch(`/api/machines/${first.machine.id}/bundle`)
    if (response.ok) setBundle(await response.json())
  }, [first.machine.id])
  return { bundle, reload, ...reckoned }
}

export interface ReckonedBundle {
  reckoning: Reckoning | null
  softener: Reckoning | null
  /** Machine and softener together, soonest first. */
  standings: Standing[]
}

export function reckonBundle(bundle: MachineBundle): ReckonedBundle {
  const { machine: _, ...around } = bundle.ledgers
  const reckoning = reckonMachine(bundle.ledgers)
  const softener = bundle.softener ? reckonSoftener(around, [bundle.ledgers, ...bundle.fedBeside]) : null
  const standings = [...(reckoning?.standings ?? []), ...(softener?.standings ?? [])].sort(byDue)
  return { reckoning, softener, standings }
}

/** The machine's kind with its own number of groups; before it is taken on, the kind it was entered as. */
export const kindOf = (bundle: MachineBundle) => machineKind(effective(bundle.ledgers)) ?? kindById(bundle.machine.kind)

/** Stations the kind has but this machine has not. */
export const missingStations = (bundle: MachineBundle): Set<string> => new Set(bundle.softener ? [] : ['softener'])
