import { usualSeries } from '../../core/invoices/number.ts'
import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { decimalOf, minorOf } from '../../core/money/minor.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedNumber, typedText, type Values } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  firmId: string
  now: Setting<'invoicing'> | null
  currency: string
  today: LocalDay
  onClose: () => void
  onSaved: () => Promise<void>
}

const texts = [
  'name',
  'street',
  'postcode',
  'town',
  'country',
  'taxNumber',
  'registration',
  'iban',
  'bic',
  'accountName',
  'invoiceSeries',
  'creditSeries',
  'noTaxWhy',
  'note',
] as const

/** Who the firm is on its invoices, where it is paid, how they are numbered. */
export function InvoicingSheet({ firmId, now, currency, today, onClose, onSaved }: Props) {
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="How we invoice"
      about="Of the whole firm. What was issued keeps what it had. What the law asks of an invoice differs: your tax adviser says."
    >
      <SheetForm
        fields={[
          { id: 'name', label: 'Name by law', hint: 'empty: the firm’s name', paths: ['body.name'] },
          { id: 'street', label: 'Street and number', paths: ['body.street'] },
          { id: 'postcode', label: 'Postcode', half: true, paths: ['body.postcode'] },
          { id: 'town', label: 'Town', half: true, paths: ['body.town'] },
          { id: 'country', label: 'Country', half: true, hint: 'two letters, such as NL', paths: ['body.country'] },
          { id: 'taxNumber', label: 'Tax number', half: true, head: 'Numbers', paths: ['body.taxNumber'] },
          { id: 'registration', label: 'In the register of firms', half: true, paths: ['body.registration'] },
          { id: 'iban', label: 'IBAN', head: 'Paid to', paths: ['body.iban'] },
          { id: 'bic', label: 'BIC', half: true, paths: ['body.bic'] },
          { id: 'accountName', label: 'Account of', half: true, paths: ['body.accountName'] },
          {
            id: 'dueDays',
            label: 'To be paid within',
            kind: 'number',
            unit: 'days',
            reads: { from: 0, to: 365, whole: true },
            half: true,
            paths: ['body.dueDays'],
          },
          {
            id: 'roundTo',
            label: 'Sums are rounded to',
            kind: 'number',
            unit: currency,
            reads: { from: 0, to: 10 },
            half: true,
            hint: 'where there is no smaller coin; empty: not at all',
            paths: ['body.roundToMinor'],
          },
          {
            id: 'invoiceSeries',
            label: 'Invoice numbers begin with',
            half: true,
            head: 'Numbering',
            hint: `empty: ${usualSeries.invoice}; with {year} they begin anew each year`,
            paths: ['body.invoiceSeries'],
          },
          {
            id: 'creditSeries',
            label: 'Credit notes begin with',
            half: true,
            hint: `empty: ${usualSeries['credit-note']}`,
            paths: ['body.creditSeries'],
          },
          {
            id: 'noTaxWhy',
            label: 'No tax is charged, because',
            hint: 'only where the rate is 0: the rule that says so',
            paths: ['body.noTaxWhy'],
          },
          { id: 'note', label: 'At the foot of each', kind: 'text', paths: ['body.note'] },
        ]}
        values={{
          ...Object.fromEntries(texts.map((id) => [id, now?.[id] ?? ''])),
          dueDays: now?.dueDays === undefined ? '' : String(now.dueDays),
          roundTo: now?.roundToMinor ? decimalOf(now.roundToMinor, currency) : '',
        }}
        save="Save"
        onCancel={onClose}
        onSave={async (values) => {
          const dueDays = typedNumber(values, 'dueDays')
          const roundToMinor = minorOf(typedText(values, 'roundTo'), currency)
          const told = await writeFrom([
            makeEntry(
              'firm',
              firmId,
              'setting',
              {
                setting: 'invoicing',
                ...saidIn(values),
                ...(dueDays !== undefined && dueDays !== null && { dueDays }),
                ...(roundToMinor && { roundToMinor }),
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

/** What was typed; the rest is left out. A country’s letters are large. */
const saidIn = (values: Values): Partial<Record<(typeof texts)[number], string>> =>
  Object.fromEntries(
    texts.flatMap((id) => {
      const text = typedText(values, id)
      return text ? [[id, id === 'country' ? text.toUpperCase() : text]] : []
    }),
  )
