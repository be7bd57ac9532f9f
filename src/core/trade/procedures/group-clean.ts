import type { Procedure } from '../../procedures/procedure.ts'
import { span } from '../../procedures/span.ts'
import { alkaline, brewing, check, cutOff, figure, hands, soak } from '../../procedures/step-parts.ts'

const hotScreen = {
  hazard: 'scald',
  say: 'The screen is hot, and hot water falls free: keep the hand behind cloth or brush.',
} as const

/** Machines whose group does not vent: wiped and flushed from below. */
export const groupClean: Procedure = {
  id: 'group-clean',
  version: 2,
  family: 'brewing',
  name: 'Group cleaned without a valve',
  about:
    'Nothing gums up behind a plain brew valve: only the screen, the seal’s groove and what holds the coffee want cleaning.',
  kinds: ['dv', 'dn', 'pd'],
  writes: [{ entry: 'cleaned', task: 'group-clean', by: ['wipe', 'wipe-again'] }],
  ways: [
    {
      id: 'soaked-cloth',
      name: 'soaked cloth, machine warm',
      reason:
        'Detergent on a wet cloth reaches the screen without any of it entering the machine; the flush carries it down.',
      kinds: ['dv', 'dn'],
      usualFor: ['dn', 'dv'],
      every: { words: 'weekly', days: 7, mark: 'M' },
      figures: [figure('Detergent', 'some, in hot water'), figure('Screen off and soaked', 'no; that is the deep way')],
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
            hands('wipe', 'Wipe the screen soaking wet', 40, {
              at: ['group', 'screen'],
              puts: 'detergent',
              gate: true,
              state: { ...brewing, group: 'detergent', screen: 'on' },
              caution: hotScreen,
              besides: [alkaline],
            }),
            hands('flush', 'Flush, and brush round the seal', 30, {
              how: 'Water running, brush all round the groove.',
              at: ['group', 'screen', 'brew-valve'],
              state: { ...brewing, group: 'detergent' },
              caution: hotScreen,
            }),
            hands('wipe-again', 'Wipe again with clear water, flush until it is clear', 40, {
              at: ['group', 'screen'],
              state: { ...brewing, group: 'detergent' },
              caution: hotScreen,
            }),
            {
              id: 'shiny',
              say: 'Is the screen bare, the water clear?',
              act: 'check',
              ask: 'How do screen and water look?',
              answers: [
                { id: 'shiny', words: 'Bare metal, water clear, nothing slippery', leads: 'pass' },
                {
                  id: 'dull',
                  words: 'Still brown',
                  leads: 'repeat',
                  from: 'wipe',
                  because: 'Oil is left: wipe once more.',
                },
                {
                  id: 'foam',
                  words: 'Foam, or slippery',
                  leads: 'repeat',
                  from: 'wipe-again',
                  because: 'Detergent is left: clear water once more.',
                },
              ],
              handsS: 10,
              gate: true,
              clears: true,
              at: ['screen'],
              state: { group: 'water' },
            },
          ],
        },
      ],
    },
    {
      id: 'screen-off-and-soaked',
      name: 'deep: screen off and soaked',
      reason:
        'The inner face is the dirtier one: off with the screen, a quarter of an hour in detergent with the basket, as often as others backflush.',
      kinds: ['dv', 'dn'],
      usualFor: [],
      writes: [
        { entry: 'cleaned', task: 'group-clean', by: ['off', 'wipe', 'back'] },
        { entry: 'cleaned', task: 'screen-soak', by: ['off', 'soak', 'back'] },
      ],
      every: { words: 'every two or three months at two to four shots a day', days: 75, mark: 'T' },
      figures: [figure('Detergent', 'some, in hot water'), figure('Screen off and soaked', '10 to 15 min')],
      tools: [
        { name: 'Short driver' },
        { name: 'Cup for the screw' },
        { name: 'Bowl, steel or glass' },
        { name: 'Group brush' },
      ],
      materials: [{ name: 'Backflush detergent' }],
      parts: [
        {
          id: 'group',
          name: 'Group',
          steps: [
            hands('off', 'Screen off, screw into the cup', 60, {
              at: ['screen', 'group'],
              state: { screen: 'off' },
              takes: ['cup'],
              caution: { hazard: 'scald', say: 'The screen is hot: a tool and a cloth, never bare fingers.' },
            }),
            {
              id: 'bath',
              say: 'Hot water, detergent stirred in',
              act: 'dose',
              dose: { of: 'detergent', gramsPerL: 10, words: 'some; 10 g a litre' },
              into: 'the bowl',
              handsS: 30,
              bath: 'made',
              takes: ['bowl'],
              caution: alkaline,
              mark: 'M',
            },
            hands('in', 'Screen and basket in; a portafilter only if it is all metal', 20, {
              bath: 'in',
              state: { basket: 'soaking' },
              how: 'Handle out of the water; what is lined with plastic stays out.',
              caution: alkaline,
            }),
            soak('soak', 'Leave them to soak', 'Screen soaking', 600, { mostS: 900 }),
            hands('wipe', 'Meanwhile: wipe the group out', 30, { at: ['group'], caution: hotScreen }),
            hands('out', 'Out, brush, rinse until nothing is slippery', 60, {
              bath: 'out',
              state: { basket: 'at hand' },
              caution: alkaline,
            }),
            hands('pour', 'Bath poured away', 15, {
              bath: 'poured',
              gives: ['bowl'],
              caution: { hazard: 'detergent', say: 'Never into a drain where acid stands.' },
            }),
            hands('back', 'Screen back, screw snug', 60, {
              at: ['screen', 'group'],
              state: { screen: 'on' },
              gives: ['cup'],
              caution: hotScreen,
            }),
            check(
              'runs',
              'Water through it',
              'How does it fall?',
              [
                ['even', 'Even, clear, all round', 'pass'],
                ['odd', 'To one side, or foam', 'repeat', 'out', 'Rinse the screen, seat it once more.'],
              ],
              { at: ['screen', 'group'], state: brewing, caution: hotScreen },
            ),
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
      every: { words: 'monthly at least', days: 30, mark: 'T' },
      figures: [figure('Detergent', 'none'), figure('Screen off and soaked', 'no')],
      tools: [
        { name: 'Head tool, or a damp towel' },
        { name: 'Soft brush' },
        { name: 'Pin', why: 'for clogged holes of the basket' },
      ],
      materials: [],
      writes: [{ entry: 'cleaned', task: 'group-clean', by: ['groove'] }],
      parts: [
        {
          id: 'group',
          name: 'Group',
          steps: [
            cutOff('unplug', 20, { at: ['board'] }),
            soak('cool', 'Let it cool', 'Group cooling', 1200, {
              state: { heat: 'cold' },
              how: 'Cool to the touch before a hand goes to the group: about twenty minutes.',
              at: ['group'],
            }),
            hands('tool', 'Head tool in: turn it left and right', 30, {
              at: ['group'],
              state: { heat: 'cold' },
              how: 'It loosens the grounds from the seal’s channel. Without the tool: the towel does it.',
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
              state: { power: 'on', tank: 'in', tray: 'in' },
              caution: { hazard: 'scald', say: 'Water falls free from the group, hot as soon as it heats.' },
            }),
            hands('baskets', 'Basket out: brush it, prick its holes, run water through', 90, {
              how: 'Each basket in turn, the pod insert too; by hand, never in a dishwasher.',
              at: ['basket'],
              state: { heat: 'hot' },
              caution: { hazard: 'sharp', say: 'The pin: away from the hand that holds.' },
            }),
          ],
        },
      ],
    },
  ],
}
