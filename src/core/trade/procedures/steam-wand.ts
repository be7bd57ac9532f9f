import type { Procedure } from '../../procedures/procedure.ts'
import type { Step } from '../../procedures/step.ts'
import {
  check,
  cutOff,
  figure,
  hands,
  hotWater,
  milkHygiene,
  soak,
  steam,
  steaming,
} from '../../procedures/step-parts.ts'
import { withWand } from './kinds-by-build.ts'

/** Where no boiler cools behind the wand: a boiler that cools pulls a vacuum and sucks up what the wand stands in. */
const boilerless = ['dv', 'dn', 'dg', 'bt']

export const wand = ['wand', 'steam-valve']

export const hotTip = { hazard: 'scald', say: 'Tip and wand are hot: cloth, or let them cool.' } as const

/** Steam from every hole, or back to where it is freed. */
const holes = (from: string): Step =>
  check(
    'holes',
    'Steam on for a moment',
    'Steam from every hole?',
    [
      ['all', 'From every hole, even', 'pass'],
      ['some', 'One is shut', 'repeat', from, 'Milk is still in it: prick and soak once more.'],
      [
        'none',
        'Nothing comes',
        'stop',
        'The plug sits in the tube: soak it up with cleaner, do not push it further in.',
      ],
    ],
    { at: wand, caution: steam, state: { ...steaming, wand: 'free', tip: 'on' } },
  )

const wiped = hands('wipe', 'Damp cloth, all round, the back too', 10, { at: ['wand'], caution: hotTip })

/** Drawn up, left, blown out: so many times. */
function drawnUp(what: string, full: Step['state']): Step[] {
  return [1, 2, 3].flatMap((n): Step[] => [
    soak(`draw-${n}`, 'Leave it drawn up', `${what} in the wand`, 60, { at: wand }),
    n < 3
      ? hands(`blow-${n}`, `Blow it out, draw up ${n === 1 ? 'again' : 'a third time'}`, 20, {
          at: wand,
          caution: steam,
          how: 'Into the tray or a second jug, never into the one it is drawn from. Close with the tip under.',
          state: { ...steaming, ...full },
        })
      : hands('blow-3', 'Blow it out', 10, { at: wand, caution: steam, state: { ...steaming, ...full } }),
  ])
}

