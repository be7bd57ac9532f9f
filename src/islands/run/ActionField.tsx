import { useState } from 'react'
import { cadenceS, phaseAt } from '../../core/procedures/cadence.ts'
import type { Answer, Step, StepOf } from '../../core/procedures/step.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { noPicture, sendPhoto, smaller } from '../photos.ts'
import { runningClock, takes } from './clock-words.ts'
import { DoseLine, type RunMeasures } from './DoseLine.tsx'
import { KeysFace } from './KeysFace.tsx'
import type { ModelKeys } from './model-keys.ts'

interface Props {
  step: Step
  measures: RunMeasures
  keys: ModelKeys | null
  /** Why it is done again, and for which time. */
  again?: { because: string; time: number }
  positionS: number
  paused: boolean
  /** Seconds the step has been under the hands. */
  sinceS: number
  onAnswer: (answer: Answer) => void
  onValue: (value: number) => void
  onPhoto: (name: string) => void
}

const action = 'text-[clamp(40px,8.6vw,112px)] leading-[0.95] font-[680] [font-stretch:88%]'
const words = 'text-[clamp(17px,2vw,24px)] leading-snug'

/** What the hands do now, readable from two metres. */
export function ActionField(props: Props) {
  const { step, measures } = props
  if (step.act === 'cadence') return <Strokes {...props} step={step} />
  return (
    <div className="flex min-h-[220px] flex-1 flex-col justify-center bg-enamel px-4 py-5 lg:px-6">
      {props.again && <AgainLine {...props.again} />}
      {step.qualified && (
        <p className="m-0 mb-2 text-[20px] font-semibold text-seal-ink">Open and live: for qualified people only.</p>
      )}
      <p data-step className="m-0 text-[clamp(30px,5vw,60px)] leading-[1.02] font-[660] [font-stretch:90%]">
        {step.say}
      </p>
      {step.act === 'dose' && (
        <div className="mt-4">
          <DoseLine amount={step.dose} measures={measures} />
        </div>
      )}
      {step.how && <p className={`m-0 mt-3 max-w-[44ch] ${words}`}>{step.how}</p>}
      {step.normal && <p className={`m-0 mt-2 max-w-[44ch] text-second ${words}`}>{step.normal}</p>}
      <Face {...props} />
    </div>
  )
}

/** A stretch done again says why, and for which time. */
function AgainLine({ because, time }: { because: string; time: number }) {
  return (
    <p className="m-0 mb-3 max-w-[56ch] border-l-4 border-copper pl-3 text-[18px]">
      <b>Once more{time > 2 ? `, time ${time}` : ''}.</b> {because}
    </p>
  )
}

/** What a kind of step wants besides its words. */
function Face({ step, keys, sinceS, onAnswer, onValue, onPhoto }: Props) {
  switch (step.act) {
    case 'check':
      return (
        <fieldset className="m-0 mt-4 flex flex-col gap-3 border-0 p-0">
          <legend className="mb-2 p-0 text-[20px] font-semibold">{step.ask}</legend>
          {step.answers.map((answer, i) => (
            <button
              key={answer.id}
              type="button"
              className="flex min-h-[64px] items-center gap-4 border-2 border-deep bg-field px-4 text-left text-[20px] font-semibold"
              onClick={() => onAnswer(answer)}
            >
              <span className="mono text-[20px] text-deep">{i + 1}</span>
              <span className="flex-1">{answer.words}</span>
              {(answer.leads !== 'pass' || answer.keeps) && (
                <span className="max-w-[18ch] text-right text-[15px] font-normal text-second">
                  {answer.keeps ? 'stays held' : answer.leads === 'repeat' ? 'once more' : 'ends here'}
                </span>
              )}
            </button>
          ))}
        </fieldset>
      )
    case 'keys':
      return <KeysFace step={step} keys={keys} />
    case 'measure':
      return <Reading step={step} onValue={onValue} />
    case 'photo':
      return <Photo onPhoto={onPhoto} />
    case 'wait':
      return (
        <p className="m-0 mt-4 text-[22px]">
          Until {step.until}. <b className="mono">{runningClock(sinceS)}</b>
          <span className="text-second"> of about {takes(step.aboutS)}</span>
        </p>
      )
    case 'hold':
      return (
        <p className="m-0 mt-4 text-[22px]">
          Hold {step.keys.join(' and ')} together for <b className="mono">{step.seconds} s</b>.{' '}
          <b className="mono">{Math.min(step.seconds, Math.floor(sinceS))}</b>
        </p>
      )
    case 'press':
      return (
        <p className="m-0 mt-4 text-[22px]">
          Press {step.key} <b className="mono">{step.times} ×</b> within <b className="mono">{step.withinS} s</b>.
        </p>
      )
    case 'window':
      return (
        <p className="m-0 mt-4 text-[22px]">
          <b className="mono text-[64px]">{runningClock(step.withinS - sinceS)}</b> left, then it is closed.
        </p>
      )
    default:
      return null
  }
}

