import type { RemovalReason } from '../ledger/removal.ts'
import type { Lane } from './lane.ts'
import { type InTheWay, inTheWay, type Standing } from './standing.ts'
import type { Step, StepOf } from './step.ts'

/** Seconds to get to the handle before the first stroke. */
export const leadS = 3

export interface StepRecord {
  lane: string
  step: string
  how: 'done' | 'skipped' | 'again' | 'taken back' | 'stopped'
  /** Milliseconds since 1970. */
  at: number
  reason?: string
  answer?: string
  value?: number
  /** Name of the photo that was taken. */
  photo?: string
  /** Parts that went in new, with what came out. */
  fitted?: FittedPart[]
}

/** A part that went in new, and how the old one was. */
export interface FittedPart {
  part: string
  /** Group or side, where there are several. */
  group?: number
  variant?: string
  size?: string
  /** Of the one that came out, 0 as new to 4 failed. */
  condition?: number
  why?: RemovalReason
}

/** Where a cadence stands: a place on its own axis of seconds, moving since then or at rest. */
export interface CadenceNow {
  positionS: number
  movingSince: number | null
}

/** A run at one moment. Plain data: it is kept as it is, and taken up again anywhere. */
export interface RunState {
  startedAt: number
  /** Next step of each lane, by lane. */
  at: Record<string, number>
  /** The lane under the hands; none while everything works by itself. */
  hand: string | null
  /** When its step came up. */
  since: number
  cadences: Record<string, CadenceNow>
  /** What goes on by itself, by `lane step`: a soak ends at its time, a wait when it is seen. */
  soaks: Record<string, { from: number; until: number }>
  /** Hands' time at each lane so far, ms. */
  spent: Record<string, number>
  records: StepRecord[]
  pausedAt: number | null
  ended: { at: number; how: 'done' | 'stopped' | 'left'; why?: string } | null
}

export const soakKey = (lane: string, step: string): string => `${lane} ${step}`

export const laneNow = (lanes: Lane[], id: string | null): Lane | null => lanes.find((lane) => lane.id === id) ?? null

/** The step a lane is at; null when it is through. */
export const stepNow = (lane: Lane, state: RunState): Step | null => lane.steps[state.at[lane.id]!] ?? null

/** The step under the hands. */
export function handStep(lanes: Lane[], state: RunState): Step | null {
  const lane = laneNow(lanes, state.hand)
  return lane && stepNow(lane, state)
}

/** Whether a step is a cadence. */
export const isCadence = (step: Step | null): step is StepOf<'cadence'> => step?.act === 'cadence'

/** Where a cadence stands at a moment; below 0 it has not begun. */
export const positionAt = ({ positionS, movingSince }: CadenceNow, now: number): number =>
  movingSince === null ? positionS : positionS + Math.max(0, now - movingSince) / 1000

/** Whether a lane's step goes on by itself at this moment: a soak, a wait that was begun, strokes that stand. */
const underWay =
  (state: RunState) =>
  (lane: Lane): boolean => {
    const step = stepNow(lane, state)
    return (
      step !== null && (state.soaks[soakKey(lane.id, step.id)] !== undefined || state.cadences[lane.id] !== undefined)
    )
  }

export const standingOf = (state: RunState): Standing => ({ at: state.at, underWay: underWay(state) })

/** What keeps a lane from being taken up; null where nothing does. */
export const laneWaitsFor = (lanes: Lane[], state: RunState, lane: Lane): InTheWay | null =>
  stepNow(lane, state) === null || underWay(state)(lane) ? null : inTheWay(lanes, lane, standingOf(state))

/** What a lane's step waits for by itself, with its times. */
export function byItself(
  lane: Lane,
  state: RunState,
): { step: StepOf<'soak'> | StepOf<'wait'>; from: number; until: number } | null {
  const step = stepNow(lane, state)
  const times = step ? state.soaks[soakKey(lane.id, step.id)] : undefined
  return times && (step?.act === 'soak' || step?.act === 'wait') ? { step, ...times } : null
}

/** Lanes that hands could take up: not through, nothing in their way, not soaking. */
export const readyLanes = (lanes: Lane[], state: RunState): Lane[] =>
  lanes.filter((lane) => {
    const step = stepNow(lane, state)
    if (step === null) return false
    const waits = byItself(lane, state)
    return waits ? waits.step.act === 'wait' : laneWaitsFor(lanes, state, lane) === null
  })

/** What happened last, with the step it happened to. */
function lastRecord(lanes: Lane[], state: RunState) {
  const record = state.records.at(-1)
  const step = record && laneNow(lanes, record.lane)?.steps.find(({ id }) => id === record.step)
  return step ? { ...record, act: step.act } : null
}

/** Whether what happened last was a soak running out, not a press. */
export function overByItself(lanes: Lane[], state: RunState): boolean {
  const last = lastRecord(lanes, state)
  return last?.act === 'soak' && last.how === 'done' && last.reason === undefined
}

/** Whether the clock brought up what stands here now: a soak or strokes that ended, a window that closed. */
export function movedOnByItself(lanes: Lane[], state: RunState): boolean {
  const last = lastRecord(lanes, state)
  return (
    overByItself(lanes, state) ||
    (last?.act === 'cadence' && last.how === 'done') ||
    (last?.act === 'window' && last.how === 'again')
  )
}
