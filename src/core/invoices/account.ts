/**
 * Whether an account number can be one, by its check digits (ISO 13616, ISO/IEC 7064 MOD 97-10). Whether the account
 * exists is not said by that.
 *
 * @param typed - with blanks or without, large letters or small
 * @example isIban('GB29 NWBK 6016 1331 9268 19') // true: the worked example of the standard's registry
 */
export function isIban(typed: string): boolean {
  const plain = ibanOf(typed)
  if (!/^[A-Z]{2}\d{2}[A-Z0-9]{11,30}$/.test(plain)) return false
  const digits = [...plain.slice(4), ...plain.slice(0, 4)].map((symbol) => Number.parseInt(symbol, 36)).join('')
  return BigInt(digits) % 97n === 1n
}

/** As it is written into a file. @example ibanOf('gb29 nwbk 6016 1331 9268 19') // 'GB29NWBK60161331926819' */
export const ibanOf = (typed: string): string => typed.replaceAll(/\s/g, '').toUpperCase()
