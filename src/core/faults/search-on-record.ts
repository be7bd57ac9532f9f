import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import { openReport } from '../visits/open-reports.ts'
import type { FaultBook } from './fault.ts'
import { otherThanAll } from './rank-causes.ts'
import { newSearch, type Search } from './search.ts'

/** A search that was begun by somebody, as the ledger tells of it. */
export interface SearchOnRecord {
  search: Search
  reportId: string
  /** The entries of its answers, in order. */
  answerIds: string[]
  /** In the customer’s words. */
  text: string
  on: string
}

/**
 * The search for the fault that was last reported of a machine and that nothing has cured: what was told on the
 * telephone or tried since. What must stop first is asked again by whoever stands there.
 *
 * @param entries - effective entries of one machine, in order
 * @returns null where no fault is open, or its complaint is in no book
 */
export function searchOnRecord(book: FaultBook, entries: readonly Entry[]): SearchOnRecord | null {
  const report = openReport(entries)
  const symptom = report?.body.symptom
  if (!report || !symptom || !book.symptoms.some(({ id }) => id === symptom)) return null
  const isKnown = (test: string, outcome: string) =>
    book.tests.some(
      ({ id, outcomes }) => id === test && (outcome === otherThanAll || outcomes.some((one) => one.id === outcome)),
    )
  const answers = entries
    .filter(isKind('test-seen'))
    .filter(({ body }) => body.report === report.id && isKnown(body.test, body.outcome))
  return {
    search: {
      ...newSearch(symptom, Date.parse(report.happenedAt)),
      seen: answers.map(({ body: { test, outcome, value, said, times }, happenedAt }) => ({
        test,
        outcome,
        at: Date.parse(happenedAt),
        ...(value !== undefined && { value }),
        ...(said && { said }),
        ...(times && { times }),
      })),
    },
    reportId: report.id,
    answerIds: answers.map(({ id }) => id),
    text: report.body.text,
    on: report.happenedOn,
  }
}
