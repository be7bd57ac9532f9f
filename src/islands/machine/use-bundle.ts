import { useCallback, useEffect, useState } from 'react'
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
