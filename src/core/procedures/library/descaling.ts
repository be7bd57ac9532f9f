import type { Procedure, School } from '../procedure.ts'
import type { Step } from '../step.ts'
import { acid, check, figure, hands, hotWater, soak, wait } from '../step-parts.ts'

const leaflet = 'Keys and lamps differ by model and revision: the machine’s own leaflet comes first.'

/** What every descale begins and ends with. */
const flowFirst = check(
  'flow',
  'First: does water still flow?',
  'Ten seconds of water, nothing locked in',
  [
    ['flows', 'A stream', 'pass'],
    ['drops', 'Only drops', 'stop', 'Nearly shut: acid that cannot circulate dissolves nothing. Open it instead.'],
  ],
  { caution: hotWater, how: 'A path that is shut is not opened by acid poured after it.' },
)
const filterOut = hands('filter-out', 'Filter out of the tank', 15, {
  at: ['tank'],
  how: 'A new one may soak in warm water meanwhile, about 5 min.',
  gate: true,
})
const charge = (how: string): Step => ({
  id: 'charge',
  say: 'Descaler into the tank',
  how,
  act: 'dose',
  dose: { of: 'descaler', words: 'as reckoned for this machine, else by its label' },
  into: 'the tank',
  handsS: 60,
  puts: 'descaler',
  gate: true,
  at: ['tank'],
  caution: acid,
})
const rinsed = (from: string): Step =>
  check(
    'rinsed',
    'Is the acid out?',
    'The last of the rinse water: strip it, or taste a drop',
    [
      ['out', 'As the tap: pH within 0.3, no sour taste', 'pass'],
      ['sour', 'Still sour', 'repeat', from, 'Acid is left: another rinse.'],
    ],
    { gate: true, clears: true, how: 'Three vessel volumes at least.' },
  )
const neutralise = hands('neutralise', 'Spent acid neutralised, then down the drain', 90, {
  how: 'Sodium bicarbonate until it no longer foams: 1.3 g for each gram of citric, 0.9 for lactic or sulfamic. Only where local rules allow it.',
  caution: {
    hazard: 'acid',
    say: 'It foams: slowly, in a large vessel.',
    how: 'Never into a drain where bleach stands.',
  },
})
const filterBack = hands('filter-back', 'New filter in, tank filled fresh', 30, { at: ['tank'] })

const materials = [
  { name: 'Descaler', why: 'enough of it in the house before starting' },
  { name: 'Sodium bicarbonate' },
  { name: 'pH strips' },
]
const tools = [
  { name: 'Vessel, 1 L or more, under each outlet' },
  { name: 'Bucket', why: 'to swap vessels' },
  { name: 'Gloves, glasses' },
]

const school = (one: Pick<School, 'id' | 'name' | 'reason' | 'usualFor' | 'figures'>, steps: Step[]): School => ({
  ...one,
  tools,
  materials,
  parts: [{ id: 'run', name: 'Descale', steps }],
})

const espressoPath = ['tank', 'pump', 'boiler', 'thermoblock', 'group', 'steam-knob', 'wand']

