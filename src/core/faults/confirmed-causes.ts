import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { FaultBook } from './fault.ts'

/** One repair that names its cause as the book does. */
export interface ConfirmedRepair {
  machineId: string
  on: LocalDay
}

/** What repairs say of one fault: how often it was it, how often it was repaired and was not. */
export interface ConfirmedCause {
  fault: string
  name: string
  cured: ConfirmedRepair[]
  notCured: number
}

/**
 * Causes confirmed on machines of a kind, the commonest first. A repair counts where its cause is one of the book and
 * it cured; written in words alone it tells nothing that can be counted.
 *
 * @param entries - effective ones of all machines of the kind; others than repairs are passed over
 */
export function confirmedCauses(book: FaultBook, entries: Entry[]): { causes: ConfirmedCause[]; inWordsOnly: number } {
  const repairs = entries.filter(isKind('repaired')).map((entry) => ({ entry, body: entry.body }))
  const causes = book.faults.flatMap(({ id, name }): ConfirmedCause[] => {
    const own = repairs.filter(({ body }) => body.fault === id)
    if (own.length === 0) return []
    const cured = own
      .filter(({ body }) => body.cured !== false)
      .map(({ entry }) => ({ machineId: entry.subjectId, on: entry.happenedOn }))
      .sort((a, b) => (a.on < b.on ? 1 : -1))
    return [{ fault: id, name, cured, notCured: own.length - cured.length }]
  })
  return {
    causes: causes.sort((a, b) => b.cured.length - a.cured.length || (a.name < b.name ? -1 : 1)),
    inWordsOnly: repairs.filter(({ body }) => !book.faults.some(({ id }) => id === body.fault)).length,
  }
}

/** What is adopted of them: how often each was it. */
export const countsOf = (causes: ConfirmedCause[]): { fault: string; n: number }[] =>
  causes.flatMap(({ fault, cured }) => (cured.length > 0 ? [{ fault, n: cured.length }] : []))
