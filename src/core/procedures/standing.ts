import type { Lane } from './lane.ts'
import {
  keysOf,
  type State,
  stateWords,
  type Thing,
  type Tool,
  thingIds,
  things,
  tools,
  usualState,
  whatOf,
} from './states.ts'
import type { Step } from './step.ts'

/** A tool that somebody has. */
const taken = 'taken'

/** States by key of a thing, and `taken` by key of a tool. */
type Held = ReadonlyMap<string, string>

const stateEntries = (state: State | undefined): [Thing, string][] => Object.entries(state ?? {}) as [Thing, string][]

/** What a step asks for while it is done. */
function asksFor(lane: Lane, step: Step): Map<string, string> {
  const asks = new Map<string, string>()
  for (const [thing, state] of stateEntries(step.state))
    for (const key of keysOf(thing, lane, lane.machine)) asks.set(key, state)
  for (const tool of step.takes ?? []) for (const key of keysOf(tool, lane, lane.machine)) asks.set(key, taken)
  return asks
}

/** What is in another state, or in use, and which lane did it. */
interface Hold {
  key: string
  state: string
  by: Lane
}

/** Where each lane stands: how many of its steps are through, and whether the next one is under way. */
export interface Standing {
  at: Record<string, number>
  underWay: (lane: Lane) => boolean
}

/**
 * Everything that is not as it usually is. What one stretch of a procedure took apart, a later one of the same puts
 * back. What two groups do side by side neither undoes for the other: cut off for one of them it stays cut off.
 */
function holds(lanes: Lane[], { at }: Pick<Standing, 'at'>): Hold[] {
  let held: Hold[] = []
  for (const lane of lanes)
    for (const step of lane.steps.slice(0, at[lane.id])) {
      const set = (what: Thing | Tool, state: string | null) => {
        for (const key of keysOf(what, lane, lane.machine)) {
          held = held.filter((one) => one.key !== key || (one.by !== lane && !before(lanes, one.by, lane)))
          if (state !== null) held.push({ key, state, by: lane })
        }
      }
      for (const [thing, state] of stateEntries(step.state)) set(thing, state === usualState(thing) ? null : state)
      for (const tool of step.takes ?? []) set(tool, taken)
      for (const tool of step.gives ?? []) set(tool, null)
    }
  return held
}

/** What goes on at this moment in other lanes, and what it needs. */
const inHand = (lanes: Lane[], { at, underWay }: Standing): Hold[] =>
  lanes.flatMap((lane) => {
    const step = lane.steps[at[lane.id]!]
    return step && underWay(lane) ? [...asksFor(lane, step)].map(([key, state]) => ({ key, state, by: lane })) : []
  })

/** Whether a lane is an earlier stretch of the same procedure: what it left is this one's to use. */
const before = (lanes: Lane[], earlier: Lane, lane: Lane): boolean =>
  earlier.procedure === lane.procedure &&
  lane.after.some((id) => id === earlier.id || before(lanes, earlier, lanes.find((one) => one.id === id)!))

/** The hold of another lane that a step cannot be done under. */
const clashWith = (lanes: Lane[], lane: Lane, asks: Held, others: Hold[]): Hold | null =>
  others.find(
    ({ key, state, by }) =>
      by !== lane && asks.has(key) && (asks.get(key) !== state || state === taken) && !before(lanes, by, lane),
  ) ?? null

/** What stands in a lane's way, and whose it is. */
export interface InTheWay {
  lane: Lane
  /** As it is said. @example 'the tray is out' */
  words: string
}

/**
 * What keeps a lane's next step from being begun: a lane it comes after, a thing in a state it cannot use, a tool in
 * use, or that begun now neither could ever be brought to its end.
 *
 * @returns null where nothing does
 */
