import type { KeyPattern } from '../../procedures/key-patterns.ts'
import type { Procedure } from '../../procedures/procedure.ts'
import type { Step } from '../../procedures/step.ts'
import {
  alkaline,
  brewing,
  check,
  figure,
  hands,
  hotCaustic,
  hotWater,
  lampOut,
  startedByKeys,
  wait,
} from '../../procedures/step-parts.ts'

const fill = hands('tank', 'Tank full, tray empty and in', 30, {
  at: ['tank', 'tray'],
  state: { tank: 'in', tray: 'in' },
})

/** Made up, to show the shape of such a thing. */
const keys: Record<string, KeyPattern> = {
  dg: {
    from: 'off',
    keys: ['power', 'grind'],
    way: 'hold',
    seconds: 8,
    answers: 'the cleaning lamp blinks fast and the gauge twitches',
    next: 'press grind to start',
  },
  bt: {
    from: 'ready',
    keys: ['double', 'grinder'],
    way: 'hold',
    seconds: 5,
    answers: 'both keys blink',
    next: 'press double to start',
  },
  dv: {
    from: 'ready',
    keys: ['two cups', 'steam'],
    way: 'hold',
    seconds: 6,
    answers: 'three lamps blink in turn',
    next: 'press two cups to start, and again for the rinse where it asks for one',
  },
}

const started = startedByKeys('keys', 'Start its cleaning programme', 'clean', keys, {
  at: ['switches', 'board'],
  state: brewing,
  wrong: 'Nothing answers, or drinks run: it is still in brewing. Off, and the leaflet of this model again.',
})

const runs = (more: { normal?: string }): Step =>
  wait('runs', 'It strokes by itself', 'its lamps stand still, and where it beeps, it has beeped', 300, {
    ...more,
    at: ['pump', 'three-way', 'group', 'screen', 'tray'],
    state: brewing,
    caution: {
      hazard: 'pressure',
      say: 'Handle stays shut while it runs.',
      how: 'The tray takes hot water at each stop.',
    },
  })

/** A cleaning programme with tablet and disc. */
export const tabletProgramme: Procedure = {
  id: 'tablet-programme',
  version: 2,
  family: 'brewing',
  name: 'Cleaning programme with a tablet',
  about: 'The machine strokes by itself against a closed disc, with a tablet in it.',
  kinds: ['dg', 'bt', 'dv'],
  needs: { stations: ['three-way'], why: 'There is no 3-way valve to vent the strokes.', instead: 'group-clean' },
  writes: [{ entry: 'cleaned', task: 'cleaning-programme', by: ['tablet', 'runs'] }],
  ways: [
    {
      id: 'one-tablet-again-if-left',
      name: 'one tablet, again while some is left',
      reason:
        'The tablet is meant for the machine’s seals. What is not dissolved has not cleaned: the same programme once more, until it is gone.',
      usualFor: ['dg', 'bt'],
      every: { words: 'when it asks, or every two months', days: 60, mark: 'T' },
      figures: [figure('Detergent', '1 tablet'), figure('Time', 'about 5 min'), figure('Tank', 'full; half at least')],
      tools: [
        { name: 'Single basket', why: 'a double one leaves the disc loose' },
        { name: 'Closed cleaning disc' },
        { name: 'Jug', why: 'an older disc has a hole: then water comes' },
      ],
      materials: [{ name: 'Cleaning tablet', why: 'read “cleaning” on it, not “descaling”' }],
      parts: [
        {
          id: 'run',
          name: 'Programme',
          steps: [
            fill,
            {
              id: 'tablet',
              say: 'Disc in the single basket, tablet in its dimple',
              how: 'Read “cleaning” on the tablet, not “descaling”.',
              act: 'dose',
              dose: { of: 'detergent', tablets: 1 },
              into: 'the disc',
              handsS: 20,
              at: ['basket'],
              takes: ['blind'],
              caution: alkaline,
            },
            hands('lock', 'Lock it in, jug under the group', 15, {
              at: ['group', 'basket'],
              puts: 'detergent',
              gate: true,
              state: { group: 'detergent' },
              caution: { hazard: 'scald', say: 'The group is hot: hold the grip, not the metal.' },
            }),
            started,
            runs({
              normal:
                'Water in the tray, not in the jug: the disc is closed. A jugful where an older disc has a hole. Both are right.',
            }),
            check(
              'tablet-gone',
              'Take it out and look at the disc',
              'What is left of the tablet?',
              [
                ['gone', 'Nothing', 'pass'],
                [
                  'left',
                  'Some of it',
                  'repeat',
                  'lock',
                  'What is left has not cleaned. Switch it off, lock the disc in again with what is left of the tablet, and run the same programme once more from off.',
                ],
              ],
              { at: ['basket'], caution: hotCaustic },
            ),
            hands('purge', 'Rinse the basket, run a double through the empty group', 40, {
              at: ['group', 'screen', 'three-way'],
              state: { ...brewing, group: 'detergent' },
              caution: hotWater,
            }),
            check(
              'clear',
              'Is it clear?',
              'What runs out?',
              [
                ['clear', 'Clear water, no foam', 'pass'],
                ['foam', 'Still foam', 'repeat', 'purge', 'Detergent is left: run another double through.'],
              ],
              { at: ['group'], gate: true, clears: true, state: { group: 'water' }, gives: ['blind'] },
            ),
            lampOut('lamp', 'lock', 'The programme was not run to its end: once more, from off.'),
            hands('tray', 'Empty and rinse the tray', 30, {
              at: ['tray'],
              caution: { hazard: 'detergent', say: 'What stands in it is alkaline and hot: pour it away from you.' },
            }),
          ],
        },
      ],
    },
    {
      id: 'without-a-tablet',
      name: 'without a tablet, soon after the last',
      reason:
        'It asked 20 or 30 shots after the last clean: the programme is run bare, so that it counts anew. Nothing is cleaned with detergent, so no cleaning is written.',
      usualFor: [],
      writes: [],
      figures: [figure('Detergent', 'none'), figure('Time', 'about 5 min'), figure('Tank', 'full; half at least')],
      tools: [{ name: 'Single basket' }, { name: 'Closed cleaning disc' }],
      materials: [],
      parts: [
        {
          id: 'run',
          name: 'Programme',
          steps: [
            fill,
            hands('lock', 'Disc in the single basket, lock it in', 20, {
              at: ['group', 'basket'],
              takes: ['blind'],
              caution: { hazard: 'scald', say: 'The group is hot: hold the grip, not the metal.' },
            }),
            started,
            runs({ normal: 'Water in the tray alone is right.' }),
            hands('out', 'Take it out, empty the tray', 30, {
              at: ['basket', 'tray'],
              gives: ['blind'],
              caution: {
                hazard: 'scald',
                say: 'Basket and tray hold hot water: after the hiss, level, away from you.',
              },
            }),
            lampOut('lamp', 'lock', 'The programme was not run to its end: once more, from off.'),
          ],
        },
      ],
    },
  ],
}
