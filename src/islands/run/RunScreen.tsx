import { useEffect, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import { phaseAt, phases } from '../../core/procedures/cadence.ts'
import { byItself, handStep, isCadence, laneNow, laneWaitsFor, positionAt } from '../../core/procedures/run-state.ts'
import type { Answer, Cadence } from '../../core/procedures/step.ts'
import { meansItself } from '../../ui/typing.ts'
import { ActionField } from './ActionField.tsx'
import { againOf } from './again.ts'
import { CadenceStrip } from './CadenceStrip.tsx'
import { CautionBand } from './CautionBand.tsx'
import type { RunMeasures } from './DoseLine.tsx'
import { partsOf } from './FittedSheet.tsx'
import { Idle } from './Idle.tsx'
import type { ModelKeys } from './model-keys.ts'
import { RunBar } from './RunBar.tsx'
import { RunHead } from './RunHead.tsx'
import { type RunAsks, RunQuestions } from './RunQuestions.tsx'
import { SideColumn } from './SideColumn.tsx'
import { wakeSound } from './signals.ts'
import { useAwake } from './use-awake.ts'
import { useLettingGo } from './use-letting-go.ts'
import type { useRun } from './use-run.ts'
import { WorkPath } from './WorkPath.tsx'

interface Props {
  machineId: string
  run: ReturnType<typeof useRun>
  kind: Kind
  without: Set<string>
  /** Machine and site. */
  place: [machine: string, site: string]
  measures: RunMeasures
  keys: ModelKeys | null
  muted: boolean
  onMute: () => void
  /** Begun by mistake: nothing of it is kept. */
  onThrowAway: () => void
}

/** One step at a time. Nothing else is on the screen while it runs. */
export function RunScreen({ machineId, run, kind, without, place, measures, keys, muted, onMute, onThrowAway }: Props) {
  const { lanes, state, now, press, lost } = run
  const [asking, setAsking] = useState<RunAsks | null>(null)
  useAwake(true)
  useLettingGo()
  const lane = laneNow(lanes, state.hand)
  const step = handStep(lanes, state)
  const cadence = isCadence(step) ? step : null
  const positionS = cadence ? positionAt(state.cadences[lane!.id]!, now) : 0
  const paused = state.pausedAt !== null
  const phase = cadence && phaseAt(cadence, Math.max(0, positionS))
  const soonest = lanes
    .flatMap((one) => {
      const itself = byItself(one, state)
      return itself?.step.act === 'soak'
        ? [{ what: itself.step.what, say: itself.step.say, how: itself.step.how, until: itself.until }]
        : []
    })
    .sort((a, b) => a.until - b.until)[0]
  const waits = lane && byItself(lane, state)
  const sinceS = ((state.pausedAt ?? now) - (waits?.from ?? state.since)) / 1000
  const inTheWay = lane && laneWaitsFor(lanes, state, lane)
  /** Strokes that stand until it is said that all is ready again. */
  const standing = cadence?.standsUntil && atRest(cadence, positionS) ? cadence.standsUntil : null
  const tell = (answer: Answer) => {
    if (answer.leads === 'repeat') return setAsking({ what: 'repeat', answer })
    if (answer.fits && partsOf(kind, answer.fits).length > 0)
      return setAsking({ what: 'fit', parts: answer.fits, answer: answer.id })
    press({ type: 'done', answer: answer.id })
  }
  const done = () => {
    if (step?.fits && partsOf(kind, step.fits).length > 0) return setAsking({ what: 'fit', parts: step.fits })
    press({ type: 'done' })
  }

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (meansItself(event) || event.repeat) return
      wakeSound()
      const key = event.key.toLowerCase()
      const answer = step?.act === 'check' ? step.answers[Number(key) - 1] : undefined
      if (answer) tell(answer)
      else if (key === 'b') press({ type: 'back' })
      else if (key === 'p') press({ type: paused ? 'resume' : 'pause' })
      else if (key === ' ' && !document.activeElement?.matches('button:focus-visible, summary, a:focus-visible')) {
        // A button that was only clicked keeps no claim on the space bar; one that was reached by the keyboard does.
        event.preventDefault()
        if (cadence) press({ type: paused ? 'resume' : 'phase' })
        else if (step && step.act !== 'check' && step.act !== 'measure') done()
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })

  const at = `${lane?.id} ${step?.id}`
  useEffect(() => {
    // Each step begins at the top of the screen.
    if (at) window.scrollTo(0, 0)
  }, [at])

  return (
    <div className="flex min-h-screen flex-col" onPointerDown={wakeSound}>
      <RunHead
        lane={lane}
        stepNo={lane ? state.at[lane.id]! + 1 : 0}
        otherwise={soonest?.say ?? 'Run'}
        place={place}
        lost={lost}
        muted={muted}
        onMute={onMute}
        onLeave={() => setAsking({ what: 'leave' })}
      >
        <WorkPath kind={kind} without={without} lit={new Set(step?.at ?? [])} words="worked on" />
      </RunHead>
      <div className="h-[84px] border-b border-hair bg-page px-2 lg:hidden">
        <WorkPath kind={kind} without={without} lit={new Set(step?.at ?? [])} words="worked on" near />
      </div>
      <div className="flex min-w-0 flex-1 flex-col pb-[200px] lg:flex-row lg:pb-0">
        {/* As tall as what is seen between head and buttons: a caution never lies below the edge. */}
        <div className="flex min-w-0 flex-1 flex-col lg:sticky lg:top-0 lg:min-h-[calc(100dvh-204px)] lg:self-start">
          {step ? (
            <ActionField
              key={`${lane!.id} ${step.id} ${state.since}`}
              step={step}
              measures={measures}
              keys={keys}
              again={lane ? againOf(lane, state) : undefined}
              positionS={positionS}
              paused={paused}
              sinceS={sinceS}
              onAnswer={tell}
              onValue={(value) => press({ type: 'done', value })}
              onPhoto={(photo) => press({ type: 'done', photo })}
            />
          ) : (
            <Idle what={soonest?.what ?? ''} how={soonest?.how} leftS={soonest ? (soonest.until - now) / 1000 : 0} />
          )}
          {/* On a phone what may hurt stands nearer than the strokes to come. */}
          {cadence && (
            <div className="max-lg:order-last">
              <CadenceStrip step={cadence} positionS={positionS} />
            </div>
          )}
          {step?.caution && <CautionBand caution={step.caution} />}
          {step?.besides?.map((caution) => (
            <CautionBand key={caution.say} caution={caution} small />
          ))}
          {inTheWay && (
            <p role="alert" className="m-0 border-l-4 border-brass bg-enamel px-4 py-2 text-[17px]">
              <b>First put right:</b> {inTheWay.words} ({inTheWay.lane.title.toLowerCase()}).
            </p>
          )}
        </div>
        <SideColumn
          machineId={machineId}
          lanes={lanes}
          state={state}
          now={now}
          measures={measures}
          onTake={(id) => press({ type: 'take', lane: id })}
          onEnough={(id) => press({ type: 'enough', lane: id })}
        />
      </div>
      <RunBar
        step={step}
        strokes={cadence && { begun: positionS >= 0, on: Boolean(phase?.on), standing }}
        paused={paused}
        onBack={lane && (() => press({ type: 'back' }))}
        onPhase={() => press({ type: 'phase' })}
        onPause={() => press({ type: paused ? 'resume' : 'pause' })}
        onSkip={() => setAsking({ what: 'skip' })}
        onDone={done}
      />
      <RunQuestions
        asking={asking}
        kind={kind}
        lane={lane}
        step={step}
        state={state}
        press={press}
        onAsk={setAsking}
        onThrowAway={onThrowAway}
      />
    </div>
  )
}

/** Between two strokes: the pause is over, the next has not begun. */
const atRest = (cadence: Cadence, positionS: number): boolean =>
  positionS > 0 && phases(cadence).some(({ on, toS }) => !on && Math.abs(toS - positionS) < 0.01)
