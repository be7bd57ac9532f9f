import type { Step } from '../../core/procedures/step.ts'
import { Key } from '../../ui/Key.tsx'
import { HoldButton } from './HoldButton.tsx'

const button = 'min-h-[64px] border-2 px-4 text-[19px] font-semibold'

interface Props {
  step: Step | null
  /** Strokes that run, where they do. */
  strokes: { begun: boolean; on: boolean; standing: string | null } | null
  paused: boolean
  onBack: (() => void) | null
  onPhase: () => void
  onPause: () => void
  onSkip: () => void
  onDone: () => void
}

/** What a hand presses: back, on, and the way round a step. While water runs the large one is Pause. */
export function RunBar({ step, strokes, paused, onBack, onPhase, onPause, onSkip, onDone }: Props) {
  return (
    <footer className="z-10 grid gap-3 border-t-2 border-hair bg-enamel px-4 py-3 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 max-lg:grid-cols-2 lg:sticky lg:bottom-0 lg:flex lg:px-6">
      <button
        type="button"
        className={`${button} border-deep text-deep lg:w-[212px]`}
        disabled={!onBack}
        onClick={() => onBack?.()}
      >
        Back{' '}
        <span className="max-lg:hidden">
          <Key>B</Key>
        </span>
      </button>
      {strokes ? (
        <HoldButton
          words={!strokes.begun ? 'Hold: begin' : strokes.on ? 'Hold: skip to OFF' : 'Hold: skip to ON'}
          under="one second"
          className="lg:w-[260px]"
          onHeld={onPhase}
        />
      ) : step && !step.gate ? (
        <button type="button" className={`${button} border-deep text-deep lg:w-[212px]`} onClick={onSkip}>
          Skip …
        </button>
      ) : (
        <span className="self-center text-[15px] leading-tight text-second lg:w-[212px]">
          {step ? 'This one cannot be skipped.' : 'The bell rings when hands are wanted.'}
        </span>
      )}
      {strokes ? (
        <button
          type="button"
          className={`${button} border-[3px] border-deep text-[26px] text-deep max-lg:order-first max-lg:col-span-2 max-lg:min-h-[92px] lg:flex-1`}
          onClick={onPause}
        >
          {paused ? (strokes.standing ?? 'Go on') : 'Pause'}{' '}
          <span className="max-lg:hidden">
            <Key>P</Key>
          </span>
        </button>
      ) : step && step.act !== 'check' && step.act !== 'measure' ? (
        <button
          type="button"
          className={`${button} border-copper bg-copper text-[24px] text-on-copper max-lg:order-first max-lg:col-span-2 max-lg:min-h-[92px] lg:flex-1`}
          onClick={onDone}
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
  )
}

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
