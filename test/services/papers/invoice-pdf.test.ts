import { expect } from 'chai'
import sharp from 'sharp'
import { creditNoteOf, draftInvoice } from '../../../src/core/invoices/draft.ts'
import { type Invoice, toldLines } from '../../../src/core/invoices/invoice.ts'
import { invoicePdf } from '../../../src/services/papers/invoice-pdf.ts'
import { dayLong, figure } from '../../../src/ui/format.ts'
import { moneyOf } from '../../../src/ui/minor-words.ts'
import { billed, closing, line } from '../../core/invoices/billed.ts'
import { readPdf } from './read-pdf.ts'

const words = { day: dayLong, figure, sum: moneyOf }
const invoice = (said: Parameters<typeof billed>[0] = {}): Invoice => ({
  ...draftInvoice(billed(said), '2026-11-26'),
  number: '2026-0007',
})
const read = async (of: Invoice) => {
  const pdf = await readPdf(await invoicePdf(of, words))
  return { ...pdf, text: pdf.pages.join('\n') }
}

describe('an invoice on paper', () => {
  it('says who, whom, when, by which numbers, what for and how much, in type it carries', async () => {
    const { text, title, isTagged, fonts, pages } = await read(
      invoice({
        closed: closing([
          line('Safety valve'),
          line('Gasket', { quantityMilli: 2000, priceMinor: 520 }),
          line('Work', { quantityMilli: 92_000, unit: 'min', priceMinor: 6300, per: 60 }),
        ]),
        invoicing: { iban: 'DE75512108001245126199', registration: 'HM 2207', note: 'Parts stay ours until paid.' },
        customer: { orderNumber: 'PO 7', billReference: 'Bar' },
      }),
    )
    expect(title).to.equal('Invoice 2026-0007, Thistle & Rye')
    expect(isTagged).to.equal(true)
    expect(fonts).to.be.greaterThan(0)
    expect(pages).to.have.length(1)
    for (const said of [
      'tax number DE123456789',
      'registered HM 2207',
      'PO 7',
      'Bar',
      'Gasket, €5.20 each',
      'Work, €63.00 an hour',
      '€96.60',
      'Together, before tax',
      'VAT 19 % on €148.00',
      '€28.12',
      '€176.12',
      'Please pay €176.12 by 10 Dec 2026.',
      'DE75 5121 0800 1245 1261 99',
      'Parts stay ours until paid.',
    ])
      expect(text).to.include(said)
  })

  it('bears the logo it was issued with, and its name in letters all the same', async () => {
    const name = 'a'.repeat(64)
    const [plain, logoed] = [invoice(), invoice({ letterhead: { v: 1, setting: 'letterhead', logo: name } })]
    expect([plain.seller.logo, logoed.seller.logo]).to.deep.equal([undefined, name])
    const drawn = await sharp({ create: { width: 120, height: 40, channels: 3, background: '#0b4f59' } })
      .jpeg()
      .toBuffer()
    const picture = `data:image/jpeg;base64,${drawn.toString('base64')}`
    const [without, beside] = await Promise.all([
      invoicePdf(plain, words).then(readPdf),
      invoicePdf(logoed, words, picture).then(readPdf),
    ])
    expect([without.images, beside.images]).to.deep.equal([0, 1])
    expect(beside.pages[0]).to.contain(logoed.seller.name)
  })

  it('tells a household its lines with the tax in them, and they add up to the last cent', async () => {
    const closed = closing(
      [line('One', { priceMinor: 333 }), line('Two', { priceMinor: 333 }), line('Three', { priceMinor: 333 })],
      { withTax: true },
    )
    const of = invoice({ closed })
    expect(of.totals.grossMinor).to.equal(1189)
    const told = toldLines(of)
    expect(told.reduce((sum, one) => sum + one, 0)).to.equal(1189)
    expect(told).to.have.members([397, 396, 396])
    const { text } = await read(of)
    expect(text).to.include('With tax').and.to.include('In it: VAT 19 % on €9.99').and.to.include('€3.97')
    expect(text).not.to.include('Together, before tax')
  })

  it('says why there is no tax', async () => {
    const { text } = await read(
      invoice({ taxTold: { withTax: false, exempt: 'article 196', exemptAs: 'reverse', taxNumber: 'NL123456789B01' } }),
    )
    expect(text).to.include('You owe the tax: article 196').and.to.include('NL123456789B01')
  })

  it('taken back names the invoice and the reason, and asks for no money', async () => {
    const of: Invoice = { ...creditNoteOf(invoice(), 'it was in the contract', '2026-11-30'), number: 'C2026-0001' }
    const { text, title } = await read(of)
    expect(title).to.match(/^Credit note C2026-0001/)
    expect(text).to.include('It takes back invoice 2026-0007 of 26 Nov 2026: it was in the contract.')
    expect(text).to.include('is given back').and.not.to.include('Please pay').and.not.to.include('IBAN')
  })

  it('of many lines breaks between rows: each stands on one page, whole', async () => {
    const many = Array.from({ length: 90 }, (_, i) =>
      line(`Part number ${i + 1} of many, with a name over two lines ${'and more '.repeat(8)}end ${i + 1}`),
    )
    const { pages } = await read(invoice({ closed: closing(many) }))
    expect(pages.length).to.be.greaterThan(2)
    for (let i = 1; i <= 90; i += 1) {
      const page = pages.find((text) => text.includes(`Part number ${i} of many`))!
      expect(page.replaceAll('\n', ' ')).to.include(`end ${i}`)
    }
  })
})
