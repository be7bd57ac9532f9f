import { look, repair } from '../build.ts'
import type { Sort } from './sort.ts'

/** A seal that is pressed by hand: of a group, of a head. `leaks`: water comes past it. */
export const seal: Sort = {
  modes: [
    {
      id: 'hard',
      name: '{part} hard or flat',
      does: 'leaks',
      share: 1,
      shows: { seat: { torn: 0.3 } },
      comes: ['slowly'],
      repair: repair('New, its seat cleaned', 12),
    },
    {
      id: 'misfit',
      name: '{part}: upside down, not home, or of another size',
      does: 'leaks',
      share: 0.15,
      shows: { seat: { wrong: 0.92 } },
      traits: ['refit'],
      beside: true,
      comes: ['sudden'],
      repair: repair('Out, the right one the right way up, pressed home all round', 12),
    },
    {
      id: 'dirt',
      name: '{part}: grounds or chalk on its seat',
      does: 'leaks',
      share: 0.3,
      shows: { seat: { dirty: 0.92 } },
      traits: ['user'],
      beside: true,
      comes: ['sometimes'],
      repair: repair('Seal and seat brushed clean; staff shown how', 5),
    },
    {
      id: 'torn',
      name: '{part} nicked or torn',
      does: 'leaks',
      share: 0.2,
      shows: { seat: { torn: 0.92 } },
      comes: ['sudden'],
      repair: repair('New; what tore it', 12),
    },
  ],
  looks: [
    look(
      'seat',
      '{part}: wiped, then looked at all round with a lamp, seat and all',
      '',
      1.5,
      {
        right: 'Right way up, home all round, clean',
        wrong: 'Upside down, not home or not its size',
        dirty: 'Grounds or chalk on its seat',
        torn: 'A nick or tear',
      },
      {},
      { tools: ['torch'], hazard: 'scald' },
    ),
  ],
}
