import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { chargeUnitWords } from '../../core/close-out/charge-terms.ts'
import { type Invoice, type InvoiceLine, toldLines } from '../../core/invoices/invoice.ts'
import { addressLines } from '../../core/invoices/party.ts'
import type { TaxSum } from '../../core/invoices/tax.ts'
import { besideLogo } from './letterhead.ts'
import { bytesOf, inks, paper } from './paper.ts'
import type { PaperWords } from './paper-words.ts'

type InvoiceWords = Pick<PaperWords, 'day' | 'figure' | 'sum'>

const titles = { invoice: 'Invoice', 'credit-note': 'Credit note' } as const

/**
 * An invoice or a credit note on paper. A household sees its lines with the tax in them, parted so that they add up to
 * the sum to the last cent; anybody else sees them before tax.
 *
 * @param picture - the logo it was issued with, as an address that holds it
 */
export function invoicePdf(invoice: Invoice, words: InvoiceWords, picture?: string): Promise<Buffer> {
  const { seller, buyer, kind, number } = invoice
  const document: TDocumentDefinitions = {
    ...paper({
      title: `${titles[kind]} ${number}, ${buyer.name}`,
      author: seller.name,
      foot: `${seller.name} · ${titles[kind].toLowerCase()} ${number} · ${words.day(invoice.issuedOn)}`,
    }),
    content: [letterhead(invoice, picture), whom(invoice, words), ...lines(invoice, words), ...pay(invoice, words)],
  }
  return bytesOf(document)
}

function letterhead({ seller }: Invoice, picture: string | undefined): Content {
  const [name = '', ...address] = addressLines(seller)
  const lines: Content[] = [
    { text: name, fontSize: 17, bold: true, color: inks.ink },
    { text: [...address, seller.phone, seller.email].filter(Boolean).join(' · '), fontSize: 9, color: inks.second },
    {
      text: [
        seller.taxNumber && `tax number ${seller.taxNumber}`,
        seller.registration && `registered ${seller.registration}`,
      ]
        .filter(Boolean)
        .join(' · '),
      fontSize: 9,
      color: inks.second,
    },
  ]
  return besideLogo(lines, picture)
}

function whom(invoice: Invoice, { day }: InvoiceWords): Content {
  const { kind, number, buyer, cancels, place } = invoice
  const facts = [
    ['Number', number],
    ['Day', day(invoice.issuedOn)],
    ['Work done on', day(invoice.deliveredOn)],
    ['At', [place.name, place.area].filter(Boolean).join(', ')],
    ['Service report', invoice.reportCode],
    ...(invoice.orderNumber ? [['Your order', invoice.orderNumber]] : []),
    ...(invoice.buyerReference ? [['Your reference', invoice.buyerReference]] : []),
    ...(buyer.taxNumber ? [['Your tax number', buyer.taxNumber]] : []),
  ] as [string, string][]
  return {
    stack: [
      {
        columns: [
          { width: '*', stack: addressLines(buyer).map((text, i) => ({ text, bold: i === 0 })) },
          {
            width: 240,
            table: {
              widths: [84, '*'],
              body: facts.map(([name, value]): TableCell[] => [{ text: name, color: inks.second }, value]),
            },
            layout: 'noBorders',
          },
        ],
        margin: [0, 22, 0, 14],
      },
      { text: `${titles[kind]} ${number}`, fontSize: 15, bold: true, color: inks.deep },
      ...(cancels
        ? [
            {
              text: `It takes back invoice ${cancels.number} of ${day(cancels.issuedOn)}: ${cancels.why}.`,
              margin: [0, 2, 0, 0] as [number, number, number, number],
            },
          ]
        : []),
    ],
  }
}

