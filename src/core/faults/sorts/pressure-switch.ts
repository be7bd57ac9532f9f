import { look, repair } from '../build.ts'
import { metered, opened, type Sort } from './sort.ts'

/** What switches by steam pressure. `low`: pressure stays low; `high`: it heats on. */
export const pressureSwitch: Sort = {
  modes: [
    {
      id: 'low',
      name: '{part} set or drifted low',
      does: 'low',
      share: 0.6,
      shows: {},
      comes: ['slowly'],
      repair: repair('{part} set against a gauge, or new', 25),
    },
    {
      id: 'high',
      name: '{part} drifted high',
      does: 'high',
      share: 1,
      shows: {},
      complaints: { over: 4, hisses: 3, 'too-hot': 2 },
      comes: ['slowly'],
      repair: repair('Off at once; set against a gauge, or new', 25),
    },
    {
      id: 'welded',
      name: '{part}: contacts welded, it heats on',
      does: 'high',
      share: 1,
      shows: { contacts: { closed: 0.93 } },
      complaints: { over: 6, hisses: 4, 'too-hot': 3 },
      comes: ['sudden'],
      repair: repair('New switch; the safety valve looked at', 30),
    },
    {
      id: 'burnt',
      name: '{part}: contacts burnt',
      does: 'cold',
      share: 0.4,
      shows: { contacts: { burnt: 0.92 } },
      complaints: { burning: 1 },
      comes: ['sometimes'],
      repair: repair('New switch', 25),
    },
    {
      id: 'tube',
      name: '{part}: its tube chalked shut',
      does: 'high',
      share: 0.2,
      shows: { tube: { shut: 0.92 } },
      traits: ['chalk'],
      complaints: { over: 5, hisses: 4 },
      beside: true,
      comes: ['slowly'],
      repair: repair('Tube cleared, cold and without pressure', 30),
    },
  ],
  looks: [
    look(
      'contacts',
      '{part}: through its contacts, cold at 0 bar, and pressed open by hand',
      '',
      5,
      { right: 'Closed, opens when pressed', closed: 'Stays closed', burnt: 'Never closes, or only now and then' },
      {},
      metered,
    ),
    look('tube', '{part}: its tube off, blown through', '', 15, { free: 'Free', shut: 'Chalked shut' }, {}, opened),
  ],
}
