import type { Every, Procedure, ProcedurePart, Way } from '../../procedures/procedure.ts'
import { alkaline, brewing, check, drinkable, figure, hands, soak } from '../../procedures/step-parts.ts'
import { withWand } from './kinds-by-build.ts'

const espresso = withWand
/** Screens that come off by a screw or a lever, not by opening the machine. */
const screened = withWand

const hotScreen = {
  hazard: 'scald',
  say: 'Screen and seal are hot: cloth or gloves, a tool, never bare fingers.',
} as const

const seals = ['group-gasket', 'group-seal', 'screen-seal']

/** The screen off at each group, with a look at what it leaves. */
const screenOff: ProcedurePart = {
  id: 'off',
  name: 'Screen off',
  each: 'group',
  steps: [
    hands('spare', 'A spare seal in the bag?', 10, {
      at: ['group'],
      how: 'Where the seal holds the screen it may tear as it comes out: without a spare the machine stands.',
      only: ['lv', 'pt'],
    }),
    hands('off', 'Screen off', 60, {
      at: ['screen', 'group'],
      state: { screen: 'off' },
      takes: ['cup'],
      how: 'Screw out with a short driver, screw into the cup: it is lost down the drain.',
      as: {
        lv: {
          how: 'Brush round it; lever it down with the tool’s end, one side, then the opposite one, until seal and screen drop into the tray.',
        },
        pt: {
          how: 'Brush round it; lever it down with the tool’s end, one side, then the opposite one, until seal and screen drop into the tray.',
        },
      },
      caution: hotScreen,
    }),
    check(
      'seal',
      'Look at the seal',
      'How is it?',
      [
        ['whole', 'Whole and soft', 'pass'],
        ['new', 'Hard, cracked or flat: a new one goes in', 'pass', { fits: seals }],
        ['later', 'Hard, cracked or flat: no new one here', 'pass'],
      ],
      { at: ['group'], caution: hotScreen },
    ),
    hands('wipe', 'Wipe groove and block clean', 30, { at: ['group'], caution: hotScreen }),
  ],
}

const screenBack: ProcedurePart = {
  id: 'back',
  name: 'Screen back',
  each: 'group',
  steps: [
    hands('back', 'Screen back, its bevelled or printed side to the coffee', 60, {
      at: ['screen', 'group'],
      state: { screen: 'on' },
      gives: ['cup'],
      how: 'Screw snug, not tight; the cup is empty.',
      as: {
        lv: { how: 'Seal pressed into the screen, both locked home with an empty portafilter.' },
        pt: { how: 'Seal pressed into the screen, both locked home with an empty portafilter.' },
      },
      caution: hotScreen,
    }),
    hands('water', 'Water through it, then the basket back', 20, {
      at: ['screen', 'basket'],
      state: { power: 'on', heat: 'hot', basket: 'at hand', tray: 'in' },
      caution: { hazard: 'scald', say: 'Hot water falls free: hands and cloth away.' },
    }),
  ],
}

const season: ProcedurePart = {
  id: 'season',
  name: 'Season',
  each: 'group',
  steps: [
    {
      id: 'season',
      say: 'One espresso, thrown away',
      how: 'It takes the last of the detergent with it.',
      act: 'season',
      drinks: 1,
      handsS: 45,
      at: ['group', 'basket'],
      state: { ...brewing, ...drinkable },
      caution: { hazard: 'scald', say: 'Hot water falls free: hands and cloth away.' },
    },
  ],
}

interface SoakWay {
  id: string
  name: string
  reason: string
  kinds: string[]
  usualFor: string[]
  every: Every
  dose: string
  gramsPerL: number
  parts: string
  minutes: [usual: number, from?: number, to?: number]
  screens: boolean
}

const soakWays: SoakWay[] = [
  {
    id: 'bowl-at-closing',
    name: 'bowl at closing time',
    reason:
      'Baskets, portafilters, screens and screws lie in one bowl while the groups are backflushed; the one that holds the blind basket follows.',
    kinds: ['c2'],
    usualFor: ['c2'],
    every: { words: 'every day at close', days: 1, mark: 'T' },
    dose: 'powder, stirred',
    gramsPerL: 10,
    parts: 'portafilters but the one with the blind basket, baskets, screens and their screws',
    minutes: [20],
    screens: true,
  },
  {
    id: 'screens-weekly',
    name: 'screens off once a week',
    reason:
      'In a bar that brushes every night the screens come off once a week; with the backflush at home, or monthly.',
    kinds: screened,
    usualFor: [],
    every: { words: 'weekly in a bar, monthly at home', days: 7, mark: 'T' },
    dose: '10 g per litre',
    gramsPerL: 10,
    parts: 'screens, baskets, an all-metal portafilter',
    minutes: [15, 10, 15],
    screens: true,
  },
  {
    id: 'measured-litre',
    name: 'ten grams to the litre',
    reason: 'A measured bath, a quarter of an hour, weekly or monthly: enough for a home’s coffee oil and no more.',
    kinds: espresso,
    usualFor: ['dv', 'dn', 'dg', 'bt', 'lv', 'pt'],
    every: { words: 'weekly or monthly', days: 30, mark: 'T' },
    dose: '10 g per litre',
    gramsPerL: 10,
    parts: 'basket, an all-metal portafilter',
    minutes: [15],
    screens: false,
  },
]

