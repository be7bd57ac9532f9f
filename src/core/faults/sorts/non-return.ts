import { look, repair } from '../build.ts'
import { opened, type Sort } from './sort.ts'

/** A valve that lets one way. `back`: water runs back; `shut`: it sticks. */
export const nonReturn: Sort = {
  modes: [
    {
      id: 'back',
      name: '{part} lets water back',
      does: 'back',
      share: 0.4,
      shows: { blown: { both: 0.92 } },
      traits: ['flakes'],
      comes: ['slowly'],
      repair: repair('{part} cleaned or new', 20),
    },
    {
      id: 'shut',
      name: '{part} sticks shut',
      does: 'shut',
      share: 0.25,
      shows: { blown: { shut: 0.92 } },
      traits: ['stuck', 'chalk'],
      comes: ['sudden'],
      repair: repair('{part} freed or new', 20),
    },
  ],
  looks: [
    look(
      'blown',
      '{part} out, blown through both ways',
      '',
      10,
      { right: 'One way only', both: 'Both ways', shut: 'Neither way' },
      {},
      opened,
    ),
  ],
}
