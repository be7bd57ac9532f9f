/** Who writes an invoice, or whom it is written to. */
export interface Party {
  name: string
  street?: string
  postcode?: string
  town?: string
  /** ISO 3166-1, two letters. */
  country?: string
  /** For the tax on it; a VAT number begins with its country (EN 16931, BR-CO-9). */
  taxNumber?: string
  /** Of the register of firms. */
  registration?: string
  email?: string
}

/**
 * Whether a tax number is a VAT number as others abroad know it: it begins with its country, Greece with EL.
 * @example isVatNumber('DE123456789') // true
 * @example isVatNumber('12/345/678') // false
 */
export const isVatNumber = (number: string): boolean => {
  const country = /^([A-Z]{2})[A-Z0-9]{2,13}$/.exec(number.replaceAll(/[\s.-]/g, ''))?.[1]
  return country !== undefined && (country === 'EL' || isCountry(country))
}

const countries = new Intl.DisplayNames(['en'], { type: 'region', fallback: 'none' })

/** Whether two letters are a country's. @example isCountry('QX') // false */
export const isCountry = (code: string): boolean => /^[A-Z]{2}$/.test(code) && countries.of(code) !== undefined

/** Its name as it is read. @example countryName('NL') // 'Netherlands' */
export const countryName = (code: string): string => (isCountry(code) ? countries.of(code)! : code)

/** As it stands on an envelope, a line each. */
export const addressLines = ({ name, street, postcode, town, country }: Party): string[] =>
  [name, street ?? '', [postcode, town].filter(Boolean).join(' '), country ? countryName(country) : ''].filter(Boolean)
