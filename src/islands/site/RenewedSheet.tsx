import { useState } from 'react'
import { Sheet } from '../../ui/Sheet.tsx'
import type { SoftenerPage } from '../../views/softener-page.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedNumber, typedText, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { newId } from '../send-entries.ts'

const titles = {
  'cartridge-changed': 'Cartridge changed',
  'salt-added': 'Salt filled up',
  regenerated: 'Softener regenerated',
} as const

/** Says that it was regenerated, filled up or changed. */
export function RenewedSheet({ page, today, onClose }: { page: SoftenerPage; today: string; onClose: () => void }) {
  const { softener, saltKg } = page
  const [id] = useState(newId)
  const kind =
    softener.treatment === 'cartridge' ? 'cartridge-changed' : softener.regeneratesItself ? 'salt-added' : 'regenerated'
  const amount = {
    'cartridge-changed': { label: 'The new one holds', unit: 'g CaCO₃', field: 'capacityG', usual: softener.capacityG },
    'salt-added': { label: 'Salt filled in', unit: 'kg', field: 'kg', usual: softener.saltTankKg },
    regenerated: { label: 'Salt', unit: 'kg', field: 'saltKg', usual: saltKg },
  }[kind]
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title={titles[kind]}
      about="Its litres count from this day on."
    >
      <SheetForm
        fields={[
          { id: 'on', label: 'Day', kind: 'day', half: true, paths: ['happenedOn'] },
          {
            id: 'amount',
            label: amount.label,
            unit: amount.unit,
            kind: 'number',
            half: true,
            paths: [`body.${amount.field}`],
          },
        ]}
        values={{ on: today, amount: amount.usual ? String(Math.round(amount.usual * 100) / 100) : '' }}
        save="Note it"
        onCancel={onClose}
        onSave={async (values) => {
          const value = typedNumber(values, 'amount')
          if (value !== undefined && !(value > 0)) return wrongAt('amount', 'must be a number above 0')
          if (value === undefined && kind === 'salt-added') return wrongAt('amount', 'is missing')
          const body = value === undefined ? {} : { [amount.field]: value }
          const told = await writeFrom([
            makeEntry('softener', softener.id, kind, body, typedText(values, 'on') || today, { id }),
          ])
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}
