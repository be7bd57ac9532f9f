import { array, boolean, number, object, string } from 'yup'
import { freeOfTax } from '../../invoices/free-of-tax.ts'
import { type Minor, mostMinor, sumWords } from '../../money/minor-unit.ts'
import { localDay } from '../../parse/fields.ts'
import { slug, v, words } from '../body-fields.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

const minor = () => number().integer().min(0).max(mostMinor)

/** What an hour, a kilometre and a call cost, before tax, in minor units of the firm’s currency; and the tax on it. */
export const rates = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['rates']).required(),
      currency: string()
        .matches(/^[A-Z]{3}$/, 'is not a currency code, such as EUR')
        .required(),
      labourPerHourMinor: minor(),
      travelPerHourMinor: minor(),
      perKmMinor: minor(),
      callOutMinor: minor(),
      /** Hundredths of a per cent: 1900 are 19 %. */
      taxBp: number().integer().min(0).max(10_000).required(),
      taxName: words(30),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ currency, labourPerHourMinor, travelPerHourMinor, perKmMinor, callOutMinor, taxBp, taxName }, pen) => {
    const sum = (amount: Minor) => sumWords(amount, currency)
    return `Rates: ${[
      labourPerHourMinor === undefined ? '' : `work ${sum(labourPerHourMinor)} an hour`,
      travelPerHourMinor === undefined ? '' : `road ${sum(travelPerHourMinor)} an hour`,
      perKmMinor === undefined ? '' : `${sum(perKmMinor)} a kilometre`,
      callOutMinor === undefined ? '' : `the call ${sum(callOutMinor)}`,
      `${taxName ?? 'tax'} ${pen.figure(taxBp / 100)} %`,
    ]
      .filter(Boolean)
      .join(', ')}`
  },
})

/** What a contract pays for. None of its clauses said: there is no contract any more. */
export const covers = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['covers']).required(),
      /** As the customer knows it. */
      name: words(80),
      until: localDay(),
      /** Parts up to so much each; null: none of them; absent: whatever they cost. */
      partsUpToMinor: minor().nullable(),
      notParts: array(slug().required()).max(100),
      labour: boolean(),
      travel: boolean(),
      used: boolean(),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ name, until, labour, travel, used, partsUpToMinor }, { day }) => {
    const paid = [
      labour ? 'work' : '',
      travel ? 'the road' : '',
      partsUpToMinor === null ? '' : partsUpToMinor === undefined ? 'parts' : 'parts up to a price each',
      used ? 'what is used up' : '',
    ].filter(Boolean)
    if (labour === undefined && travel === undefined && used === undefined) return 'No contract pays any more'
    return `Contract${name ? ` ${name}` : ''} pays for ${paid.join(', ') || 'nothing'}${until ? ` until ${day(until)}` : ''}`
  },
})

/** Whether prices are told with tax in them, as to a household: of a customer. */
export const taxTold = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['tax-told']).required(),
      withTax: boolean().required(),
      /** Theirs, for what is written to them. */
      taxNumber: words(40),
      /** Where they pay none: by which rule. */
      exempt: words(160),
      /** Exempt, owed by themselves, or outside the tax. */
      exemptAs: string().oneOf(freeOfTax),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ withTax, taxNumber, exempt }) =>
    `Prices told ${withTax ? 'with tax in them' : 'before tax'}${taxNumber ? `, tax number ${taxNumber}` : ''}${exempt ? `, without tax: ${exempt}` : ''}`,
})
