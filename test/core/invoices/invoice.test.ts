import { expect } from 'chai'
import fc from 'fast-check'
import { creditNoteOf, draftInvoice } from '../../../src/core/invoices/draft.ts'
import { type Invoice, invoiceTotals } from '../../../src/core/invoices/invoice.ts'
import { notReady } from '../../../src/core/invoices/not-ready.ts'
import { numberOf, seriesOn, usualSeries } from '../../../src/core/invoices/number.ts'
import { taxOn } from '../../../src/core/invoices/tax.ts'
import { minorOf, priceOf } from '../../../src/core/money/minor.ts'
import { billed, closing, line } from './billed.ts'

/**
 * The first of the UBL examples that CEN/TC 434 publishes with EN 16931 (`guide-example1`): quantity, price, net of the
 * line, rate in per cent. Its published sums: 183.23 at 6 % make 10.99, 46.37 at 21 % make 9.74; together 229.60 and 250.33.
 */
const published: [quantity: number, price: string, net: string, percent: 6 | 21][] = [
  [2, '9.95', '19.9', 6],
  [1, '9.85', '9.85', 6],
  [1, '8.29', '8.29', 6],
  [2, '7.23', '14.46', 6],
  [1, '35', '35', 6],
  [1, '35', '35', 6],
  [1, '10.65', '10.65', 6],
  [1, '1.55', '1.55', 6],
  [3, '4.79', '14.37', 6],
  [1, '8.29', '8.29', 6],
  [2, '8.29', '16.58', 6],
  [1, '9.95', '9.95', 6],
  [2, '1.65', '3.3', 6],
  [1, '10.8', '10.8', 21],
  [1, '3.9', '3.9', 6],
  [2, '3.8', '7.6', 21],
  [2, '4.67', '9.34', 21],
  [1, '18.63', '18.63', 21],
  [6, '17.02', '102.12', 6],
  [-6, '18.33', '-109.98', 6],
]

describe('the sums of an invoice', () => {
  it('are those of the worked example of EN 16931, to the cent', () => {
    const lines = published.map(([quantity, price, net, percent]) => {
      const netMinor = priceOf({ quantityMilli: quantity * 1000, priceMinor: minorOf(price, 'EUR')! })
      expect(netMinor, price).to.equal(minorOf(net, 'EUR'))
      return { netMinor, tax: { category: 'S' as const, taxBp: percent * 100 } }
    })
    const totals = invoiceTotals(lines)
    expect(totals.taxes.map(({ taxBp, netMinor, taxMinor }) => [taxBp, netMinor, taxMinor])).to.deep.equal([
      [600, 18_323, 1099],
      [2100, 4637, 974],
    ])
    expect(totals).to.include({ netMinor: 22_960, taxMinor: 2073, grossMinor: 25_033, payableMinor: 25_033 })
  })

  it('round to the smallest coin that is paid, and say by how much', () => {
    const one = (netMinor: number) => invoiceTotals([{ netMinor, tax: { category: 'S', taxBp: 770 } }], 5)
    // 100.01 with 7.7 % is 107.71.
    expect(one(10_001)).to.include({ grossMinor: 10_771, roundingMinor: -1, payableMinor: 10_770 })
    expect(one(10_003)).to.include({ grossMinor: 10_773, roundingMinor: 2, payableMinor: 10_775 })
    expect(one(10_000)).to.include({ grossMinor: 10_770, roundingMinor: 0, payableMinor: 10_770 })
  })

  it('hang together whatever the lines are: rates add up, no cent is lost', () => {
    const anyLine = fc.record({
      netMinor: fc.integer({ min: 0, max: 5_000_000 }),
      tax: fc.constantFrom(0, 550, 700, 1900, 2100).map((taxBp) => taxOn({ taxBp })),
    })
    fc.assert(
      fc.property(fc.array(anyLine, { minLength: 1, maxLength: 30 }), fc.constantFrom(1, 5, 10), (lines, step) => {
        const totals = invoiceTotals(lines, step)
        expect(totals.taxes.reduce((sum, { netMinor }) => sum + netMinor, 0)).to.equal(totals.netMinor)
        expect(totals.taxes.reduce((sum, { taxMinor }) => sum + taxMinor, 0)).to.equal(totals.taxMinor)
        expect(totals.grossMinor + totals.roundingMinor).to.equal(totals.payableMinor)
        expect(Math.abs(totals.payableMinor % step)).to.equal(0)
        expect(Math.abs(totals.roundingMinor) * 2).to.be.at.most(step)
        for (const { netMinor, taxMinor, taxBp } of totals.taxes)
          expect(Math.abs(taxMinor - (netMinor * taxBp) / 10_000)).to.be.at.most(0.5)
      }),
    )
  })
})

