import { type CareDrawing, careHazards } from '../kinds/care-words.ts'
import { doseSaid } from '../procedures/dose.ts'
import type { Way } from '../procedures/procedure.ts'
import type { StepOf } from '../procedures/step.ts'

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
    caution: careHazards.scald,
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
    caution: careHazards.alkali,
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
    caution: careHazards.alkali,
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
    caution: careHazards.alkali,
    how: (way) =>
      takesDetergent(way)
        ? [
            `${detergentDose(way)} in the disc`,
            'keys as in its leaflet',
            'tablet left: the same once more',
            'a double of clear water through the empty group',
          ]
        : [
            'closed disc in, nothing in it: it counts anew, nothing is cleaned',
            'keys as in its leaflet',
            'empty the tray',
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
        : has(way, 'off')
          ? 'screen off, screw into a cup; wipe the group out'
          : 'wet cloth with detergent, flush, wipe with clear water until it is bare',
      soakWords(way, 'soak', 'screen and basket in hot water with detergent,'),
      has(way, 'back') && has(way, 'off') ? 'brush, rinse until nothing is slippery; screen back, screw snug' : null,
    ],
  },
  {
    procedure: 'parts-soak',
    say: 'Screens, baskets, portafilters in the bath',
    drawing: 'soak',
    caution: careHazards.alkali,
    how: (way) => [
      has(way, 'off') ? 'screens off, screws into a cup' : 'screens stay on',
      `hot water, detergent: ${detergentDose(way)}`,
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
      has(way, 'draw-1')
        ? `${has(way, 'cleaner') ? 'milk cleaner in hot water' : 'hot water'} drawn up, a minute, blown out: three times`
        : null,
      has(way, 'clean-water') ? 'then clean water the same way, until no foam comes' : null,
      has(way, 'brush') ? 'tip off, brush in as far as it goes, gently; purge' : null,
      has(way, 'warm') ? 'steam plain water until it is warm, wipe, purge; twice, the second in fresh water' : null,
    ],
  },
]

const stepOf = (way: Way, id: string) => way.parts.flatMap(({ steps }) => steps).find((one) => one.id === id)

const has = (way: Way, id: string): boolean => stepOf(way, id) !== undefined

const detergentStep = (way: Way) =>
  way.parts
    .flatMap(({ steps }) => steps)
    .find((one): one is StepOf<'dose'> => one.act === 'dose' && one.dose.of === 'detergent')

const takesDetergent = (way: Way): boolean => detergentStep(way) !== undefined

/** How much detergent a way takes, as it says it. */
function detergentDose(way: Way): string {
  const step = detergentStep(way)
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
  return step?.firstOffS ? `wait ${step.firstOffS} s after the first stroke` : null
}

/** A soak by its minutes. */
function soakWords(way: Way, id: string, say: string): string | null {
  const step = stepOf(way, id)
  if (step?.act !== 'soak') return null
  const most = step.mostS ?? step.seconds
  if (most >= 2 * 3600) return `${say} ${Math.round(most / 3600)} h`
  const least = Math.round(step.seconds / 60)
  return `${say} ${least < most / 60 ? `${least} to ` : ''}${Math.round(most / 60)} min`
}
