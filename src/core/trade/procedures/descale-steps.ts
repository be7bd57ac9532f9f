import type { DoseAmount } from '../../procedures/dose.ts'
import type { Item } from '../../procedures/procedure.ts'
import type { State } from '../../procedures/states.ts'
import type { Step, StepCaution } from '../../procedures/step.ts'
import { acid, brewing, check, hands, hotWater } from '../../procedures/step-parts.ts'

/** From the charge until it is rinsed out: nobody drinks from it. */
export const acidRuns: State = { power: 'on', tray: 'in', tank: 'in', unit: 'in', path: 'acid' }

/** Hot acid comes as steam and spray. */
export const acidSteam: StepCaution = {
  hazard: 'scald',
  say: 'Hot acid and its steam come from the outlets: face and hands away, glasses on.',
}

/** Before any acid: a path that is shut is not opened by it. */
export const flowFirst = (what: string): Step =>
  check(
    'flow',
    'First: does water still flow?',
    what,
    [
      ['flows', 'A stream', 'pass'],
      [
        'drops',
        'Only drops',
        'stop',
        'Nearly shut: acid that cannot circulate dissolves nothing. It is opened by hand instead.',
      ],
    ],
    {
      caution: hotWater,
      state: brewing,
      how: 'A path that is shut is not opened by acid poured after it.',
      gate: true,
    },
  )

/** Vessels stand before anything runs, and take the whole tank. */
export const vesselsUnder = (where: string, at: string[]): Step =>
  hands('vessels', `Vessel under ${where}`, 20, {
    at,
    takes: ['vessel'],
    how: 'It takes the whole tank; smaller ones are swapped over a bucket.',
    caution: { hazard: 'scald', say: 'What runs over is hot acid: the vessel is emptied between the phases.' },
  })

/** The tank filter out, where there is one. */
export const filterOut = hands('filter-out', 'Filter out of the tank, if it has one', 15, {
  at: ['tank'],
  how: 'Acid ruins it, and it feeds chalk back. A new one may soak in warm water meanwhile, about 5 min.',
  gate: true,
})

/** Solution into the tank, in this way’s own volume. */
export const charge = (how: string, dose: Omit<DoseAmount, 'of'> = {}): Step => ({
  id: 'charge',
  say: 'Descaler into the tank',
  how,
  act: 'dose',
  dose: { of: 'descaler', words: 'by its label; acid by the litre at its working strength', ...dose },
  into: 'the tank',
  handsS: 60,
  puts: 'descaler',
  gate: true,
  at: ['tank'],
  state: { path: 'acid', tank: 'in', tray: 'in' },
  caution: acid,
})

/** Between the phases: the spent acid is kept to be neutralised. */
export const fresh = (water: string, more: Partial<Step> = {}): Step =>
  hands('fresh', `Vessel into the bucket; tank rinsed, ${water}`, 60, {
    at: ['tank'],
    how: 'Spent acid goes into the bucket, not down the drain yet. The empty vessel back under before anything runs.',
    caution: { hazard: 'acid', say: 'Vessel full of hot acid: both hands, slowly, nothing into the drain yet.' },
    ...more,
  })

/** Whether the acid is out: a strip beside the tap’s, at each outlet; nobody tastes before. */
export const rinsed = (from: string): Step =>
  check(
    'rinsed',
    'Is the acid out?',
    'A strip in the last water of each outlet, beside one in tap water',
    [
      ['out', 'Same colour as the tap’s, at each outlet', 'pass'],
      ['sour', 'Redder than the tap’s', 'repeat', from, 'Acid is left: the same rinse once more.'],
      [
        'strips',
        'No strips here',
        'repeat',
        from,
        'Without a strip nobody knows: the same rinse once more, then strips are fetched. Never by tasting first.',
      ],
    ],
    {
      gate: true,
      clears: true,
      state: { path: 'water' },
      how: 'Strip first; nobody tastes what may be acid.',
      caution: { hazard: 'acid', say: 'Never tasted before the strip agrees.' },
    },
  )

/** What the bucket holds, made harmless. */
export const neutralise = hands('neutralise', 'Bucket neutralised, then down the drain', 90, {
  how: 'Sodium bicarbonate until it no longer foams: 1.3 g for each gram of citric, 0.9 for lactic or sulfamic. Only where local rules allow it.',
  gives: ['vessel'],
  caution: {
    hazard: 'acid',
    say: 'It foams: slowly, in a large vessel, window open, never in a cellar.',
    how: 'Never into a drain where bleach or chlorine stands.',
  },
})

/** The filter comes back last. */
export const filterBack = check(
  'filter-back',
  'Filter in, tank filled fresh',
  'What went in?',
  [
    ['new', 'A new filter', 'pass', { fits: ['tank-filter'] }],
    ['old', 'The one that was in', 'pass'],
    ['none', 'It has none', 'pass'],
  ],
  { at: ['tank'], handsS: 30 },
)

export const descaleMaterials: Item[] = [
  { name: 'Descaler', why: 'enough of it in the house before starting' },
  { name: 'Sodium bicarbonate' },
  { name: 'pH strips' },
]

export const descaleTools = (vessel: string): Item[] => [
  { name: `Vessel for a whole tank, under ${vessel}` },
  { name: 'Bucket', why: 'spent acid is neutralised in it' },
  { name: 'Gloves, glasses' },
]
