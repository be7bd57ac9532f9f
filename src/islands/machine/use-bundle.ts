import { useCallback, useEffect, useState } from 'react'
import { kindById } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { effective } from '../../core/standing/histories.ts'
import { machineKind } from '../../core/standing/machine-kind.ts'
import { treatmentBefore } from '../../core/standing/water/treatment-before.ts'
import { fetchedAtRest, whenAtRest } from '../../ui/later.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import type { ReckonedBundle } from './reckon-bundle.ts'

const reckoner = fetchedAtRest(() => import('./reckon-bundle.ts'))

/**
 * A machine's bundle as the page brought it, reckoned. The page brings what it shows first; all of it is fetched when
 * the page has come to rest, and again by `reload` after a save, and reckoned here.
 */
export function useBundle(first: MachineBundle, reckoned: ReckonedBundle) {
  const [now, setNow] = useState({ bundle: first, ...reckoned })
  const [failed, setFailed] = useState(false)
  const reload = useCallback(async () => {
    try {
      const [response, { reckonBundle }] = await Promise.all([
        fetch(`/api/machines/${first.machine.id}/bundle`),
        reckoner(),
      ])
      if (!response.ok) throw new Error(String(response.status))
      const bundle: MachineBundle = await response.json()
      setNow({ bundle, ...reckonBundle(bundle) })
      setFailed(false)
    } catch {
      setFailed(true)
    }
  }, [first.machine.id])
  useEffect(() => whenAtRest(() => void reload()), [reload])
  return { ...now, reload, failed }
}

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
