import type { Standing } from '../../core/standing/standing.ts'
import { SheetDialog } from '../../ui/SheetDialog.tsx'
import type { RoundRow } from '../../views/round-page.ts'
import { cautionWords } from '../caution-words.ts'
import { dueSentence, title } from '../standing-words.ts'
import type { OpenSheet } from './open-sheet.ts'
import { PutSheet } from './put/PutSheet.tsx'
import { Detail } from './RowDetail.tsx'
import { WaitsSheet } from './WaitsSheet.tsx'
import { WhereTo } from './WhereTo.tsx'
import { WhyThen } from './WhyThen.tsx'

export interface BoardSheetsProps {
  open: OpenSheet
  /** The chosen one. */
  row: RoundRow
  detail: Standing | null | 'failed'
  today: string
  names: Map<string, string>
  onOpen(sheet: OpenSheet | null): void
  /** Something was written; what came of it in words, or none. */
  onDone(said: string): void
}

/** The sheet of a board that is open. */
export function BoardSheets({ open, row, detail, today, names, onOpen, onDone }: BoardSheetsProps) {
  const close = () => onOpen(null)
  if (open.what === 'put') return <PutSheet rows={open.rows} today={today} onClose={close} onDone={onDone} />
  if (open.what === 'waits') {
    const { subjectKind, subjectId, standing, machineName, siteName, waits } = open.row
    return (
      <WaitsSheet
        subjectKind={subjectKind}
        subjectId={subjectId}
        task={standing.key}
        taskName={title(standing)}
        where={`${machineName}, ${siteName}`}
        now={waits}
        today={today}
        onClose={close}
        onSaved={() => onDone('')}
      />
    )
  }
  const { standing, siteName, machineName } = row
  return (
    <SheetDialog
      open
      onOpenChange={close}
      title={title(standing)}
      about={`${siteName}, ${machineName}. ${dueSentence(standing, today)}`}
      from="bottom"
    >
      <WhyThen row={row} today={today} names={names} onOpen={onOpen} />
      <Detail detail={detail} />
      {standing.caution && (
        <p className="mt-3 mb-0 border-l-4 border-brass pl-3 text-[14px]">{cautionWords[standing.caution]}</p>
      )}
      <WhereTo row={row} />
    </SheetDialog>
  )
}
