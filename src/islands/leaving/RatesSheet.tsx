import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { decimalOf, type Minor, minorOf } from '../../core/money/minor.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedNumber, typedText, type Values } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  firmId: string
  currency: string
  now: Partial<Omit<Setting<'rates'>, 'v' | 'setting'>>
  today: LocalDay
  onClose: () => void
  onSaved: () => Promise<void>
}

const sums = ['labourPerHour', 'travelPerHour', 'perKm', 'callOut'] as const
const labels = {
  labourPerHour: 'Work, an hour',
  travelPerHour: 'Road, an hour',
  perKm: 'A kilometre',
  callOut: 'The call itself',
} as const

/** What the firm asks for an hour, a kilometre and a call, and the tax on it. */
export function RatesSheet({ firmId, currency, now, today, onClose, onSaved }: Props) {
  const typed = (minor: Minor | undefined) => (minor === undefined ? '' : decimalOf(minor, currency))
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="Rates"
      about="Of the whole firm, before tax. What is left empty is not charged for; visits that are closed keep what they had."
    >
      <SheetForm
        fields={[
          ...sums.map((id) => ({
            id,
            label: labels[id],
            kind: 'number' as const,
            unit: currency,
            reads: { from: 0, to: 1e6 },
            half: true,
            paths: [`body.${id}Minor`],
          })),
          {
            id: 'tax',
            label: 'Tax',
            kind: 'number',
            unit: '%',
            reads: { from: 0, to: 100 },
            half: true,
            hint: 'as your tax office says',
            paths: ['body.taxBp'],
          },
          { id: 'taxName', label: 'What it is called', half: true, hint: 'VAT, sales tax', paths: ['body.taxName'] },
        ]}
        values={{
          labourPerHour: typed(now.labourPerHourMinor),
          travelPerHour: typed(now.travelPerHourMinor),
          perKm: typed(now.perKmMinor),
          callOut: typed(now.callOutMinor),
          tax: now.taxBp === undefined ? '' : String(now.taxBp / 100),
          taxName: now.taxName ?? '',
        }}
        save="Save the rates"
        onCancel={onClose}
        onSave={async (values) => {
          const taxName = typedText(values, 'taxName')
          const told = await writeFrom([
            makeEntry(
              'firm',
              firmId,
              'setting',
              {
                setting: 'rates',
                currency,
                ...minors(values, currency),
                taxBp: Math.round((typedNumber(values, 'tax') ?? 0) * 100),
                ...(taxName && { taxName }),
              },
              today,
            ),
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

/** The sums that were typed, each under its name in the ledger. */
function minors(values: Values, currency: string) {
  const read = (id: (typeof sums)[number]) => minorOf(typedText(values, id), currency)
  const [labour, travel, km, call] = sums.map(read)
  return {
    ...(labour !== null && { labourPerHourMinor: labour! }),
    ...(travel !== null && { travelPerHourMinor: travel! }),
    ...(km !== null && { perKmMinor: km! }),
    ...(call !== null && { callOutMinor: call! }),
  }
}
