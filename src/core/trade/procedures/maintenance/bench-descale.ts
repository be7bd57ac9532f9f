import { check, hands } from '../../../procedures/step-parts.ts'
import { boilers } from '../kinds-by-build.ts'
import { caseOpen, closedAndTried, madeSafe } from '../opened.ts'
import type { Job } from './job.ts'

export const benchDescale: Job = {
  id: 'bench-descale',
  name: 'Boiler descaled on the bench',
  about: 'Out of use, boiler reached, open bath of acid, rinsed neutral, new gaskets, pressure tried.',
  kinds: boilers,
  writes: [{ entry: 'descaled', task: 'descale', by: ['charge', 'neutral'] }],
  way: 'open-bath-on-the-bench',
  wayName: 'open bath on the bench',
  reason:
    'A large boiler keeps acid in its corners: on the bench it stands open, the foam can leave, and what is loose is brushed out.',
  figures: [
    ['Strength', 'citric 5 % usual, 3 % least, lukewarm'],
    ['Contact', '20 to 30 min a charge, then a fresh one while it still foams'],
    ['Room', 'headspace, no lid, window open; never in a cellar'],
    ['Gaskets', 'new at every opening'],
  ],
  tools: [
    { name: 'Spanners' },
    { name: 'Bucket, large' },
    { name: 'Bottle brush' },
    { name: 'Gloves, glasses' },
    { name: 'pH strips' },
  ],
  materials: [{ name: 'Citric acid' }, { name: 'Sodium bicarbonate' }, { name: 'Element and flange gaskets' }],
  steps: [
    ...madeSafe(['boiler', 'steam-boiler']),
    caseOpen(['board', 'boiler', 'steam-boiler']),
    hands('drain', 'Boiler drained cold into the bucket', 300, {
      at: ['boiler', 'steam-boiler', 'brew-boiler'],
      state: { boiler: 'empty' },
      how: 'Its litres: a bucket that takes them all, in portions.',
      caution: { hazard: 'heavy', say: 'Full of chalk it is heavy: two people where it comes out.' },
    }),
    hands('flange', 'Element or flange out, old gasket off', 300, {
      at: ['boiler', 'steam-boiler', 'heater'],
      caution: { hazard: 'pressure', say: 'Only after gauge and steam tap said so.' },
    }),
    check(
      'ventilated',
      'Open bath: window open, no lid, no cellar, no chlorine near?',
      'Gas comes off, heavier than air',
      [
        ['yes', 'All four', 'pass'],
        ['no', 'Not all', 'stop', 'Carbon dioxide gathers in low rooms, chlorine with acid is poison: elsewhere.'],
      ],
      { gate: true },
    ),
    {
      id: 'charge',
      say: 'Acid in, lukewarm, open',
      how: 'Headspace for the foam. Citric hot leaves citrate in passages: lukewarm.',
      act: 'dose',
      dose: { of: 'descaler', words: 'citric 5 %; 3 % at least' },
      into: 'the boiler',
      handsS: 120,
      puts: 'descaler',
      gate: true,
      at: ['boiler', 'steam-boiler', 'brew-boiler'],
      state: { path: 'acid' },
      caution: {
        hazard: 'acid',
        say: 'Acid off skin, eyes and stone; it foams over: slowly.',
        how: 'Gloves and glasses; window open, no lid, never near chlorine.',
      },
    },
    {
      id: 'works',
      say: 'Let it work',
      act: 'soak',
      what: 'Acid in the boiler',
      seconds: 1500,
      mostS: 1800,
      handsS: 0,
      at: ['boiler', 'steam-boiler'],
    },
    check(
      'foams',
      'Does it still foam, is chalk left?',
      'Torch into the boiler',
      [
        ['bare', 'Bare metal, no foam', 'pass'],
        ['left', 'Chalk is left', 'repeat', 'charge', 'Spent: into the bucket, a fresh charge.'],
      ],
      { at: ['boiler', 'steam-boiler'], caution: { hazard: 'acid', say: 'Glasses on: it spits.' } },
    ),
    hands('flush', 'Out into the bucket, sludge brushed out, flushed', 300, {
      at: ['boiler', 'steam-boiler'],
      caution: { hazard: 'acid', say: 'Spent acid still bites: gloves on.' },
    }),
    check(
      'neutral',
      'Is the acid out?',
      'Strip in the last water, beside one in tap water',
      [
        ['same', 'Same colour as the tap’s', 'pass'],
        ['sour', 'Redder', 'repeat', 'flush', 'Acid is left: flush on.'],
      ],
      { gate: true, clears: 'descaler', at: ['boiler', 'steam-boiler'], state: { path: 'water' } },
    ),
    hands('bucket', 'Bucket neutralised with bicarbonate, then down the drain', 120, {
      how: '1.3 g for each gram of citric, until it no longer foams. Only where local rules allow it.',
      caution: { hazard: 'acid', say: 'It foams: slowly; never into a drain where bleach stands.' },
    }),
    check(
      'gasket',
      'New gasket, flange crosswise',
      'What went in?',
      [['new', 'A new gasket', 'pass', { fits: ['element-gasket'] }]],
      { at: ['boiler', 'steam-boiler', 'heater'], gate: true, handsS: 240 },
    ),
    ...closedAndTried(['boiler', 'steam-boiler'], 'Filled cold, then hot: at pressure, dry?'),
  ],
}
