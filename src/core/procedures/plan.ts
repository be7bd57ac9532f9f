import type { Lane } from './lanes.ts'
import { laneNow, nextByItself, runStep, settle, soakKey, startRun, stepNow } from './run.ts'
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
}

/**
 * How a run will go if every step takes what it is thought to take: the run itself, played ahead. What works by itself
 * leaves the hands to other lanes.
 */
export function planRun(lanes: Lane[]): RunPlan {
  const segments: Segment[] = []
  let now = 0
  let state = startRun(lanes, 0)
  const add = (lane: Lane, step: Step, from: number, to: number, hands: boolean) =>
    segments.push({ lane: lane.id, step: step.id, say: step.say, fromS: from / 1000, toS: to / 1000, hands })
  while (!state.ended) {
    const lane = laneNow(lanes, state.hand)
    const step = lane && stepNow(lane, state)
    const from = now
    if (!lane || !step) {
      now = nextByItself(lanes, state)!.at
      state = settle(lanes, state, now)
    } else {
      now += stepSeconds(step) * 1000
      add(lane, step, from, now, true)
      // Strokes end by themselves; the rest is said to be done.
      state = step.act === 'cadence' ? settle(lanes, state, now) : runStep(lanes, state, { at: now, ...expected(step) })
    }
  }
  for (const lane of lanes)
    for (const step of lane.steps) {
      const soak = state.soaks[soakKey(lane.id, step.id)]
      if (soak) add(lane, step, soak.from, soak.until, false)
    }
  segments.sort((a, b) => a.fromS - b.fromS || a.toS - b.toS)
  const sum = (some: Segment[]) => some.reduce((all, { fromS, toS }) => all + toS - fromS, 0)
  return {
    segments,
    totalS: (state.ended.at - state.startedAt) / 1000,
    handsS: sum(segments.filter(({ hands }) => hands)),
    inTurnS: sum(segments),
  }
}

/** What is said of a step when all goes well. */
function expected(step: Step): { type: 'done'; answer?: string; value?: number } {
  if (step.act === 'check') return { type: 'done', answer: step.answers.find(({ leads }) => leads === 'pass')!.id }
  if (step.act === 'measure') return { type: 'done', value: step.from ?? step.to ?? 0 }
  return { type: 'done' }
}
