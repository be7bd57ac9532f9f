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
              how: 'It foams: watch the level.',
              act: 'dose',
              dose: { of: 'milk-cleaner', oneTo: 16 },
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
