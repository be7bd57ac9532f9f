import { type Invoice as InternalInvoice, InvoiceService } from '@e-invoice-eu/core'
import type { ChargeUnit } from '../../core/close-out/charge-terms.ts'
import type { Invoice, InvoiceLine } from '../../core/invoices/invoice.ts'
import { isVatNumber, type Party } from '../../core/invoices/party.ts'
import type { TaxOnLine } from '../../core/invoices/tax.ts'
import { decimalOf, type Minor } from '../../core/money/minor.ts'

/** Units by UN/ECE recommendation 20, as EN 16931 wants them. */
const unitCodes: Record<ChargeUnit, string> = { piece: 'C62', min: 'MIN', km: 'KMT', kg: 'KGM', g: 'GRM', l: 'LTR' }

const typeCodes = { invoice: '380', 'credit-note': '381' } as const

/** The library tells of its steps; nobody listens. */
const silent = { log: () => undefined, warn: () => undefined, error: () => undefined } as unknown as Console
const service = new InvoiceService(silent)

/**
 * An invoice or a credit note as UBL 2.1 with the content of EN 16931: what programs that keep books take in. The
 * library knows the order of the elements and the lists of codes, and refuses what is not in them.
 *
 * @throws with what the library says, where it refuses the invoice: a currency that is none
 */
export async function ublOf(invoice: Invoice): Promise<string> {
  const xml = await service.generate({ 'ubl:Invoice': contentOf(invoice) } as unknown as InternalInvoice, {
    format: 'UBL',
    lang: 'en',
    noWarnings: true,
  })
  return String(xml)
}

function contentOf(invoice: Invoice) {
  const { kind, seller, buyer, currency, totals, account, cancels, place } = invoice
  const sum = (field: string, amount: Minor) => ({
    [field]: decimalOf(amount, currency),
    [`${field}@currencyID`]: currency,
  })
  // Outside the tax nobody's VAT number may stand on it (EN 16931, BR-O-2).
  const isTaxed = totals.taxes.some(({ category }) => category !== 'O')
  const notes = [
    cancels && `Credits invoice ${cancels.number}: ${cancels.why}`,
    `${place.name}${place.area ? `, ${place.area}` : ''}, service report ${invoice.reportCode}`,
    invoice.note,
  ].filter(Boolean)
  return {
    'cbc:CustomizationID': 'urn:cen.eu:en16931:2017',
    'cbc:ID': invoice.number,
    'cbc:IssueDate': invoice.issuedOn,
    ...(kind === 'invoice' && { 'cbc:DueDate': invoice.dueOn }),
    'cbc:InvoiceTypeCode': typeCodes[kind],
    'cbc:Note': notes.join('. '),
    'cbc:DocumentCurrencyCode': currency,
    ...(invoice.buyerReference && { 'cbc:BuyerReference': invoice.buyerReference }),
    ...(invoice.orderNumber && { 'cac:OrderReference': { 'cbc:ID': invoice.orderNumber } }),
    ...(cancels && {
      'cac:BillingReference': [
        { 'cac:InvoiceDocumentReference': { 'cbc:ID': cancels.number, 'cbc:IssueDate': cancels.issuedOn } },
      ],
    }),
    'cac:AccountingSupplierParty': { 'cac:Party': partyOf(seller, { isSeller: true, isTaxed, phone: seller.phone }) },
    'cac:AccountingCustomerParty': { 'cac:Party': partyOf(buyer, { isSeller: false, isTaxed }) },
    'cac:Delivery': { 'cbc:ActualDeliveryDate': invoice.deliveredOn },
    ...(kind === 'invoice' &&
      account && {
        'cac:PaymentMeans': [
          {
            'cbc:PaymentMeansCode': '30',
            'cbc:PaymentID': invoice.number,
            'cac:PayeeFinancialAccount': {
              'cbc:ID': account.iban,
              ...(account.name && { 'cbc:Name': account.name }),
              ...(account.bic && { 'cac:FinancialInstitutionBranch': { 'cbc:ID': account.bic } }),
            },
          },
        ],
      }),
    // Something to be paid has a day or terms (BR-CO-25); a credit note in UBL has no day.
    ...(kind === 'credit-note' && {
      // By which way is not said yet (UN/EDIFACT 4461).
      'cac:PaymentMeans': [{ 'cbc:PaymentMeansCode': '1' }],
      'cac:PaymentTerms': { 'cbc:Note': 'Given back, or set against what is open.' },
    }),
    'cac:TaxTotal': [
      {
        ...sum('cbc:TaxAmount', totals.taxMinor),
        'cac:TaxSubtotal': totals.taxes.map(({ netMinor, taxMinor, ...tax }) => ({
          ...sum('cbc:TaxableAmount', netMinor),
          ...sum('cbc:TaxAmount', taxMinor),
          'cac:TaxCategory': categoryOf(tax, { withReason: true }),
        })),
      },
    ],
    'cac:LegalMonetaryTotal': {
      ...sum('cbc:LineExtensionAmount', totals.netMinor),
      ...sum('cbc:TaxExclusiveAmount', totals.netMinor),
      ...sum('cbc:TaxInclusiveAmount', totals.grossMinor),
      ...(totals.roundingMinor !== 0 && sum('cbc:PayableRoundingAmount', totals.roundingMinor)),
      ...sum('cbc:PayableAmount', totals.payableMinor),
    },
    'cac:InvoiceLine': invoice.lines.map((line, i) => lineOf(line, i + 1, currency)),
  }
}

