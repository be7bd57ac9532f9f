import { useState } from 'react'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedText } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  siteId: string
  today: LocalDay
  onClose: () => void
  onSaved: () => Promise<void>
}

/** Four figures nobody thought of. */
function anyWord(): string {
  const [figures] = crypto.getRandomValues(new Uint16Array(1))
  return String(figures! % 10_000).padStart(4, '0')
}

/** The four figures by which phones of a place are known. */
export function SiteWordSheet({ siteId, today, onClose, onSaved }: Props) {
  const [word] = useState(anyWord)
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="Word of the place"
      about="Four figures, told to whoever works there and typed once on each phone. Another word, and every phone is asked anew: as when somebody leaves who should send nothing any more."
    >
      <SheetForm
        fields={[{ id: 'word', label: 'Four figures', kind: 'digits', half: true, paths: ['body.word'] }]}
        values={{ word }}
        save="Set the word"
        onCancel={onClose}
        onSave={async (values) => {
          const said = typedText(values, 'word')
          const told = await writeFrom([
            makeEntry('site', siteId, 'setting', { setting: 'site-word', ...(said && { word: said }) }, today),
          ])
          if (told.ok) {
            await onSaved()
            onClose()
          }
          return told
        }}
      />
    </Sheet>
  )
}
