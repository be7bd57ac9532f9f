import { type ChargeLine, totalsOf } from './charge-line.ts'
import type { CloseOut } from './close-out.ts'
import { type Sentence, sentencesOf, type ToldOpen } from './sentences.ts'

/** A visit’s end with what was put right of it, as far as it is signed. */
export interface AsLeft {
  subjects: CloseOut['subjects']
  withTax: boolean
  taxBp: number
  lines: readonly ChargeLine[]
  told: readonly ToldOpen[]
  /** Names of machines that are isolated and tagged. */
  isolated: readonly string[]
}

/**
 * The sentences that are signed at the end of a visit.
 *
 * @param words - how a day and a sum are written
 */
export function signedOf(
  left: AsLeft,
  words: { day: (day: string) => string; sum: (minor: number) => string },
): Sentence[] {
  const { subjects, lines, withTax } = left
  const { netMinor, grossMinor } = totalsOf(lines, left.taxBp)
  const charged = lines.filter(({ pays, priceMinor }) => pays === 'customer' && priceMinor !== null && priceMinor > 0)
  const rest = (['contract', 'warranty', 'nobody'] as const).find((payer) => lines.some(({ pays }) => pays === payer))
  return sentencesOf(
    {
      machines: subjects.filter(({ kind }) => kind === 'machine').length,
      lines: subjects.reduce((sum, one) => sum + one.lines.length + one.rest.length, 0),
      tested: subjects
        .filter(({ rest: more }) => more.some((entry) => entry.kind === 'tested-out' && entry.body.passed))
        .map(({ name }) => name),
      isolated: [...new Set(left.isolated)],
      open: left.told,
      charged: netMinor > 0 ? words.sum(withTax ? grossMinor : netMinor) : null,
      chargedFor: charged.length > 3 ? [] : charged.map(({ name }) => name.toLowerCase()),
      isRestPaid: rest ?? null,
      withTax,
    },
    words.day,
  )
}
