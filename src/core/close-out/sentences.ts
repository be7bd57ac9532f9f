import type { LocalDay } from '../quantity/local-day.ts'
import type { SentenceKind } from './sentence-kinds.ts'

/** A thing that is left open, as the customer was told of it. */
export interface ToldOpen {
  machine: string
  /** What is open: control board, cracked. */
  name: string
  /** Until when it was chosen to wait; null: it was told and nothing was decided. */
  until: LocalDay | null
}

/** What is known when a visit is signed. */
export interface ToSign {
  machines: number
  lines: number
  /** Machines that were tested out after a repair. */
  tested: readonly string[]
  isolated: readonly string[]
  open: readonly ToldOpen[]
  /** What is charged, as it is written: €109.00; null: nothing. */
  charged: string | null
  /** What it is charged for, at most three names. */
  chargedFor: readonly string[]
  /** Something else was done that a contract, a warranty or goodwill pays. */
  isRestPaid: 'contract' | 'warranty' | 'nobody' | null
  /** Includes tax, as a household is told. */
  withTax: boolean
}

export interface Sentence {
  of: SentenceKind
  text: string
}

/**
 * The sentences that somebody signs: what was done and seen, what is made safe and not to be used, what was told and
 * chosen, what is charged. Nobody signs a forecast, and nobody signs that a grinder makes coffee.
 *
 * @example sentencesOf(visit, day)[1] // { of: 'open', text: 'I was told that the control board of Right bar is …' }
 */
export function sentencesOf(visit: ToSign, day: (day: LocalDay) => string): Sentence[] {
  const { machines, lines, tested, isolated, open, charged, chargedFor, isRestPaid, withTax } = visit
  const done: Sentence[] =
    lines === 0
      ? [{ of: 'done', text: 'Somebody was here today and looked; nothing was done at a machine.' }]
      : [
          {
            of: 'done',
            text: `I was shown what was done here today: ${lines} ${lines === 1 ? 'line' : 'lines'} at ${machines} ${machines === 1 ? 'machine' : 'machines'}.${
              tested.length > 0 ? ` I saw ${listed(tested)} working after the repair.` : ''
            }`,
          },
        ]
  const safe = isolated.map(
    (name): Sentence => ({
      of: 'isolated',
      text: `${name} is isolated and tagged. I was told that nobody may use it or take the tag off until we release it.`,
    }),
  )
  const told = open.map(
    ({ machine, name, until }): Sentence => ({
      of: 'open',
      text: `I was told of ${name} at ${machine}${until ? ` and chose to wait until ${day(until)}` : ', and have not decided yet'}.`,
    }),
  )
  const money: Sentence = {
    of: 'charged',
    text: charged
      ? `${charged} ${withTax ? 'with tax' : 'before tax'} is charged${chargedFor.length > 0 ? ` for ${listed(chargedFor)}` : ''}.${
          isRestPaid ? ` All else is ${restWords[isRestPaid]}.` : ''
        }`
      : `Nothing is charged for this visit${isRestPaid ? `: it is ${restWords[isRestPaid]}` : ''}.`,
  }
  return [...done, ...safe, ...told, money]
}

const restWords = { contract: 'in the contract', warranty: 'under warranty', nobody: 'goodwill' } as const

/** @example listed(['a', 'b', 'c']) // 'a, b and c' */
const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
