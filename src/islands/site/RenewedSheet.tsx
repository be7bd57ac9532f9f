import { useState } from 'react'
import { corrected, jot } from '../../core/ledger/jot.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { Renewal } from '../../views/softener-page.ts'
import { writeFrom, writtenAbout } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { type FieldSpec, typedNumber, typedText, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  softenerId: string
  renewal: Renewal
  today: string
  onClose: () => void
}

/** Says that it was regenerated, filled up or changed. */
export function RenewedSheet({ softenerId, renewal, today, onClose }: Props) {
  const [id] = useState(newId)
  const { written, name, amount } = renewal
  const amountField: FieldSpec[] = amount
    ? [
        {
          id: 'amount',
          label: amount.label,
          unit: amount.unit,
          kind: 'number',
          half: true,
          paths: [`body.${amount.field}`],
        },
      ]
    : []
  return (
    <Sheet open onOpenChange={(open) => !open && onClose()} title={name} about="What is left counts from this day on.">
      <SheetForm
        fields={[{ id: 'on', label: 'Day', kind: 'day', half: true, paths: ['happenedOn'] }, ...amountField]}
        values={{ on: today, amount: amount?.usual ? String(Math.round(amount.usual * 100) / 100) : '' }}
        save="Note it"
        onCancel={onClose}
        onSave={async (values) => {
          const value = typedNumber(values, 'amount')
          if (value !== undefined && !(value > 0)) return wrongAt('amount', 'must be a number above 0')
          if (value === undefined && amount?.needed) return wrongAt('amount', 'is missing')
          const done = jot(written.kind, written.body)
          const jotting = value !== undefined && amount ? corrected(done, amount.field, value) : done
          const on = typedText(values, 'on') || today
          const told = await writeFrom([writtenAbout('softener', softenerId, jotting, on, { id })])
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}
