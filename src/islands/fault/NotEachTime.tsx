import { useState } from 'react'
import type { Test } from '../../core/faults/fault.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'

interface Props {
  test: Test
  /** It is known to come and go: it is asked at once. */
  begun: boolean
  /** What was seen only some of the times. */
  onSeen: (outcome: string, times: { n: number; of: number }) => void
}

const mostTimes = 1000
const whole = (text: string): number | null => {
  const value = numberIn(text)
  return value !== null && Number.isInteger(value) && value > 0 && value <= mostTimes ? value : null
}

/** What comes and goes: which answer, and how often of how many times. */
export function NotEachTime({ test, begun, onSeen }: Props) {
  const usual = Object.entries(test.normal).sort((a, b) => b[1] - a[1])[0]![0]
  const others = test.outcomes.filter(({ id }) => id !== usual)
  const [open, setOpen] = useState(begun)
  const [outcome, setOutcome] = useState(others[0]?.id ?? '')
  const [seen, setSeen] = useState('')
  const [tried, setTried] = useState('')
  const [n, of] = [whole(seen), whole(tried)]
  const wrong = n !== null && of !== null && n >= of
  if (others.length === 0) return null
  if (!open)
    return (
      <button
        type="button"
        className="min-h-[48px] w-full border-t border-hair text-left text-[15px] font-semibold text-copper"
        onClick={() => setOpen(true)}
      >
        Not each time …
      </button>
    )
  return (
    <form
      className="flex flex-wrap items-end gap-3 border-t border-hair py-2 text-[14px]"
      aria-label="Not each time"
      onSubmit={(event) => {
        event.preventDefault()
        if (n !== null && of !== null && !wrong) onSeen(outcome, { n, of })
      }}
    >
      <label className="flex min-w-[180px] flex-1 flex-col gap-0.5">
        <span className="slim">What was seen now and then</span>
        <select className="field" value={outcome} onChange={(event) => setOutcome(event.target.value)}>
          {others.map(({ id, words }) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <label className="flex flex-col gap-0.5">
        <span className="slim">times</span>
        <NumberInput className="field mono h-[44px] w-[72px] text-right" text={seen} onText={setSeen} />
      </label>
      <label className="flex flex-col gap-0.5">
        <span className="slim">of how many</span>
        <NumberInput className="field mono h-[44px] w-[72px] text-right" text={tried} onText={setTried} />
      </label>
      <button type="submit" className="act min-h-[44px]" disabled={n === null || of === null || wrong}>
        Note it
      </button>
      <button type="button" className="plain" onClick={() => setOpen(false)}>
        Leave it
      </button>
      {wrong && (
        <span role="alert" className="w-full text-seal-ink">
          As often as it was tried is each time: press that answer above.
        </span>
      )}
    </form>
  )
}
