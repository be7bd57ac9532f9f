import type { RemovalReason } from '../ledger/removal.ts'
import { cadenceS, phaseAt, phases } from './cadence.ts'
import type { Lane } from './lanes.ts'
import { type InTheWay, inTheWay, type Standing } from './standing.ts'
import type { Step, StepOf } from './step.ts'
import { tailS } from './step-seconds.ts'

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

/** What hands and the clock do to a run. */
export type RunPress =
  | { type: 'done'; answer?: string; value?: number; photo?: string; fitted?: FittedPart[] }
  | { type: 'skip'; reason: string }
  | { type: 'back' }
  | { type: 'pause' }
  | { type: 'resume' }
  /** To the next stretch of the cadence. */
  | { type: 'phase' }
  /** Another lane that is ready. */
  | { type: 'take'; lane: string }
  /** A soak has had enough before its time. */
  | { type: 'enough'; lane: string }
  /** Nobody watched since then: the water was not moved either. */
  | { type: 'away'; from: number }
  | { type: 'leave'; reason: string }

export type RunEvent = { at: number } & RunPress

export const soakKey = (lane: string, step: string): string => `${lane} ${step}`

/** A run as it begins: every lane at its first step. */
export function startRun(lanes: Lane[], at: number): RunState {
  const state: RunState = {
    startedAt: at,
    at: Object.fromEntries(lanes.map(({ id }) => [id, 0])),
    hand: null,
    since: at,
    cadences: {},
    soaks: {},
    spent: {},
    records: [],
    pausedAt: null,
    ended: null,
  }
  return handOn(lanes, state, at)
}

export const laneNow = (lanes: Lane[], id: string | null): Lane | null => lanes.find((lane) => lane.id === id) ?? null

/** The step a lane is at; null when it is through. */
export const stepNow = (lane: Lane, state: RunState): Step | null => lane.steps[state.at[lane.id]!] ?? null

/** The step under the hands. */
export function handStep(lanes: Lane[], state: RunState): Step | null {
  const lane = laneNow(lanes, state.hand)
  return lane && stepNow(lane, state)
}

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

const standingOf = (state: RunState): Standing => ({ at: state.at, underWay: underWay(state) })

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

/**
 * The run after an event. Whatever time alone has done by then is done first.
 *
 * @returns the same state where the event means nothing there: a gate is not skipped, a run that ended stays ended
 */
export function runStep(lanes: Lane[], before: RunState, event: RunEvent): RunState {
  // What nobody watched did not go on by itself.
  const state =
    event.type === 'away' ? standStill(lanes, before, event.from, event.at) : settle(lanes, before, event.at)
  if (state.ended) return state
  const lane = laneNow(lanes, state.hand)
  const step = lane && stepNow(lane, state)
  switch (event.type) {
    case 'away':
      return settle(lanes, state, event.at)
    case 'leave':
      return { ...clocked(lanes, state, event.at), ended: { at: event.at, how: 'left', why: event.reason } }
    case 'pause':
      return state.pausedAt !== null ? state : { ...still(state, event.at), pausedAt: event.at }
    case 'resume':
      return resumed(state, event.at)
    case 'take': {
      const other = readyLanes(lanes, state).find(({ id }) => id === event.lane)
      return other && other.id !== state.hand
        ? enter(
            lanes,
            { ...still(clocked(lanes, state, event.at), event.at), hand: other.id, pausedAt: null },
            event.at,
          )
        : state
    }
    case 'enough': {
      const soaking = laneNow(lanes, event.lane)
      const soak = soaking && stepNow(soaking, state)
      const key = soaking && soak ? soakKey(soaking.id, soak.id) : ''
      const times = state.soaks[key]
      if (!soaking || soak?.act !== 'soak' || !times) return state
      const over = { ...state, soaks: { ...state.soaks, [key]: { ...times, until: event.at } } }
      return handOn(
        lanes,
        passed(lanes, over, soaking, { how: 'done', at: event.at, reason: 'before its time' }),
        event.at,
      )
    }
    case 'phase': {
      if (!lane || step?.act !== 'cadence') return state
      const now = state.cadences[lane.id]!
      const position = positionAt(now, event.at)
      const next = position < 0 ? 0 : (phaseAt(step, position)?.toS ?? cadenceS(step))
      return settle(
        lanes,
        withCadence(state, lane.id, { positionS: next, movingSince: now.movingSince === null ? null : event.at }),
        event.at,
      )
    }
    case 'back': {
      if (!lane) return state
      const to = state.at[lane.id]! - 1
      // Past a soak or a programme that has been: nobody runs it twice by looking back.
      const steps = lane.steps.slice(0, to + 1)
      const back = steps.findLastIndex(({ act }) => act !== 'soak' && act !== 'wait')
      if (back < 0) return state
      // What another lane has meanwhile is not to be had again by going back.
      const there = { ...state, at: { ...state.at, [lane.id]: back } }
      if (inTheWay(lanes, lane, standingOf(withoutCadence(there, lane.id)))) return state
      const record: StepRecord = { lane: lane.id, step: lane.steps[back]!.id, how: 'taken back', at: event.at }
      return enter(
        lanes,
        {
          ...withoutCadence(withoutSoaks(state, lane, back), lane.id),
          at: { ...state.at, [lane.id]: back },
          records: [...state.records, record],
        },
        event.at,
      )
    }
    case 'skip':
      if (!lane || !step || step.gate || !event.reason.trim()) return state
      return handOn(
        lanes,
        passed(lanes, state, lane, { how: 'skipped', at: event.at, reason: event.reason.trim() }),
        event.at,
      )
    case 'done':
      return lane && step ? done(lanes, state, lane, step, event) : state
  }
}

