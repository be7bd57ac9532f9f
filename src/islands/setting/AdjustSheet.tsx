import { useState } from 'react'
import type { AnySetting } from '../../core/ledger/setting-kinds.ts'
import type { Unversioned } from '../../core/ledger/versions.ts'
import type { Line } from '../../core/quantity/working.ts'
import { figureById } from '../../core/trade/figures.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import type { Clock } from '../../core/wear/limits.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { asReckoned, asTyped, firmUnit } from '../../ui/quantity.ts'
import type { SettingLevel } from './levels.ts'
import { SettingSheet } from './SettingSheet.tsx'

interface Props {
  levels: SettingLevel[]
  today: string
  title: string
  line: Line
  onClose: () => void
  onSaved: () => Promise<void>
}

/** Changes a life, an interval or a figure from memory where its working shows it. */
export function AdjustSheet({ levels, today, title, line, onClose, onSaved }: Props) {
  // A line may show what follows from a figure: what is set is the figure itself, in its own unit.
  const known = line.adjust!.setting === 'figure' ? figureById(line.adjust!.position!) : null
  const unit = known ? (known.unit ?? '') : (line.unit ?? '')
  const name = known?.name ?? line.what
  const [text, setText] = useState(asTyped(line.adjust!.value, unit))
  const reads = { unit: firmUnit(unit), own: asTyped(line.adjust!.value, unit) }
  const body = (): Unversioned<AnySetting> | string => {
    const value = numberIn(text, reads)
    if (value === null) return 'Type a number.'
    const { setting, position, clock } = line.adjust!
    if (setting === 'figure') {
      const set = asReckoned(value, unit)
      if (set >= known!.least && set <= known!.most) return { setting: 'figure', figure: position!, value: set }
      return `Type a number from ${asTyped(known!.least, unit)} to ${asTyped(known!.most, unit)}.`
    }
    if (setting === 'detergent')
      return value < 0
        ? 'Type a number, 0 or more.'
        : {
            setting: 'detergent',
            ...(clock === 'daily' || value === 0 ? { perOpenDay: value } : { everyDrinks: value }),
          }
    if (value <= 0) return 'Type a number above 0.'
    return { setting: 'life', task: position!, clock: clock as Clock, value: asReckoned(value, unit) }
  }
  return (
    <SettingSheet
      levels={levels}
      today={today}
      title={`${title}: ${name}`}
      about={`Now ${line.source ?? 'set'}. ${known?.about ?? "Your own figure, or the maker's, wins over the catalogue's."}`}
      body={body}
      onClose={onClose}
      onSaved={onSaved}
    >
      <label className="flex items-center gap-3">
        <span className="slim text-[14px]">{name}</span>
        <NumberInput className="field mono w-[140px] text-right" text={text} onText={setText} reads={reads} />
        <span className="text-second">{firmUnit(unit)}</span>
      </label>
    </SettingSheet>
  )
}
