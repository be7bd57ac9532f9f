import type { Kind } from '../kinds/kind.ts'
import type { Procedure, School } from './procedure.ts'
import type { Step } from './step.ts'

/** Steps that follow each other: one group's share of a procedure, or what is done once. */
export interface Lane {
  id: string
  title: string
  procedure: string
  group: number | null
  steps: Step[]
  /** Lanes that must be through first. */
  after: string[]
}

/**
 * A school's parts as lanes on this machine: what is done at each group comes once a group, and what follows waits
 * for all of them.
 *
 * @param prefix - keeps lanes of two procedures apart
 * @example lanesOf(detergentBackflush, school, c2).map(({ title }) => title) // … 'group 1', … 'group 2'
 */
export function lanesOf(procedure: Procedure, school: School, kind: Kind, prefix = procedure.id): Lane[] {
  const lanes: Lane[] = []
  let before: string[] = []
  let at = 0
  while (at < school.parts.length) {
    const each = school.parts[at]!.each
    let end = at + 1
    // What is done at each group in turn stays together: one group's parts are one lane.
    while (each && school.parts[end]?.each) end += 1
    const block = school.parts.slice(at, end)
    const steps = block.flatMap((part) =>
      part.steps.filter((step) => asked(step, kind)).map((step) => inPart(part.id, step)),
    )
    const groups = each ? Array.from({ length: kind.groups }, (_, i) => i + 1) : [null]
    const here = groups.map((group): Lane => {
      const counted = group !== null && kind.groups > 1
      return {
        id: `${prefix}/${block[0]!.id}${group === null ? '' : `/${group}`}`,
        title: `${procedure.name}${counted ? `, group ${group}` : each || school.parts.length === 1 ? '' : `: ${block[0]!.name.toLowerCase()}`}`,
        procedure: procedure.id,
        group,
        steps,
        after: before,
      }
    })
    lanes.push(...here)
    before = here.map(({ id }) => id)
    at = end
  }
  return lanes
}

/** Whether this machine needs to be asked. */
const asked = ({ without }: Step, kind: Kind): boolean =>
  without === undefined || !kind.stations.some(({ id }) => without.includes(id))

/** Steps name each other within their part; in a lane they bear its name. */
function inPart(part: string, step: Step): Step {
  const id = `${part}.${step.id}`
  if (step.act === 'window') return { ...step, id, from: `${part}.${step.from}` }
  if (step.act !== 'check') return { ...step, id }
  const answers = step.answers.map((answer) => (answer.from ? { ...answer, from: `${part}.${answer.from}` } : answer))
  return { ...step, id, answers }
}
