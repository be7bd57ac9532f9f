import type { BookPart } from '../../../faults/modes.ts'

/**
 * What stands between stop-cock and machine, where the firm looks after it.
 *
 * @param of - `shut`: the fault of a supply that gives too little; `inside`: of a leak, whose look below finds it too;
 *   `high`: of a line too high at rest
 */
export const supplySet = (of: { shut: string; inside: string; high: string }): BookPart[] => [
  {
    id: 'reducer',
    sort: 'reducer',
    name: 'the pressure reducer',
    station: 'reducer',
    part: 'pressure-reducer',
    does: {
      shut: of.shut,
      high: {
        like: of.high,
        alone: true,
        shows: { 'line-rest': { high: 0.6 } },
        complaints: { 'wet-below': 3, 'tray-runs': 2, noise: 1 },
      },
    },
  },
  {
    id: 'inlet-hose',
    sort: 'joint',
    name: 'the inlet hose',
    station: 'inlet-hose',
    part: 'inlet-hose',
    does: {
      leaks: { like: of.inside, alone: true, shows: { below: { wet: 0.85 } }, complaints: { 'wet-below': 9 } },
      narrow: of.shut,
    },
    without: { hot: 'no hot water stands in it' },
  },
  {
    id: 'leak-stop',
    sort: 'leak-stop',
    name: 'the leak stop',
    station: 'leak-stop',
    part: 'leak-stop',
    does: { shut: of.shut },
  },
]
