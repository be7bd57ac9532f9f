import { slugOf } from '../parse/slug-of.ts'
import { conditionFaults } from './conditions.ts'
import type { Procedure, ProcedurePart, Way, WayFigure } from './procedure.ts'
import { actFields } from './procedure-words.ts'
import type { ActName, Step } from './step.ts'
import { figuresAfter, figuresWithout } from './step-figures.ts'
import { alkaline, lockedIn } from './step-parts.ts'

/** Where a step stands: in which way, part, and at which place. */
export interface StepPlace {
  way: number
  part: number
  step: number
}

/** A copy under a name of its own to be changed, or the next version of the firm's own. */
export const ownVersionOf = (procedure: Procedure): Procedure =>
  procedure.basedOn
    ? { ...procedure, version: procedure.version + 1 }
    : {
        ...procedure,
        basedOn: procedure.id,
        id: `our-${procedure.id}`,
        name: `Our ${procedure.name[0]!.toLowerCase()}${procedure.name.slice(1)}`,
        version: 1,
      }

export const withWay = (procedure: Procedure, at: number, change: Partial<Way>): Procedure => ({
  ...procedure,
  ways: procedure.ways.map((way, i) => (i === at ? { ...way, ...change } : way)),
})

/** One more way, as a copy to be changed; usual for nothing until somebody says so. */
export function copyWay(procedure: Procedure, at: number): Procedure {
  const from = procedure.ways[at]!
  const name = `${from.name}, ours`
  const copy = { ...from, id: slugOf(name, idsOf(procedure.ways)), name, usualFor: [], usualAt: undefined }
  return { ...procedure, ways: [...procedure.ways.slice(0, at + 1), copy, ...procedure.ways.slice(at + 1)] }
}

/** @throws where it is the only one */
export function withoutWay(procedure: Procedure, at: number): Procedure {
  if (procedure.ways.length === 1) throw new Error('withoutWay: a procedure has at least one way')
  return { ...procedure, ways: procedure.ways.filter((_, i) => i !== at) }
}

/** The way that is usual for a kind from now on; no other is. */
export const usualForKind = (procedure: Procedure, at: number, kind: string, usual: boolean): Procedure => ({
  ...procedure,
  ways: procedure.ways.map((way, i) => {
    const others = way.usualFor.filter((id) => id !== kind)
    return { ...way, usualFor: i === at && usual ? [...others, kind] : others }
  }),
})

/** The way that is usual for a kind where so much is made; which others are is theirs. */
export function usualAtForKind(procedure: Procedure, at: number, kind: string, usual: boolean): Procedure {
  const { usualAt } = procedure.ways[at]!
  const others = (usualAt?.kinds ?? []).filter((id) => id !== kind)
  const kinds = usual ? [...others, kind] : others
  return withWay(procedure, at, { usualAt: kinds.length > 0 ? { ...usualAt, kinds } : undefined })
}

const idsOf = (list: { id: string }[]): string[] => list.map(({ id }) => id)

const withPart = (procedure: Procedure, { way, part }: StepPlace, change: (part: ProcedurePart) => ProcedurePart) =>
  withWay(procedure, way, {
    parts: procedure.ways[way]!.parts.map((one, i) => (i === part ? change(one) : one)),
  })

const stepsOf = (procedure: Procedure, { way, part }: StepPlace): Step[] => procedure.ways[way]!.parts[part]!.steps

export const renamePart = (procedure: Procedure, place: StepPlace, name: string): Procedure =>
  withPart(procedure, place, (part) => ({ ...part, name }))

/** A step with fields changed; a field set to undefined is left out. */
export function changeStep(procedure: Procedure, place: StepPlace, change: Record<string, unknown>): Procedure {
  const steps = stepsOf(procedure, place).map((step, i) =>
    i === place.step
      ? (Object.fromEntries(
          Object.entries({ ...step, ...change }).filter(([, value]) => value !== undefined),
        ) as unknown as Step)
      : step,
  )
  return withFigures(
    withPart(procedure, place, (part) => ({ ...part, steps })),
    place,
    (figures) => figuresAfter(figures, steps[place.step]!),
  )
}

const withFigures = (
  procedure: Procedure,
  { way }: StepPlace,
  change: (figures: WayFigure[]) => WayFigure[],
): Procedure => withWay(procedure, way, { figures: change(procedure.ways[way]!.figures) })

/**
 * Why a step cannot be left out or moved away; null where it can: others go back to it, or it clears what was put in.
 */
