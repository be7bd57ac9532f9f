import { atFirstSight } from '../../core/ledger/long-past.ts'
import type { Reckoning } from '../../core/standing/standing.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import type { ReckonedBundle } from './reckon-bundle.ts'
import { standingsOf } from './standings-of.ts'

/**
 * A machine as its page brings it: every date, the working of the row that is open, the last page of its ledger. The
 * rest is fetched when the page has come to rest.
 *
 * @param key - of the standing that is chosen; null: the first
 */
export function firstSight(
  bundle: MachineBundle,
  reckoned: ReckonedBundle,
  key: string | null,
): { bundle: MachineBundle; reckoned: ReckonedBundle } {
  const { machine, softener, site, ...above } = bundle.ledgers
  const open = key ?? standingsOf(reckoned)[0]?.key
  const folded = (one: Reckoning | null): Reckoning | null =>
    one && {
      ...one,
      standings: one.standings.map((standing) =>
        standing.key === open ? standing : { ...standing, working: { ...standing.working, lines: [] } },
      ),
    }
  return {
    bundle: {
      ...bundle,
      ledgers: {
        ...above,
        ...(machine && { machine: atFirstSight(machine) }),
        ...(softener && { softener: atFirstSight(softener) }),
        ...(site && { site: atFirstSight(site) }),
      },
      fedBeside: [],
      atFirstSight: true,
    },
    reckoned: { reckoning: folded(reckoned.reckoning), softener: folded(reckoned.softener) },
  }
}