function done(
  lanes: Lane[],
  state: RunState,
  lane: Lane,
  step: Step,
  event: Extract<RunEvent, { type: 'done' }>,
): RunState {
  // Strokes are over when they are over; a reading needs its figure.
  if (step.act === 'cadence' || (step.act === 'measure' && event.value === undefined)) return state
  if (step.act !== 'check') {
    const { at, value, photo, fitted } = event
    const record = {
      how: 'done' as const,
      at,
      ...(value !== undefined && { value }),
      ...(photo && { photo }),
      ...(fitted && { fitted }),
    }
    return handOn(lanes, passed(lanes, state, lane, record), at)
  }
  const answer = step.answers.find(({ id }) => id === event.answer)
  if (!answer) return state
  const said = { at: event.at, answer: answer.id, ...(event.fitted && { fitted: event.fitted }) }
  if (answer.leads === 'pass') return handOn(lanes, passed(lanes, state, lane, { how: 'done', ...said }), event.at)
  if (answer.leads === 'stop') {
    const records = [...state.records, { lane: lane.id, step: step.id, how: 'stopped' as const, ...said }]
    return {
      ...still(clocked(lanes, state, event.at), event.at),
      records,
      ended: { at: event.at, how: 'stopped', ...(answer.because && { why: answer.because }) },
    }
  }
  return again(lanes, state, lane, step, answer.from!, said)
}

/** A stretch once more: its soaks and cadences begin anew. */
function again(
  lanes: Lane[],
  state: RunState,
  lane: Lane,
  step: Step,
  from: string,
  said: { at: number; answer?: string; reason?: string },
): RunState {
  const to = lane.steps.findIndex(({ id }) => id === from)
  const records = [...state.records, { lane: lane.id, step: step.id, how: 'again' as const, ...said }]
  const back = {
    ...withoutCadence(withoutSoaks(clocked(lanes, state, said.at), lane, to), lane.id),
    records,
    at: { ...state.at, [lane.id]: to },
  }
  // Another lane may have what this stretch needs by now: then it waits, and the hands go there.
  return inTheWay(lanes, lane, standingOf(back))
    ? handOn(lanes, { ...back, hand: null }, said.at)
    : enter(lanes, back, said.at)
}

/** Soaks and waits of a lane from a step on, begun anew. */
function withoutSoaks(state: RunState, lane: Lane, from: number): RunState {
  const soaks = { ...state.soaks }
  for (const one of lane.steps.slice(from)) delete soaks[soakKey(lane.id, one.id)]
  return { ...state, soaks }
}

/** The hands' time at the lane they are at is counted up to now; a wait that needs nobody is not theirs. */
function clocked(lanes: Lane[], state: RunState, now: number): RunState {
  const lane = laneNow(lanes, state.hand)
  const waits = lane && byItself(lane, state)?.step
  if (!lane || state.hand === null || (waits?.act === 'wait' && !waits.watched)) return state
  const until = state.pausedAt ?? now
  const spent = Math.max(0, until - state.since)
  return { ...state, spent: { ...state.spent, [state.hand]: (state.spent[state.hand] ?? 0) + spent } }
}

