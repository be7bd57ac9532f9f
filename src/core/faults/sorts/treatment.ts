import { look, reading, repair } from '../build.ts'
import type { Sort } from './sort.ts'

/** What treats its water. `shut`: little or nothing passes; `hard`: it lets hardness by; `salty`. */
export const treatment: Sort = {
  modes: [
    {
      id: 'half-shut',
      name: '{part}: a valve left half shut after a regeneration or change',
      does: 'shut',
      share: 0.3,
      shows: { valves: { shut: 0.92 } },
      traits: ['refit', 'user'],
      repair: repair('Valves set as its plate says', 3),
    },
    {
      id: 'blocked',
      name: '{part} blocked',
      does: 'shut',
      share: 0.5,
      shows: { round: { better: 0.93 } },
      traits: ['flakes'],
      repair: repair('Rinsed or changed; what blocked it', 20),
    },
    {
      id: 'brine',
      name: '{part}: brine carried over',
      does: 'salty',
      share: 0.25,
      shows: { feed: { salty: 0.93 } },
      complaints: { taste: 9 },
      instead: true,
      traits: ['refit'],
      repair: repair('Rinsed until the pen agrees with the tap; its rinse looked at', 25),
    },
    {
      id: 'dirty',
      name: '{part} stood: its water tastes',
      does: 'salty',
      share: 0.2,
      shows: { round: { better: 0.6 } },
      complaints: { taste: 9 },
      instead: true,
      repair: repair('Rinsed, disinfected as its maker says, or new', 30),
    },
  ],
  looks: [
    look(
      'valves',
      '{part}: how its valves and levers stand',
      '',
      1,
      { right: 'As its plate says', shut: 'One half shut, or in regeneration' },
      {},
      { tools: ['torch'] },
    ),
    look(
      'round',
      '{part}: water led round it, then tried again',
      '',
      5,
      { same: 'As before', better: 'Better' },
      {},
      { tools: ['spanners'], needs: ['off', 'no-pressure'], hazard: 'pressure' },
    ),
    reading(
      'feed',
      'Conductivity after {part} against the tap, by the pen',
      '',
      3,
      { unit: '%', good: { from: 60, to: 115 } },
      [
        ['pure', 'under 60 %', 0],
        ['right', '60 to 130 %', 60],
        ['salty', 'over 130 %', 130],
      ],
      {},
      { tools: ['conductivity pen'] },
    ),
  ],
}
