import { number, object, string } from 'yup'
import { isIban } from '../../invoices/account.ts'
import { isCountry } from '../../invoices/party.ts'
import { v, words } from '../body-fields.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

/** Begins every number of a series; `{year}` stands for the year, and the series begins anew with it. */
const series = () =>
  string().matches(/^[A-Za-z0-9/.-]{0,12}(\{year\})?[A-Za-z0-9/.-]{0,12}$/, {
    message: 'may have letters, figures, - / . and {year} once',
    excludeEmptyString: true,
  })

/** How the firm writes its invoices: who it is by law, where it is paid, how they are numbered. */
export const invoicing = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['invoicing']).required(),
      /** By law, where it is not the firm's own name. */
      name: words(120),
      street: words(120),
      postcode: words(20),
      town: words(80),
      country: string().test(
        'country',
        'is not a country’s two letters, such as NL',
        (code) => !code || isCountry(code),
      ),
      taxNumber: words(40),
      registration: words(60),
      iban: string().test('iban', 'has a slip in it: its check digits do not fit', (iban) => !iban || isIban(iban)),
      bic: string().matches(/^[A-Za-z]{6}[A-Za-z0-9]{2}([A-Za-z0-9]{3})?$/, {
        message: 'is not a BIC of eight or eleven characters',
        excludeEmptyString: true,
      }),
      accountName: words(70),
      dueDays: number().integer().min(0).max(365),
      invoiceSeries: series(),
      creditSeries: series(),
      /** Where no tax is charged at all: by which rule. */
      noTaxWhy: words(160),
      /** The smallest step that is paid, in minor units. */
      roundToMinor: number().integer().min(1).max(1000),
      /** Stands at the foot of each. */
      note: words(500),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ name, town, taxNumber, iban, dueDays }) =>
    `Invoices: ${[name, town, taxNumber && `tax number ${taxNumber}`, iban && `paid to ${iban}`, dueDays !== undefined && `within ${dueDays} days`].filter(Boolean).join(', ') || 'nothing said'}`,
})
