import type { Procedure } from '../procedure.ts'
import { alkaline, check, figure, hands, hotWater, milkHygiene, soak, steam } from '../step-parts.ts'

const steaming = ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt']
const wand = ['wand', 'steam-valve']

const holes = check(
  'holes',
  'Steam on for a moment',
  'Steam from every hole?',
  [
    ['all', 'From every hole, even', 'pass'],
    ['some', 'One is shut', 'repeat', 'prick', 'Milk is still in it: prick and soak once more.'],
    ['none', 'Nothing comes', 'stop', 'The plug sits in the tube: soak it up with cleaner, do not push it further in.'],
  ],
  { at: wand, caution: steam },
)

/** The wand inside: from every use to the heavy clean. */
export const wandClean: Procedure = {
  id: 'wand-clean',
  version: 1,
  family: 'steam',
  name: 'Steam wand cleaned inside',
  about: 'Hot water or cleaner drawn up into the wand, left to work, blown out.',
  kinds: steaming,
  writes: [],
  schools: [
    {
      id: 'hot-water-drawn-up',
      name: 'hot water drawn up, three times',
      reason:
        'Closed while the tip is still under water, the wand sucks hot water in: it loosens milk without chemistry. Weekly, with the backflush.',
      usualFor: ['lv', 'pt', 'dv', 'dn', 'dg', 'bt'],
      figures: [figure('Cleaner', 'none'), figure('Drawn up', 'about 1 min, 3 times'), figure('How often', 'weekly')],
      tools: [{ name: 'Milk jug' }, { name: 'Damp cloth' }],
      materials: [],
      parts: [
        {
          id: 'wand',
          name: 'Wand',
          steps: [
            hands('water', 'Some hot water into the jug', 15, {
              how: 'Not too much: the boiler must keep its steam.',
              at: ['hot-water'],
              caution: hotWater,
            }),
            hands('froth', 'Froth it, close with the tip still under', 20, { at: wand, caution: steam }),
            soak('draw-1', 'Leave it drawn up', 'Water in the wand', 60, { at: wand }),
            hands('blow-1', 'Blow it out, draw up again', 20, { at: wand, caution: steam }),
            soak('draw-2', 'Leave it drawn up', 'Water in the wand', 60, { at: wand }),
            hands('blow-2', 'Blow it out, draw up a third time', 20, { at: wand, caution: steam }),
            soak('draw-3', 'Leave it drawn up', 'Water in the wand', 60, { at: wand }),
            hands('blow-3', 'Blow it out, wipe it', 15, { at: wand, caution: steam }),
            check(
              'bare',
              'Look all round, at the back too',
              'How is it?',
              [
                ['bare', 'Bare metal', 'pass'],
                [
                  'skin',
                  'A skin is left',
                  'repeat',
                  'water',
                  'Fresh water, and once more: dirty water is sucked back in.',
                ],
              ],
              { at: wand },
            ),
          ],
        },
      ],
    },
    {
      id: 'cleaner-drawn-up',
      name: 'milk cleaner drawn up',
      reason:
        'Where milk has dried for days water alone does not get it out: cleaner does, and a last frothing of clean water takes it away.',
      usualFor: [],
      figures: [
        figure('Cleaner', '1 part to 16 of water, or 1 tablet'),
        figure('Drawn up', 'about 1 min, 3 times'),
        figure('How often', 'when it is heavy'),
      ],
      tools: [{ name: 'Milk jug' }, { name: 'Damp cloth' }],
      materials: [{ name: 'Milk-system cleaner' }],
      parts: [
        {
          id: 'wand',
          name: 'Wand',
          steps: [
            {
              id: 'cleaner',
              say: 'Cleaner into hot water',
              how: '30 ml to 480 ml. It foams: watch the level.',
              act: 'dose',
              dose: { of: 'milk-cleaner', words: '1 part to 16 of water' },
              into: 'the jug',
              handsS: 20,
              caution: milkHygiene,
            },
            hands('froth', 'Warm it by steam, close with the tip under', 25, {
              at: wand,
              caution: steam,
              puts: 'milk-cleaner',
              gate: true,
            }),
            soak('draw-1', 'Leave it drawn up', 'Cleaner in the wand', 60, { at: wand }),
            hands('blow-1', 'Blow it out, draw up again', 20, { at: wand, caution: steam }),
            soak('draw-2', 'Leave it drawn up', 'Cleaner in the wand', 60, { at: wand }),
            hands('blow-2', 'Blow it out, draw up a third time', 20, { at: wand, caution: steam }),
            soak('draw-3', 'Leave it drawn up', 'Cleaner in the wand', 60, { at: wand }),
            hands('clean-water', 'Clean water: froth it, blow out', 40, { at: wand, caution: steam }),
            check(
              'clear',
              'Is it rinsed?',
              'What blows out?',
              [
                ['clear', 'Clean steam, no smell, no foam', 'pass'],
                ['foam', 'Still foam', 'repeat', 'clean-water', 'Cleaner is left: clean water once more.'],
              ],
              { at: wand, gate: true, clears: true },
            ),
          ],
        },
      ],
    },
    {
      id: 'soaked-in-place',
      name: 'soaked in place',
      reason: 'At closing time the wand stands in hot water for a quarter of an hour while the groups are cleaned.',
      usualFor: ['c2'],
      figures: [figure('Cleaner', 'none'), figure('Soak', '15 min'), figure('How often', 'daily')],
      tools: [
        { name: 'Milk jug' },
        { name: 'Cleaning needle', why: 'for the holes of the tip' },
        { name: 'Damp cloth' },
      ],
      materials: [],
      parts: [
        {
          id: 'wand',
          name: 'Wand',
          steps: [
            hands('stand', 'Jug of hot water, wand in it', 20, { at: wand, caution: hotWater }),
            soak('soak', 'Leave it standing', 'Wand soaking', 900, { at: wand }),
            hands('prick', 'Blow out, wipe, prick each hole', 30, { at: wand, caution: steam }),
            holes,
          ],
        },
      ],
    },
    {
      id: 'overnight',
      name: 'overnight in hot water',
      reason:
        'For a home that shows residue: nothing is opened, and the morning’s first steam takes it along. It spares harder cleaning.',
      usualFor: [],
      figures: [figure('Cleaner', 'none'), figure('Soak', 'overnight'), figure('How often', 'when residue shows')],
      tools: [{ name: 'Tall container' }, { name: 'Damp cloth' }],
      materials: [],
      parts: [
        {
          id: 'wand',
          name: 'Wand',
          steps: [
            hands('stand', 'Tall container of hot water, wand in it', 20, { at: wand, caution: hotWater }),
            soak('soak', 'Leave it overnight', 'Wand soaking', 8 * 3600, { at: wand }),
            hands('prick', 'Wipe it, power on, open it', 40, {
              at: wand,
              caution: steam,
              how: 'Water through it carries the residue out. Still shut: unplug before anything is poked.',
            }),
            holes,
          ],
        },
      ],
    },
  ],
}