describe('the invoice of a closed visit', () => {
  const today = '2026-11-26'

  it('has the lines the customer pays, and not what contract, warranty or goodwill bear', () => {
    const draft = draftInvoice(
      billed({
        closed: closing([
          line('Safety valve', { priceMinor: 4100 }),
          line('Group gasket', { quantityMilli: 2000, priceMinor: 520, pays: 'contract' }),
          line('Pump', { priceMinor: 9000, pays: 'warranty' }),
          line('Sieve', { priceMinor: 300, pays: 'nobody' }),
          line('Work', { quantityMilli: 92_000, unit: 'min', priceMinor: 6300, per: 60, of: 'labour' }),
          line('Nobody’s price', { priceMinor: null }),
          line('Given', { priceMinor: 0 }),
        ]),
      }),
      today,
    )
    expect(draft.lines.map(({ name, netMinor }) => [name, netMinor])).to.deep.equal([
      ['Safety valve', 4100],
      ['Work', 9660],
    ])
    expect(draft.totals).to.include({ netMinor: 13_760, taxMinor: 2614, payableMinor: 16_374 })
    expect(draft).to.include({ issuedOn: today, dueOn: '2026-12-10', deliveredOn: '2026-11-24', taxName: 'VAT' })
    expect(notReady(draft)).to.deep.equal([])
  })

  it('goes to the name by law and by the firm’s own terms, where they are said', () => {
    const { seller, buyer, dueOn, account, orderNumber } = draftInvoice(
      billed({
        invoicing: { name: 'Quillgate & Daughter Ltd', dueDays: 30, iban: 'de75 5121 0800 1245 1261 99' },
        customer: { billName: 'Thistle and Rye Limited', billEmail: 'bills@thistle.example', orderNumber: 'PO 7' },
      }),
      today,
    )
    expect(seller.name).to.equal('Quillgate & Daughter Ltd')
    expect(buyer).to.include({ name: 'Thistle and Rye Limited', email: 'bills@thistle.example' })
    expect(dueOn).to.equal('2026-12-26')
    expect(account).to.deep.equal({ iban: 'DE75512108001245126199' })
    expect(orderNumber).to.equal('PO 7')
  })

  it('bears no tax where the customer owes it, is exempt or outside of it, and says by which rule', () => {
    for (const [exemptAs, category] of [
      ['reverse', 'AE'],
      ['exempt', 'E'],
      ['outside', 'O'],
    ] as const) {
      const { lines, totals } = draftInvoice(
        billed({ taxTold: { withTax: false, exempt: 'article 196', exemptAs, taxNumber: 'NL123456789B01' } }),
        today,
      )
      expect(lines[0]!.tax).to.deep.equal({ category, taxBp: 0, reason: 'article 196' })
      expect(totals.taxMinor).to.equal(0)
      expect(totals.taxes).to.have.length(1)
    }
  })

  it('says what it lacks, by rule and where it is said', () => {
    const lacks = (said: Parameters<typeof billed>[0]) =>
      notReady(draftInvoice(billed(said), today)).map(({ code, at }) => `${code} ${at}`)
    expect(lacks({ invoicing: null, customer: { billCountry: '' } })).to.deep.equal([
      'BR-9 ours',
      'BR-CO-26 ours',
      'BR-S-2 ours',
      'BR-11 theirs',
    ])
    expect(lacks({ closed: closing([line('Pump', { priceMinor: 9000, pays: 'contract' })]) })).to.deep.equal([
      'BR-16 visit',
    ])
    expect(lacks({ closed: closing([line('Pump', { priceMinor: 9000 })], { taxBp: 0 }) })).to.deep.equal([
      'BR-E-10 ours',
    ])
    expect(
      lacks({
        closed: closing([line('Pump', { priceMinor: 9000 })], { taxBp: 0 }),
        invoicing: { noTaxWhy: 'small firm' },
      }),
    ).to.deep.equal([])
    // Without tax on it the number in the register says who we are: nobody's VAT number may stand there.
    const outside = { withTax: false, exempt: 'article 2', exemptAs: 'outside' as const }
    expect(lacks({ taxTold: outside })).to.deep.equal(['BR-CO-26 ours'])
    expect(lacks({ taxTold: outside, invoicing: { registration: 'HM 2207' } })).to.deep.equal([])
    // A number of the tax office that is no VAT number does not say it either.
    expect(lacks({ invoicing: { taxNumber: '12/345/678' } })).to.deep.equal(['BR-CO-26 ours'])
    expect(
      lacks({
        invoicing: { taxNumber: '', registration: 'HM 2207', noTaxWhy: 'small firm' },
        closed: closing([line('Pump')], { taxBp: 0 }),
      }),
    ).to.deep.equal(['BR-E-2 ours'])
    expect(lacks({ taxTold: { withTax: false, exempt: 'article 196', exemptAs: 'reverse' } })).to.deep.equal([
      'BR-AE-2 theirs',
    ])
    expect(
      lacks({
        invoicing: { taxNumber: '12/345/678', registration: 'HM 2207' },
        taxTold: { withTax: false, exempt: 'article 196', exemptAs: 'reverse', taxNumber: 'NL123456789B01' },
      }),
    ).to.deep.equal(['BR-AE-2 ours'])
  })

  it('is taken back by the same lines under another name', () => {
    const issued: Invoice = { ...draftInvoice(billed({}), today), number: '2026-0001' }
    const note = creditNoteOf(issued, 'wrong place', '2026-11-30')
    expect(note).to.deep.include({
      kind: 'credit-note',
      issuedOn: '2026-11-30',
      lines: issued.lines,
      totals: issued.totals,
      cancels: { number: '2026-0001', issuedOn: today, why: 'wrong place' },
    })
    expect(note).not.to.have.property('number')
  })
})

describe('the number of an invoice', () => {
  it('has the year in its series where the firm wants it, and rises in it', () => {
    expect(seriesOn(usualSeries.invoice, '2026-11-26')).to.equal('2026-')
    expect(seriesOn(usualSeries['credit-note'], '2027-01-02')).to.equal('C2027-')
    expect(seriesOn('R/', '2026-11-26')).to.equal('R/')
    expect(numberOf('2026-', 7)).to.equal('2026-0007')
    expect(numberOf('R/', 12_345)).to.equal('R/12345')
    const numbers = [9, 10, 99, 100, 1000].map((n) => numberOf('2026-', n))
    expect([...numbers].sort()).to.deep.equal(numbers)
  })
})
