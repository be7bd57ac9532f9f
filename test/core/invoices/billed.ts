import type { ChargeLine } from '../../../src/core/close-out/charge-line.ts'
import type { Billed } from '../../../src/core/invoices/draft.ts'
import type { EntryOf } from '../../../src/core/ledger/entry.ts'
import { asKept } from '../ledger/told.ts'

/** A line that the customer pays, but for what is said. */
export const line = (name: string, said: Partial<ChargeLine> = {}): ChargeLine => ({
  id: name,
  of: 'part',
  name,
  quantityMilli: 1000,
  unit: 'piece',
  priceMinor: 4100,
  pays: 'customer',
  ...said,
})

/** A visit of 24 November as it was closed with some lines. */
export const closing = (lines: ChargeLine[], said: object = {}) =>
  asKept({
    id: '01939000-0000-7000-8000-00000000000a',
    subjectKind: 'site',
    subjectId: '01939000-0000-7000-8000-0000000000a1',
    visitId: '01939000-0000-7000-8000-0000000000aa',
    kind: 'visit-closed',
    happenedAt: '2026-11-24T12:00:00.000Z',
    happenedOn: '2026-11-24',
    body: {
      v: 1,
      minutes: [],
      currency: 'EUR',
      taxBp: 1900,
      lines,
      sentences: [{ of: 'done', text: 'I was shown what was done.' }],
      signed: { how: 'nobody', at: '2026-11-24T12:00:00Z' },
      ...said,
    },
  }) as EntryOf<'visit-closed'>

type Said = Partial<Omit<Billed, 'invoicing' | 'customer' | 'taxTold'>> & {
  invoicing?: object | null
  customer?: Partial<Billed['customer']>
  taxTold?: { withTax: boolean; exempt?: string; exemptAs?: 'exempt' | 'reverse' | 'outside'; taxNumber?: string }
}

/** What an invoice is drawn from, whole, but for what is said. */
export const billed = ({ invoicing = {}, customer = {}, taxTold, ...said }: Said): Billed => ({
  closed: closing([line('Safety valve')]),
  reportNumber: 'R2026-0042',
  firmName: 'Quillgate & Daughter',
  invoicing: invoicing && {
    v: 1,
    setting: 'invoicing',
    street: '1 Harrow Yard',
    postcode: 'QG1',
    town: 'Quillgate',
    country: 'DE',
    taxNumber: 'DE123456789',
    ...invoicing,
  },
  letterhead: { v: 1, setting: 'letterhead', email: 'hello@quillgate.example' },
  taxName: 'VAT',
  customer: {
    name: 'Thistle & Rye',
    email: 'bram@thistle.example',
    orderNumber: '',
    billName: '',
    billStreet: '3 Mill Lane',
    billPostcode: '',
    billTown: 'Quillgate',
    billCountry: 'DE',
    billEmail: '',
    billReference: '',
    ...customer,
  },
  taxTold: taxTold ? { v: 1, setting: 'tax-told', ...taxTold } : null,
  place: { name: 'Thistle & Rye', area: 'Chalkside' },
  ...said,
})
