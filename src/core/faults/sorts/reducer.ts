import { look, repair } from '../build.ts'
import type { Sort } from './sort.ts'

/** What brings the mains down to what a machine takes. `shut`: too little comes; `high`: too much. */
export const reducer: Sort = {
  modes: [
    {
      id: 'low',
      name: '{part} set or drifted low, or its strainer blocked',
      does: 'shut',
      share: 0.3,
      shows: { creep: { low: 0.9 } },
      traits: ['flakes'],
      comes: ['slowly'],
      repair: repair('Strainer cleaned, set as the machine’s plate says, or new', 20),
    },
    {
      id: 'creeps',
      name: '{part} creeps: the line climbs when nobody draws',
      does: 'high',
      share: 0.15,
      shows: { creep: { climbs: 0.9 } },
      comes: ['slowly'],
      repair: repair('New; the line’s other valves looked at', 25),
    },
  ],
  looks: [
    look(
      'creep',
      'Gauge behind {part}: first with water drawn, then ten minutes with none',
      '',
      12,
      {
        steady: 'As set, and it stays',
        low: 'Falls away when water is drawn',
        climbs: 'Climbs while nobody draws',
      },
      {},
      {
        tools: ['test gauge'],
        how: 'The gauge goes in with the tap shut and the pressure let off.',
        hazard: 'pressure',
      },
    ),
  ],
}
