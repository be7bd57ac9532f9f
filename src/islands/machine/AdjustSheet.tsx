import { useState } from 'react'
import type { Line } from '../../core/quantity/working.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { asReckoned, asTyped, firmUnit } from '../../ui/quantity.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { title } from '../standing-words.ts'
import { SettingSheet } from './SettingSheet.tsx'

interface Props {
  bundle: MachineBundle
  today: string
  standing: Standing
  line: Line
  onClose: () => void
  onSaved: () => Promise<void>
}

/** Changes a life or interval where its working shows it. */
export function AdjustSheet({ bundle, today, standing, line, onClose, onSaved }: Props) {
  const unit = line.unit ?? ''
  const [text, setText] = useState(asTyped(line.adjust!.value, unit))
  const body = () => {
    const value = Number(text.replace(',', '.'))
    if (!text.trim() || !Number.isFinite(value) || value <= 0) return 'Type a number above 0.'
    return {
      v: 1,
      setting: 'life',
      duty: line.adjust!.position,
      clock: line.adjust!.clock,
      value: asReckoned(value, unit),
    }
  }
  return (
    <SettingSheet
      bundle={bundle}
      today={today}
      title={`${title(standing)}: ${line.what.toLowerCase()}`}
      about={`Now ${line.source ?? 'set'}. Your own figure, or the maker's, wins over the catalogue's.`}
      body={body}
      onClose={onClose}
      onSaved={onSaved}
    >
      <label className="flex items-center gap-3">
        <span className="slim text-[14px]">{line.what}</span>
        <input
          className="field mono w-[140px] text-right"
          inputMode="decimal"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <span className="text-second">{firmUnit(unit)}</span>
      </label>
    </SettingSheet>
  )
}