/** Whatever time alone has done by now: strokes that are over, soaks that are through, windows that have closed. */
export function settle(lanes: Lane[], state: RunState, now: number): RunState {
  let settled = state
  for (;;) {
    const next = settled.ended ? null : nextByItself(lanes, settled)
    if (!next || next.at > now) return settled
    settled = next.apply()
  }
}

/** The soonest of what happens by itself, and when. */
export function nextByItself(lanes: Lane[], state: RunState): { at: number; apply: () => RunState } | null {
  const coming: { at: number; apply: () => RunState }[] = []
  for (const lane of lanes) {
    const step = stepNow(lane, state)
    const soak = step?.act === 'soak' ? state.soaks[soakKey(lane.id, step.id)] : undefined
    if (soak) {
      const { until } = soak
      coming.push({
        at: until,
        apply: () => handOn(lanes, passed(lanes, state, lane, { how: 'done', at: until }), until),
      })
    }
  }
  const lane = laneNow(lanes, state.hand)
  const step = lane && stepNow(lane, state)
  if (lane && step?.act === 'cadence') {
    const { positionS, movingSince } = state.cadences[lane.id]!
    const stands = movingSince === null ? null : nextStand(step, positionS)
    if (movingSince !== null && stands !== null) {
      const at = movingSince + (stands - positionS) * 1000
      const stood = withCadence(state, lane.id, { positionS: stands, movingSince: null })
      coming.push({ at, apply: () => ({ ...stood, pausedAt: at }) })
    } else if (movingSince !== null) {
      const at = movingSince + (cadenceS(step) - positionS) * 1000
      coming.push({ at, apply: () => handOn(lanes, passed(lanes, state, lane, { how: 'done', at }), at) })
    }
  }
  if (lane && step?.act === 'window' && state.pausedAt === null) {
    const at = state.since + step.withinS * 1000
    coming.push({ at, apply: () => again(lanes, state, lane, step, step.from, { at, reason: 'too late' }) })
  }
  return coming.sort((a, b) => a.at - b.at)[0] ?? null
}

/** Where strokes stand by themselves next, to be told that all is ready again; null where they run to their end. */
function nextStand(step: StepOf<'cadence'>, positionS: number): number | null {
  if (!step.standsUntil) return null
  const ends = phases(step).flatMap(({ on, toS }) => (on ? [] : [toS]))
  return ends.slice(0, -1).find((end) => end > positionS + 1e-6) ?? null
}

/** A lane one step on, with what is to be kept of it. */
function passed(lanes: Lane[], before: RunState, lane: Lane, record: Omit<StepRecord, 'lane' | 'step'>): RunState {
  const state = before.hand === lane.id ? clocked(lanes, before, record.at) : before
  const step = stepNow(lane, state)!
  return {
    ...withoutCadence(state, lane.id),
    at: { ...state.at, [lane.id]: state.at[lane.id]! + 1 },
    records: [...state.records, { lane: lane.id, step: step.id, ...record }],
  }
}

/**
 * Where the hands go next: they stay with their lane until it soaks, waits or is through; then to the one with most
 * before it. Nothing that moved on by itself takes the hands off what they hold. A wait that nobody needs to watch
 * is stood beside only where there is nothing else to do.
 */
function handOn(lanes: Lane[], state: RunState, now: number): RunState {
  if (lanes.every((lane) => stepNow(lane, state) === null))
    return { ...state, hand: null, ended: { at: now, how: 'done' } }
  const lane = laneNow(lanes, state.hand)
  const step = lane && stepNow(lane, state)
  const waits = lane && byItself(lane, state)
  if (waits?.step.act === 'wait' && waits.step.watched) return state
  if (lane && step && !waits && laneWaitsFor(lanes, state, lane) === null) {
    const last = state.records.at(-1)
    return last && last.lane !== lane.id ? state : enter(lanes, state, now)
  }
  const busy = readyLanes(lanes, state).filter((one) => byItself(one, state) === null)
  const next = longest(lanes, busy, state)
  if (next) return enter(lanes, { ...state, hand: next.id }, now)
  // Nothing else: beside the wait that is soonest over.
  const beside = readyLanes(lanes, state).sort((a, b) => byItself(a, state)!.until - byItself(b, state)!.until)[0]
  if (beside) return beside.id === state.hand ? state : { ...state, hand: beside.id, since: now, pausedAt: null }
  if (lanes.some((one) => byItself(one, state))) return { ...state, hand: null, since: now }
  // A stretch done again can meet what another lane has changed since: the hands put it right, told which.
  const last = lanes.find(
    (one) => stepNow(one, state) !== null && one.after.every((id) => stepNow(laneNow(lanes, id)!, state) === null),
  )!
  return enter(lanes, { ...state, hand: last.id }, now)
}

