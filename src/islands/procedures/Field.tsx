import { useState } from 'react'
import { numberIn } from '../../core/typed/read-as.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'

interface TextProps {
  label: string
  value: string
  wide?: boolean
  onChange: (text: string) => void
}

const wordy = 'flex flex-col gap-0.5'

/** A line of words. */
export function TextField({ label, value, wide, onChange }: TextProps) {
  return (
    <label className={`${wordy} ${wide ? 'w-full' : 'min-w-[200px] flex-1'}`}>
      <span className="slim text-[13px]">{label}</span>
      <input className="field w-full" value={value} onChange={(event) => onChange(event.target.value)} />
    </label>
  )
}

/** A paragraph of them. */
export function LongField({ label, value, rows, onChange }: Omit<TextProps, 'wide'> & { rows: number }) {
  return (
    <label className={`${wordy} w-full`}>
      <span className="slim text-[13px]">{label}</span>
      <textarea
        className="field w-full py-1.5"
        rows={rows}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  )
}

interface NumberProps {
  label: string
  unit?: string
  value: number | undefined
  onChange: (value: number | undefined) => void
}

/** A number with its unit; empty is none. */
export function NumberField({ label, unit, value, onChange }: NumberProps) {
  const [text, setText] = useState(value === undefined ? '' : String(value))
  const reads = unit ? { unit } : {}
  return (
    <label className="flex flex-col gap-0.5">
      <span className="slim text-[13px]">
        {label}
        {unit ? `, ${unit}` : ''}
      </span>
      <NumberInput
        className="field mono w-[112px] text-right"
        aria-label={unit ? `${label}, ${unit}` : label}
        text={text}
        onText={(typed) => {
          setText(typed)
          onChange(numberIn(typed, reads) ?? undefined)
        }}
        reads={reads}
      />
    </label>
  )
}

interface ChoiceProps<T extends string> {
  label: string
  value: T
  choices: readonly (readonly [T, string])[]
  onChange: (value: T) => void
}

export function ChoiceField<T extends string>({ label, value, choices, onChange }: ChoiceProps<T>) {
  return (
    <label className="flex flex-col gap-0.5">
      <span className="slim text-[13px]">{label}</span>
      <select
        className="field max-w-[260px]"
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
      >
        {choices.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </label>
  )
}
