import { useState } from 'react'
import type { Kept } from '../../core/firm/records.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { VisitInvoices } from '../../views/invoice-page.ts'
import { keep } from '../keep.ts'
import { makeEntry } from '../make-entry.ts'
import { typedText } from '../records/form-values.ts'
import { billFields, billRecord } from '../records/record-fields.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { useFetched } from '../use-fetched.ts'

interface Props {
  customerId: string
  taxTold: VisitInvoices['set']['taxTold']
  today: LocalDay
  onClose: () => void
  onSaved: () => Promise<void>
}

type Customer = Kept<'customer'> & { id: string; version: number }

/** Where a customer’s bills go, how they find them again, and whether they pay tax. */
export function BillToSheet({ customerId, taxTold, today, onClose, onSaved }: Props) {
  const [customer, setCustomer] = useState<Customer | null>(null)
  const lost = useFetched<Customer>(`/api/records/customer/${customerId}`, setCustomer, { afterMs: 0 })
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title={customer ? `Where the bills of ${customer.name} go` : 'Where bills go'}
      about="Of this customer, on every invoice."
    >
      {lost && !customer && <p className="m-0">No connection: it can be said when there is signal.</p>}
      {customer && (
        <SheetForm
          fields={[
            ...billFields.map(({ head: _, ...field }) => ({
              ...field,
              ...(field.id === 'billName' && { hint: `empty: ${customer.name}` }),
              ...(field.id === 'billEmail' && customer.email && { hint: `empty: ${customer.email}` }),
            })),
            { id: 'taxNumber', label: 'Their tax number', half: true, head: 'Tax', paths: ['body.taxNumber'] },
            {
              id: 'pays',
              label: 'Tax',
              kind: 'choice',
              half: true,
              options: [
                ['usual', 'as with anybody'],
                ['reverse', 'they owe it themselves'],
                ['exempt', 'exempt'],
                ['outside', 'outside the tax'],
              ],
            },
            {
              id: 'exempt',
              label: 'By which rule',
              hint: 'where it is not as with anybody',
              paths: ['body.exempt'],
            },
            { id: 'withTax', label: 'Prices are told with tax in them, as to a household', kind: 'tick' },
          ]}
          values={{
            ...Object.fromEntries(billFields.map(({ id }) => [id, String(customer[id as keyof Customer] ?? '')])),
            taxNumber: taxTold?.taxNumber ?? '',
            pays: taxTold?.exempt ? (taxTold.exemptAs ?? 'exempt') : 'usual',
            exempt: taxTold?.exempt ?? '',
            withTax: taxTold?.withTax ?? false,
          }}
          save="Save"
          onCancel={onClose}
          onSave={async (values) => {
            const exempt = typedText(values, 'exempt')
            const taxNumber = typedText(values, 'taxNumber')
            const pays = values.pays as 'usual' | 'reverse' | 'exempt' | 'outside'
            if (pays !== 'usual' && !exempt)
              return { ok: false, issues: [{ path: 'body.exempt', code: 'typed', message: 'must be said' }] }
            const { id, version, ...record } = customer
            const told = await keep('customer', id, version, { ...record, ...billRecord(values) }, [
              makeEntry(
                'customer',
                customerId,
                'setting',
                {
                  setting: 'tax-told',
                  withTax: Boolean(values.withTax),
                  ...(taxNumber && { taxNumber }),
                  ...(pays !== 'usual' && { exempt, exemptAs: pays }),
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
      )}
    </Sheet>
  )
}
