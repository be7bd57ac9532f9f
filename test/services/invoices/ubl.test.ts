import { expect } from 'chai'
import { UblReader } from 'einvoicing'
import { getInvoiceTotals } from 'einvoicing/build/utils/totals.js'
import fc from 'fast-check'
import type { ChargeLine } from '../../../src/core/close-out/charge-line.ts'
import { creditNoteOf, draftInvoice } from '../../../src/core/invoices/draft.ts'
import type { Invoice } from '../../../src/core/invoices/invoice.ts'
import { ublOf } from '../../../src/services/invoices/ubl.ts'
import { billed, closing, line } from '../../core/invoices/billed.ts'

type Said = Parameters<typeof billed>[0]
const invoice = (said: Said = {}): Invoice => ({ ...draftInvoice(billed(said), '2026-11-26'), number: '2026-0001' })
const read = async (of: Invoice) => new UblReader().read(await ublOf(of))

/** What another library reckons from the lines it finds in the file. */
const reckoned = async (of: Invoice) => getInvoiceTotals(await read(of))
const cents = (amount: number) => Math.round(amount * 100)

describe('an invoice as UBL 2.1', () => {
  it('is read by another library: who, whom, when, how much, where it is paid', async () => {
    const document = await read(
      invoice({
        closed: closing([
          line('Safety valve'),
          line('Work', { quantityMilli: 92_500, unit: 'min', priceMinor: 6300, per: 60 }),
        ]),
        invoicing: { iban: 'DE75512108001245126199', bic: 'MARKDEFF', dueDays: 14, registration: 'HRB 7' },
        customer: { orderNumber: 'PO 7', billReference: 'Bar' },
      }),
    )
    expect(document.validate()).to.deep.equal({ errors: [], warning: [] })
    const plain = document.toPrimitive()
    expect(String(plain.id.toPrimitive())).to.equal('2026-0001')
    expect(plain.issueDate?.toPrimitive()).to.equal('2026-11-26')
    expect(plain.dueDate?.toPrimitive()).to.equal('2026-12-10')
    expect(plain.seller?.toPrimitive().legalName).to.equal('Quillgate & Daughter')
    expect(plain.buyer?.toPrimitive().legalName).to.equal('Thistle & Rye')
    expect(
      plain.lines
        ?.map((one) => one.toPrimitive())
        .map(({ name, quantity, unitCode, netAmount, price }) => ({ name, quantity, unitCode, netAmount, price })),
    ).to.deep.equal([
      { name: 'Safety valve', quantity: 1, unitCode: 'C62', netAmount: 41, price: 41 },
      // 92.5 minutes at 63.00 an hour.
      { name: 'Work', quantity: 92.5, unitCode: 'MIN', netAmount: 97.13, price: 63 },
    ])
  })

  it('comes to what another library reckons from its lines, whatever they are', async () => {
    const anyLine = fc
      .record({
        quantityMilli: fc.integer({ min: 1, max: 40 }).map((n) => n * 500),
        priceMinor: fc.integer({ min: 1, max: 200_000 }),
        per: fc.constantFrom(undefined, 60),
      })
      .map(({ per, ...said }): ChargeLine => line('Something', { ...said, ...(per && { per, unit: 'min' }) }))
    await fc.assert(
      fc.asyncProperty(
        fc.array(anyLine, { minLength: 1, maxLength: 8 }),
        fc.constantFrom(550, 700, 1900, 2100),
        async (lines, taxBp) => {
          const of = invoice({ closed: closing(lines, { taxBp }) })
          fc.pre(of.totals.payableMinor > 0)
          const totals = await reckoned(of)
          expect(cents(totals.netAmount)).to.equal(of.totals.netMinor)
          expect(cents(totals.taxAmount)).to.equal(of.totals.taxMinor)
          expect(cents(totals.payableAmount)).to.equal(of.totals.payableMinor)
        },
      ),
      { numRuns: 20 },
    )
  })

  it('says why there is no tax, and no rate where it is outside of it', async () => {
    const without = (exemptAs: 'reverse' | 'outside') =>
      ublOf(invoice({ taxTold: { withTax: false, exempt: 'article 196', exemptAs, taxNumber: 'NL123456789B01' } }))
    const reverse = await without('reverse')
    expect(reverse).to.match(/<cac:TaxCategory>\s*<cbc:ID>AE<\/cbc:ID>\s*<cbc:Percent>0<\/cbc:Percent>/)
    expect(reverse).to.include('<cbc:TaxExemptionReason>article 196</cbc:TaxExemptionReason>')
    const outside = await without('outside')
    expect(outside).to.match(/<cbc:ID>O<\/cbc:ID>/)
    expect(outside).not.to.include('cbc:Percent')
    expect(outside, 'nobody’s VAT number').not.to.include('PartyTaxScheme')
    expect(reverse).to.include('NL123456789B01')
  })

  it('taken back is a credit note that names what it takes back', async () => {
    const note: Invoice = { ...creditNoteOf(invoice(), 'wrong place', '2026-11-30'), number: 'C2026-0001' }
    const xml = await ublOf(note)
    expect(xml).to.match(/<CreditNote xmlns="urn:oasis:names:specification:ubl:schema:xsd:CreditNote-2"/)
    expect(xml).to.match(/<cac:BillingReference>\s*<cac:InvoiceDocumentReference>\s*<cbc:ID>2026-0001</)
    expect(xml).to.include('<cbc:CreditNoteTypeCode>381</cbc:CreditNoteTypeCode>')
    expect(xml).not.to.include('cbc:DueDate')
    expect(xml, 'terms where there is no day').to.match(/<cac:PaymentTerms>\s*<cbc:Note>/)
    expect((await read(note)).validate()).to.deep.equal({ errors: [], warning: [] })
  })

  it('says sums in a currency without cents as they are, and rounding to the smallest coin', async () => {
    const yen = await ublOf(
      invoice({ closed: closing([line('Pump', { priceMinor: 8500 })], { currency: 'JPY', taxBp: 1000 }) }),
    )
    expect(yen).to.include('<cbc:PayableAmount currencyID="JPY">9350</cbc:PayableAmount>')
    const coins = invoice({
      closed: closing([line('Pump', { priceMinor: 10_001 })], { currency: 'CHF', taxBp: 770 }),
      invoicing: { roundToMinor: 5 },
    })
    const xml = await ublOf(coins)
    expect(xml).to.include('<cbc:PayableRoundingAmount currencyID="CHF">-0.01</cbc:PayableRoundingAmount>')
    expect(xml).to.include('<cbc:PayableAmount currencyID="CHF">107.70</cbc:PayableAmount>')
  })

  it('keeps what is typed as text: a name with a sign of the markup does not break it', async () => {
    const xml = await ublOf(invoice({ customer: { name: 'Rye <b> & "Co"' } }))
    expect(xml).to.include('Rye &lt;b&gt; &amp; "Co"')
  })

  it('is refused where its content is none that the standard knows', async () => {
    const odd = invoice({ closed: closing([line('Pump')], { currency: 'QQQ' }) })
    let refused: unknown
    await ublOf(odd).catch((error) => {
      refused = error
    })
    expect(refused).to.be.instanceOf(Error)
  })
})
