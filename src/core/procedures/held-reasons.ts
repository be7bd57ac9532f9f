/** Why a machine is not for use: what may be left in it and is not to be drunk, or a test that is still open. */
export const heldReasons = {
  detergent: { name: 'detergent', words: 'detergent in it', drink: true },
  'milk-cleaner': { name: 'milk cleaner', words: 'milk cleaner in it', drink: true },
  descaler: { name: 'acid', words: 'acid in it', drink: true },
  sanitiser: { name: 'sanitiser', words: 'sanitiser in it', drink: true },
  chemical: { name: 'acid or detergent', words: 'acid or detergent may be in it', drink: true },
  mould: { name: 'mould', words: 'mould in it', drink: true },
  heating: { name: 'heating', words: 'it heated on, or ran dry', drink: false },
  pressure: { name: 'pressure', words: 'pressure where none should be', drink: false },
  milk: { name: 'spoilt milk', words: 'milk side not clean or not cold', drink: true },
  place: { name: 'the place', words: 'the place itself is not safe', drink: false },
  vessel: { name: 'pressure vessel', words: 'pressure vessel refused by its inspector', drink: false },
  electrical: { name: 'electrical test', words: 'electrical test open', drink: false },
} as const
export type HeldReason = keyof typeof heldReasons
export const heldReasonIds = Object.keys(heldReasons) as HeldReason[]

/** Several reasons in one breath. @example heldWords(['descaler', 'detergent']) // 'acid and detergent in it' */
export function heldWords(reasons: HeldReason[]): string {
  const drunk = reasons.filter(notToDrink).map((reason) => heldReasons[reason].name)
  return [
    drunk.length > 0 ? `${drunk.join(' and ')} in it` : '',
    ...reasons.filter((reason) => !notToDrink(reason)).map((reason) => heldReasons[reason].words),
  ]
    .filter(Boolean)
    .join('; ')
}

/** Whether it is something nobody may drink. */
export const notToDrink = (reason: HeldReason): boolean => heldReasons[reason].drink
