import { useState } from 'react'
import { numberIn } from '../../core/typed/read-as.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'

interface Props {
  name: string
  minutes: number
  /** Null: as it is reckoned again. */
  onChange: ((minutes: number | null) => void) | null
  unit?: string
}

const reads = { whole: true, from: 0, to: 6000, unit: 'min' }

/** Minutes as they were counted, put right by hand. */
export function MinutesField({ name, minutes, onChange, unit = 'min' }: Props) {
  const [typed, setTyped] = useState<string | null>(null)
  if (!onChange)
    return (
      <span className="mono text-[14px] font-semibold">
        {minutes} {unit}
      </span>
    )
  const take = (text: string) => {
    setTyped(text)
    const read = numberIn(text, { ...reads, unit })
    if (read !== null) onChange(read)
    else if (text.trim() === '') onChange(null)
  }
  return (
    <label className="mono inline-flex items-center gap-1 text-[14px]">
      <NumberInput
        aria-label={name}
        className="field mono w-[58px] text-right font-semibold"
        text={typed ?? String(minutes)}
        onText={take}
        reads={{ ...reads, unit, own: String(minutes) }}
        onBlur={() => setTyped(null)}
      />
      <span className="text-second">{unit}</span>
    </label>
  )
}
