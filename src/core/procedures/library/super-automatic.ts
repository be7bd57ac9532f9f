import type { Procedure } from '../procedure.ts'
import { check, figure, hands, hotWater, milkHygiene, soak, unplugged } from '../step-parts.ts'

/** The unit washed, greased where it is coloured. */
export const brewUnit: Procedure = {
  id: 'brew-unit',
  version: 1,
  family: 'service',
  name: 'Brew unit washed and greased',
  about: 'Out, washed with water, greased on its marked places; the nozzle seals looked at while it is out.',
  kinds: ['sr'],
  writes: [{ entry: 'greased', task: 'brew-unit-grease' }],
  schools: [
    {
      id: 'water-and-coloured-places',
      name: 'water only, grease on the coloured places',
      reason:
        'No detergent on the unit: it strips the grease. Grease goes where the maker coloured it and nowhere else.',
      usualFor: ['sr'],
      figures: [
        figure('Washed with', 'warm water, by hand'),
        figure('Grease', 'food-safe, on coloured places'),
        figure('Seals', 'two in the nozzle, looked at'),
      ],
      tools: [{ name: 'Torch' }, { name: 'Soft brush' }],
      materials: [
        { name: 'Food-safe grease' },
        { name: 'Spare nozzle seals', why: 'a perished one sends the water to the tray' },
      ],
      parts: [
        {
          id: 'unit',
          name: 'Unit',
          steps: [
            hands('off', 'Switched off, unit home', 20, {
              at: ['brew-unit', 'position'],
              caution: { hazard: 'pinch', say: 'Off first: the unit moves by itself.' },
            }),
            hands('out', 'Tank and door out, push the bar, slide the unit out', 30, { at: ['door', 'brew-unit'] }),
            hands('wash', 'Wash it under warm water', 90, { at: ['brew-unit'] }),
            check(
              'seals',
              'Look at the nozzle inside',
              'How are the seals?',
              [
                ['whole', 'Whole and soft', 'pass'],
                ['perished', 'Perished: a new one goes on, greased', 'pass'],
              ],
              { at: ['nozzle'], how: 'Perished seals are felt as crumbs: the cup gets less, the tray more.' },
            ),
            soak('dry', 'Let it drip dry', 'Unit drying', 300, { at: ['brew-unit'] }),
            {
              id: 'grease',
              say: 'Grease the coloured places',
              act: 'dose',
              dose: { of: 'grease', words: 'a thin film' },
              into: 'the coloured places',
              handsS: 60,
              at: ['brew-unit'],
            },
            hands('in', 'Slide it in until it clicks, door and tank back', 30, {
              at: ['brew-unit', 'door'],
              wrong: 'It does not slide: it is out of its home position. Never force it.',
            }),
            check(
              'cup',
              'Rinse it',
              'Where does the water come?',
              [
                ['cup', 'Into the cup', 'pass'],
                ['tray', 'Into the tray', 'repeat', 'out', 'A seal is wrong or missing: out once more.'],
              ],
              { at: ['nozzle', 'spout', 'tray'], caution: hotWater },
            ),
          ],
        },
      ],
    },
  ],
}

