import type { Kind } from '../kinds/kind.ts'
import type { Chosen, Lane } from './lane.ts'
import type { Procedure, Way } from './procedure.ts'
import { leavesAsItWas } from './standing.ts'
import type { Step } from './step.ts'

const drinks = ({ steps }: { steps: Step[] }): boolean => steps.some(({ act }) => act === 'season')

const sideNames = ['left', 'right'] as const

/**
 * A way's parts as lanes on this machine: what is done at each group or steam side comes once for each, and what
 * follows waits for all of them.
 *
 * @example lanesOf(detergentBackflush, way, c2).map(({ title }) => title) // … 'group 1', … 'group 2'
 */
export function lanesOf(procedure: Procedure, way: Way, kind: Kind): Lane[] {
  const lanes: Lane[] = []
  const machine = { groups: kind.groups, sides: kind.sides }
  let before: string[] = []
  let at = 0
  while (at < way.parts.length) {
    const each = way.parts[at]!.each
    let end = at + 1
    // What is done at each group in turn stays together: one group's parts are one lane. Coffee comes after them all.
    while (each && way.parts[end]?.each === each && !drinks(way.parts[end]!)) end += 1
    const block = way.parts.slice(at, end)
    const steps = block.flatMap((part) =>
      part.steps.filter((step) => asked(step, kind)).map((step) => inPart(part.id, inWordsOf(step, kind))),
    )
    at = end
    if (steps.length === 0) continue
    const many = each === 'group' ? kind.groups : each === 'side' ? Math.max(1, kind.sides) : 1
    const here = Array.from({ length: many }, (_, i): Lane => {
      const place = each === 'group' ? `group ${i + 1}` : (sideNames[i] ?? `side ${i + 1}`)
      return {
        id: `${procedure.id}/${block[0]!.id}${each ? `/${i + 1}` : ''}`,
        title: titleOf(procedure, way, block[0]!.name, each && many > 1 ? place : null),
        procedure: procedure.id,
        group: each === 'group' ? i + 1 : null,
        side: each === 'side' ? i + 1 : null,
        machine,
        steps,
        after: before,
      }
    })
    lanes.push(...here)
    before = here.map(({ id }) => id)
  }
  return lanes
}

/** @example 'Detergent backflush, group 1' 'Screens and parts soaked: screen off, group 2' */
function titleOf({ name }: Procedure, way: Way, part: string, place: string | null): string {
  const eachParts = way.parts.filter(({ each }) => each)
  const alone = way.parts.length === 1 || (place !== null && eachParts.length === 1)
  const first = way.parts[0]!.name === part && way.parts[0]!.each !== undefined && eachParts.length < 3
  return `${name}${alone || (first && place !== null) ? '' : `: ${part.toLowerCase()}`}${place === null ? '' : `, ${place}`}`
}

/**
 * Lanes of all that is run together: the tray is emptied when nothing vents into it any more, coffee is drawn only
 * when all else is through, and one bath serves whatever wants the same bath.
 *
 * @param groups - the groups it is done at, where not at all of them
 */
export function lanesTogether(running: Chosen[], kind: Kind, groups?: number[]): Lane[] {
  const all = running.flatMap(({ procedure, way }) => lanesOf(procedure, way, kind))
  const here = all.filter(({ group }) => group === null || !groups || groups.includes(group))
  const ids = new Set(here.map(({ id }) => id))
  const some = here.map((lane) => ({ ...lane, after: lane.after.filter((id) => ids.has(id)) }))
  return oneBath(drinksLast(trayLate(some)))
}

/** Lanes that come after certain others, where these do not come after them already. */
const after = (lanes: Lane[], late: (lane: Lane) => boolean, early: (lane: Lane) => boolean): Lane[] =>
  lanes.map((lane) => {
    if (!late(lane)) return lane
    const first = lanes.filter((one) => one !== lane && early(one) && !late(one) && !comesAfter(lanes, one, lane))
    return { ...lane, after: [...new Set([...lane.after, ...first.map(({ id }) => id)])] }
  })