const soakWay = (one: SoakWay): Way => ({
  id: one.id,
  name: one.name,
  reason: one.reason,
  kinds: one.kinds,
  usualFor: one.usualFor,
  every: one.every,
  // Where no screen comes off, none was soaked.
  ...(!one.screens && { writes: [] }),
  figures: [
    figure('Detergent', one.dose),
    figure('What goes in', one.parts),
    figure('Time', one.minutes.length > 1 ? `${one.minutes[1]} to ${one.minutes[2]} min` : `${one.minutes[0]} min`),
  ],
  tools: [
    { name: 'Bowl, steel or glass' },
    { name: 'Brush' },
    ...(one.screens ? [{ name: 'Short driver, or a lever' }, { name: 'Cup for the screws' }] : []),
    { name: 'Pin', why: 'for clogged holes' },
  ],
  materials: [
    { name: 'Backflush detergent' },
    ...(one.screens ? [{ name: 'Spare seal', why: 'the old one may tear' }] : []),
  ],
  parts: [
    ...(one.screens ? [screenOff] : []),
    {
      id: 'soak',
      name: 'Soak',
      steps: [
        {
          id: 'bath',
          say: 'Hot water, powder stirred in',
          act: 'dose',
          dose: { of: 'detergent', gramsPerL: one.gramsPerL, words: one.dose },
          into: 'the bowl',
          handsS: 40,
          bath: 'made',
          takes: ['bowl'],
          caution: alkaline,
          besides: [{ hazard: 'scald', say: 'The bath is hot: gloves, and nothing is dropped in.' }],
          mark: 'M',
        },
        hands('prick', 'Prick clogged holes free', 40, {
          at: ['basket'],
          how: 'Before the bath: what is loosened soaks off. Basket against the light.',
          caution: { hazard: 'sharp', say: 'The pin: away from the hand that holds.' },
        }),
        hands('parts-in', 'Metal parts in, handles out', 60, {
          bath: 'in',
          state: { basket: 'soaking' },
          how: `In: ${one.parts}. Stainless steel and sound brass only: alkali blackens aluminium and lifts tired chrome. Plastic handles stay out of the water; what is lined with plastic does not go in.`,
          at: ['basket', 'screen'],
          wrong: 'Count the screws of the screens into the bowl: they are lost with the water.',
          caution: alkaline,
        }),
        soak('soak', 'Leave them to soak', 'Parts soaking', one.minutes[0] * 60),
        hands('brush', 'Out, brush each part, rinse until nothing is slippery', 120, {
          bath: 'out',
          caution: alkaline,
        }),
        check(
          'all-out',
          'All out of the bowl?',
          'What is left in it?',
          [
            ['none', one.screens ? 'Only water: screws and screens counted' : 'Only water', 'pass'],
            ['dirty', 'A part is still brown', 'repeat', 'soak', 'Oil is left: soak it once more.'],
          ],
          { state: { basket: 'at hand' } },
        ),
        hands('pour', 'Bath poured away, bowl rinsed', 20, {
          bath: 'poured',
          gives: ['bowl'],
          caution: { hazard: 'detergent', say: 'Never into a drain where acid stands.' },
        }),
      ],
    },
    ...(one.screens ? [screenBack] : []),
    ...(one.id === 'bowl-at-closing' ? [season] : []),
  ],
})

/** Metal parts in a bath of detergent. */
export const partsSoak: Procedure = {
  id: 'parts-soak',
  version: 2,
  family: 'brewing',
  name: 'Screens and parts soaked',
  about: 'Screens off, baskets and metal portafilters in detergent, while something else is done.',
  kinds: espresso,
  writes: [{ entry: 'cleaned', task: 'screen-soak', each: 'group', by: ['off', 'back'] }],
  ways: soakWays.map(soakWay),
}
