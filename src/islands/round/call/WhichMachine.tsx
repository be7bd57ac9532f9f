import { useEffect, useRef, useState } from 'react'
import type { CallerMachine } from '../../../core/visits/caller-machine.ts'
import { useFetched } from '../../use-fetched.ts'

interface Props {
  machine: CallerMachine | null
  /** The words that are looked for: kept with the call, so that a note has them too. */
  text: string
  onText: (text: string) => void
  onChoose: (machine: CallerMachine | null) => void
}

/** Which machine they ring about, by any words or by the customer’s number; the first found is Enter’s. */
export function WhichMachine({ machine, text, onText, onChoose }: Props) {
  const [found, setFound] = useState<CallerMachine[]>([])
  const [answered, setAnswered] = useState('')
  const [at, setAt] = useState(0)
  const field = useRef<HTMLInputElement>(null)
  // The page is opened to type here.
  useEffect(() => field.current?.focus(), [])
  const failed = useFetched<{ found: CallerMachine[] }>(
    text.trim() ? `/api/calls/who?q=${encodeURIComponent(text.trim())}` : null,
    (answer) => {
      setFound(answer.found)
      setAnswered(text.trim())
      setAt(0)
    },
    { afterMs: 150 },
  )
  const choose = (one: CallerMachine | undefined) => {
    if (!one) return
    setFound([])
    onChoose(one)
  }
  if (machine)
    return (
      <div className="flex flex-wrap items-center gap-x-3">
        <p className="m-0 min-w-0 flex-1 text-[15px]">
          <b className="font-semibold">{machine.machineName}</b>
          {machine.model && `, ${machine.model}`}
          <span className="text-second">
            {' '}
            {machine.siteName}
            {machine.area && `, ${machine.area}`}
          </span>
        </p>
        <button type="button" className="plain" onClick={() => onChoose(null)}>
          Another machine
        </button>
      </div>
    )
  const shown = text.trim() ? found : []
  return (
    <div>
      <input
        className="field w-full max-w-[420px]"
        aria-label="Who, which machine"
        placeholder="paper lan two, Marit, 555 0134 …"
        value={text}
        ref={field}
        maxLength={200}
        onChange={(event) => onText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') choose(shown[at])
          else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault()
            setAt(Math.min(Math.max(0, shown.length - 1), Math.max(0, at + (event.key === 'ArrowDown' ? 1 : -1))))
          }
        }}
      />
      {failed && (
        <p role="alert" className="m-0 pt-1 text-[14px] font-semibold text-seal-ink">
          No connection: nothing can be looked up. Note it, and ring back.
        </p>
      )}
      {shown.length > 0 && (
        <ul className="m-0 mt-1 list-none p-0" aria-label="Machines found">
          {shown.map((one, i) => (
            <li key={one.machineId} className="border-t border-hair">
              <button
                type="button"
                className={`flex min-h-[48px] w-full flex-wrap items-baseline gap-x-3 px-2 py-1.5 text-left ${i === at ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}
                onClick={() => choose(one)}
              >
                <b className="font-semibold">{one.machineName}</b>
                <span>{one.model}</span>
                <span className="ml-auto text-right text-[14px] text-second">
                  {one.siteName}
                  {one.customer !== one.siteName && `, ${one.customer}`}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {!failed && text.trim() !== '' && answered === text.trim() && found.length === 0 && (
        <p role="status" className="m-0 pt-1 text-[14px] text-second">
          Nothing has all these words or this number. Fewer words find more; or note it, and ring back.
        </p>
      )}
    </div>
  )
}
