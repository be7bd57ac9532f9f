import type { Standing } from '../../core/standing/standing.ts'
import type { RoundRow } from '../../views/round-page.ts'
import { cautionWords } from '../caution-words.ts'
import { dueSentence, title } from '../standing-words.ts'
import type { OpenSheet } from './open-sheet.ts'
import { Detail } from './RowDetail.tsx'
import { WhereTo } from './WhereTo.tsx'
import { WhyThen } from './WhyThen.tsx'

export interface RowWorkingProps {
  row: RoundRow
  detail: Standing | null | 'failed'
  today: string
  names: Map<string, string>
  onOpen(sheet: OpenSheet): void
}

/** When the chosen task is due and why, the visit it is on, and where to go from here. */
export function RowWorking({ row, detail, today, names, onOpen }: RowWorkingProps) {
  const { standing, siteName, machineName, model } = row
  return (
    <>
      <h2 className="head m-0">
        <span className="text-copper">Working</span> {title(standing)}
      </h2>
      <p className="m-0">{dueSentence(standing, today)}</p>
      <p className="m-0 mb-2 text-[14px] text-second">{[siteName, machineName, model].filter(Boolean).join(', ')}</p>
      <WhyThen row={row} today={today} names={names} onOpen={onOpen} />
      <Detail detail={detail} />
      {standing.caution && (
        <p className="mt-3 mb-0 border-l-4 border-brass pl-3 text-[14px]">{cautionWords[standing.caution]}</p>
      )}
      <WhereTo row={row} />
    </>
  )
}