/** Grinder set by weight. */
export const grinderCalibration: Procedure = {
  id: 'grinder-calibration',
  version: 1,
  family: 'service',
  name: 'Grinder cleaned and set by weight',
  about: 'Vacuumed, brushed, and three doses weighed.',
  kinds: ['gr', 'sr', 'st', 'sp', 'dg', 'bt'],
  writes: [{ entry: 'cleaned', task: 'hopper-wash' }],
  schools: [
    {
      id: 'three-doses-weighed',
      name: 'three doses weighed',
      reason: 'One dose tells nothing: three within their spread tell that burrs, chute and time agree.',
      usualFor: ['gr', 'sr', 'st', 'sp', 'dg', 'bt'],
      figures: [
        figure('Doses', '3'),
        figure('Within', '0.3 to 0.8 g by kind', 'M'),
        figure('Order', 'vacuum first, then air'),
      ],
      tools: [{ name: 'Scale, 0.1 g' }, { name: 'Angled brush' }, { name: 'Vacuum cleaner' }],
      materials: [],
      parts: [
        {
          id: 'grinder',
          name: 'Grinder',
          steps: [
            hands('unplug', 'Beans out, unplug it', 40, { gate: true, caution: unplugged, at: ['hopper'] }),
            hands('hopper', 'Hopper washed and dried', 120, { at: ['hopper'], how: 'No water near the burrs.' }),
            hands('vacuum', 'Vacuum burrs and chute, brush through', 90, {
              at: ['burrs', 'chute'],
              wrong: 'The brush does not come through: the chute is packed, or cracked.',
              caution: { hazard: 'parts', say: 'Small springs are sucked in: out of the way first.' },
            }),
            hands('back', 'Hopper back, beans in, plug in', 60, { at: ['hopper'] }),
            hands('first', 'Grind one dose away', 15, { at: ['burrs'] }),
            {
              id: 'dose-1',
              say: 'First dose',
              act: 'measure',
              ask: 'Weight of the dose',
              unit: 'g',
              handsS: 20,
              at: ['burrs'],
            },
            {
              id: 'dose-2',
              say: 'Second dose',
              act: 'measure',
              ask: 'Weight of the dose',
              unit: 'g',
              handsS: 20,
              at: ['burrs'],
            },
            {
              id: 'dose-3',
              say: 'Third dose',
              act: 'measure',
              ask: 'Weight of the dose',
              unit: 'g',
              handsS: 20,
              at: ['burrs'],
            },
            check('agree', 'Do they agree?', 'The three doses', [
              ['agree', 'Within their spread, at the wanted weight', 'pass'],
              [
                'off',
                'Alike, but not the wanted weight',
                'repeat',
                'first',
                'Set the time or the dose, then three more.',
              ],
              ['scatter', 'They scatter', 'stop', 'Burrs worn, chute packed or beans oily: no setting mends it.'],
            ]),
          ],
        },
      ],
    },
  ],
}

/** Milk side stripped, with its log. */
export const milkHygieneRun: Procedure = {
  id: 'milk-hygiene',
  version: 1,
  family: 'steam',
  name: 'Milk system cleaned',
  about: 'Rinsed, cleaned, stripped, brushed, its cooler measured: all on record.',
  kinds: ['sr', 'st', 'sp'],
  needs: { stations: ['frother', 'milk-hose'], why: 'It has no milk system.' },
  writes: [{ entry: 'cleaned', task: 'milk-strip' }],
  schools: [
    {
      id: 'strip-and-log',
      name: 'stripped and logged',
      reason: 'A programme cleans what it reaches; hose ends, jet and rings want hands, and who did it wants a record.',
      usualFor: ['sr', 'st', 'sp'],
      figures: [
        figure('Cleaner', 'milk cleaner, by its label'),
        figure('Cooler', '2 to 5 °C'),
        figure('How often', 'cleaner daily, stripped weekly'),
      ],
      tools: [{ name: 'Thin brush' }, { name: 'Pin for the air jet' }, { name: 'Thermometer' }],
      materials: [{ name: 'Milk-system cleaner' }],
      parts: [
        {
          id: 'milk',
          name: 'Milk side',
          steps: [
            {
              id: 'cooler',
              say: 'Temperature of the milk in the cooler',
              act: 'measure',
              measure: 'cooler-temperature',
              ask: 'Milk in the cooler',
              unit: '°C',
              from: 2,
              to: 5,
              handsS: 30,
              at: ['milk-cooler'],
            },
            {
              id: 'cleaner',
              say: 'Cleaner where the milk goes in',
              act: 'dose',
              dose: { of: 'milk-cleaner', words: 'by its label' },
              into: 'the milk hose’s vessel',
              handsS: 30,
              puts: 'milk-cleaner',
              gate: true,
              at: ['milk-hose'],
              caution: milkHygiene,
            },
            hands('programme', 'Start its milk cleaning, let it run', 180, {
              at: ['milk-hose', 'milk-valve', 'milk-pump', 'frother'],
              caution: hotWater,
            }),
            hands('rinse', 'The same with clear water', 90, {
              at: ['milk-hose', 'milk-valve', 'milk-pump', 'frother'],
              caution: hotWater,
            }),
            check(
              'clear',
              'Smell and look at the last of it',
              'What comes out?',
              [
                ['clear', 'Clear, no smell', 'pass'],
                ['foam', 'Foam or smell', 'repeat', 'rinse', 'Cleaner is left: rinse once more.'],
              ],
              { gate: true, clears: true, at: ['frother'] },
            ),
            hands('strip', 'Frother apart, rings out, brushed', 180, { at: ['frother'], caution: milkHygiene }),
            hands('jet', 'Prick the air jet, hold it to the light', 40, { at: ['air-jet'] }),
            hands('build', 'Back together, rings with a film of grease', 90, {
              at: ['frother', 'air-jet', 'milk-hose'],
            }),
            check(
              'foam',
              'Froth some milk',
              'How is the foam?',
              [
                ['fine', 'Fine and hot', 'pass'],
                ['coarse', 'Coarse or cold', 'repeat', 'jet', 'Air jet or rings: look once more.'],
              ],
              { at: ['frother'], caution: hotWater },
            ),
          ],
        },
      ],
    },
  ],
}