/** Descaling in place, in the shape each machine’s programme has. */
export const descale: Procedure = {
  id: 'descale',
  version: 1,
  family: 'water',
  name: 'Descale in place',
  about:
    'Acid through pump, heater and both outlets; rinsed until it is out. Never where the boiler keeps it in its corners.',
  kinds: ['dv', 'dn', 'dg', 'bt', 'sr', 'st', 'pk', 'pl', 'pd'],
  writes: [{ entry: 'descaled', task: 'descale' }],
  mustFinish: {
    why: 'Broken off, acid stays in the machine: it is not for use until it is rinsed.',
    first: [
      'Time for all of it, rinse too',
      'A vessel of a litre or more under every outlet',
      'Descaler for this machine, and fresh water for the rinse',
    ],
  },
  schools: [
    school(
      {
        id: 'two-halves',
        name: 'first half by the group, second by the wand',
        reason:
          'Both outlets see the same acid; two litres of rinse, the second of them by the programme itself, or it still thinks it is within.',
        usualFor: ['dv', 'dn'],
        figures: [
          figure('Water for the dose', '1 L'),
          figure('Phases', 'group, then wand'),
          figure('Rinse', '2 L'),
          figure('Time', 'its own'),
        ],
      },
      [
        flowFirst,
        filterOut,
        charge('One litre, stirred until it is clear.'),
        hands('vessels', 'Vessel under group and wand', 20, { at: ['group', 'wand'] }),
        {
          id: 'keys',
          say: 'From off: hold the keys of its descale',
          how: leaflet,
          act: 'hold',
          keys: ['single', 'steam'],
          seconds: 5,
          handsS: 4,
          at: ['board'],
          mark: 'M',
        },
        wait('acid-runs', 'It runs: group, then wand', 'its lamps stand still', 900, {
          at: espressoPath,
          caution: acid,
          mark: 'M',
        }),
        hands('fresh', 'Empty the vessel, tank rinsed, 2 L of fresh water', 60, { at: ['tank'] }),
        wait('rinse-runs', 'Start it again: the rinse', 'its lamps stand still', 600, {
          at: espressoPath,
          caution: hotWater,
          mark: 'M',
        }),
        rinsed('fresh'),
        check(
          'lamp',
          'Look at its lamps',
          'Does it still ask?',
          [
            ['quiet', 'It asks no more', 'pass'],
            [
              'asks',
              'It still blinks',
              'repeat',
              'fresh',
              'It thinks it is within the cycle: the rinse was not run to its end.',
            ],
            ['maker', 'It blinks after a full rinse', 'stop', 'All steps were right: its maker’s service.'],
          ],
          { at: ['board'] },
        ),
        neutralise,
        filterBack,
      ],
    ),
    school(
      {
        id: 'turn-by-turn',
        name: 'group, hot water, wand, in turns',
        reason:
          'Where a knob leads the water: some seconds through each outlet, again and again until the tank is empty. The rinse it does not ask for is done all the same.',
        usualFor: ['dg'],
        figures: [
          figure('Water for the dose', 'tank to its mark'),
          figure('Phases', 'group about 20 s, hot water about 8 s, wand; in turns'),
          figure('Rinse', 'a tank, in the same turns'),
          figure('Time', 'until the tank is empty'),
        ],
      },
      [
        flowFirst,
        filterOut,
        charge('Then cold filtered water to the mark.'),
        {
          id: 'keys',
          say: 'Hold double and power',
          how: leaflet,
          act: 'hold',
          keys: ['double', 'power'],
          seconds: 7,
          handsS: 4,
          at: ['switches', 'board'],
          mark: 'M',
        },
        hands('group', 'Through the group, about 20 s', 22, {
          at: ['pump', 'thermoblock', 'group'],
          caution: acid,
          normal: 'It stops by itself.',
        }),
        hands('water', 'Knob to hot water, about 8 s', 12, { at: ['steam-knob', 'wand'], caution: acid }),
        hands('steam', 'Knob to steam, about 8 s', 12, { at: ['steam-knob', 'wand'], caution: acid }),
        check(
          'empty',
          'Is the tank empty?',
          'The acid in the tank',
          [
            ['empty', 'Empty', 'pass'],
            ['left', 'Some is left', 'repeat', 'group', 'Group, hot water, wand once more.'],
          ],
          { at: ['tank'] },
        ),
        hands('fresh', 'Tank rinsed, filled fresh', 40, { at: ['tank'] }),
        hands('rinse', 'The same turns with clear water, until it is empty', 240, {
          at: espressoPath,
          caution: hotWater,
        }),
        rinsed('fresh'),
        neutralise,
        filterBack,
      ],
    ),
    school(
      {
        id: 'two-phases-by-knob',
        name: 'two phases, turned by the knob',
        reason:
          'Steam side first, then all of it with fresh water; who stands there must know which phase runs, so it is timed and asked.',
        usualFor: ['bt'],
        figures: [
          figure('Water for the dose', '1 L or more'),
          figure('Phases', 'steam about 2 min, then rinse about 5 min'),
          figure('Rinse', 'the second phase, then the group'),
          figure('Not', 'rice vinegar; white vinegar by its own ratio'),
        ],
      },
      [
        flowFirst,
        filterOut,
        charge('Tablets dissolved in hot water until no grain is left; a litre at least.'),
        {
          id: 'keys',
          say: 'Hold power and double',
          how: leaflet,
          act: 'hold',
          keys: ['power', 'double'],
          seconds: 6,
          handsS: 4,
          at: ['switches', 'board'],
          mark: 'M',
        },
        hands('to-steam', 'Knob to steam', 5, { at: ['steam-knob'] }),
        wait('phase-1', 'First phase, by the wand', 'the flow stops and its lamp blinks', 120, {
          normal: 'The pump sounds different: that is right.',
          at: espressoPath,
          caution: acid,
        }),
        hands('fresh', 'Knob to the middle; tank rinsed, filled fresh, vessels emptied', 60, {
          at: ['tank', 'steam-knob'],
        }),
        wait('phase-2', 'Knob to hot water: second phase', 'its lamp goes out', 300, {
          at: espressoPath,
          caution: hotWater,
        }),
        hands('flush', 'Flush the group', 20, { at: ['group'], caution: hotWater }),
        rinsed('fresh'),
        neutralise,
        filterBack,
      ],
    ),
    school(
      {
        id: 'led-by-its-display',
        name: 'led by its display',
        reason:
          'A super-automatic leads itself; what it does not do is look whether the acid is out, nor say that a perished seal is no matter of chalk.',
        usualFor: ['sr', 'st'],
        figures: [
          figure('Water for the dose', 'as it asks'),
          figure('Water in all', 'about 2.5 L with the rinse', 'M'),
          figure('Rinse', 'its own, then one tank more where it tastes'),
          figure('Milk side', 'rinsed as well'),
        ],
      },
      [
        filterOut,
        hands('empty', 'Grounds container and tray emptied', 30, { at: ['tray'] }),
        charge('To its mark, stirred.'),
        hands('menu', 'Start it in its menu, confirm', 30, { at: ['board'] }),
        wait('acid-runs', 'It runs with pauses', 'it asks for fresh water', 1200, {
          at: ['pump', 'thermoblock', 'drain-valve', 'steam-valve', 'spout'],
          caution: acid,
          mark: 'M',
        }),
        hands('fresh', 'Vessel emptied, tank rinsed, filled fresh', 60, { at: ['tank'] }),
        wait('rinse-runs', 'It rinses', 'it says that it is done', 420, {
          at: ['pump', 'thermoblock', 'spout', 'steam-valve'],
          caution: hotWater,
          mark: 'M',
        }),
        rinsed('fresh'),
        neutralise,
        filterBack,
      ],
    ),
    school(
      {
        id: 'window-and-lock',
        name: 'a window, a lock, two phases',
        reason:
          'Its programme cannot be broken off and opens only for some seconds: each press is led, and what comes too late starts over.',
        usualFor: ['pk'],
        figures: [
          figure('Water for the dose', '0.5 L'),
          figure('Phases', 'acid, then a fresh tank'),
          figure('Time', 'about 20 min, not to be interrupted'),
          figure('Afterwards', '10 min to dry'),
        ],
      },
      [
        hands('empty', 'Tray and capsule container emptied', 40, { at: ['tray', 'head'] }),
        charge('Half a litre.'),
        hands('heat', 'Switch it on, let it heat', 35, { at: ['heater', 'button'] }),
        hands('eject', 'Open it, let a capsule drop out', 15, { at: ['head', 'lock'] }),
        hands('shut', 'Close it, leave it unlocked', 10, { at: ['lock'] }),
        {
          id: 'hold-1',
          say: 'Hold its button',
          how: leaflet,
          act: 'hold',
          keys: ['the button'],
          seconds: 8,
          handsS: 4,
          at: ['button'],
          mark: 'M',
          normal: 'It blinks fast: the window is open.',
        },
        {
          id: 'in-time',
          say: 'Lock, unlock, hold again',
          how: `Before the window closes. ${leaflet}`,
          act: 'window',
          withinS: 40,
          from: 'hold-1',
          handsS: 15,
          at: ['lock', 'button'],
          mark: 'M',
        },
        hands('vessel', 'A litre’s vessel under it, lock it, press', 20, { at: ['lock'], caution: acid }),
        wait('acid-runs', 'First phase runs by itself', 'it stops', 600, {
          at: ['pump', 'heater', 'needle', 'head'],
          caution: acid,
        }),
        hands('fresh', 'Tank, tray and support rinsed; fresh drinking water', 60, { at: ['tank', 'tray'] }),
        wait('rinse-runs', 'Press: it rinses', 'its lamp stands still', 600, {
          at: ['pump', 'heater', 'needle', 'head'],
          caution: hotWater,
        }),
        rinsed('fresh'),
        soak('dry', 'Let it dry before it is used', 'Machine drying', 600, { at: ['heater', 'head'] }),
        neutralise,
      ],
    ),
    school(
      {
        id: 'half-hour-by-two-keys',
        name: 'half an hour by two keys',
        reason:
          'It runs for half an hour by itself; afterwards half a tank goes through, since nobody tastes a capsule’s water.',
        usualFor: ['pl', 'pd'],
        figures: [
          figure('Water for the dose', 'tank to its mark'),
          figure('Phases', 'its own'),
          figure('Time', '30 min'),
          figure('Rinse', 'half a tank'),
        ],
      },
      [
        flowFirst,
        charge('By its label, then water to the mark.'),
        hands('vessel', 'No capsule; a litre’s vessel under it', 20, { at: ['head', 'group'] }),
        {
          id: 'keys',
          say: 'Hold both coffee keys',
          how: leaflet,
          act: 'hold',
          keys: ['small', 'large'],
          seconds: 5,
          handsS: 4,
          at: ['button', 'board'],
          mark: 'M',
        },
        wait('acid-runs', 'It runs by itself', 'it stops', 1800, {
          at: ['pump', 'heater', 'boiler', 'head', 'group'],
          caution: acid,
        }),
        hands('fresh', 'Tank out, rinsed, filled fresh', 45, { at: ['tank'] }),
        hands('rinse', 'Half a tank through it', 120, {
          at: ['pump', 'heater', 'boiler', 'head', 'group'],
          caution: hotWater,
        }),
        rinsed('fresh'),
        neutralise,
      ],
    ),
  ],
}
