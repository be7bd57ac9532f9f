import { useState } from 'react'
import { useForm } from 'react-hook-form'
import {
  type KeyPattern,
  type KeyStart,
  type KeyWay,
  keyStarts,
  keyWays,
  patternWords,
} from '../../core/procedures/key-patterns.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { Sheet } from '../../ui/Sheet.tsx'

interface Typed {
  from: KeyStart
  keys: string
  way: KeyWay
  seconds: string
  times: string
  withinS: string
  answers: string
  next: string
}

interface Props {
  title: string
  pattern: KeyPattern | null
  /** @returns what was wrong; null where it is kept */
  onKeep: (pattern: KeyPattern) => Promise<string | null>
  onClose: () => void
}

const number = (text: string): number | undefined => {
  const value = numberIn(text, { to: 999 })
  return value !== null && value > 0 ? value : undefined
}

/** A pattern as it was typed, without what its way does not have. */
function asPattern({ from, keys, way, seconds, times, withinS, answers, next }: Typed): KeyPattern {
  const held = way !== 'press' && way !== 'menu' ? number(seconds) : undefined
  const pressed = way === 'press' ? { times: number(times), withinS: number(withinS) } : {}
  return {
    from,
    keys: keys.split(/[,+;]/).flatMap((key) => key.trim() || []),
    way,
    ...(held !== undefined && { seconds: held }),
    ...(pressed.times !== undefined && { times: Math.round(pressed.times) }),
    ...(pressed.withinS !== undefined && { withinS: pressed.withinS }),
    answers: answers.trim(),
    ...(next.trim() && { next: next.trim() }),
  }
}

/** How a model's keys start a programme, as its leaflet says: for this model and revision, from now on. */
export function KeysSheet({ title, pattern, onKeep, onClose }: Props) {
  const [wrong, setWrong] = useState('')
  const { register, handleSubmit, watch, formState } = useForm<Typed>({
    defaultValues: {
      from: pattern?.from ?? 'ready',
      keys: pattern?.keys.join(', ') ?? '',
      way: pattern?.way ?? 'hold',
      seconds: String(pattern?.seconds ?? ''),
      times: String(pattern?.times ?? ''),
      withinS: String(pattern?.withinS ?? ''),
      answers: pattern?.answers ?? '',
      next: pattern?.next ?? '',
    },
  })
  const typed = watch()
  const shown = asPattern(typed)
  const label = 'flex flex-col gap-0.5 text-[14px]'
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title={title}
      about="As its leaflet says. Kept for this model and revision; every later run shows it."
    >
      <form
        className="flex flex-col gap-3"
        onSubmit={handleSubmit(async (value) => setWrong((await onKeep(asPattern(value))) ?? ''))}
      >
        <div className="grid gap-3 sm:grid-cols-2">
          <label className={label}>
            From
            <select className="field h-[52px]" {...register('from')}>
              {Object.entries(keyStarts).map(([id, words]) => (
                <option key={id} value={id}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <label className={label}>
            How
            <select className="field h-[52px]" {...register('way')}>
              {Object.entries(keyWays).map(([id, words]) => (
                <option key={id} value={id}>
                  {words}
                </option>
              ))}
            </select>
          </label>
        </div>
        <label className={label}>
          {typed.way === 'menu' ? 'Lines of its menu, by commas' : 'Keys as they are written on it, by commas'}
          <input className="field h-[52px]" {...register('keys', { required: true })} />
        </label>
        {formState.errors.keys && <p className="m-0 text-seal-ink">Name the keys.</p>}
        {typed.way === 'press' ? (
          <div className="grid gap-3 sm:grid-cols-2">
            <label className={label}>
              Times
              <input className="field mono h-[52px]" inputMode="numeric" {...register('times')} />
            </label>
            <label className={label}>
              Within, s
              <input className="field mono h-[52px]" inputMode="decimal" {...register('withinS')} />
            </label>
          </div>
        ) : (
          typed.way !== 'menu' && (
            <label className={label}>
              Held for, s
              <input className="field mono h-[52px]" inputMode="decimal" {...register('seconds')} />
            </label>
          )
        )}
        <label className={label}>
          What answers
          <input
            className="field h-[52px]"
            placeholder="both lamps blink"
            {...register('answers', { required: true })}
          />
        </label>
        {formState.errors.answers && <p className="m-0 text-seal-ink">Say what shows that it took.</p>}
        <label className={label}>
          The press that follows, if any
          <input className="field h-[52px]" placeholder="press one cup to start" {...register('next')} />
        </label>
        {shown.keys.length > 0 && shown.answers && (
          <p className="m-0 border-l-4 border-copper pl-3 text-[17px]" aria-live="polite">
            {patternWords(shown)}
          </p>
        )}
        {wrong && (
          <p role="alert" className="m-0 font-semibold text-seal-ink">
            {wrong}
          </p>
        )}
        <button type="submit" className="act min-h-[64px] text-[18px]">
          Keep it for this model
        </button>
      </form>
    </Sheet>
  )
}
