import { type InputHTMLAttributes, type Ref, useId } from 'react'
import { type Reads, readAs } from '../core/typed/read-as.ts'
import { plainText } from '../core/typed/typed.ts'

type Props = Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange' | 'type' | 'inputMode'> & {
  text: string
  onText(text: string): void
  reads?: Reads
  ref?: Ref<HTMLInputElement>
}

/**
 * A field for a figure. While it is typed it says how it will be kept, where that is not plain to see; a figure that
 * can be two asks which.
 */
export function NumberInput({ text, onText, reads = {}, ...rest }: Props) {
  const id = useId()
  const said = sayingOf(text, reads)
  return (
    <span className="inline-flex min-w-0 flex-col">
      <input
        {...rest}
        inputMode={reads.whole ? 'numeric' : 'decimal'}
        value={text}
        aria-invalid={rest['aria-invalid'] || said?.is === 'wrong' || undefined}
        aria-describedby={said ? id : rest['aria-describedby']}
        onChange={(event) => onText(event.target.value)}
      />
      <AsRead id={id} said={said} onChoose={onText} />
    </span>
  )
}

export type Saying = { is: 'kept' | 'wrong'; words: string } | { is: 'either'; texts: [string, string] }

/** Every digit of it, thousands parted. */
const exact = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 10 })
/** Above this a missing or doubled digit is not seen at a glance. */
const long = 10_000

/** What is to be said of a figure that was typed; null where it is plain. */
export function sayingOf(text: string, reads: Reads): Saying | null {
  const read = readAs(text, reads)
  if (read.is === 'empty' || text === reads.own) return null
  if (read.is === 'unknown') return { is: 'kept', words: 'not known: nothing is kept' }
  if (read.is === 'wrong') return { is: 'wrong', words: read.why }
  if (read.is === 'either') return { is: 'either', texts: [String(read.values[0]), String(read.values[1])] }
  if (plainText(text) === String(read.value) && Math.abs(read.value) < long) return null
  return { is: 'kept', words: `= ${exact.format(read.value)}${reads.unit ? ` ${reads.unit}` : ''}` }
}

/** It, below its field. */
export function AsRead({ id, said, onChoose }: { id: string; said: Saying | null; onChoose(text: string): void }) {
  if (!said) return null
  if (said.is === 'either')
    return (
      <span id={id} role="status" className="flex flex-wrap items-center gap-x-2 text-[14px]">
        Which?
        {said.texts.map((text) => (
          <button key={text} type="button" className="plain mono min-h-[44px]" onClick={() => onChoose(text)}>
            {exact.format(Number(text))}
          </button>
        ))}
      </span>
    )
  return (
    // Out of the name of a label around it; told as what describes the field.
    <span
      id={id}
      aria-hidden="true"
      className={`mono text-[14px] ${said.is === 'wrong' ? 'font-semibold text-seal-ink' : 'text-second'}`}
    >
      {said.words}
    </span>
  )
}
