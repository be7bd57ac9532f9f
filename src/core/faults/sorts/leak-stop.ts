import { look, repair } from '../build.ts'
import type { Sort } from './sort.ts'

/** What shuts the water where it feels some below. `shut`. */
export const leakStop: Sort = {
  modes: [
    {
      id: 'tripped',
      name: '{part} has shut: it felt water',
      does: 'shut',
      share: 0.25,
      shows: { stands: { shut: 0.93 } },
      comes: ['sudden'],
      beside: true,
      repair: repair('Water looked for and stopped first; then set again', 15),
    },
    {
      id: 'battery',
      name: '{part}: battery empty, it has shut or says so',
      does: 'shut',
      share: 0.12,
      shows: { stands: { battery: 0.9 } },
      comes: ['sudden'],
      beside: true,
      repair: repair('Battery new, tried with a wet cloth', 5),
    },
  ],
  looks: [
    look(
      'stands',
      '{part}: how it stands, and its lamp or battery',
      '',
      1,
      { open: 'Open, no lamp', shut: 'Shut: it felt water', battery: 'Says battery, or dead' },
      {},
      { tools: ['torch'] },
    ),
  ],
}