const longest = (lanes: Lane[], some: Lane[], state: RunState): Lane | undefined =>
  [...some].sort((a, b) => aheadS(lanes, b, state) - aheadS(lanes, a, state))[0]

/** Seconds before a lane and whatever can only come after it: what holds up most goes first. */
function aheadS(lanes: Lane[], lane: Lane, state: RunState): number {
  const after = lanes.filter((one) => one.after.includes(lane.id)).map((one) => aheadS(lanes, one, state))
  return tailS(lane, state.at[lane.id]!) + Math.max(0, ...after)
}

/** A step comes under the hands; one that works by itself lets them go again. */
function enter(lanes: Lane[], state: RunState, now: number): RunState {
  const lane = laneNow(lanes, state.hand)!
  const step = stepNow(lane, state)!
  const entered = { ...state, since: now, pausedAt: null }
  if (step.act === 'soak' || step.act === 'wait') {
    const key = soakKey(lane.id, step.id)
    if (entered.soaks[key]) return entered
    const lasts = (step.act === 'soak' ? step.seconds : step.aboutS) * 1000
    const begun = { ...entered, soaks: { ...entered.soaks, [key]: { from: now, until: now + lasts } } }
    return step.act === 'wait' && step.watched ? begun : handOn(lanes, begun, now)
  }
  if (step.act !== 'cadence') return entered
  // Taken up again it stands where it was left, and waits for the hands to be at the handle.
  if (entered.cadences[lane.id]) return { ...entered, pausedAt: now }
  // What came up by the clock alone waits for them too: nobody may be there when a soak is over.
  return overByItself(lanes, state)
    ? withCadence({ ...entered, pausedAt: now }, lane.id, { positionS: -leadS, movingSince: null })
    : withCadence(entered, lane.id, { positionS: -leadS, movingSince: now })
}

/** Whether what happened last was a soak running out, not a press. */
function overByItself(lanes: Lane[], state: RunState): boolean {
  const last = state.records.at(-1)
  const step = last && laneNow(lanes, last.lane)?.steps.find(({ id }) => id === last.step)
  return step?.act === 'soak' && last?.how === 'done' && last.reason === undefined
}

const withCadence = (state: RunState, lane: string, cadence: CadenceNow): RunState => ({
  ...state,
  cadences: { ...state.cadences, [lane]: cadence },
})

/** A lane whose strokes are over, or begin anew. */
function withoutCadence(state: RunState, lane: string): RunState {
  const { [lane]: _, ...cadences } = state.cadences
  return { ...state, cadences }
}

/** The cadence under the hands stands where it is. */
function still(state: RunState, now: number): RunState {
  const cadence = state.hand === null ? undefined : state.cadences[state.hand]
  if (!cadence || cadence.movingSince === null) return state
  return withCadence(state, state.hand!, { positionS: positionAt(cadence, now), movingSince: null })
}

function resumed(state: RunState, now: number): RunState {
  if (state.pausedAt === null) return state
  const cadence = state.hand === null ? undefined : state.cadences[state.hand]
  const since = state.since + (now - state.pausedAt)
  const moving = cadence ? withCadence(state, state.hand!, { ...cadence, movingSince: now }) : state
  return { ...moving, pausedAt: null, since }
}

/** A cadence nobody watched stands where it was left; soaks went on. */
function standStill(lanes: Lane[], state: RunState, from: number, now: number): RunState {
  const then = settle(lanes, state, from)
  const step = handStep(lanes, then)
  if (then.ended || then.pausedAt !== null || (step?.act !== 'cadence' && step?.act !== 'window'))
    return settle(lanes, then, now)
  return { ...still(then, from), pausedAt: from }
}

/** Whether a step is a cadence. */
export const isCadence = (step: Step | null): step is StepOf<'cadence'> => step?.act === 'cadence'