/** The wand inside: from every use to the heavy clean. */
export const wandClean: Procedure = {
  id: 'wand-clean',
  version: 2,
  family: 'steam',
  name: 'Steam wand cleaned inside',
  about: 'Hot water or cleaner drawn up into the wand, left to work, blown out.',
  kinds: withWand,
  writes: [],
  ways: [
    {
      id: 'hot-water-drawn-up',
      name: 'hot water drawn up, three times',
      reason:
        'Closed while the tip is still under water, the wand sucks hot water in: it loosens milk without chemistry. Weekly, with the backflush.',
      usualFor: ['lv', 'pt', 'dv', 'dn', 'dg', 'bt'],
      every: { words: 'weekly', days: 7, mark: 'T' },
      figures: [figure('Cleaner', 'none'), figure('Drawn up', 'about 1 min, 3 times')],
      tools: [{ name: 'Milk jug' }, { name: 'Damp cloth' }],
      materials: [],
      parts: [
        {
          id: 'wand',
          name: 'Wand',
          each: 'side',
          steps: [
            hands('water', 'Some hot water into the jug', 15, {
              how: 'Not too much: the boiler must keep its steam.',
              at: ['hot-water'],
              state: steaming,
              takes: ['jug'],
              caution: hotWater,
            }),
            hands('froth', 'Froth it, close with the tip still under', 20, {
              at: wand,
              caution: steam,
              state: { ...steaming, wand: 'full' },
            }),
            ...drawnUp('Water', { wand: 'full' }),
            wiped,
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
              { at: wand, state: { wand: 'free' }, gives: ['jug'] },
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
      every: { words: 'when it is heavy', mark: 'T' },
      figures: [
        figure('Cleaner', '1 part to 16 of water, or 1 tablet by its label'),
        figure('Drawn up', 'about 1 min, 3 times'),
      ],
      tools: [{ name: 'Milk jug' }, { name: 'Second jug or cup', why: 'to blow out into' }, { name: 'Damp cloth' }],
      materials: [{ name: 'Milk-system cleaner, liquid or tablet' }],
      parts: [
        {
          id: 'wand',
          name: 'Wand',
          each: 'side',
          steps: [
            {
              id: 'cleaner',
              say: 'Cleaner into hot water',
              how: 'A tablet by its label instead: stir until it is gone. It foams: jug half full at most.',
              act: 'dose',
              dose: { of: 'milk-cleaner', oneTo: 16, orTablets: 1 },
              into: 'the jug',
              handsS: 20,
              takes: ['jug'],
              caution: milkHygiene,
              besides: [hotWater],
            },
            hands('froth', 'Warm it by steam, close with the tip under', 25, {
              at: wand,
              caution: steam,
              puts: 'milk-cleaner',
              gate: true,
              state: { ...steaming, wand: 'full' },
            }),
            ...drawnUp('Cleaner', { wand: 'full' }),
            hands('jug', 'Jug emptied and rinsed, clean water in', 20, {
              at: ['wand'],
              how: 'Or the wand draws cleaner up again.',
            }),
            hands('clean-water', 'Froth it, close with the tip under, blow out', 40, {
              at: wand,
              caution: steam,
              state: { ...steaming, wand: 'full' },
            }),
            check(
              'clear',
              'Is it rinsed?',
              'What blows out?',
              [
                ['clear', 'Clean steam, no smell, no foam', 'pass'],
                ['foam', 'Still foam', 'repeat', 'jug', 'Cleaner is left: fresh water once more.'],
              ],
              { at: wand, gate: true, clears: true, caution: steam, state: { wand: 'free' }, gives: ['jug'] },
            ),
            wiped,
          ],
        },
      ],
    },
    {
      id: 'brushed-inside',
      name: 'brushed inside, then purged',
      reason:
        'A thin brush as far in as it goes takes off what has dried; steam blows it out. Gentle where the wand has an inner tube: pulled back hard it comes along.',
      usualFor: [],
      every: { words: 'nightly in a bar, every few weeks at home', days: 1, mark: 'T' },
      figures: [
        figure('Cleaner', 'none'),
        figure('Tool', 'wand brush'),
        figure('Not', 'hard in a wand with inner tube'),
      ],
      tools: [{ name: 'Wand brush' }, { name: 'Needle' }, { name: 'Damp cloth' }],
      materials: [],
      parts: [
        {
          id: 'wand',
          name: 'Wand',
          each: 'side',
          steps: [
            hands('tip', 'Steam shut, wand vented, tip off', 30, {
              at: ['wand'],
              state: { tip: 'off' },
              caution: hotTip,
              besides: [steam],
            }),
            check(
              'tube',
              'Is there an inner tube?',
              'Look into the end of the wand',
              [
                ['none', 'None', 'pass'],
                ['tube', 'A thin tube: gently, never pulled back hard', 'pass'],
              ],
              { at: ['wand'] },
            ),
            hands('brush', 'Brush in as far as it goes, out slowly', 30, { at: ['wand'], caution: hotTip }),
            hands('holes', 'Needle through the holes of the tip, rinse it, back hand tight', 40, {
              at: ['wand'],
              state: { tip: 'on' },
              caution: hotTip,
              besides: [{ hazard: 'sharp', say: 'The needle: away from the hand that holds.' }],
            }),
            hands('purge', 'Purge: what the brush loosened comes out', 10, {
              at: wand,
              caution: steam,
              state: { ...steaming, wand: 'free' },
            }),
            check(
              'jet',
              'How does it steam?',
              'Every hole',
              [
                ['all', 'From every hole, even', 'pass'],
                ['some', 'One is shut', 'repeat', 'tip', 'Still milk in it: once more.'],
              ],
              { at: wand, caution: steam },
            ),
            wiped,
          ],
        },
      ],
    },
    {
      id: 'soaked-in-place',
      name: 'soaked in place',
      reason: 'At closing time the wand stands in hot water for a quarter of an hour while the groups are cleaned.',
      usualFor: ['c2'],
      every: { words: 'every day at close', days: 1, mark: 'T' },
      figures: [figure('Cleaner', 'none'), figure('Soak', '15 min')],
      tools: [
        { name: 'Milk jug', why: 'one for each wand' },
        { name: 'Cleaning needle', why: 'for the holes of the tip' },
        { name: 'Damp cloth' },
      ],
      materials: [],
      parts: [
        {
          id: 'wand',
          name: 'Wand',
          each: 'side',
          steps: [
            hands('stand', 'Jug of hot water, wand in it, steam shut', 20, {
              at: wand,
              how: 'The machine stays on: a boiler that cools sucks the water in.',
              caution: hotWater,
              takes: ['jug'],
              state: { wand: 'standing' },
            }),
            soak('soak', 'Leave it standing', 'Wand soaking', 900, {
              at: wand,
              state: { power: 'on', heat: 'hot' },
              wrong: 'The boiler must stay hot: one that cools sucks the water up.',
            }),
            hands('out', 'Jug away, blow out into the tray, wipe', 20, {
              at: wand,
              caution: steam,
              state: { ...steaming, wand: 'free' },
              gives: ['jug'],
            }),
            hands('prick', 'Prick each hole from outside', 20, {
              at: ['wand'],
              how: 'Steam shut. From the outside inwards, the point only.',
              caution: hotTip,
              besides: [{ hazard: 'sharp', say: 'The needle: away from the hand that holds.' }],
            }),
            holes('prick'),
          ],
        },
      ],
    },
    {
      id: 'skin-off',
      name: 'a dried skin, by plain water',
      reason:
        'Steam in plain water softens the skin that dried on outside; fresh water for the second go, or dirty water is sucked back in.',
      usualFor: [],
      every: { words: 'when a skin has dried on', mark: 'T' },
      figures: [figure('Cleaner', 'none'), figure('Goes', '2, the second with fresh water')],
      tools: [{ name: 'Milk jug' }, { name: 'Damp cloth' }],
      materials: [],
      parts: [
        {
          id: 'wand',
          name: 'Wand',
          each: 'side',
          steps: [
            hands('water', 'Plain water in the jug', 10, { at: ['wand'], takes: ['jug'] }),
            hands('warm', 'Steam it until it is warm', 20, {
              at: wand,
              caution: steam,
              state: { ...steaming, wand: 'free' },
            }),
            hands('off', 'Wipe, then purge', 15, { at: wand, caution: steam, state: steaming }),
            check(
              'bare',
              'Bare metal all round?',
              'The back too',
              [
                ['bare', 'Bare', 'pass'],
                [
                  'skin',
                  'A skin is left',
                  'repeat',
                  'water',
                  'Fresh water and once more: dirty water is sucked back in.',
                ],
                ['days', 'It does not come off', 'stop', 'A day or two old: milk cleaner drawn up instead.'],
              ],
              { at: ['wand'], gives: ['jug'] },
            ),
          ],
        },
      ],
    },
    {
      id: 'overnight',
      name: 'overnight in hot water',
      reason:
        'For a home that shows residue: nothing is opened, and the morning’s first steam takes it along. It spares harder cleaning. Not where a boiler stands behind the wand: one that cools sucks the water in.',
      kinds: boilerless,
      usualFor: [],
      every: { words: 'when residue shows', mark: 'T' },
      figures: [figure('Cleaner', 'none'), figure('Soak', 'overnight')],
      tools: [{ name: 'Tall container' }, { name: 'Damp cloth' }],
      materials: [],
      parts: [
        {
          id: 'wand',
          name: 'Wand',
          each: 'side',
          steps: [
            hands('stand', 'Tall container of hot water, wand in it', 20, {
              at: wand,
              caution: hotWater,
              takes: ['jug'],
              state: { wand: 'standing' },
            }),
            soak('soak', 'Leave it overnight', 'Wand soaking', 8 * 3600, { at: wand }),
            hands('wipe', 'Container away, wipe it', 15, { at: ['wand'], state: { wand: 'free' }, gives: ['jug'] }),
            check(
              'runs',
              'Power on, open it: water, then steam',
              'How does it come?',
              [
                ['well', 'Freely: the residue is out', 'pass'],
                ['weak', 'Weak still', 'pass'],
              ],
              { at: wand, caution: steam, state: steaming },
            ),
            cutOff('unplug', 20, { say: 'Still weak: off, plug out, cool', at: ['board'] }),
            hands('poke', 'Bare wire into the end, no further than the tip', 30, {
              at: ['wand'],
              how: 'A pin, or a bare wire: never a paper clip in its plastic sleeve, which stays inside. Not needed where it runs freely.',
              caution: { hazard: 'parts', say: 'Pushing drives the plug further in.' },
            }),
            hands('on', 'Plug in, warm up', 60, { at: ['board'], state: { power: 'on', heat: 'hot' } }),
            holes('unplug'),
          ],
        },
      ],
    },
  ],
}
