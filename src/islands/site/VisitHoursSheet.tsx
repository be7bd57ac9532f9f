import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { hoursSaid, readHours } from '../../core/typed/read-hours.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedText, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  siteId: string
  today: string
  now: Setting<'visit-hours'> | null
  onClose: () => void
}

const everyDay = [1, 2, 3, 4, 5, 6, 7]

/** On which weekdays and between which hours somebody may come and work there. */
export function VisitHoursSheet({ siteId, today, now, onClose }: Props) {
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="When we may come"
      about="Visits are planned on these days, and the work begun and over within these hours."
    >
      <SheetForm
        fields={[
          { id: 'days', label: 'Days', kind: 'weekdays', paths: ['body.weekdays'] },
          {
            id: 'hours',
            label: 'Hours',
            hint: 'such as 07:00 to 11:30, 14:00 to 17:00; empty: any hour',
            paths: ['body.hours'],
          },
          { id: 'note', label: 'Why', hint: 'bar free from 14:00; never Fridays', paths: ['body.note'] },
        ]}
        values={{
          days: (now?.weekdays ?? everyDay).map(String),
          hours: hoursSaid(now?.hours ?? []),
          note: now?.note ?? '',
        }}
        save="Save"
        onCancel={onClose}
        onSave={async (values) => {
          const weekdays = (values.days as string[]).map(Number).sort()
          if (weekdays.length === 0) return wrongAt('days', 'must name at least one day')
          const hours = readHours(typedText(values, 'hours'))
          if ('why' in hours) return wrongAt('hours', hours.why)
          const note = typedText(values, 'note')
          const body = { setting: 'visit-hours' as const, weekdays, hours, ...(note && { note }) }
          const told = await writeFrom([makeEntry('site', siteId, 'setting', body, today)])
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}
