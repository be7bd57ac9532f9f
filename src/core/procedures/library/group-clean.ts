import type { Procedure } from '../procedure.ts'
import { span } from '../span.ts'
import { alkaline, figure, hands } from '../step-parts.ts'

const hotScreen = {
  hazard: 'scald',
  say: 'The screen is hot, and hot water falls free: keep the hand behind cloth or brush.',
} as const

/** Machines whose group does not vent: wiped and flushed from below. */
export const groupClean: Procedure = {
  id: 'group-clean',
  version: 1,
  family: 'brewing',
  name: 'Group cleaned without a valve',
  about:
    'Nothing gums up behind a plain brew valve: only the screen, the seal’s groove and what holds the coffee want cleaning.',
  kinds: ['dv', 'dn', 'pd'],
  writes: [{ entry: 'cleaned', task: 'group-clean' }],
  schools: [
    {
      id: 'soaked-cloth',
      name: 'soaked cloth, machine warm',
      reason:
        'Detergent on a wet cloth reaches the screen without any of it entering the machine; the flush carries it down.',
      usualFor: ['dn', 'dv'],
      figures: [
        figure('Detergent', 'some, in hot water'),
        figure('Screen off and soaked', '10 to 15 min, when it is deep work'),
        figure('How often', 'regularly; deep as often as others backflush'),
      ],
      tools: [{ name: 'Cloth' }, { name: 'Group brush' }],
      materials: [{ name: 'Backflush detergent' }],
      parts: [
        {
          id: 'group',
          name: 'Group',
          steps: [
            {
              id: 'solution',
              say: 'Dissolve a little detergent in hot water',
              act: 'dose',
              dose: { of: 'detergent', grams: span(2, 1, 3), words: 'a little' },
              into: 'a cup of hot water',
              handsS: 20,
              caution: alkaline,
              mark: 'M',
            },
            hands('wipe', 'Wipe the screen soaking wet', 40, { at: ['group', 'screen'], caution: hotScreen }),
            hands('flush', 'Flush, and brush round the seal', 30, {
              how: 'Water running, brush all round the groove.',
              at: ['group', 'screen', 'brew-valve'],
              caution: hotScreen,
            }),
            hands('wipe-again', 'Wipe again with clear water, rinse', 30, {
              at: ['group', 'screen'],
              caution: hotScreen,
            }),
            {
              id: 'shiny',
              say: 'Is the screen bare and shiny?',
              act: 'check',
              ask: 'How does the screen look?',
              answers: [
                { id: 'shiny', words: 'Bare metal, water clear', leads: 'pass' },
                {
                  id: 'dull',
                  words: 'Still brown',
                  leads: 'repeat',
                  from: 'wipe',
                  because: 'Oil is left: wipe once more.',
                },
              ],
              handsS: 10,
              gate: true,
              at: ['screen'],
            },
          ],
        },
      ],
    },
    {
      id: 'cold-and-unplugged',
      name: 'cold and unplugged, damp towel',
      reason:
        'For people who should not work at a hot group: off, unplugged, cooled, and only water and a towel in the groove.',
      usualFor: ['pd'],
      figures: [
        figure('Detergent', 'none'),
        figure('Screen off and soaked', 'no'),
        figure('How often', 'monthly at least'),
      ],
      tools: [{ name: 'Damp towel' }, { name: 'Soft brush' }, { name: 'Pin', why: 'for clogged holes of the basket' }],
      materials: [],
      parts: [
        {
          id: 'group',
          name: 'Group',
          steps: [
            hands('unplug', 'Unplug it and let it cool', 20, {
              how: 'Off, plug out, and cool to the touch before a hand goes to the group.',
              gate: true,
              caution: { hazard: 'mains', say: 'Plug out first.', how: 'A machine that is off is still live inside.' },
            }),
            hands('groove', 'Damp towel round the seal’s groove', 60, {
              how: 'Press it into the groove and draw it round.',
              at: ['group'],
            }),
            {
              id: 'towel',
              say: 'Does the towel stay clean?',
              act: 'check',
              ask: 'The towel after a turn',
              answers: [
                { id: 'clean', words: 'Stays clean', leads: 'pass' },
                {
                  id: 'brown',
                  words: 'Brown',
                  leads: 'repeat',
                  from: 'groove',
                  because: 'Grounds are left: once more round.',
                },
              ],
              handsS: 10,
              at: ['group'],
            },
            hands('rinse', 'Plug in, rinse through the group', 40, {
              at: ['group', 'screen', 'boiler'],
              caution: { hazard: 'scald', say: 'Hot water falls free from the group.' },
            }),
            hands('baskets', 'Basket out: brush it, prick its holes, run water through', 90, {
              how: 'Each basket in turn; by hand, never in a dishwasher.',
              at: ['basket'],
            }),
          ],
        },
      ],
    },
  ],
}
