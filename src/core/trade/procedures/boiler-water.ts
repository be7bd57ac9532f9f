import type { Procedure } from '../../procedures/procedure.ts'
import { check, figure, hands, hotWater, soak, steam, steaming, wait } from '../../procedures/step-parts.ts'
import { boilers } from './kinds-by-build.ts'

const tapScalds = {
  hazard: 'scald',
  say: 'Boiling water and steam from the tap, 120 °C behind it: gloves, face away.',
  how: 'Without its screen the jet is far stronger. An ordinary glass cracks.',
} as const

/** Water changed, loose chalk out with it. */
export const boilerRefresh: Procedure = {
  id: 'boiler-refresh',
  version: 2,
  family: 'water',
  name: 'Boiler refreshed',
  about: 'What has concentrated in the steam boiler is run out hot and filled anew, two or three times.',
  kinds: ['c2', 'lv', 'pt'],
  needs: { stations: ['hot-water'], why: 'It has no hot-water tap to empty the boiler by.' },
  writes: [{ entry: 'cleaned', task: 'boiler-flush', by: ['run', 'second', 'grains'] }],
  ways: [
    {
      id: 'two-or-three-fills',
      name: 'two or three fills',
      reason:
        'Whoever only draws steam leaves all minerals behind: two or three fills take them out before they set. It stands in for descaling where the water is good.',
      usualFor: ['c2', 'lv', 'pt'],
      every: { words: 'every two weeks', days: 14, mark: 'T' },
      figures: [figure('Fills', '2, perhaps 3')],
      tools: [
        { name: 'Metal vessel on the floor', why: 'a commercial boiler gives up to 7 L, in portions' },
        { name: 'Clear heat-resistant glass', why: 'an ordinary one cracks' },
        { name: 'Gloves' },
      ],
      materials: [],
      parts: [
        {
          id: 'boiler',
          name: 'Boiler',
          steps: [
            check(
              'probe',
              'Does it heat only when the boiler is full?',
              'What its leaflet, or the machine itself, says: a probe that is drawn is no interlock',
              [
                ['yes', 'Yes: seen, it fills first and heats after', 'pass'],
                ['by-hand', 'Not known: it is filled with the element switched off', 'pass'],
                [
                  'no',
                  'It heats at once, and cannot be filled cold',
                  'stop',
                  'Drained like this the element heats bare and burns out: not this way.',
                ],
              ],
              { at: ['heater', 'level'], gate: true, handsS: 20 },
            ),
            hands('off', 'Hot and at pressure: switch it OFF', 20, {
              at: ['boiler', 'steam-boiler', 'heater'],
              state: { power: 'off', boiler: 'full', heat: 'hot' },
              takes: ['vessel', 'glass'],
              gate: true,
              caution: { hazard: 'scald', say: 'It stays hot and under pressure when it is off.' },
            }),
            hands('run', 'Open the hot-water tap until nothing comes', 120, {
              at: ['hot-water', 'boiler', 'steam-boiler'],
              how: 'A metal vessel on the floor, in portions: a litre or two at home, up to 7 L in a bar. The last of it into the clear glass.',
              state: { boiler: 'empty', pressure: 'none', outlet: 'on' },
              caution: tapScalds,
            }),
            hands('refill', 'Let it fill', 60, {
              at: ['level', 'fill-valve', 'boiler', 'steam-boiler'],
              state: { power: 'on', heat: 'cold' },
              how: 'Tap shut. Switch it on; the element stays off by its own switch where nobody knows of an interlock.',
              normal: 'Water runs in at once; it heats only when it is full.',
              wrong: 'It heats and nothing runs in: off again at once, the element is bare.',
            }),
            wait('up', 'It heats up', 'the gauge stands at its pressure', 600, {
              at: ['boiler', 'steam-boiler', 'gauge', 'heater'],
              state: { power: 'on', boiler: 'full' },
              mark: 'M',
            }),
            check(
              'second',
              'How many fills have been run out?',
              'Two at least; a third where grains came',
              [
                ['two', 'Two or three', 'pass'],
                ['one', 'Only one', 'repeat', 'off', 'One leaves half of it in: a second, from off.'],
              ],
              { at: ['boiler', 'steam-boiler'], state: { heat: 'hot', pressure: 'up' }, gate: true },
            ),
            check(
              'grains',
              'Hold the last glass to the light',
              'What lies in it?',
              [
                ['few', 'A few loose grains, or none', 'pass'],
                ['many', 'Many grains', 'repeat', 'off', 'Chalk is loose: one fill more takes it along, from off.'],
                [
                  'no-flow',
                  'Nothing came at all',
                  'stop',
                  'The boiler’s outlet is shut by chalk: it is opened on the bench.',
                ],
              ],
              { at: ['hot-water'], gives: ['vessel', 'glass'] },
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
  version: 2,
  family: 'water',
  name: 'Hot-water outlet screen',
  about: 'Unscrewed, looked at for chalk, dipped, back.',
  kinds: boilers,
  needs: { stations: ['hot-water'], why: 'It has no hot-water tap.' },
  writes: [{ entry: 'cleaned', task: 'hot-water-screen', by: ['off', 'back'] }],
  ways: [
    {
      id: 'dipped-in-mild-acid',
      name: 'dipped in mild acid',
      reason: 'Dust is knocked off; chalk wants a minute in a little vinegar or mild descaler, outside the machine.',
      usualFor: boilers,
      every: { words: 'every 6 months, or when the jet grows thin', days: 182, mark: 'T' },
      figures: [figure('Dip', 'a little clear vinegar or mild descaler')],
      tools: [{ name: 'Cloth' }, { name: 'Spanner', why: 'where it does not come by hand' }, { name: 'Small brush' }],
      materials: [{ name: 'Clear vinegar or mild descaler' }],
      parts: [
        {
          id: 'screen',
          name: 'Screen',
          steps: [
            hands('off', 'Unscrew the end of the outlet', 40, {
              at: ['hot-water'],
              state: { outlet: 'off' },
              takes: ['cup'],
              how: 'Note the order: insert, washer, screen. Nobody opens the tap meanwhile: without its screen the jet is far stronger.',
              caution: { hazard: 'scald', say: 'The outlet is hot: cloth. Tap shut.' },
            }),
            check(
              'look',
              'Screen and insert against the light',
              'What sits on them?',
              [
                ['clean', 'Nothing', 'pass'],
                ['dust', 'Dust: knocked and brushed off', 'pass'],
                ['chalk', 'Chalk: into the dip', 'pass'],
              ],
              { at: ['hot-water'] },
            ),
            soak('dip', 'Chalk: a little vinegar or mild descaler', 'Outlet screen in the dip', 180, {
              mostS: 600,
              how: 'Until it no longer foams. Nothing on it: it has had enough at once.',
              caution: { hazard: 'acid', say: 'Acid off eyes and stone; never with bleach.' },
            }),
            hands('back', 'Rinse, screw it back in its order', 40, {
              at: ['hot-water'],
              state: { outlet: 'on' },
              gives: ['cup'],
              how: 'Insert, washer, screen, as it was; hand tight.',
            }),
            check(
              'flow',
              'Open the tap: the first cup away',
              'How does it run?',
              [
                ['smooth', 'A smooth, full jet', 'pass'],
                ['weak', 'Still thin', 'stop', 'Then the chalk sits in the boiler’s outlet, not in the screen.'],
              ],
              {
                at: ['hot-water', 'boiler'],
                state: steaming,
                caution: { ...hotWater, how: 'The first cup may hold acid: it is thrown away.' },
                besides: [steam],
              },
            ),
          ],
        },
      ],
    },
  ],
}
