import { look, repair } from '../build.ts'
import { metered, type Sort } from './sort.ts'

/** What protects from heat. `cold`: it has opened. */
export const cutOut: Sort = {
  modes: [
    {
      id: 'tripped',
      name: '{part} has opened: it got too hot',
      does: 'cold',
      share: 0.6,
      shows: { through: { open: 0.94 } },
      comes: ['sudden'],
      repair: repair('Find why; then reset or new, never bridged', 30),
    },
    {
      id: 'early',
      name: '{part} opens too soon',
      does: 'cold',
      share: 0.25,
      shows: { again: { early: 0.9 } },
      comes: ['sometimes', 'hot'],
      repair: repair('New one of the same figure, seated; never bridged', 30),
    },
  ],
  looks: [
    look('through', 'Through {part}, leads off', '', 3, { closed: 'Closed', open: 'Open, or bridged' }, {}, metered),
    look(
      'again',
      '{part} when it has just gone off: how hot is it where it sits?',
      '',
      6,
      { hot: 'As hot as its print says', early: 'Far below its print' },
      {},
      { ...metered, tools: ['thermometer', 'multimeter'] },
    ),
  ],
}