/** The motor-driven piston group at its service. */
export const motorGroup: Procedure = {
  id: 'motor-group',
  version: 1,
  family: 'service',
  name: 'Piston group serviced',
  about: 'Guides cleaned dry, both gaskets new, showers cleaned: every 15,000 cycles.',
  kinds: ['sp'],
  writes: [
    { entry: 'serviced', task: 'group-service' },
    { entry: 'cleaned', task: 'guides-clean' },
    { entry: 'cleaned', task: 'showers-clean' },
  ],
  schools: [
    {
      id: 'by-its-own-motor',
      name: 'moved by its own motor',
      reason:
        'The chamber is moved by its keys, so that it lines the pistons up itself: screws are tightened only then.',
      usualFor: ['sp'],
      figures: [
        figure('Interval', '15,000 cycles'),
        figure('Tools', 'hex 2, 2.5, 3, 4 mm; 21 mm wrench'),
        figure('Guides', 'no lubricant of any kind'),
        figure('Lower gasket', 'one drop of high-temperature food grease, PTFE tape on the thread'),
      ],
      tools: [{ name: 'Hex 2.5 and 4 mm' }, { name: '21 mm wrench' }, { name: 'Flat screwdriver' }],
      materials: [
        { name: 'Upper gasket' },
        { name: 'Lower gasket' },
        { name: 'PTFE tape' },
        { name: 'High-temperature food grease' },
      ],
      parts: [
        {
          id: 'group',
          name: 'Group',
          steps: [
            hands('manual', 'Into manual movement', 60, {
              at: ['board'],
              how: 'Off; its two movement keys held; on at the master switch; the display says so.',
              caution: { hazard: 'pinch', say: 'The motor does not feel a finger: hands out while it moves.' },
              gate: true,
            }),
            hands('open', 'Door open, tray out', 30, { at: ['tray'] }),
            hands('guides-upper', 'Chamber down: clean the upper guides, dry', 60, {
              at: ['group', 'spindle'],
              how: 'No lubricant: coffee binds in it and the chamber stalls.',
            }),
            hands('guides-lower', 'Chamber up: clean the lower guides, dry', 60, { at: ['group', 'spindle'] }),
            hands('upper', 'Upper piston out, gasket and shower off', 180, {
              at: ['group'],
              how: 'Decaf chute out first; 4 mm, then 2.5 mm. Open a strip-down sheet: clips and screws are many.',
            }),
            hands('upper-in', 'Shower cleaned, new gasket seated, piston in, screw loose', 180, { at: ['group'] }),
            hands('align', 'Chamber up: it lines the piston up; now tighten', 60, {
              at: ['group', 'spindle'],
              caution: { hazard: 'pinch', say: 'Hands out while it moves.' },
            }),
            hands('lower', 'Tube, clips, spring, nut: lower piston out', 300, {
              at: ['group'],
              how: '21 mm; the order of spring and clips is photographed.',
            }),
            hands('lower-in', 'New gasket, one drop of grease; tape on the thread; nut', 240, { at: ['group'] }),
            check(
              'free',
              'Push the piston up and down',
              'How does it move?',
              [
                ['free', 'Freely', 'pass'],
                ['stiff', 'Stiff', 'repeat', 'lower-in', 'The gasket does not sit: out once more.'],
              ],
              { at: ['group'], gate: true },
            ),
            hands('clips', 'Upper clip, spring, lower clip, tube', 120, { at: ['group'] }),
            hands('out-of-manual', 'Off and on at the master switch', 30, { at: ['board'] }),
            check(
              'drink',
              'Two coffees, thrown away',
              'How do they run?',
              [
                ['good', 'Steady, no drip at the unit', 'pass'],
                ['leak', 'Water below the group', 'repeat', 'lower', 'A gasket or the tube: open once more.'],
              ],
              { at: ['group', 'spout'], caution: hotWater },
            ),
          ],
        },
      ],
    },
  ],
}
