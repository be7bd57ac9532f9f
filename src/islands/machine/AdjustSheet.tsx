import { useState } from 'react'
import { figureRange } from '../../core/figures/figures.ts'
import type { Line } from '../../core/quantity/working.ts'
import { asReckoned, asTyped, firmUnit } from '../../ui/quantity.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { SettingSheet } from './SettingSheet.tsx'

interface Props {
  bundle: MachineBundle
  today: string
  title: string
  line: Line
  onClose: () => void
  onSaved: () => Promise<void>
}

/** Changes a life, an interval or a figure from memory where its working shows it. */
export function AdjustSheet({ bundle, today, title, line, onClose, onSaved }: Props) {
  const unit = line.unit ?? ''
  const [text, setText] = useState(asTyped(line.adjust!.value, unit))
  const body = () => {
    const value = Number(text.replace(',', '.'))
    if (!text.trim() || !Number.isFinite(value)) return 'Type a number.'
    const { setting, position, clock } = line.adjust!
    if (setting === 'figure') {
      const range = figureRange(position!)!
      const set = asReckoned(value, unit)
      if (set >= range.least && set <= range.most) return { v: 1, setting, figure: position, value: set }
      return `Type a number from ${asTyped(range.least, unit)} to ${asTyped(range.most, unit)}.`
    }
    if (value <= 0) return 'Type a number above 0.'
    return { v: 1, setting: 'life', duty: position, clock, value: asReckoned(value, unit) }
  }
  return (
    <SettingSheet
      bundle={bundle}
      today={today}
      title={`${title}: ${line.what}`}
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
