import { collect, part, task } from '../../../kinds/build.ts'
import type { Kind } from '../../../kinds/kind.ts'
import { electricalTest } from '../../shared/parts/usual-tasks.ts'

const doser = { with: 'doser' } as const

/** Stand-alone grinder: what wears is counted in kilograms through its burrs. */
export const gr: Kind = {
  id: 'gr',
  version: 1,
  name: 'stand-alone grinder',
  about: 'Hopper, burrs, chute, and a doser or a portafilter fork; everything goes by the kilograms it grinds.',
  counter: { id: 'shots', name: 'Coffee ground', unit: 'kg' },
  groups: 1,
  groupShares: [1],
  sides: 1,
  stations: [
    { id: 'hopper', name: 'Hopper, gate', symbol: 'hopper' },
    { id: 'burrs', name: 'Burrs', symbol: 'burrs' },
    { id: 'thread', name: 'Adjustment thread', symbol: 'joint' },
    { id: 'chute', name: 'Chute, flap', symbol: 'chute' },
    { id: 'doser', name: 'Doser', symbol: 'basket', ...doser },
    { id: 'fork', name: 'Portafilter fork', symbol: 'basket', without: 'doser' },
    { id: 'switch', name: 'Start switch', symbol: 'switch' },
    { id: 'motor', name: 'Motor, capacitor', symbol: 'motor' },
    { id: 'board', name: 'Timer, earth', symbol: 'board' },
  ],
  lines: [
    { id: 'main', medium: 'beans', lane: 0, stations: ['hopper', 'thread', 'burrs', 'chute', 'doser', 'fork'] },
    { id: 'rail', medium: 'control', lane: 2, stations: ['switch', 'motor', 'board'] },
  ],
  ...collect(
    [
      part(
        'burrs',
        'Burrs',
        'burrs',
        null,
        { beta: 3, min: 30, sizes: ['58 mm', '64 mm', '65 mm', '75 mm', '83 mm', '63 mm conical', '71 mm conical'], caution: 'mains' },
        {
          variants: {
            'flat-under-70-mm': { shots: [250, 400, 600], months: [12, 30, 60] },
            'flat-over-70-mm': { shots: [400, 700, 1_100], months: [12, 30, 60] },
            conical: { shots: [600, 1_000, 1_500], months: [18, 36, 72] },
            'hard-coated': { shots: [500, 800, 1_200], months: [24, 48, 96] },
          },
        },
      ),
      part('chute-flap', 'Chute flap, anti-clump screen', 'chute', { shots: [150, 300, 600], months: [12, 24, 36] }, { beta: 2, min: 15, caution: 'mains' }),
      part('doser', 'Doser spring, vanes, lever', 'doser', { uses: [80_000, 200_000, 400_000], months: [24, 60, 96] }, { beta: 1.8, min: 25, ...doser }),
      part('carrier', 'Burr-carrier springs, adjustment thread', 'thread', null, { beta: 2, min: 25, caution: 'mains' }, { upkeep: { grease: { shots: [200, 400, 800], months: [6, 12, 24] } } }),
      part('start-switch', 'Start switch, portafilter switch', 'switch', { starts: [60_000, 150_000, 300_000], months: [24, 60, 96] }, { beta: 1.2, min: 20, caution: 'mains' }),
      part('capacitor', 'Start capacitor, motor', 'motor', { starts: [150_000, 400_000, 800_000], months: [60, 96, 144] }, { beta: 1.5, min: 25, caution: 'mains' }),
    ],
    [task('hopper-wash', 'Hopper washed', 'clean', 'hopper', { months: [0.25, 0.5, 1] }, { by: 'customer', care: { drawing: 'hopper', hazards: ['burrs'] }, min: 15, caution: 'mains' }), electricalTest('board', 10)],
  ),
  measures: [{ id: 'dose-spread', name: 'Three doses, widest apart', unit: 'g', good: { from: 0, to: 0.8 }, mark: 'M' }],
  budget: {
    drinks: [{ name: 'kilogram ground', share: 1, cupMl: 0, puckMl: 0, dischargeMl: 0, flushMl: 0 }],
    besides: [],
    daily: [],
    mark: 'M',
  },
  doseG: null,
  counts: { starts: { perDrink: 55 }, uses: { perDrink: 60 } },
  options: [
    {
      id: 'doser',
      name: 'Doser with a lever',
      standard: false,
      howToTell: [
        { look: 'A chamber with vanes and a lever that is pulled', means: 'fitted' },
        { look: 'It grinds into the portafilter on demand', means: 'not fitted' },
      ],
      mark: 'T',
    },
  ],
  prompts: [],
  cleaning: [
    { what: 'Grinder vacuumed', takes: true, why: 'Unplugged, hopper off: vacuum before blowing, or the dust packs.' },
    { what: 'Water in the burrs', takes: false, why: 'They rust, and the coffee sets like clay.' },
    { what: 'Hopper washed', takes: true, why: 'Oil goes rancid on its walls; dry it wholly before beans go in.' },
    { what: 'Thread greased', takes: true, why: 'A little food-safe grease on the adjustment thread, none on the burrs.' },
  ],
  drinksPerOpenDay: { p10: 0.5, p50: 2.5, p90: 8 },
  detergent: null,
  vessels: [],
  descale: null,
  descaleNote: 'No water passes it.',
  routine: [
    { what: 'Hopper closed, grounds brushed out', every: 'daily', rhythm: 'day', days: 1, drawing: 'hopper', hazards: ['burrs'], mark: 'T' },
    { what: 'Chute brushed', every: 'weekly', rhythm: 'week', days: 7, drawing: 'hopper', hazards: ['burrs'], mark: 'T' },
  ],
}
