import type { Entry } from '../src/core/ledger/entry.ts'
import { toDay } from '../src/core/quantity/local-day.ts'
import type { Ledgers } from '../src/core/standing/histories.ts'
import { siteHistory } from '../src/demo/site-history.ts'
import { demoSites } from '../src/demo/world.ts'

/** One ledger set a machine of the demo world, in memory: what the reckoning is timed on. */
export function machineLedgers(endDay = '2026-11-26'): Ledgers[] {
  let n = 0
  const bag = { technicianId: '', gaugeId: '', reagentId: '' }
  const id = () => {
    n += 1
    return `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`
  }
  return demoSites.flatMap((site) => {
    const ids = { siteId: id(), softenerId: site.softener ? id() : null, machineIds: site.machines.map(id), ...bag }
    // Parsed from JSON, as a database hands them over: entries built by hand are slower to read.
    const entries = JSON.parse(JSON.stringify(siteHistory('bench', site, ids, toDay(endDay)).entries)) as Entry[]
    const about = (subjectId: string | null): Entry[] => entries.filter((entry) => entry.subjectId === subjectId)
    return ids.machineIds.map((machineId) => ({
      machine: about(machineId),
      site: about(ids.siteId),
      ...(ids.softenerId && { softener: about(ids.softenerId) }),
      customer: [],
      supply: [],
      firm: [],
    }))
  })
}
