import { useEffect, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import { phaseAt, phases } from '../../core/procedures/cadence.ts'
import type { Lane } from '../../core/procedures/lane.ts'
import {
  byItself,
  handStep,
  isCadence,
  laneNow,
  laneWaitsFor,
  positionAt,
  type RunState,
} from '../../core/procedures/run-state.ts'
import type { Answer, Cadence } from '../../core/procedures/step.ts'
import { Key } from '../../ui/Key.tsx'
import { meansItself } from '../../ui/typing.ts'
import { ActionField } from './ActionField.tsx'
import { CadenceStrip } from './CadenceStrip.tsx'
import { CautionBand } from './CautionBand.tsx'
import { runningClock } from './clock-words.ts'
import type { RunMeasures } from './DoseLine.tsx'
import { FittedSheet, partsOf } from './FittedSheet.tsx'
import { HoldButton } from './HoldButton.tsx'
import type { ModelKeys } from './model-keys.ts'
import { ReasonSheet } from './ReasonSheet.tsx'
import { RepeatSheet } from './RepeatSheet.tsx'
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

const button = 'min-h-[64px] border-2 px-4 text-[19px] font-semibold'

/** One step at a time. Nothing else is on the screen while it runs. */
export function RunScreen({ machineId, run, kind, without, place, measures, keys, muted, onMute, onThrowAway }: Props) {
  const { lanes, state, now, press, lost } = run
  const [asking, setAsking] = useState<'skip' | 'leave' | null>(null)
  const [fitting, setFitting] = useState<{ parts: string[]; answer?: string } | null>(null)
  const [repeating, setRepeating] = useState<Answer | null>(null)
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
    if (answer.leads === 'repeat') return setRepeating(answer)
    if (answer.fits && partsOf(kind, answer.fits).length > 0)
      return setFitting({ parts: answer.fits, answer: answer.id })
    press({ type: 'done', answer: answer.id })
  }
  const done = () => {
    if (step?.fits && partsOf(kind, step.fits).length > 0) return setFitting({ parts: step.fits })
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

  const stepNo = lane ? state.at[lane.id]! + 1 : 0
  return (
    <div className="flex min-h-screen flex-col" onPointerDown={wakeSound}>
      <header className="flex items-stretch gap-4 border-b border-hair bg-page px-4 lg:h-[112px] lg:px-6">
        <div className="flex min-w-0 flex-1 flex-col justify-center lg:max-w-[420px]">
          <h1 className="m-0 text-[clamp(18px,2vw,25px)] leading-tight font-[620]">
            {lane?.title ?? soonest?.say ?? 'Run'}
          </h1>
          <p className="m-0 text-[15px] text-second">
            {place[0]}
            <span className="max-md:hidden">, {place[1]}</span>.{lane && ` Step ${stepNo} of ${lane.steps.length}`}
          </p>
          {lost && (
            <p role="status" className="m-0 text-[14px] font-semibold text-seal-ink">
              This device keeps nothing: do not close the page.
            </p>
          )}
        </div>
        <div className="min-w-0 flex-1 max-lg:hidden">
          <WorkPath kind={kind} without={without} lit={new Set(step?.at ?? [])} words="worked on" />
        </div>
        <div className="flex shrink-0 items-center gap-4">
          <button
            type="button"
            className="min-h-[64px] min-w-[64px] text-[16px] font-semibold underline decoration-copper decoration-[1.5px] underline-offset-4"
            onClick={() => setAsking('leave')}
          >
            Leave
          </button>
          <button
            type="button"
            className="min-h-[64px] min-w-[64px] text-[15px] leading-tight text-second"
            aria-pressed={muted}
            onClick={onMute}
          >
            {muted ? 'sound is off' : 'sound is on'}
          </button>
        </div>
      </header>
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
      <footer className="z-10 grid gap-3 border-t-2 border-hair bg-enamel px-4 py-3 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 max-lg:grid-cols-2 lg:sticky lg:bottom-0 lg:flex lg:px-6">
        <button
          type="button"
          className={`${button} border-deep text-deep lg:w-[212px]`}
          disabled={!lane}
          onClick={() => press({ type: 'back' })}
        >
          Back{' '}
          <span className="max-lg:hidden">
            <Key>B</Key>
          </span>
        </button>
        {cadence ? (
          <HoldButton
            words={positionS < 0 ? 'Hold: begin' : phase?.on ? 'Hold: skip to OFF' : 'Hold: skip to ON'}
            under="one second"
            className="lg:w-[260px]"
            onHeld={() => press({ type: 'phase' })}
          />
        ) : step && !step.gate ? (
          <button
            type="button"
            className={`${button} border-deep text-deep lg:w-[212px]`}
            onClick={() => setAsking('skip')}
          >
            Skip …
          </button>
        ) : (
          <span className="self-center text-[15px] leading-tight text-second lg:w-[212px]">
            {step ? 'This one cannot be skipped.' : 'The bell rings when hands are wanted.'}
          </span>
        )}
        {cadence ? (
          <button
            type="button"
            className={`${button} border-[3px] border-deep text-[26px] text-deep max-lg:order-first max-lg:col-span-2 max-lg:min-h-[92px] lg:flex-1`}
            onClick={() => press({ type: paused ? 'resume' : 'pause' })}
          >
            {paused ? (standing ?? 'Go on') : 'Pause'}{' '}
            <span className="max-lg:hidden">
              <Key>P</Key>
            </span>
          </button>
        ) : step && step.act !== 'check' && step.act !== 'measure' ? (
          <button
            type="button"
            className={`${button} border-copper bg-copper text-[24px] text-on-copper max-lg:order-first max-lg:col-span-2 max-lg:min-h-[92px] lg:flex-1`}
            onClick={done}
          >
            {doneWords[step.act] ?? 'Done'}{' '}
            <span className="max-lg:hidden">
              <Key>Space</Key>
            </span>
          </button>
        ) : (
          <span className="max-lg:hidden lg:flex-1" />
        )}
      </footer>
      {asking === 'skip' && (
        <ReasonSheet
          title="Skip this step"
          about="It stays on record that it was not done, and why."
          reasons={['Not needed here', 'No tool for it', 'No time', 'The customer does it']}
          act="Skip it"
          onClose={() => setAsking(null)}
          onReason={(reason) => {
            setAsking(null)
            press({ type: 'skip', reason })
          }}
        />
      )}
      {repeating && (
        <RepeatSheet
          answer={repeating}
          time={(lane ? timesAgain(lane, state, step?.id) : 0) + 2}
          onAgain={() => {
            setRepeating(null)
            press({ type: 'done', answer: repeating.id })
          }}
          onClose={() => setRepeating(null)}
        />
      )}
      {fitting && (
        <FittedSheet
          kind={kind}
          parts={fitting.parts}
          place={lane?.group ?? lane?.side ?? null}
          onKeep={(fitted) => {
            setFitting(null)
            press({ type: 'done', fitted, ...(fitting.answer && { answer: fitting.answer }) })
          }}
          onClose={() => setFitting(null)}
        />
      )}
      {asking === 'leave' && (
        <ReasonSheet
          title="Leave the run"
          about="To come back to it, just close this page: it is kept here and its timers go on. Ended here, it is written as far as it came."
          reasons={['The machine is needed', 'A part is missing', 'Called away']}
          act="End it here"
          {...(nothingDone(state) && { away: { words: 'Begun by mistake: throw it away', onAway: onThrowAway } })}
          onClose={() => setAsking(null)}
          onReason={(reason) => {
            setAsking(null)
            press({ type: 'leave', reason })
          }}
        />
      )}
    </div>
  )
}

/** Nothing has been done yet that anybody would want on record. */
const nothingDone = ({ records }: RunState): boolean => records.every(({ how }) => how === 'taken back')

/** How often a step has sent the lane back. */
const timesAgain = (lane: Lane, state: RunState, step: string | undefined): number =>
  state.records.filter((record) => record.lane === lane.id && record.step === step && record.how === 'again').length

/** Why the stretch a lane is in is done again, and for which time; nothing where it is the first. */
function againOf(lane: Lane, state: RunState): { because: string; time: number } | undefined {
  const last = state.records.findLast((record) => record.lane === lane.id && record.how !== 'taken back')
  const again = state.records.findLast((record) => record.lane === lane.id && record.how === 'again')
  const from = again && lane.steps.find(({ id }) => id === again.step)
  if (!again || from?.act !== 'check' || last !== again) return undefined
  const answer = from.answers.find(({ id }) => id === again.answer)
  return answer?.because ? { because: answer.because, time: timesAgain(lane, state, again.step) + 1 } : undefined
}

/** Between two strokes: the pause is over, the next has not begun. */
const atRest = (cadence: Cadence, positionS: number): boolean =>
  positionS > 0 && phases(cadence).some(({ on, toS }) => !on && Math.abs(toS - positionS) < 0.01)

const doneWords: Partial<Record<string, string>> = {
  dose: 'It is in',
  wait: 'Seen',
  photo: 'Taken elsewhere',
  season: 'Thrown away',
  hold: 'Held',
  keys: 'Started',
  press: 'Pressed',
  window: 'Done in time',
}

/** Nothing for the hands: what is waited for, large. */
function Idle({ what, how, leftS }: { what: string; how?: string; leftS: number }) {
  return (
    <div className="flex min-h-[300px] flex-1 flex-col justify-center bg-enamel px-4 py-5 lg:px-6">
      <p className="m-0 text-[22px] text-second">Nothing for the hands</p>
      <p className="m-0 text-[clamp(30px,5vw,60px)] leading-[1.02] font-[660] [font-stretch:90%]">{what}</p>
      <p className="mono m-0 text-[clamp(80px,14vw,180px)] leading-none font-semibold">{runningClock(leftS)}</p>
      {how && <p className="m-0 mt-2 text-[20px] text-second">{how}</p>}
    </div>
  )
}
