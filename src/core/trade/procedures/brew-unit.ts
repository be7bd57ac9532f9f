import type { Procedure } from '../../procedures/procedure.ts'
import {
  brewing,
  check,
  coolingS,
  cools,
  cutOff,
  figure,
  foodGrease,
  hands,
  hotWater,
  soak,
} from '../../procedures/step-parts.ts'

/** The unit washed, greased where it is coloured. */
export const brewUnit: Procedure = {
  id: 'brew-unit',
  version: 2,
  family: 'service',
  name: 'Brew unit washed and greased',
  about: 'Out, washed with water, greased on its marked places; the nozzle seals looked at while it is out.',
  kinds: ['sr'],
  writes: [{ entry: 'greased', task: 'brew-unit-grease', by: ['grease', 'in'] }],
  ways: [
    {
      id: 'water-and-coloured-places',
      name: 'water only, grease on the coloured places',
      reason:
        'No detergent on the unit: it strips the grease. Grease goes where the maker coloured it and nowhere else.',
      usualFor: ['sr'],
      every: { words: 'rinsed weekly, greased every three months', days: 91, mark: 'M' },
      figures: [
        figure('Washed with', 'warm water, by hand'),
        figure('Grease', 'food-grade silicone, on coloured places'),
        figure('Seals', 'two in the nozzle, looked at'),
      ],
      tools: [{ name: 'Torch' }, { name: 'Soft brush' }],
      materials: [
        { name: 'Food-grade silicone grease' },
        { name: 'Spare nozzle seals', why: 'a perished one sends the water to the tray' },
      ],
      parts: [
        {
          id: 'unit',
          name: 'Unit',
          steps: [
            hands('home', 'Let it go home, then off', 20, {
              at: ['brew-unit', 'position'],
              state: { power: 'off' },
              caution: { hazard: 'pinch', say: 'The unit moves by itself: hands out until it stands and is off.' },
            }),
            cutOff('off', 15, { at: ['board', 'door'] }),
            hands('out', 'Tank and door out, push the bar, slide the unit out', 30, {
              at: ['door', 'brew-unit'],
              state: { unit: 'out', tank: 'out' },
              caution: { hazard: 'scald', say: 'Hot water drips from unit and nozzle.' },
            }),
            hands('wash', 'Wash it under warm water', 90, {
              at: ['brew-unit'],
              how: 'Soft brush, no washing-up liquid, no dishwasher.',
              caution: { hazard: 'pinch', say: 'Its works move when they are pressed: fingers clear.' },
            }),
            cools('cool', coolingS.nozzle, {
              say: 'Let the nozzle cool',
              at: ['nozzle'],
              caution: { hazard: 'scald', say: 'Nozzle and block stay hot after it is off.' },
            }),
            check(
              'seals',
              'Look at the nozzle inside, plug out and cool',
              'How are the seals?',
              [
                ['whole', 'Whole and soft', 'pass'],
                ['perished', 'Perished: new ones on, greased', 'pass', { fits: ['nozzle-seals'] }],
                ['later', 'Perished: no new ones here', 'pass'],
              ],
              {
                at: ['nozzle'],
                gate: true,
                how: `Perished seals are felt as crumbs: the cup gets less, the tray more. New ones: ${foodGrease.toLowerCase()}`,
              },
            ),
            soak('dry', 'Let it drip dry', 'Unit drying', 300, { at: ['brew-unit'] }),
            {
              id: 'grease',
              say: 'Grease the coloured places',
              how: foodGrease,
              act: 'dose',
              dose: { of: 'grease', words: 'a thin film' },
              into: 'the coloured places',
              handsS: 60,
              at: ['brew-unit'],
            },
            hands('in', 'Slide it in until it clicks, door and tank back', 30, {
              at: ['brew-unit', 'door'],
              state: { unit: 'in', tank: 'in' },
              wrong: 'It does not slide: it is out of its home position. Never force it.',
              caution: { hazard: 'pinch', say: 'Fingers off its edges as it clicks.' },
            }),
            hands('on', 'Plug in, switch on, let it warm up', 60, {
              at: ['board'],
              state: { power: 'on', heat: 'hot' },
              caution: { hazard: 'pinch', say: 'The unit moves as it starts: door shut.' },
            }),
            check(
              'cup',
              'Rinse it',
              'Where does the water come?',
              [
                ['cup', 'Into the cup', 'pass'],
                [
                  'tray',
                  'Into the tray',
                  'repeat',
                  'home',
                  'A seal is wrong or missing: off, plug out, and out with it once more.',
                ],
              ],
              { at: ['nozzle', 'spout', 'tray'], state: brewing, caution: hotWater },
            ),
          ],
        },
      ],
    },
  ],
}
