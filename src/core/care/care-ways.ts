import { doseSaid } from '../procedures/dose.ts'
import type { School as Way } from '../procedures/procedure.ts'
import type { StepOf } from '../procedures/step.ts'
import { alkali, scald } from './care-cautions.ts'
import type { CareDrawing } from './care-terms.ts'

/** A procedure that whoever works with the machine does, and how it is told. */
interface CareWay {
  procedure: string
  say: string
  drawing: CareDrawing
  caution: string
  how: (way: Way) => (string | null)[]
}

export const careWays: CareWay[] = [
  {
    procedure: 'water-backflush',
    say: 'Backflush with water',
    drawing: 'strokes',
    caution: scald,
    how: (way) => [
      'coffee basket out and rinsed',
      `blind basket in: ${strokes(way, 'strokes')}`,
      'wait for the hiss each time',
      'tray empty and in its place',
    ],
  },
  {
    procedure: 'detergent-backflush',
    say: 'Backflush with detergent',
    drawing: 'powder',
    caution: alkali,
    how: (way) => [
      `${detergentDose(way)} into the blind basket`,
      soakWords(way, 'soak', 'leave it locked in'),
      strokes(way, 'strokes'),
      firstPause(way),
      has(way, 'scrub') ? 'scrub seal and screen with the foam, then handle half in and let it run over' : null,
      has(way, 'gone') ? 'on until nothing brown comes' : null,
      `rinse the basket, then ${strokes(way, 'rinse')}, until it is clear`,
      'brush the edge; coffee basket back',
      'first coffee thrown away',
    ],
  },
  {
    procedure: 'wash-programme',
    say: 'Wash programme with detergent',
    drawing: 'programme',
    caution: alkali,
    how: (way) => [
      `${detergentDose(way)}, dissolved in warm water`,
      soakWords(way, 'soak', 'leave it locked in'),
      'start it and let it run to its end',
      `then clear water against the blind basket, ${strokes(way, 'blind-rinse')}`,
      'first coffee thrown away',
    ],
  },
  {
    procedure: 'tablet-programme',
    say: 'Cleaning programme with a tablet',
    drawing: 'programme',
    caution: alkali,
    how: (way) => [
      `${detergentDose(way)} in the disc`,
      'keys as in its leaflet',
      'tablet left: the same once more',
      'a double of clear water through the empty group',
    ],
  },
  {
    procedure: 'group-clean',
    say: 'Group cleaned',
    drawing: 'wipe',
    caution: 'Hot group: cloth or brush between; where it is done cold, plug out first.',
    how: (way) => [
      has(way, 'unplug')
        ? 'off, plug out, cool; damp towel round the groove'
        : 'wet cloth with detergent, flush, wipe with clear water until it is bare',
    ],
  },
  {
    procedure: 'parts-soak',
    say: 'Screens, baskets, portafilters in the bath',
    drawing: 'soak',
    caution: alkali,
    how: (way) => [
      has(way, 'off') ? 'screens off, screws into a cup' : 'screens stay on',
      detergentDose(way),
      soakWords(way, 'soak', 'leave them'),
      'handles out of the water',
      'brush, rinse until nothing is slippery',
    ],
  },
  {
    procedure: 'steam-tip',
    say: 'Steam tip off',
    drawing: 'wand',
    caution: 'Tip and wand are hot: cloth, or let them cool.',
    how: (way) => [
      'prick the holes',
      soakWords(way, 'soak', 'into the bath'),
      'see through every hole, back hand tight',
    ],
  },
  {
    procedure: 'wand-clean',
    say: 'Steam wand inside',
    drawing: 'wand',
    caution: 'Steam burns before it is seen: tip into tray or cloth.',
    how: (way) => [
      has(way, 'stand') ? soakWords(way, 'soak', 'stand it in hot water') : null,
      has(way, 'draw-1') ? 'hot water drawn up, a minute, blown out: three times' : null,
      has(way, 'brush') ? 'tip off, brush in as far as it goes, gently; purge' : null,
    ],
  },
]

const stepOf = (way: Way, id: string) => way.parts.flatMap(({ steps }) => steps).find((one) => one.id === id)

const has = (way: Way, id: string): boolean => stepOf(way, id) !== undefined

/** How much powder a way takes, as it says it. */
function detergentDose(way: Way): string {
  const step = way.parts
    .flatMap(({ steps }) => steps)
    .find((one): one is StepOf<'dose'> => one.act === 'dose' && one.dose.of === 'detergent')
  return step ? doseSaid(step.dose) : 'no detergent'
}

/** The strokes of one step, as they are read out. */
function strokes(way: Way, id: string): string {
  const step = stepOf(way, id) as StepOf<'cadence'> | undefined
  return step ? `${step.times} × ${step.onS} s on, ${step.offS} s off` : ''
}

/** The longer pause after the first stroke, where there is one. */
function firstPause(way: Way): string | null {
  const step = stepOf(way, 'strokes') as StepOf<'cadence'> | undefined
  return step?.firstOffS ? `${step.firstOffS} s after the first stroke` : null
}

/** A soak by its minutes. */
function soakWords(way: Way, id: string, say: string): string | null {
  const step = stepOf(way, id)
  if (step?.act !== 'soak') return null
  const minutes = Math.round(step.seconds / 6) / 10
  return `${say} ${minutes} min`
}