export function stepHeld(procedure: Procedure, place: StepPlace): string | null {
  const steps = stepsOf(procedure, place)
  const step = steps[place.step]!
  if (step.clears) return 'it clears what is in the machine'
  const back = steps.find(
    (other) =>
      (other.act === 'window' && other.from === step.id) ||
      (other.act === 'check' && other.answers.some(({ from }) => from === step.id)),
  )
  if (back && back !== step) return `“${back.say}” goes back to it`
  if (steps.length === 1) return 'a part needs a step'
  return sound(left(procedure, place), place) ? null : 'steps after it stand on how it leaves the machine'
}

/** The procedure without a step, its figures aside. */
const left = (procedure: Procedure, place: StepPlace): Procedure =>
  withPart(procedure, place, (part) => ({ ...part, steps: part.steps.filter((_, i) => i !== place.step) }))

/** Whether every step says what is so as the machine stands there. */
const sound = ({ ways }: Procedure, { way }: StepPlace): boolean =>
  conditionFaults(ways[way]!.parts.flatMap(({ steps }) => steps)).length === 0

/** @throws where it is held, see `stepHeld` */
export function withoutStep(procedure: Procedure, place: StepPlace): Procedure {
  const held = stepHeld(procedure, place)
  if (held) throw new Error(`withoutStep: ${held}`)
  const gone = stepsOf(procedure, place)[place.step]!
  return withFigures(left(procedure, place), place, (figures) => figuresWithout(figures, gone))
}

/** A new step of an act after a place, with figures to start from; null where such a step cannot stand there. */
export function addStep(procedure: Procedure, place: StepPlace, act: ActName): Procedure | null {
  const steps = stepsOf(procedure, place)
  const fresh = { ...freshStep(act, steps[place.step]?.id ?? ''), id: slugOf(`${act} step`, idsOf(steps)) } as Step
  const longer = withPart(procedure, place, (part) => ({
    ...part,
    steps: [...steps.slice(0, place.step + 1), fresh, ...steps.slice(place.step + 1)],
  }))
  return sound(longer, place) ? longer : null
}

/** One place up or down, where nothing that goes back would then go forward; null where it cannot. */
export function moveStep(procedure: Procedure, place: StepPlace, by: -1 | 1): Procedure | null {
  const steps = [...stepsOf(procedure, place)]
  const to = place.step + by
  if (to < 0 || to >= steps.length) return null
  const [upper, lower] = by < 0 ? [steps[to]!, steps[place.step]!] : [steps[place.step]!, steps[to]!]
  if (goesBackTo(lower, upper.id) || (upper.puts && lower.clears)) return null
  steps.splice(to, 0, ...steps.splice(place.step, 1))
  const moved = withPart(procedure, place, (part) => ({ ...part, steps }))
  return sound(moved, place) ? moved : null
}

const goesBackTo = (step: Step, id: string): boolean =>
  (step.act === 'window' && step.from === id) || (step.act === 'check' && step.answers.some(({ from }) => from === id))

const freshStep = (act: ActName, before: string): Record<string, unknown> => ({
  say: 'Say what the hands do',
  handsS: actFields[act].includes('seconds') && act === 'soak' ? 0 : 20,
  act,
  ...fresh[act],
  ...(act === 'window' && { from: before }),
})

/** What a new step of an act starts from. */
const fresh: Record<ActName, Record<string, unknown>> = {
  do: {},
  dose: { dose: { of: 'detergent', grams: { usual: 3 } }, into: 'the blind basket', caution: alkaline },
  cadence: {
    caution: lockedIn,
    on: 'Water ON',
    onHow: 'What is right while it runs.',
    off: 'Water OFF',
    offHow: 'What is right while it vents.',
    onS: 10,
    offS: 5,
    times: 5,
  },
  soak: { what: 'Soaking', seconds: 300 },
  wait: { until: 'say what is seen', aboutS: 60 },
  measure: { ask: 'What does it show?', unit: 'bar' },
  check: {
    ask: 'Is it right?',
    answers: [
      { id: 'yes', words: 'Yes', leads: 'pass' },
      { id: 'no', words: 'No', leads: 'stop', because: 'Say what follows from it.' },
    ],
  },
  hold: { keys: ['the key'], seconds: 5 },
  press: { key: 'the key', times: 3, withinS: 2 },
  keys: {
    programme: 'clean',
    example: { from: 'ready', keys: ['the key'], way: 'hold', seconds: 5, answers: 'what shows that it took' },
  },
  window: { withinS: 30 },
  photo: { of: 'what is to be seen' },
  season: { drinks: 1 },
}
