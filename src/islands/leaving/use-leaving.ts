import { useCallback, useEffect, useState } from 'react'
import type { MachineThere } from '../../core/close-out/left-subjects.ts'
import type { LeavingPage } from '../../views/leaving-page.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { newId } from '../new-id.ts'
import { readRun } from '../run/kept-run.ts'
import { keptSheets } from '../strip-down/kept-sheet.ts'
import { type KeptLeaving, keptLeavings, nothingYet } from './kept-leaving.ts'
import { machineThere } from './leaving.ts'

interface Opened {
  machines: MachineThere[]
  bundles: MachineBundle[]
  kept: KeptLeaving
  /** It was closed before. */
  isClosed: boolean
  /** Machines whose ledgers could not be had. */
  away: number
}

/** The ledgers that the end of a visit is drawn from, and what was put right of it on this device. */
export function useLeaving(page: LeavingPage) {
  const [opened, setOpened] = useState<Opened | null>(null)
  const look = useCallback(async () => {
    const [found, kept] = await Promise.all([
      Promise.all(page.machineIds.map(bundleOf)),
      page.visitId ? keptLeavings.read(page.visitId) : null,
    ])
    const bundles = found.filter((bundle) => bundle !== null)
    const machines = await Promise.all(
      bundles.map(async (bundle) => machineThere(bundle, await underWay(bundle.machine.id))),
    )
    const isClosed = (bundles[0]?.ledgers.site ?? []).some(
      ({ kind, visitId }) => kind === 'visit-closed' && visitId === page.visitId,
    )
    setOpened({
      machines,
      bundles,
      kept: kept?.value ?? nothingYet(newId()),
      isClosed,
      away: found.length - bundles.length,
    })
  }, [page])
  useEffect(() => void look(), [look])
  const change = useCallback(
    (part: Partial<KeptLeaving>) => {
      setOpened((now) => {
        if (!now) return now
        const kept = { ...now.kept, ...part }
        if (page.visitId) void keptLeavings.keep(page.visitId, kept)
        return { ...now, kept }
      })
    },
    [page.visitId],
  )
  return { opened, change, look }
}

async function bundleOf(id: string): Promise<MachineBundle | null> {
  try {
    const response = await fetch(`/api/machines/${id}/bundle`)
    return response.ok ? ((await response.json()) as MachineBundle) : null
  } catch {
    return null
  }
}

/** What was begun in a machine on this device and is not ended. */
async function underWay(machineId: string): Promise<MachineThere['underWay']> {
  const [run, sheet] = await Promise.all([readRun(machineId), keptSheets.read(machineId)])
  return [...(run.value ? (['run'] as const) : []), ...(sheet.value ? (['sheet'] as const) : [])]
}
