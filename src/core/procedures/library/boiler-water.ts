import type { Procedure } from '../procedure.ts'
import { check, figure, hands, hotWater } from '../step-parts.ts'

/** Water changed, loose chalk out with it. */
export const boilerRefresh: Procedure = {
  id: 'boiler-refresh',
  version: 1,
  family: 'water',
  name: 'Boiler refreshed',
  about: 'What has concentrated in the steam boiler is run out hot and filled anew, two or three times.',
  kinds: ['c2', 'lv', 'pt'],
  needs: { stations: ['hot-water'], why: 'It has no hot-water tap to empty the boiler by.' },
  writes: [{ entry: 'cleaned', task: 'boiler-flush' }],
  schools: [
    {
      id: 'two-or-three-fills',
      name: 'two or three fills',
      reason:
        'Whoever only draws steam leaves all minerals behind: two or three fills take them out before they set. It stands in for descaling where the water is good.',
      usualFor: ['c2', 'lv', 'pt'],
      figures: [figure('Fills', '2, perhaps 3'), figure('How often', 'every 2 weeks')],
      tools: [{ name: 'Clear heat-resistant glass', why: 'an ordinary one cracks' }, { name: 'Jug or bucket' }],
      materials: [],
      parts: [
        {
          id: 'boiler',
          name: 'Boiler',
          steps: [
            check(
              'probe',
              'Does a level probe guard the element?',
              'When the boiler is drained',
              [
                ['yes', 'Yes: it heats only when covered', 'pass'],
                [
                  'no',
                  'No, or nobody knows',
                  'stop',
                  'Drained like this the element may heat bare and burn out: refill it cold before it heats, by its own leaflet.',
                ],
              ],
              {
                how: 'None is drawn on this machine’s path. A bare element burns out when it heats before the boiler is full again.',
                without: ['level'],
                at: ['heater'],
                gate: true,
              },
            ),
            hands('off', 'Hot, then switch it OFF', 20, { at: ['boiler', 'steam-boiler'], caution: hotWater }),
            hands('run', 'Open the hot-water tap until nothing comes', 120, {
              at: ['hot-water', 'boiler', 'steam-boiler'],
              how: 'Into the jug; the last of it into the glass.',
              caution: {
                hazard: 'scald',
                say: 'Boiling water and steam from the tap.',
                how: 'Without its screen the jet is far stronger.',
              },
            }),
            hands('refill', 'Switch it on, let it refill', 60, {
              at: ['level', 'fill-valve', 'boiler', 'steam-boiler'],
              normal: 'Water runs in at once; it heats only when the level probe, or whoever fills it, says full.',
              wrong: 'It heats and nothing runs in: off again at once, the element is bare.',
            }),
            check(
              'grains',
              'Hold the glass to the light',
              'What lies in it?',
              [
                ['few', 'A few loose grains, or none', 'pass'],
                ['many', 'Many grains', 'repeat', 'off', 'Chalk is loose: one fill more takes it along.'],
                [
                  'no-flow',
                  'Nothing came at all',
                  'stop',
                  'The boiler’s outlet is shut by chalk: it is opened on the bench.',
                ],
              ],
              { at: ['hot-water'] },
            ),
          ],
        },
      ],
    },
  ],
}

/** Screen and insert of the hot-water outlet. */
export const hotWaterScreen: Procedure = {
  id: 'hot-water-screen',
  version: 1,
  family: 'water',
  name: 'Hot-water outlet screen',
  about: 'Unscrewed, looked at for chalk, dipped, back.',
  kinds: ['c2', 'lv', 'pt', 'sp'],
  needs: { stations: ['hot-water'], why: 'It has no hot-water tap.' },
  writes: [{ entry: 'cleaned', task: 'hot-water-screen' }],
  schools: [
    {
      id: 'dipped-in-mild-acid',
      name: 'dipped in mild acid',
      reason: 'Dust is knocked off; chalk wants a minute in a little vinegar or mild descaler, outside the machine.',
      usualFor: ['c2', 'lv', 'pt', 'sp'],
      figures: [
        figure('Dip', 'a little clear vinegar or mild descaler'),
        figure('How often', 'every 6 months, or when the jet grows thin'),
      ],
      tools: [{ name: 'Cloth' }, { name: 'Spanner', why: 'where it does not come by hand' }],
      materials: [{ name: 'Clear vinegar or mild descaler' }],
      parts: [
        {
          id: 'screen',
          name: 'Screen',
          steps: [
            hands('off', 'Unscrew the end of the outlet', 40, { at: ['hot-water'], caution: hotWater }),
            hands('look', 'Look at screen and insert, dip them if chalky', 60, {
              caution: { hazard: 'acid', say: 'Acid off eyes and stone; never with bleach.' },
            }),
            hands('back', 'Rinse, screw it back', 40, { at: ['hot-water'] }),
            check(
              'flow',
              'Open the tap',
              'How does it run?',
              [
                ['smooth', 'A smooth, full jet', 'pass'],
                ['weak', 'Still thin', 'stop', 'Then the chalk sits in the boiler’s outlet, not in the screen.'],
              ],
              { at: ['hot-water', 'boiler'], caution: hotWater },
            ),
          ],
        },
      ],
    },
  ],
}
