import { useState } from 'react'
import { Sheet } from '../../ui/Sheet.tsx'
import type { TaskWaits } from '../../views/weeks-ahead.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedText, type Values } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface WaitsProps {
  subjectKind: 'machine' | 'softener'
  subjectId: string
  /** The task by its key, and as it is called. */
  task: string
  taskName: string
  where: string
  now: TaskWaits | null
  today: string
  onClose(): void
  onSaved(): void
}

/** A task waits for a part, a price, or the customer’s yes: until then no visit is planned for it. */
export function WaitsSheet(props: WaitsProps) {
  const { subjectKind, subjectId, task, taskName, where, now, today, onClose, onSaved } = props
  const [wrong, setWrong] = useState('')
  const write = async (values: Values | null) => {
    const what = values ? typedText(values, 'for') : ''
    const until = values ? typedText(values, 'until') : ''
    const note = values ? typedText(values, 'note') : ''
    const told = await writeFrom([
      makeEntry(
        subjectKind,
        subjectId,
        'setting',
        {
          setting: 'waits',
          task,
          taskName: taskName.slice(0, 120),
          ...(what && { for: what as TaskWaits['for'] }),
          ...(until && { until }),
          ...(note && { note }),
        },
        today,
      ),
    ])
    if (told.ok) onSaved()
    return told
  }
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title={`${taskName}: it waits`}
      about={`${where}. No visit is planned for it until then; on its day it comes back by itself.`}
    >
      <SheetForm
        fields={[
          {
            id: 'for',
            label: 'It waits for',
            kind: 'choice',
            options: [
              ['part', 'a part'],
              ['price', 'a price'],
              ['yes', 'their yes'],
            ],
            paths: ['body.for'],
          },
          { id: 'until', label: 'Until', kind: 'day', hint: 'empty: nobody knows yet', paths: ['body.until'] },
          { id: 'note', label: 'Note', hint: 'ordered where, who decides', paths: ['body.note'] },
        ]}
        values={{ for: now?.for ?? 'part', until: now?.until ?? '', note: now?.note ?? '' }}
        save="It waits"
        onCancel={onClose}
        onSave={write}
      />
      {wrong && (
        <p role="alert" className="m-0 mt-2 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      {now && (
        <button
          type="button"
          className="plain mt-3"
          onClick={async () => {
            const told = await write(null)
            setWrong(told.ok ? '' : told.issues.map(({ message }) => message).join('; '))
          }}
        >
          It waits no longer
        </button>
      )}
    </Sheet>
  )
}
