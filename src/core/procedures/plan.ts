import type { Lane } from './lane.ts'
import { runStep, seenAfterMs, startRun } from './run.ts'
import { nextByItself, settle } from './run-clock.ts'
import { byItself, laneNow, type RunState, soakKey, stepNow } from './run-state.ts'
import { neverDone } from './standing.ts'
import type { Step } from './step.ts'
import { stepSeconds } from './step-seconds.ts'

/** One step on the lanes before a run: when, in which lane, with hands or by itself. */
export interface Segment {
  lane: string
  step: string
  say: string
  fromS: number
  toS: number
  hands: boolean
}

export interface RunPlan {
  segments: Segment[]
  totalS: number
  /** Hands at work. */
  handsS: number
  /** What it would take one after the other. */
  inTurnS: number
  /** Lanes that cannot be done together, whatever comes first; then nothing is planned. */
  never?: Lane[]
}

/**
 * How a run will go if every step takes what it is thought to take: the run itself, played ahead. What works by itself
 * leaves the hands to other lanes, and a lane waits for what another has in use.
 */
export function planRun(lanes: Lane[]): RunPlan {
  const none = Object.fromEntries(lanes.map(({ id }) => [id, 0]))
  const never = neverDone(lanes, { at: none, underWay: () => false })
  if (never) return { segments: [], totalS: 0, handsS: 0, inTurnS: 0, never }
  const segments: Segment[] = []
  let now = 0
  let state = startRun(lanes, 0)
  const goneBack = new Map<string, number>()
  /** What is said of a step when all goes well; what is done several times as a rule is done so often. */
  const expected = (lane: Lane, step: Step): { type: 'done'; answer?: string; value?: number } => {
    if (step.act === 'measure') return { type: 'done', value: step.from ?? step.to ?? 0 }
    if (step.act !== 'check') return { type: 'done' }
    const key = soakKey(lane.id, step.id)
    const again = step.answers.find(
      ({ leads, usually = 0 }) => leads === 'repeat' && usually > (goneBack.get(key) ?? 0),
    )
    goneBack.set(key, (goneBack.get(key) ?? 0) + 1)
    return { type: 'done', answer: (again ?? step.answers.find(({ leads }) => leads === 'pass')!).id }
  }
  const add = (lane: Lane, step: Step, from: number, to: number, hands: boolean) =>
    segments.push({ lane: lane.id, step: step.id, say: step.say, fromS: from / 1000, toS: to / 1000, hands })
  /** Every soak by when it began: what is done again soaks again. */
  const soaked = new Map<string, { lane: Lane; step: Step; from: number; until: number }>()
  const soaking = () => {
    for (const lane of lanes)
      for (const step of lane.steps) {
        const soak = step.act === 'soak' ? state.soaks[soakKey(lane.id, step.id)] : undefined
        if (soak) soaked.set(`${lane.id} ${step.id} ${soak.from}`, { lane, step, ...soak })
      }
  }
  while (!state.ended) {
    soaking()
    const wait = soonestWait(lanes, state)
    const coming = nextByItself(lanes, state)
    const lane = laneNow(lanes, state.hand)
    const step = lane && stepNow(lane, state)
    const idle = !lane || !step || (byItself(lane, state) !== null && !(step.act === 'wait' && step.watched))
    if (wait && (wait.until <= now || (idle && wait.until <= (coming?.at ?? Number.POSITIVE_INFINITY)))) {
      // What it waited for is seen.
      now = Math.max(now, wait.until)
      if (state.hand !== wait.lane.id) state = runStep(lanes, state, { at: now, type: 'take', lane: wait.lane.id })
      // Strokes that ended this instant brought it up: a hand needs its moment, or its press is not taken for it.
      now = Math.max(now, state.since + seenAfterMs)
      add(wait.lane, wait.step, wait.from, now, false)
      state = runStep(lanes, state, { at: now, type: 'done' })
    } else if (idle) {
      now = coming!.at
      state = settle(lanes, state, now)
    } else {
      const from = now
      now += stepSeconds(step) * 1000
      add(lane, step, from, now, true)
      // Strokes end by themselves; the rest is said to be done.
      state =
        step.act === 'cadence'
          ? strokesOver(lanes, state, now)
          : runStep(lanes, state, { at: now, ...expected(lane, step) })
    }
  }
  soaking()
  for (const { lane, step, from, until } of soaked.values()) add(lane, step, from, until, false)
  segments.sort((a, b) => a.fromS - b.fromS || a.toS - b.toS)
  const sum = (some: Segment[]) => some.reduce((all, { fromS, toS }) => all + toS - fromS, 0)
  return {
    segments,
    totalS: (state.ended.at - state.startedAt) / 1000,
    handsS: sum(segments.filter(({ hands }) => hands)),
    inTurnS: sum(segments),
  }
}

/** Strokes to their end; where they stand in between, all is ready at once. */
function strokesOver(lanes: Lane[], before: RunState, at: number): RunState {
  let state = settle(lanes, before, at)
  while (state.pausedAt !== null && state.pausedAt < at)
    state = settle(lanes, runStep(lanes, state, { type: 'resume', at: state.pausedAt }), at)
  return state
}

/** The wait that nobody stands beside and that is soonest over. */
function soonestWait(lanes: Lane[], state: RunState) {
  return lanes
    .flatMap((lane) => {
      const waits = byItself(lane, state)
      return waits?.step.act === 'wait' && !waits.step.watched ? [{ lane, ...waits }] : []
    })
    .sort((a, b) => a.until - b.until)[0]
}
