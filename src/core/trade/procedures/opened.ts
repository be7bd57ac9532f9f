import type { Step } from '../../procedures/step.ts'
import {
  brewing,
  check,
  coolingS,
  cools,
  cutOff,
  earthBack,
  electricalTest,
  hands,
  hotWater,
  noPressure,
} from '../../procedures/step-parts.ts'
import { boilers, smallBlocks } from './kinds-by-build.ts'

const staysHot = {
  gate: true,
  caution: { hazard: 'scald', say: 'Metal and hoses stay hot long after it is off.' },
} as const

/** Off, and left until a hand may go there; the whole machine where no station is named. */
export const cooledDown = (at?: string[]): Step[] => [
  cools('cold', coolingS.block, {
    ...staysHot,
    ...(at && { at }),
    only: smallBlocks,
    how: 'A small block takes half an hour.',
  }),
  cools('cold-boiler', coolingS.boiler, {
    ...staysHot,
    ...(at && { at }),
    only: boilers,
    how: 'A boiler takes hours: off the evening before, or other work meanwhile.',
  }),
]

/** Cut off, cold, without pressure: what is done before a water joint or the case is opened. */
export const madeSafe = (at: string[]): Step[] => [
  cutOff('off', 30, { at: ['board'] }),
  ...cooledDown(at),
  hands('water-off', 'Water shut; tank out', 20, {
    at,
    state: { supply: 'shut', tank: 'out' },
    gate: true,
  }),
  noPressure('zero', ['breather', 'steam-valve'], { only: boilers }),
  hands('let-out', 'Open an outlet: nothing comes any more', 20, {
    at,
    state: { pressure: 'none' },
    gate: true,
    only: smallBlocks,
    caution: { hazard: 'pressure', say: 'Pressure stays behind a closed valve: let it out before a hose comes off.' },
  }),
]

/** The case open; from here the machine stays held until its electrical test. */
export const caseOpen = (at: string[]): Step =>
  hands('open', 'Case open', 210, {
    at,
    state: { cover: 'open' },
    puts: 'electrical',
    gate: true,
    how: 'A strip-down sheet beside it for screws, plugs and their order.',
    caution: { hazard: 'mains', say: 'Prove it dead before a hand goes in.' },
    besides: [{ hazard: 'sharp', say: 'Edges of the case are sharp.' }],
  })

/** Shut, on, tried, tested. */
export const closedAndTried = (at: string[], runs: string): Step[] => [
  earthBack('earth'),
  hands('shut', 'Case shut, nothing in the cup', 210, { at: ['board'], state: { cover: 'shut' } }),
  ...onAgain(at, runs),
  electricalTest('electrical'),
]

/** Water on, powered, tried for leaks. */
export const onAgain = (at: string[], runs: string): Step[] => [
  hands('on', 'Water on, plug in, fill, warm up', 120, {
    at,
    state: { supply: 'open', tank: 'in', boiler: 'full', power: 'on', heat: 'hot', pressure: 'up' },
    wrong: 'The pump growls: no water. Off at once.',
  }),
  check(
    'tight',
    runs,
    'Dry paper below, joints with a torch from outside',
    [
      ['good', 'Runs as it should, dry', 'pass'],
      [
        'wet',
        'It weeps',
        'repeat',
        'off',
        'Off, cold, pressure let out, then the joint once more: never under pressure.',
      ],
      ['bad', 'Dry, but not as it should', 'stop', 'On the Fault lens: what was done is on record.'],
    ],
    { at, state: { ...brewing, cover: 'shut' }, caution: hotWater, gate: true, handsS: 60 },
  ),
]
