import { look, repair } from '../build.ts'
import { opened, type Sort } from './sort.ts'

/** A valve that opens at a pressure. `low`: it lets by too soon; `high`: pressure climbs past it. */
export const relief: Sort = {
  modes: [
    {
      id: 'low',
      name: '{part} opens too soon',
      does: 'low',
      share: 0.6,
      shows: { seat: { worn: 0.6 } },
      comes: ['slowly'],
      repair: repair('{part} cleaned and set against a gauge, else new', 25),
    },
    {
      id: 'high',
      name: '{part} opens too late or not at all',
      does: 'high',
      share: 0.3,
      shows: { seat: { stuck: 0.85 } },
      complaints: { noise: 1, 'handle-leaks': 1 },
      traits: ['stuck', 'chalk'],
      comes: ['slowly'],
      repair: repair('{part} freed and set against a gauge, else new', 25),
    },
  ],
  looks: [
    look(
      'seat',
      '{part} out: spring, seat, ball',
      '',
      12,
      { right: 'Clean, moves', worn: 'Seat marked, or a flake on it', stuck: 'Stuck or chalked' },
      {},
      opened,
    ),
  ],
}
