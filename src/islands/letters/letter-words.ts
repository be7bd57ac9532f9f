import { dayLong } from '../../ui/format.ts'
import type { LetterRow } from '../../views/letter-page.ts'

/**
 * Where a letter stands, in words.
 * @param via - the server it is handed to; null: the mailbox that ships with the application
 */
export function stateWords({ state, tries, settledAt, said }: LetterRow, via: string | null): string {
  if (state === 'sent') {
    const on = dayLong(settledAt!.slice(0, 10))
    return via ? `went out ${on}` : `in the mailbox since ${on}`
  }
  if (state === 'refused') return `not taken: ${said ?? 'no answer'}`
  return tries === 0
    ? 'goes out in a moment'
    : `could not be handed over yet, tried ${tries === 1 ? 'once' : `${tries} times`}: ${said ?? 'no answer'}`
}
