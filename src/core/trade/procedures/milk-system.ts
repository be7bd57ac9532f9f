import type { Procedure } from '../../procedures/procedure.ts'
import type { Step } from '../../procedures/step.ts'
import {
  brewing,
  check,
  figure,
  foodGrease,
  hands,
  hotWater,
  milkHygiene,
  startedByKeys,
  steam,
  wait,
} from '../../procedures/step-parts.ts'

const milk = {
  hazard: 'milk',
  say: 'Milk above 7 °C is thrown away; above 5 °C find out why.',
  how: 'And the cooler is not refilled until it is.',
} as const

const cooler: Step = {
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
  caution: milk,
}

/** The programme with cleaner, then clear water until nothing foams. */
const throughWithCleaner: Step[] = [
  hands('out', 'Milk out, hose into its cleaning vessel', 40, {
    at: ['milk-hose', 'milk-cooler'],
    takes: ['jug'],
  }),
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
  startedByKeys(
    'start',
    'Start its milk cleaning',
    'milk',
    {
      sr: { from: 'ready', keys: ['Care', 'Milk'], way: 'menu', answers: 'it asks for the cleaner' },
      st: {
        from: 'ready',
        keys: ['Maintenance', 'Milk side'],
        way: 'menu',
        answers: 'it asks for the cleaner',
      },
      sp: { from: 'ready', keys: ['Milk clean'], way: 'menu', answers: 'it asks for both vessels' },
    },
    { at: ['board'], state: brewing },
  ),
  wait('programme', 'It cleans by itself', 'it asks for clear water', 180, {
    at: ['milk-hose', 'milk-valve', 'milk-pump', 'frother'],
    state: brewing,
    caution: steam,
    mark: 'M',
  }),
  hands('rinse', 'Vessel rinsed, the same with clear water', 90, {
    at: ['milk-hose', 'milk-valve', 'milk-pump', 'frother'],
    state: brewing,
    caution: steam,
  }),
  check(
    'clear',
    'Smell and look at the last of it',
    'What comes out?',
    [
      ['clear', 'Clear, no smell', 'pass'],
      ['foam', 'Foam or smell', 'repeat', 'rinse', 'Cleaner is left: rinse once more.'],
    ],
    { gate: true, clears: true, at: ['frother'], gives: ['jug'] },
  ),
]

/** Milk side stripped, with its log. */
export const milkHygieneRun: Procedure = {
  id: 'milk-hygiene',
  version: 2,
  family: 'steam',
  name: 'Milk system cleaned',
  about: 'Cooler measured, cleaner run, rinsed, stripped and brushed, rinsed again: all on record.',
  kinds: ['sr', 'st', 'sp'],
  needs: { stations: ['frother', 'milk-hose'], why: 'It has no milk system.' },
  writes: [
    { entry: 'cleaned', task: 'milk-strip', by: ['strip', 'build'] },
    { entry: 'cleaned', task: 'milk-cleaner', by: ['cleaner', 'clear'] },
  ],
  ways: [
    {
      id: 'strip-and-log',
      name: 'stripped and logged',
      reason: 'A programme cleans what it reaches; hose ends, jet and rings want hands, and who did it wants a record.',
      usualFor: ['sr', 'st', 'sp'],
      every: { words: 'stripped weekly', days: 7, mark: 'M' },
      figures: [
        figure('Cleaner', 'milk cleaner, by its label'),
        figure('Cooler', '2 to 5 °C; above 7 °C the milk is thrown away'),
      ],
      tools: [
        { name: 'Thin brush', why: 'hose and connections' },
        { name: 'Pin for the air jet' },
        { name: 'Thermometer' },
      ],
      materials: [{ name: 'Milk-system cleaner' }, { name: 'Food-grade silicone grease' }],
      parts: [
        {
          id: 'milk',
          name: 'Milk side',
          steps: [
            cooler,
            check(
              'milk',
              'What follows from it?',
              'The milk as measured',
              [
                ['cold', '5 °C or less', 'pass'],
                ['warm', '5 to 7 °C: cooler set or door shut, on record', 'pass'],
                ['spoilt', 'Above 7 °C: milk thrown away, cooler washed', 'pass'],
              ],
              { at: ['milk-cooler'], gate: true, caution: milk },
            ),
            ...throughWithCleaner,
            hands('strip', 'Frother apart, rings out, all brushed', 180, {
              at: ['frother'],
              state: { milk: 'apart' },
              takes: ['cup'],
              caution: milkHygiene,
            }),
            hands('hose', 'Hose brushed through, connections and container too', 90, {
              at: ['milk-hose', 'milk-cooler'],
              how: 'Milk stone sits at the ends of the hose and in the container’s corners.',
              caution: milkHygiene,
            }),
            hands('jet', 'Prick the air jet, hold it to the light', 40, {
              at: ['air-jet'],
              caution: { hazard: 'sharp', say: 'The pin: away from the hand that holds.' },
            }),
            check(
              'rings',
              'Look at rings and hose',
              'How are they?',
              [
                ['whole', 'Whole and supple', 'pass'],
                ['rings', 'Rings torn or flat: new ones are in', 'pass', { fits: ['frother-rings'] }],
                ['hose', 'Hose clouded or hard: a new one is on', 'pass', { fits: ['milk-hose'] }],
                ['both', 'Both new', 'pass', { fits: ['frother-rings', 'milk-hose'] }],
                ['later', 'Worn: no new ones here', 'pass'],
              ],
              { at: ['frother', 'milk-hose'] },
            ),
            hands('build', 'Back together, rings with a thin film', 90, {
              at: ['frother', 'air-jet', 'milk-hose'],
              state: { milk: 'whole' },
              gives: ['cup'],
              how: foodGrease,
            }),
            check(
              'foam',
              'Froth some milk',
              'How is the foam?',
              [
                ['fine', 'Fine and hot', 'pass'],
                ['coarse', 'Coarse or cold', 'repeat', 'strip', 'Air jet or rings: apart and look once more.'],
              ],
              { at: ['frother'], state: { ...brewing, milk: 'whole' }, caution: steam },
            ),
            hands('after', 'Rinse the milk out again with clear water', 45, {
              at: ['milk-hose', 'milk-valve', 'frother'],
              state: brewing,
              how: 'Or fresh milk stands in a clean system.',
              caution: hotWater,
            }),
          ],
        },
      ],
    },
    {
      id: 'cleaner-only',
      name: 'cleaner alone, daily',
      reason: 'Every day the programme with cleaner and a rinse; apart it comes once a week.',
      usualFor: [],
      every: { words: 'daily', days: 1, mark: 'M' },
      writes: [{ entry: 'cleaned', task: 'milk-cleaner', by: ['cleaner', 'clear'] }],
      figures: [
        figure('Cleaner', 'milk cleaner, by its label'),
        figure('Cooler', '2 to 5 °C; above 7 °C the milk is thrown away'),
      ],
      tools: [{ name: 'Thermometer' }],
      materials: [{ name: 'Milk-system cleaner' }],
      parts: [
        {
          id: 'milk',
          name: 'Milk side',
          steps: [cooler, ...throughWithCleaner],
        },
      ],
    },
  ],
}