/** Tip off, holes pricked, soaked, back hand tight. */
export const steamTip: Procedure = {
  id: 'steam-tip',
  version: 1,
  family: 'steam',
  name: 'Steam tip off and soaked',
  about: 'The tip unscrewed, seen through, soaked, and back hand tight.',
  kinds: ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt'],
  writes: [{ entry: 'cleaned', task: 'steam-tip-off' }],
  schools: [
    {
      id: 'detergent-bath',
      name: 'a quarter of an hour in detergent',
      reason:
        'Ten grams to the litre dissolve old milk in the holes; a blunt needle first, the fine one only where it is needed.',
      usualFor: ['c2', 'dv', 'dn', 'dg', 'bt'],
      figures: [
        figure('Bath', '10 g detergent per litre'),
        figure('Time', '15 min'),
        figure('Through the holes', 'blunt needle, then a finer one'),
      ],
      tools: [{ name: 'Cloth' }, { name: 'Needle or awl' }],
      materials: [{ name: 'Backflush detergent' }],
      parts: [{ id: 'tip', name: 'Tip', steps: tipSteps('A litre of hot water, 10 g of powder', 900) }],
    },
    {
      id: 'milk-cleaner-cup',
      name: 'ten minutes in milk cleaner',
      reason:
        'A cup with a little milk cleaner is kinder to the metal; half an hour does no harm either, longer nobody tried.',
      usualFor: ['lv', 'pt'],
      figures: [
        figure('Bath', 'a little milk cleaner in a cup of hot water'),
        figure('Time', '10 min, up to 30'),
        figure('Through the holes', 'awl or hex key of 0.5 to 1 mm'),
      ],
      tools: [{ name: 'Cloth' }, { name: 'Awl or hex key, 0.5 to 1 mm', why: 'never a clip in its plastic sleeve' }],
      materials: [{ name: 'Milk-system cleaner' }],
      parts: [{ id: 'tip', name: 'Tip', steps: tipSteps('A cup of hot water, a little milk cleaner', 600) }],
    },
    {
      id: 'cup-of-detergent',
      name: 'five minutes, half a scoop',
      reason:
        'Done weekly or every two weeks it never gets heavy: half a scoop in a cup of warm boiler water is enough.',
      usualFor: [],
      figures: [
        figure('Bath', 'half a scoop in a cup of warm water'),
        figure('Time', '5 min'),
        figure('Through the holes', 'if one is shut'),
      ],
      tools: [{ name: 'Cloth' }, { name: 'Needle' }],
      materials: [{ name: 'Backflush detergent' }],
      parts: [{ id: 'tip', name: 'Tip', steps: tipSteps('A cup of warm water, half a scoop', 300) }],
    },
  ],
}

