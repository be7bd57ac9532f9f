import { number, object, string } from 'yup'
import { slug, words } from '../ledger/body-fields.ts'
import { mostMinor } from '../money/minor-unit.ts'
import { uuid } from '../parse/fields.ts'
import { chargeOf, chargeUnits, payers } from './charge-terms.ts'

export const minorField = () => number().integer().min(0).max(mostMinor)

export const currencyField = () =>
  string()
    .matches(/^[A-Z]{3}$/, 'is not a currency code, such as EUR')
    .required()

/** Hundredths of a per cent: 1900 are 19 %. */
export const taxBpField = () => number().integer().min(0).max(10_000).required()

/** A line of what a visit costs, or would cost, as the ledger keeps it. */
export const chargeLineField = () =>
  object({
    id: string().max(120).required(),
    of: string().oneOf(chargeOf).required(),
    name: words(160).required(),
    subjectId: uuid(),
    part: slug(),
    quantityMilli: number().integer().min(0).max(1e9).required(),
    unit: string().oneOf(chargeUnits).required(),
    priceMinor: minorField().nullable().defined(),
    per: number().integer().min(1).max(100_000),
    pays: string().oneOf(payers).required(),
    why: words(200),
    changed: words(300),
  })
    .noUnknown()
    .required()
