import { look, repair } from '../build.ts'
import type { Sort } from './sort.ts'

/** What keeps water from the group while nobody brews. `drips`: it does not. */
export const restSeat: Sort = {
  modes: [
    {
      id: 'passes',
      name: '{part} does not close at rest: the group drips',
      does: 'drips',
      share: 0.35,
      shows: { rest: { 'goes-on': 0.92 } },
      complaints: { 'drips-on': 9, 'wet-below': 0.5 },
      instead: true,
      traits: ['flakes'],
      comes: ['slowly'],
      repair: repair('Seat cleaned, seal or plunger new', 25),
    },
  ],
  looks: [
    look(
      'rest',
      'Wipe group and screen dry, brew nothing, watch it five minutes',
      '',
      5,
      { dry: 'A few drops at most, then dry', 'goes-on': 'It drips on' },
      {},
      { needs: ['hot'], hazard: 'scald' },
    ),
  ],
}
