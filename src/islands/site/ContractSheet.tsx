import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedNumber, typedText, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  siteId: string
  today: string
  now: Setting<'contract'> | null
  onClose: () => void
}

/** How often somebody comes by contract, and how far a visit may be from its day. */
export function ContractSheet({ siteId, today, now, onClose }: Props) {
  const whole = (from: number, to: number) => ({ whole: true, from, to })
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="Visits by contract"
      about="These come first in the plan; what falls due otherwise is gathered on them where that is cheaper."
    >
      <SheetForm
        fields={[
          {
            id: 'everyMonths',
            label: 'Every',
            kind: 'number',
            unit: 'months',
            reads: whole(1, 36),
            hint: 'empty: no contract any more',
            half: true,
            paths: ['body.everyMonths'],
          },
          { id: 'firstOn', label: 'First on', kind: 'day', half: true, paths: ['body.firstOn'] },
          {
            id: 'within',
            label: 'Counts within',
            kind: 'number',
            unit: 'days',
            reads: whole(0, 60),
            hint: 'before and after its day',
            half: true,
            paths: ['body.within'],
          },
          {
            id: 'minutes',
            label: 'Work of its own',
            kind: 'number',
            unit: 'min',
            reads: whole(0, 600),
            hint: 'beside what is due then; empty: 10',
            half: true,
            paths: ['body.minutes'],
          },
          { id: 'note', label: 'Note', hint: 'its number, what is in it', paths: ['body.note'] },
        ]}
        values={{
          everyMonths: String(now?.everyMonths ?? ''),
          firstOn: now?.firstOn ?? '',
          within: String(now?.within ?? 14),
          minutes: String(now?.minutes ?? ''),
          note: now?.note ?? '',
        }}
        save="Save"
        onCancel={onClose}
        onSave={async (values) => {
          const everyMonths = typedNumber(values, 'everyMonths')
          const firstOn = typedText(values, 'firstOn')
          const within = typedNumber(values, 'within')
          const minutes = typedNumber(values, 'minutes')
          const note = typedText(values, 'note')
          if (everyMonths !== undefined && !firstOn) return wrongAt('firstOn', 'must be said with it')
          if (everyMonths !== undefined && within === undefined) return wrongAt('within', 'must be said with it')
          const told = await writeFrom([
            makeEntry(
              'site',
              siteId,
              'setting',
              {
                setting: 'contract',
                ...(everyMonths !== undefined && {
                  everyMonths,
                  firstOn,
                  ...(within !== undefined && { within }),
                  ...(minutes !== undefined && { minutes }),
                }),
                ...(note && { note }),
              },
              today,
            ),
          ])
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}