export function inTheWay(lanes: Lane[], lane: Lane, standing: Standing): InTheWay | null {
  const at = standing.at[lane.id]!
  const step = lane.steps[at]
  if (!step) return null
  const open = (id: string) => {
    const other = lanes.find((one) => one.id === id)!
    return standing.at[id]! < other.steps.length ? other : null
  }
  for (const id of lane.after) {
    const other = open(id)
    if (other) return { lane: other, words: 'it comes after' }
  }
  const early = waitsFor(lanes, lane, step, standing)
  if (early) return { lane: early, words: 'it is not so far' }
  const clash = clashWith(lanes, lane, asksFor(lane, step), [...holds(lanes, standing), ...inHand(lanes, standing)])
  if (clash) return { lane: clash.by, words: keyWords(clash.key, clash.state) }
  const entered = {
    at: { ...standing.at, [lane.id]: at + 1 },
    underWay: (one: Lane) => one !== lane && standing.underWay(one),
  }
  const stuck = changesWhatStands(step) ? neverDone(lanes, entered) : null
  if (!stuck) return null
  const other = stuck.find((one) => one !== lane) ?? lane
  return { lane: other, words: 'it is done first' }
}

/** A lane whose step must be through before this one. */
function waitsFor(lanes: Lane[], lane: Lane, step: Step, { at }: Standing): Lane | null {
  for (const wait of lane.waits ?? []) {
    if (wait.step !== step.id) continue
    const other = lanes.find(({ id }) => id === wait.for.lane)
    if (other && at[other.id]! <= other.steps.findIndex(({ id }) => id === wait.for.step)) return other
  }
  return null
}

/** Only what alters something can shut another out. */
const changesWhatStands = (step: Step): boolean =>
  (step.takes?.length ?? 0) > 0 || stateEntries(step.state).some(([thing, state]) => state !== usualState(thing))

/**
 * Lanes that could not be brought to their end from here, whatever is done first; null where all can. One that puts
 * everything back goes first; of those that leave the machine empty or cut off every order is tried.
 */
export function neverDone(lanes: Lane[], standing: Standing): Lane[] | null {
  const left = lanes.filter((lane) => standing.at[lane.id]! < lane.steps.length)
  if (left.length === 0) return null
  const can = left.filter((lane) => canEnd(lanes, lane, standing, left))
  const harmless = can.find((lane) => leavesAsItWas(lanes, lane.procedure))
  let stuck: Lane[] | null = left
  for (const lane of harmless ? [harmless] : can) {
    const { at, underWay } = standing
    const ended = {
      at: { ...at, [lane.id]: lane.steps.length },
      underWay: (one: Lane) => one !== lane && underWay(one),
    }
    const then = neverDone(lanes, ended)
    if (then === null) return null
    if (stuck === null || then.length < stuck.length) stuck = then
  }
  return stuck
}

/** Whether a procedure leaves everything as it found it when all of it is through. */
export function leavesAsItWas(lanes: Lane[], procedure: string): boolean {
  const own = lanes.filter((lane) => lane.procedure === procedure)
  return holds(own, { at: Object.fromEntries(own.map(({ id, steps }) => [id, steps.length])) }).length === 0
}

/** Whether a lane can be taken to its end while all others stand where they are. */
function canEnd(lanes: Lane[], lane: Lane, standing: Standing, left: Lane[]): boolean {
  if (lane.after.some((id) => left.some((one) => one.id === id))) return false
  const others = [...holds(lanes, standing), ...inHand(lanes, standing)]
  return lane.steps
    .slice(standing.at[lane.id])
    .every(
      (step) =>
        waitsFor(lanes, lane, step, standing) === null && clashWith(lanes, lane, asksFor(lane, step), others) === null,
    )
}

function keyWords(key: string, state: string): string {
  const what = whatOf(key)
  if (state === taken) return `${tools[what as Tool].name} is in use`
  return stateWords(what as Thing, state)
}

/**
 * How a machine stands at a step, as the steps before it have left it.
 *
 * @param steps - of one lane, in order
 * @param at - place of the step
 * @example conditionAt(steps, 4) // { power: 'dead', cover: 'open', heat: 'cold', … }
 */
export function conditionAt(steps: Step[], at: number): Record<Thing, string> {
  const condition = Object.fromEntries(thingIds.map((thing) => [thing, things[thing].usual])) as Record<Thing, string>
  for (const step of steps.slice(0, at + 1))
    for (const [thing, state] of stateEntries(step.state)) condition[thing] = state
  return condition
}
