import type { DoseAmount } from '../../procedures/dose.ts'
import type { Procedure, ProcedurePart } from '../../procedures/procedure.ts'
import type { Step } from '../../procedures/step.ts'
import {
  alkaline,
  check,
  figure,
  hands,
  hotWater,
  milkHygiene,
  soak,
  steam,
  steaming,
} from '../../procedures/step-parts.ts'
import { withWand } from './kinds-by-build.ts'
import { hotTip, wand } from './steam-wand.ts'

interface TipBath {
  say: string
  dose: DoseAmount
  seconds: number
  /** Whether it is the bath that other parts lie in. */
  shared: boolean
}

/** Tips off and holes pricked at each wand, one bath for them all, back hand tight. */
const tipParts = (bath: TipBath): ProcedurePart[] => [
  { id: 'off', name: 'Tip off', each: 'side', steps: tipOff() },
  { id: 'soak', name: 'Bath', steps: tipsSoaked(bath) },
  { id: 'back', name: 'Tip back', each: 'side', steps: tipBack() },
]

function tipOff(): Step[] {
  return [
    hands('vent', 'Steam shut, wand vented', 10, { at: wand, caution: steam, state: { wand: 'free' } }),
    hands('off', 'Unscrew the tip', 30, {
      at: ['wand'],
      state: { tip: 'off' },
      how: 'An inner tube may be felt behind it: work the tip off slowly and leave the tube in.',
      caution: hotTip,
    }),
    hands('prick', 'Prick each hole, hold it to the light', 40, {
      at: ['wand'],
      how: 'Blunt first, the finer only where it is needed. Before the bath: what is loosened soaks off.',
      caution: { hazard: 'sharp', say: 'The needle: away from the hand that holds.' },
    }),
  ]
}

function tipsSoaked({ say, dose, seconds, shared }: TipBath): Step[] {
  return [
    {
      id: 'bath',
      say,
      act: 'dose',
      dose,
      into: shared ? 'the bowl' : 'the cup',
      handsS: 30,
      bath: 'made',
      ...(shared && { takes: ['bowl' as const] }),
      caution: dose.of === 'milk-cleaner' ? milkHygiene : alkaline,
      besides: [hotWater],
    },
    hands('in', 'Every tip into the bath', 5, {
      at: ['wand'],
      bath: 'in',
      caution: dose.of === 'milk-cleaner' ? milkHygiene : alkaline,
    }),
    soak('soak', 'Leave it in the bath', 'Steam tip soaking', seconds),
    hands('out', 'Out, rinse until nothing is slippery', 20, { at: ['wand'], bath: 'out', caution: alkaline }),
    check(
      'see-through',
      'Hold it to the light',
      'Can you see through every hole?',
      [
        ['all', 'Through every one', 'pass'],
        ['shut', 'One is shut', 'repeat', 'soak', 'Once more into the bath, then prick again.'],
      ],
      { at: ['wand'] },
    ),
    hands('pour', 'Bath poured away', 10, {
      bath: 'poured',
      ...(shared && { gives: ['bowl' as const] }),
      caution: { hazard: 'detergent', say: 'Never into a drain where acid stands.' },
    }),
  ]
}

function tipBack(): Step[] {
  return [
    hands('back', 'Thread it back, hand tight', 30, {
      at: ['wand'],
      state: { tip: 'on' },
      how: 'Where an inner tube sticks out of the wand the tip goes over it. Thread meets thread, no spanner.',
      caution: hotTip,
    }),
    check(
      'jet',
      'Steam on for a moment',
      'Steam from every hole?',
      [
        ['all', 'From every hole, even', 'pass'],
        [
          'some',
          'One is shut',
          'repeat',
          'back',
          'It was not free: steam shut, off with it, pricked against the light, then back.',
        ],
        [
          'none',
          'Nothing comes',
          'stop',
          'The plug sits in the tube: soak it up with cleaner, do not poke it further in.',
        ],
      ],
      { at: wand, caution: steam, state: { ...steaming, wand: 'free' } },
    ),
  ]
}

/** The bath of a bar and of a home: how often it is made is what differs. */
const detergentBath = {
  name: 'a quarter of an hour in detergent',
  reason:
    'Ten grams to the litre dissolve old milk in the holes; a blunt needle first, the fine one only where it is needed.',
  figures: [
    figure('Bath', '10 g detergent per litre'),
    figure('Time', '15 min'),
    figure('Through the holes', 'blunt needle, then a finer one'),
  ],
  tools: [{ name: 'Cloth' }, { name: 'Needle or awl' }, { name: 'Bowl, steel or glass' }],
  materials: [{ name: 'Backflush detergent' }],
  parts: tipParts({
    say: 'Hot water, powder stirred in',
    dose: { of: 'detergent', gramsPerL: 10 },
    seconds: 900,
    shared: true,
  }),
}

export const steamTip: Procedure = {
  id: 'steam-tip',
  version: 2,
  family: 'steam',
  name: 'Steam tip off and soaked',
  about: 'The tip unscrewed, seen through, soaked, and back hand tight.',
  kinds: withWand,
  writes: [{ entry: 'cleaned', task: 'steam-tip-off', by: ['off', 'soak', 'back'] }],
  ways: [
    {
      ...detergentBath,
      id: 'detergent-bath',
      kinds: ['c2'],
      usualFor: ['c2'],
      every: { words: 'nightly in a bar', days: 1, mark: 'T' },
    },
    {
      ...detergentBath,
      id: 'detergent-bath-at-home',
      kinds: withWand.filter((kind) => kind !== 'c2'),
      usualFor: ['dv', 'dn', 'dg', 'bt'],
      every: { words: 'weekly, or monthly, at home', days: 7, mark: 'T' },
    },
    {
      id: 'milk-cleaner-cup',
      name: 'ten minutes in milk cleaner',
      reason:
        'A cup with a little milk cleaner is kinder to the metal; half an hour does no harm either, longer nobody tried.',
      usualFor: ['lv'],
      every: { words: 'every few weeks, or when a hole is shut', days: 28, mark: 'T' },
      figures: [
        figure('Bath', 'a little milk cleaner in a cup of hot water'),
        figure('Time', '10 min, up to 30'),
        figure('Through the holes', 'awl or hex key of 0.5 to 1 mm'),
      ],
      tools: [{ name: 'Cloth' }, { name: 'Awl or hex key, 0.5 to 1 mm', why: 'never a clip in its plastic sleeve' }],
      materials: [{ name: 'Milk-system cleaner' }],
      parts: tipParts({
        say: 'A cup of hot water, a little milk cleaner',
        dose: { of: 'milk-cleaner', oneTo: 16, words: 'a little; one part to sixteen' },
        seconds: 600,
        shared: false,
      }),
    },
    {
      id: 'cup-of-detergent',
      name: 'five minutes, half a scoop',
      reason:
        'Done weekly or every two weeks it never gets heavy: half a scoop in a cup of warm boiler water is enough.',
      usualFor: ['pt'],
      every: { words: 'weekly or every two weeks', days: 10, mark: 'T' },
      figures: [
        figure('Bath', 'half a scoop in a cup of warm water'),
        figure('Time', '5 min'),
        figure('Through the holes', 'if one is shut'),
      ],
      tools: [{ name: 'Cloth' }, { name: 'Needle' }],
      materials: [{ name: 'Backflush detergent' }],
      parts: tipParts({
        say: 'A cup of warm water, half a scoop',
        dose: { of: 'detergent', scoops: 0.5 },
        seconds: 300,
        shared: false,
      }),
    },
  ],
}
