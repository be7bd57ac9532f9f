import type { FaultBook } from './fault.ts'
import type { Seen } from './rank-causes.ts'

/** What was tried and what it showed, in a sentence. @example 'Unit out, look at the ring: worn' */
export function seenWords(book: FaultBook, { test, outcome, words, times }: Seen): string {
  const tried = book.tests.find(({ id }) => id === test)
  const shown = tried?.outcomes.find(({ id }) => id === outcome)
  if (tried && words) return `${tried.say}: something else: ${words}`
  return tried && shown
    ? `${tried.say}: ${shown.words[0]!.toLowerCase()}${shown.words.slice(1)}${times ? `, ${times.n} of ${times.of} times` : ''}`
    : `${test}: ${outcome}`
}
