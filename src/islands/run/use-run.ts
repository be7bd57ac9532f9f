import { useCallback, useEffect, useRef, useState } from 'react'
import { phaseAt } from '../../core/procedures/cadence.ts'
import { type RunPress, runStep } from '../../core/procedures/run.ts'
import { settle } from '../../core/procedures/run-clock.ts'
import { handStep, isCadence, positionAt, type RunState } from '../../core/procedures/run-state.ts'
import { browserNow } from '../../ui/clock.ts'
import { holdAtOnce } from './hold-at-once.ts'
import { type KeptRun, keepRun, sawRun } from './kept-run.ts'
import { type Signal, signal } from './signals.ts'

/** Nobody watched for longer than this: a stroke was not moved either. */
const awayMs = 10_000
const everyMs = 100

/**
 * A run that goes on: each press and each tick through the one state machine, kept on this device at once. Time
 * does what time does; what was not watched stands.
 */
export function useRun(machineId: string, kept: { run: KeptRun; seenAt: number }, muted: boolean, today: string) {
  const { lanes } = kept.run
  const [now, setNow] = useState(() => browserNow().getTime())
  const [state, setState] = useState<RunState>(() => caughtUp(kept, browserNow().getTime()))
  const [lost, setLost] = useState(false)
  const last = useRef({ at: now, told: '', soaked: soaksOver(state, now) })
  const here = useRef(state)
  const quiet = useRef(muted)
  quiet.current = muted

  const become = useCallback(
    (next: RunState, at: number) => {
      if (next === here.current) return
      here.current = next
      holdAtOnce(kept.run, machineId, next, today)
      setState(next)
      void keepRun(machineId, { ...kept.run, state: next }, at).then((isKept) => setLost(!isKept))
    },
    [kept.run, machineId, today],
  )

  const press = useCallback(
    (event: RunPress) => {
      const at = browserNow().getTime()
      become(runStep(lanes, here.current, { ...event, at }), at)
      setNow(at)
    },
    [become, lanes],
  )

  useEffect(() => {
    void keepRun(machineId, { ...kept.run, state: here.current }, browserNow().getTime())
    const tick = () => {
      const at = browserNow().getTime()
      const { at: before } = last.current
      if (at - before > awayMs) become(runStep(lanes, here.current, { at, type: 'away', from: before }), at)
      else become(settle(lanes, here.current, at), at)
      if (Math.floor(at / 1000) !== Math.floor(before / 1000)) void sawRun(machineId, at)
      const told = heard(lanes, here.current, at)
      const soaked = soaksOver(here.current, at)
      // A soak that ends beside the strokes rings its own bell: it must not be taken for ON or OFF.
      if (soaked > last.current.soaked) signal('bell', quiet.current)
      else if (told.id !== last.current.told && last.current.told !== '' && told.signal)
        signal(told.signal, quiet.current)
      last.current = { at, told: told.id, soaked }
      setNow(at)
      if (here.current.ended) clearInterval(timer)
    }
    const timer = setInterval(tick, everyMs)
    return () => clearInterval(timer)
  }, [become, kept.run, lanes, machineId])

  return { lanes, state, now, press, lost }
}

/** What was kept, as it stands by now. */
function caughtUp({ run, seenAt }: { run: KeptRun; seenAt: number }, now: number): RunState {
  return seenAt > 0 && now - seenAt > awayMs
    ? runStep(run.lanes, run.state, { at: now, type: 'away', from: seenAt })
    : settle(run.lanes, run.state, now)
}

/** Soaks that are through by a moment. */
const soaksOver = (state: RunState, now: number): number =>
  Object.values(state.soaks).filter(({ until }) => until <= now).length

/** What there is to hear at a moment; a change of `id` is a sound. */
function heard(lanes: KeptRun['lanes'], state: RunState, now: number): { id: string; signal: Signal | null } {
  const step = handStep(lanes, state)
  const base = `${state.hand}/${step?.id}`
  if (state.pausedAt !== null) return { id: `paused ${base}`, signal: null }
  if (!isCadence(step)) return { id: base, signal: 'next' }
  const position = positionAt(state.cadences[state.hand!]!, now)
  if (position < 0) return { id: `${base} ${Math.ceil(-position)}`, signal: 'soon' }
  const phase = phaseAt(step, position)
  if (!phase) return { id: base, signal: null }
  const left = phase.toS - position
  if (left <= 3 && left > 0.05) return { id: `${base} ${phase.stroke} ${phase.on} ${Math.ceil(left)}`, signal: 'soon' }
  return { id: `${base} ${phase.stroke} ${phase.on}`, signal: phase.on ? 'on' : 'off' }
}