const trayLate = (lanes: Lane[]): Lane[] =>
  after(
    lanes,
    (lane) => lane.steps.some(({ state }) => state?.tray === 'out') && leavesAsItWas(lanes, lane.procedure),
    (lane) => lane.steps.some(({ act }) => act === 'cadence'),
  )

/** One coffee a group, after all that leaves the machine as it was; what empties it or cuts it off comes later. */
const drinksLast = (all: Lane[]): Lane[] => {
  const coffee = ({ steps }: Lane) => steps.every(({ act }) => act === 'season')
  const once = all.filter(
    (lane, i) => !coffee(lane) || !all.slice(0, i).some((one) => coffee(one) && one.group === lane.group),
  )
  const ids = new Set(once.map(({ id }) => id))
  const lanes = once.map((lane) => ({ ...lane, after: lane.after.filter((id) => ids.has(id)) }))
  return after(lanes, drinks, (lane) => leavesAsItWas(lanes, lane.procedure))
}

/** Whether a lane can only begin when another is through. */
function comesAfter(lanes: Lane[], lane: Lane, other: Lane): boolean {
  return lane.after.some((id) => id === other.id || comesAfter(lanes, lanes.find((one) => one.id === id)!, other))
}

/** A second bath of the same stuff and strength is the first one: whoever comes last pours it away. */
function oneBath(lanes: Lane[]): Lane[] {
  const what = ({ steps }: Lane): string | null => {
    const made = steps.find(({ bath }) => bath === 'made')
    return made?.act === 'dose'
      ? `${made.dose.of} ${made.dose.gramsPerL ?? made.dose.oneTo ?? made.dose.scoops ?? ''} ${made.into}`
      : null
  }
  const of = (lane: Lane, bath: Step['bath']) => lane.steps.find((step) => step.bath === bath)!.id
  return lanes.map((lane) => {
    const mine = what(lane)
    const sharers = mine === null ? [] : lanes.filter((one) => what(one) === mine)
    if (sharers.length < 2) return lane
    const first = sharers[0]!
    const last = sharers.at(-1)!
    const steps = lane.steps
      .filter(({ bath }) => (bath !== 'made' || lane === first) && (bath !== 'poured' || lane === last))
      .map((step): Step => {
        const { takes: _, gives: __, ...rest } = step
        if (step.bath === 'made' || step.bath === 'poured') return rest as Step
        return step.bath === 'in' && lane !== first
          ? { ...step, how: `Into the bath that is there already. ${step.how ?? ''}`.trim() }
          : step
      })
    const waits = [
      ...(lane === first ? [] : [{ step: of(lane, 'in'), for: { lane: first.id, step: of(first, 'made') } }]),
      ...(lane === last
        ? sharers
            .filter((one) => one !== lane)
            .map((one) => ({ step: of(lane, 'poured'), for: { lane: one.id, step: of(one, 'out') } }))
        : []),
    ]
    return { ...lane, steps, waits }
  })
}

/** Whether this machine needs to be asked. */
export function asked({ without, where, only }: Step, kind: Kind): boolean {
  const here = (ids: string[]) => kind.stations.some(({ id }) => ids.includes(id))
  return (
    (without === undefined || !here(without)) &&
    (where === undefined || here(where)) &&
    (only === undefined || only.includes(kind.basedOn ?? kind.id))
  )
}

/** A step as it is said on this kind. */
function inWordsOf({ as, ...step }: Step, kind: Kind): Step {
  return { ...step, ...as?.[kind.basedOn ?? kind.id] } as Step
}

/** Steps name each other within their part; in a lane they bear its name. */
function inPart(part: string, step: Step): Step {
  const id = `${part}.${step.id}`
  if (step.act === 'window') return { ...step, id, from: `${part}.${step.from}` }
  if (step.act !== 'check') return { ...step, id }
  const answers = step.answers.map((answer) => (answer.from ? { ...answer, from: `${part}.${answer.from}` } : answer))
  return { ...step, id, answers }
}
