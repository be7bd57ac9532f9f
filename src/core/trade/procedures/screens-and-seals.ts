import type { Procedure } from '../../procedures/procedure.ts'
import { brewing, check, drinkable, figure, hands, hotWater, steaming } from '../../procedures/step-parts.ts'

const hotGroup = {
  hazard: 'scald',
  say: 'Seal, screen and group are hot: cloth or gloves, a tool, never bare fingers.',
} as const

/** Screen and seal out, looked at, and back home: one job. */
export const sealSeating: Procedure = {
  id: 'seal-seating',
  version: 2,
  family: 'brewing',
  name: 'Screen off, seal looked at or changed',
  about: 'Screen and old seal out, groove clean, seal and screen seated with a portafilter, tried for leaks.',
  kinds: ['lv', 'pt', 'c2', 'dv', 'dn', 'dg', 'bt'],
  once: true,
  writes: [],
  ways: [
    {
      id: 'seated-by-the-handle',
      name: 'seated by the handle',
      reason: 'A portafilter without basket pushes evenly all round: no tool bends the screen, no side sits high.',
      usualFor: ['lv', 'pt', 'c2', 'dv', 'dn', 'dg', 'bt'],
      figures: [
        figure('Seal', '58 mm on many prosumer groups'),
        figure('Seated by', 'an empty portafilter, locked in firmly'),
        figure('Tried', 'again with the basket in it'),
      ],
      tools: [
        { name: 'Portafilter without basket' },
        { name: 'Group brush' },
        { name: 'Cloth' },
        { name: 'Lever or short driver' },
        { name: 'Pick', why: 'an old seal comes out by it' },
        { name: 'Cup for the screw' },
      ],
      materials: [{ name: 'Spare seal', why: 'the old one may tear' }],
      parts: [
        {
          id: 'seat',
          name: 'Seat',
          each: 'group',
          steps: [
            hands('off', 'Lever or pump off; brush round, screen off', 60, {
              at: ['screen', 'group'],
              state: { screen: 'off' },
              takes: ['cup'],
              how: 'Screw into the cup; without a screw lever it down, one side, then the opposite one.',
              caution: hotGroup,
            }),
            hands('seal-out', 'Seal out', 60, {
              at: ['group'],
              how: 'With the screen, or by a pick set into it, never into the metal. Hard ones break: every piece out.',
              caution: hotGroup,
              besides: [{ hazard: 'sharp', say: 'The pick slips: away from the other hand.' }],
            }),
            check(
              'seal',
              'Look at the seal',
              'How is it?',
              [
                ['whole', 'Whole and soft', 'pass'],
                [
                  'worn',
                  'Hard, cracked or flat: a new one goes in',
                  'pass',
                  { fits: ['group-gasket', 'group-seal', 'screen-seal'] },
                ],
              ],
              { at: ['group'] },
            ),
            check(
              'screen',
              'Look at the screen',
              'How is it?',
              [
                ['whole', 'Clean and flat', 'pass'],
                ['dirty', 'Brown in the mesh: it goes into a bath first', 'pass'],
                ['new', 'Bent or torn: a new one goes in', 'pass', { fits: ['shower-screen', 'screen'] }],
              ],
              { at: ['screen'] },
            ),
            hands('wipe', 'Wipe the groove clean', 30, { at: ['group'], caution: hotGroup }),
            hands('clip', 'Seal into the screen or the groove', 20, {
              at: ['group', 'screen'],
              how: 'Bevelled or printed side to the portafilter, all the way round; the screen’s holes look down.',
              state: { screen: 'on' },
              gives: ['cup'],
            }),
            hands('lock', 'Lock both in with the empty portafilter', 30, {
              at: ['group', 'screen'],
              how: 'Firmly, until it goes no further: they are seated.',
              caution: hotGroup,
            }),
            check(
              'tight',
              'Basket in, lock in, water on',
              'Is it tight?',
              [
                ['tight', 'Not a drop at the rim', 'pass'],
                ['drops', 'Water at the rim', 'repeat', 'lock', 'Not seated: water off, lock it home once more.'],
                [
                  'never',
                  'It will not seal',
                  'stop',
                  'The seal or its seat is wrong: another seal, and look for grounds under it.',
                ],
              ],
              { at: ['group', 'basket'], state: { ...brewing, basket: 'at hand' }, caution: hotWater, gate: true },
            ),
          ],
        },
      ],
    },
  ],
}

/** The first coffees of a day. */
export const startOfDay: Procedure = {
  id: 'start-of-day',
  version: 2,
  family: 'brewing',
  name: 'Start of day',
  about: 'Standing water out, the first coffees thrown away, the grind looked at.',
  kinds: ['c2', 'lv', 'pt'],
  writes: [],
  ways: [
    {
      id: 'run-and-season',
      name: 'hot water run, one coffee a group',
      reason: 'It takes detergent and standing water out of tap and groups, and one coffee shows the grind of the day.',
      usualFor: ['c2', 'lv', 'pt'],
      every: { words: 'every morning', days: 1, mark: 'T' },
      figures: [figure('Hot water', 'run until it is hot and clear'), figure('Coffee', 'one a group, thrown away')],
      tools: [{ name: 'Heat-resistant jug' }],
      materials: [],
      parts: [
        {
          id: 'tap',
          name: 'Tap',
          steps: [
            hands('run', 'Run the hot-water tap', 20, {
              at: ['hot-water', 'boiler'],
              state: { ...steaming, outlet: 'on' },
              caution: hotWater,
            }),
            check(
              'pressure',
              'Look at the gauges',
              'Boiler up?',
              [
                ['up', 'At its pressure', 'pass'],
                ['low', 'Not yet', 'repeat', 'run', 'Wait for it: cold groups tell nothing.'],
              ],
              { at: ['gauge', 'boiler'] },
            ),
          ],
        },
        {
          id: 'coffee',
          name: 'Coffee',
          each: 'group',
          steps: [
            hands('flush', 'Run water through the group', 5, {
              at: ['group', 'screen'],
              state: brewing,
              caution: hotWater,
            }),
            {
              id: 'season',
              say: 'One espresso, thrown away',
              how: 'Look at its flow and time: the grind of yesterday may not be today’s.',
              act: 'season',
              drinks: 1,
              handsS: 45,
              at: ['group', 'basket'],
              state: { ...brewing, ...drinkable },
              caution: hotWater,
            },
          ],
        },
      ],
    },
  ],
}
