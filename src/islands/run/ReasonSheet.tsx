import { useState } from 'react'
import { Sheet } from '../../ui/Sheet.tsx'

interface Props {
  title: string
  about: string
  reasons: string[]
  act: string
  /** Another way out, without a reason. */
  away?: { words: string; onAway: () => void }
  onReason: (reason: string) => void
  onClose: () => void
}

/** A reason in a tap, or in words. */
export function ReasonSheet({ title, about, reasons, act, away, onReason, onClose }: Props) {
  const [words, setWords] = useState('')
  return (
    <Sheet open onOpenChange={onClose} title={title} about={about}>
      <div className="flex flex-col gap-3">
        {away && (
          <button type="button" className="act min-h-[64px] text-[19px]" onClick={away.onAway}>
            {away.words}
          </button>
        )}
        {reasons.map((reason) => (
          <button
            key={reason}
            type="button"
            className="min-h-[64px] border-2 border-deep bg-field px-4 text-left text-[19px] font-semibold"
            onClick={() => onReason(reason)}
          >
            {reason}
          </button>
        ))}
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault()
            if (words.trim()) onReason(words.trim())
          }}
        >
          <label className="flex min-w-[220px] flex-1 flex-col gap-0.5">
            <span className="slim text-[14px]">In your own words</span>
            <input
              className="field h-[64px]"
              required
              maxLength={300}
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
          </label>
          <button type="submit" className="act min-h-[64px]">
            {act}
          </button>
        </form>
      </div>
    </Sheet>
  )
}
