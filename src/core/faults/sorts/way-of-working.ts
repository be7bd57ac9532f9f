import { look, repair } from '../build.ts'
import type { Sort } from './sort.ts'

/** How it is worked with, where a handle is filled by hand. `leaks`, `tight`, `loose`: how the shot goes by it. */
export const wayOfWorking: Sort = {
  modes: [
    {
      id: 'not-home',
      name: 'Handle not turned home',
      does: 'leaks',
      share: 0.15,
      shows: { watch: { handle: 0.85 } },
      traits: ['user'],
      beside: true,
      comes: ['sometimes'],
      repair: repair('Shown how far it turns; its lugs looked at', 3, { tell: true }),
    },
    {
      id: 'overdosed',
      name: 'More coffee in the basket than it holds: it touches the screen',
      does: 'tight',
      share: 0.25,
      shows: { watch: { dose: 0.85 } },
      traits: ['user'],
      beside: true,
      comes: ['sometimes'],
      repair: repair('Dose weighed to what the basket holds; shown', 8, { tell: true }),
    },
    {
      id: 'channels',
      name: 'Coffee laid or tamped aslant: water runs through a channel',
      does: 'loose',
      share: 0.2,
      shows: { watch: { tamp: 0.8 } },
      traits: ['user'],
      beside: true,
      comes: ['sometimes'],
      repair: repair('Laid even, tamped level; shown', 8, { tell: true }),
    },
    {
      id: 'basket',
      name: 'A basket or handle of another machine or size',
      does: 'loose',
      share: 0.15,
      shows: { watch: { basket: 0.88 } },
      traits: ['user'],
      beside: true,
      comes: ['sudden'],
      repair: repair('The right basket in the right handle', 3, { tell: true }),
    },
  ],
  looks: [
    look(
      'watch',
      'Let them make one as always, and watch: dose, tamp, basket, handle',
      '',
      2.5,
      {
        right: 'As it should be done',
        dose: 'Too much in it: the screen prints into the cake',
        tamp: 'Aslant, or holes in the cake',
        basket: 'Not this machine’s basket or handle',
        handle: 'Handle not turned home',
      },
      {},
      { hazard: 'scald' },
    ),
  ],
}
