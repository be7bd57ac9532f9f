import { atFirstSight } from '../../core/ledger/long-past.ts'
import type { Reckoning, Standing } from '../../core/standing/standing.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import type { ReckonedBundle } from './reckon-bundle.ts'
import { standingsOf } from './standings-of.ts'

type Use = Standing['uses'][number]

/**
 * A machine as its page brings it: every date, the working of the row that is open, what was said of how it is. The
 * rest is fetched when the page has come to rest.
 *
 * @param key - of the standing that is chosen; null: the first
 */
export function firstSight(
  bundle: MachineBundle,
  reckoned: ReckonedBundle,
  key: string | null,
): { bundle: MachineBundle; reckoned: ReckonedBundle } {
  const open = key ?? standingsOf(reckoned)[0]?.key
  const folded = (one: Reckoning | null): Reckoning | null =>
    one && {
      ...one,
      standings: one.standings.map((standing) =>
        standing.key === open
          ? standing
          : { ...standing, uses: standing.uses.map(asShown), working: { ...standing.working, lines: [] } },
      ),
    }
  return {
    bundle: {
      ...bundle,
      ledgers: Object.fromEntries(
        Object.entries(bundle.ledgers).map(([level, entries]) => [level, atFirstSight(entries)]),
      ),
      fedBeside: [],
      instruments: [],
      atFirstSight: true,
    },
    reckoned: { reckoning: folded(reckoned.reckoning), softener: folded(reckoned.softener) },
  }
}

/** Figures to more places than any is shown with; all of them come with the rest. */
const asShown = (use: Use): Use => ({
  ...use,
  used: shortened(use.used),
  ...(use.limit !== undefined && { limit: shortened(use.limit) }),
  ...(use.perDay !== undefined && { perDay: shortened(use.perDay) }),
})

const shortened = (x: number) => Number(x.toPrecision(7))
