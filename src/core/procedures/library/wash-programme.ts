import type { Procedure } from '../procedure.ts'
import { span } from '../span.ts'
import { alkaline, figure, hands } from '../step-parts.ts'

/** A wash that the machine leads, and that cannot be broken off. */
export const washProgramme: Procedure = {
  id: 'wash-programme',
  version: 1,
  family: 'brewing',
  name: 'Wash programme with detergent',
  about: 'The machine does the strokes by itself: fifteen with detergent against the blind basket, five to rinse.',
  kinds: ['pt'],
  writes: [{ entry: 'cleaned', task: 'detergent-backflush' }],
  mustFinish: {
    why: 'Once started it must be finished: broken off, detergent stays in the group.',
    first: [
      'Up to temperature',
      'Tank full',
      'Tray empty and in place',
      'Bench clear under the group',
      'Single-spout portafilter with the blind basket at hand',
    ],
  },
  schools: [
    {
      id: 'dissolved-fifteen-and-five',
      name: 'dissolved, fifteen and five',
      reason:
        'The powder is dissolved before it goes in, so that none is left lying when the pump starts at full power.',
      usualFor: ['pt'],
      figures: [
        figure('Detergent', 'just over a fingernail, dissolved in warm boiler water'),
        figure('Soak locked in', '2 min'),
        figure('Detergent strokes', '15, by the machine'),
        figure('Rinse strokes', '5, by the machine, without portafilter'),
      ],
      tools: [
        { name: 'Blind basket' },
        { name: 'Single-spout portafilter' },
        { name: 'Brush', why: 'to stir' },
        { name: 'Cloth' },
      ],
      materials: [{ name: 'Backflush detergent' }],
      parts: [
        {
          id: 'wash',
          name: 'Wash',
          steps: [
            {
              id: 'powder',
              say: 'Dissolve the powder in warm water',
              how: 'Warm water from the hot-water tap; stir with the brush until nothing is left to see, then into the blind basket.',
              act: 'dose',
              dose: { of: 'detergent', grams: span(1.5, 1, 2), words: 'just over a fingernail' },
              into: 'the blind basket',
              handsS: 60,
              caution: alkaline,
              mark: 'M',
              at: ['basket', 'hot-water'],
            },
            hands('lock-in', 'Lock it into the warm group', 10, {
              puts: 'detergent',
              gate: true,
              at: ['group', 'basket'],
            }),
            {
              id: 'soak',
              say: 'Leave it locked in',
              act: 'soak',
              what: 'Detergent in the warm group',
              seconds: 120,
              handsS: 0,
              at: ['group', 'screen', 'basket'],
            },
            hands('start', 'Start the wash in its menu and confirm', 20, {
              how: 'From here it must run to its end.',
              at: ['board'],
            }),
            {
              id: 'strokes',
              say: 'It strokes by itself, fifteen times',
              normal: 'Full power on and off; the valve vents into the tray each time.',
              wrong: 'Water at the basket’s rim: leave it running, wipe, and note the gasket afterwards.',
              act: 'wait',
              until: 'it asks for the portafilter to come out',
              aboutS: 240,
              handsS: 0,
              at: ['pump', 'three-way', 'group', 'screen', 'basket', 'tray'],
              mark: 'M',
              caution: {
                hazard: 'pressure',
                say: 'Handle stays shut while it runs.',
                how: 'The tray takes hot water each time: clear of hands.',
              },
            },
            hands('empty', 'Portafilter out, tip it into the tray, confirm', 20, {
              at: ['group', 'basket', 'tray'],
              caution: { hazard: 'scald', say: 'What is in the basket is hot and caustic: pour it away from you.' },
            }),
            {
              id: 'rinse',
              say: 'It rinses by itself, five times',
              act: 'wait',
              until: 'it says that it is done',
              aboutS: 60,
              handsS: 0,
              mark: 'M',
              at: ['three-way', 'group', 'screen', 'tray'],
              caution: { hazard: 'scald', say: 'Hot water falls free from the group.' },
            },
            {
              id: 'clear',
              say: 'Done, and clear?',
              act: 'check',
              ask: 'What does it show, and what runs out of the group?',
              answers: [
                { id: 'clear', words: 'It says done, and water runs clear', leads: 'pass' },
                {
                  id: 'cloudy',
                  words: 'Done, but still foaming',
                  leads: 'repeat',
                  from: 'rinse',
                  because: 'Detergent is left: let it rinse once more.',
                },
                {
                  id: 'broken',
                  words: 'It broke off',
                  leads: 'stop',
                  because: 'Detergent stays in the group: no coffee until the wash has run to its end.',
                },
              ],
              handsS: 15,
              gate: true,
              clears: true,
              at: ['group', 'board'],
            },
            hands('wipe', 'Wipe the group, empty the tray in the sink', 60, { at: ['group', 'tray'] }),
          ],
        },
      ],
    },
  ],
}