/** A photo from the camera, kept at once; without network the step is done by its words alone. */
function Photo({ onPhoto }: { onPhoto: (name: string) => void }) {
  const [says, setSays] = useState('')
  const take = async (file: File | undefined) => {
    if (!file) return
    setSays('Sending the photo …')
    try {
      const told = await sendPhoto(await smaller(file))
      if (told.ok) return onPhoto(told.name)
      setSays(told.message)
    } catch (error) {
      console.info('No photo could be made of it', error)
      setSays(noPicture(file))
    }
  }
  return (
    <label className="mt-4 flex min-h-[64px] max-w-[320px] cursor-pointer items-center justify-center border-2 border-deep bg-field px-4 text-[20px] font-semibold">
      {says || 'Take a photo'}
      <FileInput accept="image/*" capture="environment" className="sr-only" onChosen={(file) => void take(file)} />
    </label>
  )
}

function Reading({ step, onValue }: { step: StepOf<'measure'>; onValue: (value: number) => void }) {
  const [text, setText] = useState('')
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const value = numberIn(text, { unit: step.unit })
        if (value !== null) onValue(value)
      }}
    >
      <label className="flex flex-col gap-1 text-[20px]">
        {step.ask}
        <span className="flex items-center gap-2">
          <NumberInput
            className="field mono h-[64px] w-[160px] text-right text-[28px]"
            required
            text={text}
            onText={setText}
            reads={{ unit: step.unit }}
          />
          {step.unit}
        </span>
      </label>
      <button type="submit" className="act min-h-[64px] text-[20px]">
        Note it
      </button>
      {step.from !== undefined && step.to !== undefined && (
        <span className="text-[18px] text-second">
          good: {step.from} to {step.to} {step.unit}
        </span>
      )}
    </form>
  )
}

/** Solid and filling when water is on; hollow, framed and outlined when it is off: told apart without colour. */
function Strokes({ step, positionS, paused, again }: Props & { step: StepOf<'cadence'> }) {
  const phase = phaseAt(step, positionS)
  const ready = positionS < 0
  const on = !ready && phase?.on === true
  const left = ready ? -positionS : phase ? phase.toS - positionS : 0
  const share = ready || !phase ? 0 : (positionS - phase.fromS) / (phase.toS - phase.fromS)
  const next = phase && phaseAt(step, phase.toS)
  const then = ready
    ? `then ${step.on}, ${step.onS} s`
    : next
      ? `then ${next.on ? step.on : step.off}, ${next.toS - next.fromS} s`
      : `then done, ${cadenceS(step)} s in all`
  return (
    <div
      className={`relative flex min-h-[250px] flex-1 overflow-hidden px-4 py-5 lg:px-6 ${
        on ? 'bg-(--on-field) text-(--on-ink)' : 'border-[6px] border-ink bg-enamel text-ink'
      }`}
      data-water={on ? 'on' : 'off'}
    >
      {on && (
        <span
          aria-hidden="true"
          className="absolute inset-y-0 left-0 border-r border-(--on-ink) bg-(--on-fill)"
          style={{ width: `${share * 100}%` }}
        />
      )}
      <div className="relative flex min-w-0 flex-1 flex-col justify-between gap-3">
        <p className="m-0 text-[clamp(17px,1.9vw,22px)]">
          Stroke <b>{phase?.stroke ?? step.times}</b> of {step.times}
          {paused && <b> · paused</b>}
        </p>
        <p className={`m-0 ${action}`} aria-live="assertive">
          {ready ? 'Get ready' : on ? step.on : step.off}
        </p>
        {!on && (
          <svg viewBox="0 0 400 14" className="block w-full max-w-[420px]" aria-hidden="true">
            <rect x={1} y={1} width={398} height={12} fill="none" stroke="var(--ink)" strokeWidth={2} />
            <rect x={1} y={1} width={398 * (1 - share)} height={12} fill="var(--ink)" opacity={0.25} />
            <path d={`M${1 + 398 * (1 - share)} 0v14`} stroke="var(--ink)" strokeWidth={4} />
          </svg>
        )}
        <p className={`m-0 max-w-[34ch] ${words}`}>
          {again && positionS < step.onS && <b className="block">Once more: {again.because}</b>}
          {ready ? (step.how ?? step.onHow) : on ? step.onHow : step.offHow}
        </p>
      </div>
      <div className="relative flex shrink-0 flex-col items-end justify-between">
        <p className="m-0 flex items-baseline gap-1">
          <b
            className={`text-[clamp(120px,18.4vw,236px)] leading-[0.85] font-[680] tabular-nums [font-stretch:88%] ${
              on ? '' : '[-webkit-text-stroke:3px_var(--ink)] [-webkit-text-fill-color:var(--enamel)]'
            }`}
          >
            {Math.max(0, Math.ceil(left))}
          </b>
          <span className="text-[32px] font-semibold">s</span>
        </p>
        <p className="m-0 text-right text-[clamp(15px,1.7vw,20px)]">{then}</p>
      </div>
    </div>
  )
}
