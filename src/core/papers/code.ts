/** Digits and letters that nobody takes for each other on a label: no I, L, O, U (Crockford’s base 32). */
const symbols = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'
const base = symbols.length
const length = 6

/**
 * A short code for something that has an id, with a check character: for a paper before it has its number, and to be read
 * out on the telephone. Six characters of the random end of the id, and one that a slip of the pen does not pass.
 *
 * The check is the Luhn algorithm in base 32 (ISO/IEC 7812-1, annex B, carried from 10 to 32 symbols): it finds every
 * single wrong character, and two neighbours exchanged but for one pair.
 *
 * @param id - a UUID
 * @example codeOf('01939000-0000-7000-8000-00000000000a') // '0000-0AC'
 */
export function codeOf(id: string): string {
  let bits = BigInt(`0x${id.replaceAll('-', '').slice(-12)}`)
  let code = ''
  for (let i = 0; i < length; i += 1) {
    code = symbols[Number(bits % BigInt(base))] + code
    bits /= BigInt(base)
  }
  const whole = code + checkOf(code)
  return `${whole.slice(0, 4)}-${whole.slice(4)}`
}

const plainOf = (typed: string): string =>
  typed.toUpperCase().replaceAll(/[\s-]/g, '').replaceAll('O', '0').replaceAll(/[IL]/g, '1')

/** Whether a code can be one: as it was printed, or typed in small letters, with or without its dash. */
export function isCode(typed: string): boolean {
  const plain = plainOf(typed)
  if (plain.length !== length + 1 || [...plain].some((symbol) => !symbols.includes(symbol))) return false
  return checkOf(plain.slice(0, -1)) === plain.at(-1)
}

/**
 * The thirty bits of an id that a code tells: its last ones.
 * @returns null for what is no code
 * @example bitsIn('0000-0AC') // 10
 */
export const bitsIn = (typed: string): number | null =>
  isCode(typed)
    ? [...plainOf(typed).slice(0, -1)].reduce((bits, symbol) => bits * base + symbols.indexOf(symbol), 0)
    : null

function checkOf(code: string): string {
  let sum = 0
  let factor = 2
  for (const symbol of [...code].reverse()) {
    const product = symbols.indexOf(symbol) * factor
    sum += Math.floor(product / base) + (product % base)
    factor = factor === 2 ? 1 : 2
  }
  return symbols[(base - (sum % base)) % base]!
}