function lineOf(line: InvoiceLine, n: number, currency: string) {
  const unit = unitCodes[line.unit]
  return {
    'cbc:ID': String(n),
    ...(line.note && { 'cbc:Note': line.note }),
    'cbc:InvoicedQuantity': thousandths(line.quantityMilli),
    'cbc:InvoicedQuantity@unitCode': unit,
    'cbc:LineExtensionAmount': decimalOf(line.netMinor, currency),
    'cbc:LineExtensionAmount@currencyID': currency,
    'cac:Item': {
      'cbc:Name': line.name,
      'cac:ClassifiedTaxCategory': categoryOf(line.tax, { withReason: false }),
    },
    'cac:Price': {
      'cbc:PriceAmount': decimalOf(line.priceMinor, currency),
      'cbc:PriceAmount@currencyID': currency,
      ...(line.per && { 'cbc:BaseQuantity': String(line.per), 'cbc:BaseQuantity@unitCode': unit }),
    },
  }
}

/** Outside the tax there is no rate either (EN 16931, BR-O-5). */
const categoryOf = ({ category, taxBp, reason }: TaxOnLine, { withReason }: { withReason: boolean }) => ({
  'cbc:ID': category,
  ...(category !== 'O' && { 'cbc:Percent': hundredths(taxBp) }),
  ...(withReason && reason && { 'cbc:TaxExemptionReason': reason }),
  'cac:TaxScheme': { 'cbc:ID': 'VAT' },
})

function partyOf(
  party: Party,
  { isSeller, isTaxed, phone }: { isSeller: boolean; isTaxed: boolean; phone?: string | undefined },
) {
  const { name, street, postcode, town, country = '', taxNumber, registration, email } = party
  const isVat = taxNumber !== undefined && isVatNumber(taxNumber)
  return {
    ...(email && { 'cbc:EndpointID': email, 'cbc:EndpointID@schemeID': 'EM' }),
    'cac:PostalAddress': {
      ...(street && { 'cbc:StreetName': street }),
      ...(town && { 'cbc:CityName': town }),
      ...(postcode && { 'cbc:PostalZone': postcode }),
      'cac:Country': { 'cbc:IdentificationCode': country },
    },
    ...(taxNumber &&
      isTaxed &&
      (isVat || isSeller) && {
        'cac:PartyTaxScheme': isSeller
          ? [{ 'cbc:CompanyID': plain(taxNumber, isVat), 'cac:TaxScheme': { 'cbc:ID': isVat ? 'VAT' : 'FC' } }]
          : { 'cbc:CompanyID': plain(taxNumber, isVat), 'cac:TaxScheme': { 'cbc:ID': 'VAT' } },
      }),
    'cac:PartyLegalEntity': {
      'cbc:RegistrationName': name,
      ...(registration && { 'cbc:CompanyID': registration }),
    },
    ...(isSeller &&
      (phone || email) && {
        'cac:Contact': {
          'cbc:Name': name,
          ...(phone && { 'cbc:Telephone': phone }),
          ...(email && { 'cbc:ElectronicMail': email }),
        },
      }),
  }
}

/** A VAT number without the blanks and points it is read with. */
const plain = (number: string, isVat: boolean): string => (isVat ? number.replaceAll(/[\s.-]/g, '') : number)

const hundredths = (whole: number): string => decimal(whole, 2)
const thousandths = (whole: number): string => decimal(whole, 3)

/** Parted as text: 1900 hundredths are 19, 7250 thousandths are 7.25. */
function decimal(whole: number, places: number): string {
  const digits = String(whole).padStart(places + 1, '0')
  const fraction = digits.slice(-places).replace(/0+$/, '')
  return digits.slice(0, -places) + (fraction && `.${fraction}`)
}
