import type { Procedure } from '../../procedures/procedure.ts'
import {
  alkaline,
  brewing,
  check,
  figure,
  hands,
  hotWater,
  lampOut,
  startedByKeys,
  wait,
} from '../../procedures/step-parts.ts'

/** Oil-removing or cleaning tablet of a super-automatic. */
export const superAutomaticClean: Procedure = {
  id: 'oil-removal',
  version: 2,
  family: 'brewing',
  name: 'Cleaning programme of a super-automatic',
  about: 'A tablet takes the oil out of brew unit and spouts. It does not mend a seal.',
  kinds: ['sr', 'st', 'sp'],
  writes: [{ entry: 'cleaned', task: 'oil-removal', taskOf: { sp: 'cleaning-programme' }, by: ['tablet', 'runs'] }],
  mustFinish: {
    why: 'Broken off, detergent stays in the brew unit.',
    first: [
      'Tank full or tap open',
      'Grounds container and tray empty and in',
      'Vessel under the spouts that takes it all',
    ],
  },
  ways: [
    {
      id: 'as-it-asks',
      name: 'as it asks, tablet in the powder chute',
      reason:
        'The programme knows its own volumes; what a technician adds is the look into the cup before anybody drinks.',
      usualFor: ['sr', 'st', 'sp'],
      every: { words: 'when it asks; a large one daily', mark: 'M' },
      figures: [figure('Detergent', '1 tablet'), figure('Water', 'about 0.8 L; 2 L in a large machine', 'M')],
      tools: [{ name: 'Vessel, 3 L', why: 'a large machine gives 2 L' }],
      materials: [{ name: 'Cleaning tablet', why: 'read “cleaning” on it, not “descaling”' }],
      parts: [
        {
          id: 'run',
          name: 'Programme',
          steps: [
            hands('vessel', 'Vessel under the spouts, tray and grounds container in', 30, {
              at: ['spout', 'tray'],
              takes: ['vessel'],
              state: { tray: 'in', unit: 'in', tank: 'in' },
              how: 'One that takes it all: up to 2 L in a large machine.',
            }),
            startedByKeys(
              'menu',
              'Start its cleaning programme',
              'clean',
              {
                sr: { from: 'ready', keys: ['Care', 'Brew unit'], way: 'menu', answers: 'it asks for a tablet' },
                st: {
                  from: 'ready',
                  keys: ['Maintenance', 'Oils'],
                  way: 'menu',
                  answers: 'it says that it rinses first',
                },
                sp: {
                  from: 'ready',
                  keys: ['Daily clean'],
                  way: 'menu',
                  answers: 'it counts the grounds out and asks for a tablet',
                },
              },
              { at: ['board'], state: brewing },
            ),
            {
              id: 'tablet',
              say: 'Tablet when it asks for it',
              how: 'Read “cleaning” on it, not “descaling”: that one goes into the tank, and not here.',
              act: 'dose',
              dose: { of: 'detergent', tablets: 1 },
              into: 'the powder chute',
              handsS: 15,
              puts: 'detergent',
              gate: true,
              at: ['brew-unit', 'group'],
              state: { path: 'detergent' },
              caution: alkaline,
            },
            wait('runs', 'It cleans by itself', 'it says that it is done', 420, {
              at: ['brew-unit', 'group', 'spout', 'tray'],
              state: brewing,
              mark: 'M',
              caution: hotWater,
            }),
            check(
              'dissolved',
              'Look into chute and grounds container',
              'What is left of the tablet?',
              [
                ['gone', 'Nothing', 'pass'],
                [
                  'left',
                  'Some of it',
                  'repeat',
                  'menu',
                  'What is left has not cleaned: the same programme once more with what is left.',
                ],
              ],
              { at: ['brew-unit', 'tray'], caution: alkaline },
            ),
            hands('rinse', 'Two coffees without powder, thrown away', 60, {
              at: ['spout'],
              state: { ...brewing, path: 'detergent' },
              caution: hotWater,
            }),
            check(
              'clear',
              'Look into the cup',
              'What is in it?',
              [
                ['clear', 'Clear, no foam, no smell', 'pass'],
                ['foam', 'Foam or smell', 'repeat', 'rinse', 'Detergent is left: rinse once more.'],
              ],
              { gate: true, clears: true, at: ['spout'], state: { path: 'water' }, gives: ['vessel'] },
            ),
            lampOut('lamp', 'menu', 'It was not run to its end: once more.'),
          ],
        },
      ],
    },
  ],
}
