import { counted } from '../../../ui/format.ts'
import { hoursWords } from '../../../ui/hours.ts'
import { Key } from '../../../ui/Key.tsx'
import type { RoundRow } from '../../../views/round-page.ts'

export interface MarkedBarProps {
  rows: RoundRow[]
  onPut(): void
  onClear(): void
}

/** What is ticked, how much work that is, and what can be done with it. */
export function MarkedBar({ rows, onPut, onClear }: MarkedBarProps) {
  return (
    <div
      className="sticky bottom-0 z-20 flex flex-wrap items-center gap-x-4 gap-y-1 border-t-2 border-copper bg-enamel px-4 py-2 lg:px-6"
      data-noprint
    >
      <b>{counted(rows.length, 'task')} chosen</b>
      <span className="mono text-[14px] text-second">
        {hoursWords(rows.reduce((sum, { standing }) => sum + standing.minutes, 0))} of work
      </span>
      <button type="button" className="act" onClick={onPut}>
        Put on a visit <Key>v</Key>
      </button>
      <button type="button" className="plain" onClick={onClear}>
        Choose none
      </button>
    </div>
  )
}