function tipSteps(bath: string, seconds: number) {
  return [
    hands('vent', 'Steam shut, wand vented', 10, { at: wand, caution: steam }),
    hands('off', 'Unscrew the tip', 30, {
      at: ['wand'],
      how: 'Hot: cloth. An inner tube may be felt behind it: work the tip off slowly and leave the tube in.',
      caution: { hazard: 'scald' as const, say: 'The tip is hot: cloth, or let it cool.' },
    }),
    hands('bath', bath, 30, { caution: alkaline }),
    soak('soak', 'Tip in the bath', 'Tip soaking', seconds),
    hands('prick', 'Prick each hole, hold it to the light', 40, {
      how: 'Blunt first. Do not poke into the wand: it pushes milk further up.',
    }),
    hands('back', 'Rinse it, thread it back, hand tight', 30, {
      at: ['wand'],
      how: 'The tube sticks out of the wand: the tip goes over it.',
    }),
    holes,
  ]
}

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
                how: 'A bare element burns out when it heats before the boiler is full again.',
                at: ['level', 'heater'],
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
            hands('refill', 'Switch it on, let it refill', 60, { at: ['fill-valve', 'boiler', 'steam-boiler'] }),
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

/** Cam and moving parts of a lever group. */
export const camGrease: Procedure = {
  id: 'cam-grease',
  version: 1,
  family: 'service',
  name: 'Lever’s cam greased',
  about: 'After detergent the lever squeaks: its cam wants food-safe grease now and then.',
  kinds: ['lv'],
  writes: [{ entry: 'greased', task: 'cam-grease' }],
  schools: [
    {
      id: 'thin-film',
      name: 'a thin film',
      reason: 'A thin film of food-safe grease on cam and pins; more is washed into the coffee by the next flush.',
      usualFor: ['lv'],
      figures: [
        figure('Grease', 'food-safe, high-temperature'),
        figure('How often', 'when the lever stays stiff; with general service'),
      ],
      tools: [{ name: 'Spanner for the cap' }, { name: 'Cloth' }, { name: 'Small brush' }],
      materials: [{ name: 'Food-safe grease' }],
      parts: [
        {
          id: 'cam',
          name: 'Cam',
          steps: [
            hands('cold', 'Off, cold, pressure 0', 30, {
              gate: true,
              caution: {
                hazard: 'pressure',
                say: 'Only at pressure 0 and cold: the group is full of hot water under pressure.',
              },
              at: ['lever', 'gauge'],
            }),
            hands('open', 'Lever’s cap off, cam out', 120, { at: ['lever'] }),
            hands('wipe', 'Wipe off the old grease', 60, { at: ['lever'] }),
            {
              id: 'grease',
              say: 'A thin film on cam and pins',
              act: 'dose',
              dose: { of: 'grease', words: 'a thin film' },
              into: 'the cam',
              handsS: 60,
              at: ['lever'],
            },
            hands('close', 'Cam in, cap on, snug', 120, { at: ['lever'] }),
            check(
              'moves',
              'Lift and lower it three times, water on',
              'How does it move?',
              [
                ['smooth', 'Smooth, tight, no squeak', 'pass'],
                ['weeps', 'It weeps at the cap', 'repeat', 'close', 'Not tight: cap once more.'],
              ],
              { at: ['lever', 'group'], caution: hotWater },
            ),
          ],
        },
      ],
    },
  ],
}

/** Tray, drain and outside. */
export const trayAndBody: Procedure = {
  id: 'tray-and-body',
  version: 1,
  family: 'brewing',
  name: 'Tray, drain and body',
  about: 'Emptied, unstained, dried; the hose rinsed; the outside wiped.',
  kinds: ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt', 'sr', 'st', 'sp', 'pk', 'pl', 'pd'],
  writes: [{ entry: 'cleaned', task: 'drain-hose-clean' }],
  schools: [
    {
      id: 'rinsed-and-dried',
      name: 'rinsed and dried',
      reason: 'Water that stands in a tray grows slime and smells; dried it drains as it should.',
      usualFor: ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt', 'sr', 'st', 'sp', 'pk', 'pl', 'pd'],
      figures: [figure('Stains', 'residue spray, about 1 min'), figure('How often', 'tray daily; hose regularly')],
      tools: [{ name: 'Soft damp cloth' }, { name: 'Brush' }],
      materials: [{ name: 'Coffee-residue spray', why: 'where it is stained' }],
      parts: [
        {
          id: 'tray',
          name: 'Tray',
          steps: [
            hands('empty', 'Tray out, emptied before it is heavy', 30, { at: ['tray'] }),
            hands('spray', 'Spray the stains', 15, { caution: alkaline }),
            soak('spray-works', 'Leave the spray', 'Spray on the tray', 60),
            hands('wipe', 'Wipe, rinse, dry', 60, { at: ['tray'] }),
            hands('hose', 'Hot water through the drain, hose looked at', 40, {
              at: ['tray'],
              wrong: 'It stands: the hose is shut by grounds. Take it off and clean it.',
            }),
            hands('back', 'Tray back, its hole under the drain', 20, { at: ['tray'] }),
            hands('body', 'Wipe the outside with a soft damp cloth', 60, { how: 'Nothing abrasive, no solvent.' }),
          ],
        },
      ],
    },
  ],
}
