import { dictionary } from '@zxcvbn-ts/language-common'
import { string } from 'yup'

const shortest = 10

/**
 * Passwords that guessers try first: of the list that ships with zxcvbn-ts those that are long enough to be taken.
 * They are compared without case, and without what is put behind them to please a rule.
 */
const common = new Set(
  (dictionary['passwords-common'] as string[]).filter((word) => word.length >= shortest - 4).map((word) => bare(word)),
)

function bare(password: string): string {
  const small = password.toLowerCase()
  const cut = small.replace(/[\d\W_]{1,4}$/, '')
  return cut.length >= shortest - 4 ? cut : small
}

/** The same piece over and over, or a walk along the alphabet or the figures. */
function isPattern(password: string): boolean {
  const small = password.toLowerCase()
  if (/^(.{1,3})\1+.{0,2}$/s.test(small)) return true
  const steps = new Set([...small].slice(1).map((char, i) => char.charCodeAt(0) - small.charCodeAt(i)))
  return steps.size === 1
}

/** Long enough that nobody guesses it, and none of those that are guessed first; any characters. */
export const passwordField = () =>
  string()
    .min(shortest, `must have at least ${shortest} characters`)
    .max(1000, 'must be at most 1000 characters')
    .test(
      'common',
      'is one of those that are guessed first: three or four words nobody would put together are better',
      (value) =>
        value === undefined ? true : !common.has(bare(value)) && !common.has(value.toLowerCase()) && !isPattern(value),
    )
    .required()

/** Whether somebody's own address stands in it, or it in the address: the first that is tried. */
export function isOfAddress(password: string, email: string): boolean {
  const small = password.toLowerCase()
  const [own = ''] = email.toLowerCase().split('@')
  return (
    small.includes(email.toLowerCase()) || (own.length >= 4 && small.includes(own) && small.length - own.length < 6)
  )
}
export const ofAddressMessage = 'is your e-mail address with little added: it is tried first'

export const emailField = () =>
  string()
    .matches(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, 'is not an e-mail address')
    .max(200, 'must be at most 200 characters')
    .required()