function lines(invoice: Invoice, words: InvoiceWords): Content[] {
  const { currency, totals, withTax, taxName } = invoice
  const sum = (minor: number) => words.sum(minor, currency)
  const right = (text: string, bold = false): TableCell => ({ text, alignment: 'right', bold, noWrap: true })
  const shown = toldLines(invoice)
  const row = (line: InvoiceLine, i: number): TableCell[] => [
    { text: String(i + 1), color: inks.second },
    {
      text: [
        line.name,
        // A price before tax beside a sum with tax in it would not multiply.
        ...(withTax ? [] : [{ text: priceWords(line, sum), color: inks.second }]),
        ...(line.note ? [{ text: ` (${line.note})`, color: inks.second }] : []),
      ],
    },
    right(`${words.figure(line.quantityMilli / 1000)} ${chargeUnitWords[line.unit]}`.trim()),
    right(sum(shown[i]!)),
  ]
  const tax = (one: TaxSum) =>
    one.taxBp > 0 ? `${taxName} ${words.figure(one.taxBp / 100)} % on ${sum(one.netMinor)}` : noTaxWords(one)
  const total = (text: string, minor: number, bold = false): TableCell[] => [
    { text, colSpan: 3, bold },
    '',
    '',
    right(sum(minor), bold),
  ]
  return [
    {
      table: {
        headerRows: 1,
        widths: [16, '*', 70, 80],
        dontBreakRows: true,
        body: [
          [
            { text: '', border: [false, false, false, true] },
            { text: 'What for', bold: true },
            right('How much', true),
            right(withTax ? 'With tax' : 'Before tax', true),
          ],
          ...invoice.lines.map(row),
          ...(withTax
            ? [
                total('Together, with tax', totals.grossMinor, true),
                ...totals.taxes.map((one) => total(`In it: ${tax(one)}`, one.taxMinor)),
              ]
            : [
                total('Together, before tax', totals.netMinor),
                ...totals.taxes.map((one) => total(tax(one), one.taxMinor)),
                total('Together, with tax', totals.grossMinor, true),
              ]),
          ...(totals.roundingMinor !== 0
            ? [
                total('Rounded by', totals.roundingMinor),
                total(invoice.kind === 'invoice' ? 'To pay' : 'To give back', totals.payableMinor, true),
              ]
            : []),
        ],
      },
      layout: inks.rules,
      margin: [0, 10, 0, 0],
    },
  ]
}

const priceWords = ({ priceMinor, per, unit, quantityMilli }: InvoiceLine, sum: (minor: number) => string): string => {
  if (per === 60 && unit === 'min') return `, ${sum(priceMinor)} an hour`
  if (per) return `, ${sum(priceMinor)} for ${per} ${chargeUnitWords[unit]}`
  return quantityMilli === 1000
    ? ''
    : `, ${sum(priceMinor)} each${chargeUnitWords[unit] && ` ${chargeUnitWords[unit]}`}`
}

const noTaxWords = ({ category, reason }: TaxSum): string =>
  [category === 'AE' ? 'You owe the tax' : 'No tax', reason].filter(Boolean).join(': ')

function pay({ kind, account, dueOn, number, totals, currency, note }: Invoice, { day, sum }: InvoiceWords): Content[] {
  const margin: [number, number, number, number] = [0, 12, 0, 0]
  const asked =
    kind === 'credit-note'
      ? `${sum(totals.payableMinor, currency)} is given back, or set against what is open.`
      : `Please pay ${sum(totals.payableMinor, currency)} by ${day(dueOn)}.`
  return [
    {
      unbreakable: true,
      margin,
      stack: [
        { text: asked, bold: true },
        ...(kind === 'invoice' && account
          ? [
              {
                text: [
                  `To ${account.name ?? 'our account'}, IBAN ${inFours(account.iban)}`,
                  account.bic ? `, BIC ${account.bic}` : '',
                  `, with the number ${number}.`,
                ].join(''),
              },
            ]
          : []),
        ...(note ? [{ text: note, color: inks.second, margin: [0, 6, 0, 0] as typeof margin }] : []),
      ],
    },
  ]
}

/** As it is read from paper. @example inFours('DE75512108001245126199') // 'DE75 5121 0800 1245 1261 99' */
const inFours = (iban: string): string => iban.replaceAll(/(.{4})(?=.)/g, '$1 ')
