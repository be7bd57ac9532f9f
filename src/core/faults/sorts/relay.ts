import { look, repair } from '../build.ts'
import { burntTerminal, feedLook, terminalsLook, unfed } from './shared.ts'
import { metered, type Sort } from './sort.ts'

/** What switches the heat. `cold`: it does not close; `on`: it does not open. */
export const relay: Sort = {
  modes: [
    {
      id: 'dead',
      name: '{part} does not close',
      does: 'cold',
      share: 0.6,
      shows: { contacts: { open: 0.92 } },
      comes: ['sudden'],
      repair: repair('New one', 20),
    },
    burntTerminal('Terminal and lead new; relay too where it is brown', 25),
    unfed('cold', 0.3, {
      name: '{part} is not told to close: wire or output',
      say: 'Wire made good; else the board’s output',
      plugged: false,
    }),
    {
      id: 'welded',
      name: '{part} welded: it heats on',
      does: 'on',
      share: 0.8,
      shows: { contacts: { closed: 0.94 } },
      complaints: { 'too-hot': 5, over: 5, hisses: 4 },
      comes: ['sudden'],
      repair: repair('New one; what it burnt on, and the cut-out looked at', 30),
    },
  ],
  looks: [
    look(
      'contacts',
      '{part}: through its contacts, unfed, then pressed or fed from a battery',
      '',
      5,
      { right: 'Open, closes when it is told', open: 'Never closes', closed: 'Closed without being told: welded' },
      {},
      metered,
    ),
    terminalsLook,
    feedLook('{part}: voltage at its coil when it should heat'),
  ],
}
