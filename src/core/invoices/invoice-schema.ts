import { array, boolean, number, object, string } from 'yup'
import { chargeUnits } from '../close-out/charge-terms.ts'
import { photoName } from '../ledger/body-fields.ts'
import { mostMinor } from '../money/minor-unit.ts'
import { localDay } from '../parse/fields.ts'
import { taxCategories } from './tax.ts'

const text = (most: number) => string().max(most)
/** A sum that may lie below nought. */
const sum = () => number().integer().min(-mostMinor).max(mostMinor).required()
const bp = () => number().integer().min(0).max(10_000).required()

const party = () => ({
  name: text(200).required(),
  street: text(200),
  postcode: text(20),
  town: text(80),
  country: text(2),
  taxNumber: text(40),
  registration: text(60),
  email: text(200),
})

const tax = () => ({ category: string().oneOf(taxCategories).required(), taxBp: bp(), reason: text(200) })

/** An invoice or a credit note as it was issued, read back from a file. */
export const invoiceSchema = object({
  kind: string().oneOf(['invoice', 'credit-note']).required(),
  number: text(60).required(),
  issuedOn: localDay().required(),
  dueOn: localDay().required(),
  deliveredOn: localDay().required(),
  currency: string()
    .matches(/^[A-Z]{3}$/)
    .required(),
  seller: object({ ...party(), phone: text(60), logo: photoName() })
    .noUnknown()
    .required(),
  account: object({ iban: text(40).required(), bic: text(11), name: text(70) })
    .noUnknown()
    .optional()
    .default(undefined),
  buyer: object(party()).noUnknown().required(),
  buyerReference: text(60),
  orderNumber: text(60),
  place: object({ name: text(80).required(), area: string().max(60).defined() })
    .noUnknown()
    .required(),
  reportCode: text(20).required(),
  withTax: boolean().required(),
  taxName: text(30).required(),
  lines: array(
    object({
      name: text(160).required(),
      quantityMilli: number().integer().min(0).max(1e9).required(),
      unit: string().oneOf(chargeUnits).required(),
      priceMinor: sum(),
      per: number().integer().min(1).max(100_000),
      netMinor: sum(),
      tax: object(tax()).noUnknown().required(),
      note: text(300),
    })
      .noUnknown()
      .required(),
  )
    .max(300)
    .required(),
  totals: object({
    netMinor: sum(),
    taxes: array(
      object({ ...tax(), netMinor: sum(), taxMinor: sum() })
        .noUnknown()
        .required(),
    )
      .max(20)
      .required(),
    taxMinor: sum(),
    grossMinor: sum(),
    roundingMinor: sum(),
    payableMinor: sum(),
  })
    .noUnknown()
    .required(),
  note: text(500),
  cancels: object({ number: text(60).required(), issuedOn: localDay().required(), why: text(300).required() })
    .noUnknown()
    .optional()
    .default(undefined),
}).noUnknown()
