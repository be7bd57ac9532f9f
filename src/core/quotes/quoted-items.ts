import { upper } from '../ledger/phrases.ts'
import type { Minor } from '../money/minor.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { Advised } from './advised.ts'
import { type Waiting, waitingOf } from './waiting.ts'

/** One thing of a quote, as it is put to the customer. */
export interface QuotedItem {
  subjectId: string
  name: string
  part?: string
  waits?: Waiting[]
}

/**
 * What was chosen of what is advised, each with what waiting adds by the next visits.
 *
 * @param callMinor - of coming for one thing alone, where it is theirs to pay; null: nothing is said of waiting
 */
export const quotedItems = (
  taken: readonly Advised[],
  days: readonly LocalDay[],
  callMinor: Minor | null,
): QuotedItem[] =>
  taken.map(({ subjectId, name, part, due }) => {
    const waits = waitingOf({ due, part }, days, callMinor)
    return { subjectId, name: upper(name).slice(0, 160), ...(part && { part }), ...(waits && { waits }) }
  })
