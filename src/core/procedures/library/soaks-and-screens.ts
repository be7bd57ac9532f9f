import type { Procedure, School } from '../procedure.ts'
import { alkaline, check, figure, hands, hotWater, soak } from '../step-parts.ts'

const espresso = ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt']

interface SoakSchool {
  id: string
  name: string
  reason: string
  usualFor: string[]
  dose: string
  gramsPerL: number
  parts: string
  minutes: [usual: number, from?: number, to?: number]
}

const soakSchools: SoakSchool[] = [
  {
    id: 'bowl-at-closing',
    name: 'bowl at closing time',
    reason:
      'Portafilters, baskets and screens lie in one bowl while the groups are backflushed: nothing waits for anything.',
    usualFor: ['c2'],
    dose: 'powder, stirred',
    gramsPerL: 10,
    parts: 'portafilters, baskets, screens and their screws',
    minutes: [20],
  },
  {
    id: 'measured-litre',
    name: 'ten grams to the litre',
    reason: 'A measured bath, a quarter of an hour, weekly or monthly: enough for a home’s coffee oil and no more.',
    usualFor: ['dv', 'dn', 'dg', 'bt', 'lv', 'pt'],
    dose: '10 g per litre',
    gramsPerL: 10,
    parts: 'steam tip, basket, an all-metal portafilter, the wand’s metal up to the plastic',
    minutes: [15, 10, 15],
  },
]

const soakSchool = (one: SoakSchool): School => ({
  id: one.id,
  name: one.name,
  reason: one.reason,
  usualFor: one.usualFor,
  figures: [
    figure('Detergent', one.dose),
    figure('What goes in', one.parts),
    figure('Time', one.minutes.length > 1 ? `${one.minutes[1]} to ${one.minutes[2]} min` : `${one.minutes[0]} min`),
  ],
  tools: [{ name: 'Bowl, steel or glass' }, { name: 'Brush' }],
  materials: [{ name: 'Backflush detergent' }],
  parts: [
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
          caution: alkaline,
          mark: 'M',
        },
        hands('parts-in', 'Metal parts in, handles out', 60, {
          how: `In: ${one.parts}. Plastic handles stay out of the water; what is lined with plastic does not go in at all.`,
          at: ['basket', 'screen', 'wand'],
          wrong: 'Count the screws of the screens into the bowl: they are lost with the water.',
        }),
        soak('soak', 'Leave them to soak', 'Parts soaking', one.minutes[0] * 60),
        hands('brush', 'Brush each part, rinse until nothing is slippery', 120, { caution: alkaline }),
        check('all-out', 'All out of the bowl?', 'What is left in it?', [
          ['none', 'Only water: screws and screens counted', 'pass'],
          ['dirty', 'A part is still brown', 'repeat', 'soak', 'Oil is left: soak it once more.'],
        ]),
      ],
    },
  ],
})

/** Metal parts in a bath of detergent. */
export const partsSoak: Procedure = {
  id: 'parts-soak',
  version: 1,
  family: 'brewing',
  name: 'Parts soaked',
  about: 'Baskets, screens and metal portafilters in detergent, while something else is done.',
  kinds: espresso,
  writes: [{ entry: 'cleaned', task: 'screen-soak' }],
  schools: soakSchools.map(soakSchool),
}

/** Seal and screen back in, and tight. */
export const sealSeating: Procedure = {
  id: 'seal-seating',
  version: 1,
  family: 'brewing',
  name: 'Screen and seal seated',
  about: 'A new or cleaned seal pressed home with a portafilter, and tried for leaks.',
  kinds: ['lv', 'pt', 'c2'],
  writes: [],
  schools: [
    {
      id: 'seated-by-the-handle',
      name: 'seated by the handle',
      reason: 'A portafilter without basket pushes evenly all round: no tool bends the screen, no side sits high.',
      usualFor: ['lv', 'pt', 'c2'],
      figures: [
        figure('Seal', '58 mm on many prosumer groups'),
        figure('Seated by', 'an empty portafilter, locked in firmly'),
        figure('Tried', 'again with the basket in it'),
      ],
      tools: [{ name: 'Portafilter without basket' }, { name: 'Cloth' }],
      materials: [{ name: 'Spare seal', why: 'the old one may tear' }],
      parts: [
        {
          id: 'seat',
          name: 'Seat',
          each: 'group',
          steps: [
            check(
              'seal',
              'Look at the seal',
              'How is it?',
              [
                ['whole', 'Whole and soft', 'pass'],
                ['worn', 'Hard, cracked or flat: a new one goes in', 'pass'],
              ],
              { at: ['group'] },
            ),
            hands('wipe', 'Wipe the groove clean', 30, { at: ['group'], caution: hotWater }),
            hands('clip', 'Press the seal into the screen', 20, {
              at: ['group', 'screen'],
              how: 'All the way round; the screen’s holes look down.',
            }),
            hands('lock', 'Lock both in with the empty portafilter', 30, {
              at: ['group', 'screen'],
              how: 'Firmly, until it goes no further: they are seated.',
            }),
            check(
              'tight',
              'Basket in, lock in, water on',
              'Is it tight?',
              [
                ['tight', 'Not a drop at the rim', 'pass'],
                ['drops', 'Water at the rim', 'repeat', 'lock', 'Not seated: lock it home once more.'],
                [
                  'never',
                  'It will not seal',
                  'stop',
                  'The seal or its seat is wrong: another seal, and look for grounds under it.',
                ],
              ],
              { at: ['group', 'basket'], caution: hotWater, gate: true },
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
  version: 1,
  family: 'brewing',
  name: 'Start of day',
  about: 'Standing water out, the first coffees thrown away, the grind looked at.',
  kinds: ['c2', 'lv', 'pt'],
  writes: [],
  schools: [
    {
      id: 'run-and-season',
      name: 'hot water run, one coffee a group',
      reason: 'It takes detergent and standing water out of tap and groups, and one coffee shows the grind of the day.',
      usualFor: ['c2', 'lv', 'pt'],
      figures: [figure('Hot water', 'run until it is hot and clear'), figure('Coffee', 'one a group, thrown away')],
      tools: [{ name: 'Heat-resistant jug' }],
      materials: [],
      parts: [
        {
          id: 'tap',
          name: 'Tap',
          steps: [
            hands('run', 'Run the hot-water tap', 20, { at: ['hot-water', 'boiler'], caution: hotWater }),
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
            hands('flush', 'Run water through the group', 5, { at: ['group', 'screen'], caution: hotWater }),
            {
              id: 'season',
              say: 'One espresso, thrown away',
              how: 'Look at its flow and time: the grind of yesterday may not be today’s.',
              act: 'season',
              drinks: 1,
              handsS: 45,
              at: ['group', 'basket'],
            },
          ],
        },
      ],
    },
  ],
}
