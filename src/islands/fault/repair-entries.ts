import type { Fault, FaultBook } from '../../core/faults/fault.ts'
import type { Search } from '../../core/faults/search.ts'
import type { Electrical } from '../../core/faults/test-out.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import { makeEntry } from '../make-entry.ts'

/** What a test-out came to. */
export interface TestedOut {
  passed: boolean
  reason?: string
  /** As left, by measure; of a group where it has groups. */
  readings: { measure: string; group?: number; value: number }[]
  /** What was looked at. */
  looks: string[]
  electrical?: Electrical & { instrument?: string }
}

interface Given {
  book: FaultBook
  fault: Fault
  text: string
  out: TestedOut
  search: Search
  reportId: string
  idOf: (name: string) => string
  machineId: string
  today: string
  at: Date
  visitId?: string
}

/** What a search that ended in a repair leaves in the ledger: complaint, tests, repair with its cause, test-out. */
export function repairEntries(given: Given): Entry[] {
  const { book, fault, text, out, search, reportId, idOf, machineId, today, at, visitId } = given
  const more = { happenedAt: at.toISOString(), ...(visitId && { visitId }) }
  const make = (name: string, kind: Entry['kind'], body: Record<string, unknown>): Entry =>
    makeEntry('machine', machineId, kind, body, today, { id: idOf(name), ...more })
  const symptom = book.symptoms.find(({ id }) => id === search.symptom)!
  const report = makeEntry('machine', machineId, 'fault-reported', { text: symptom.name, symptom: symptom.id }, today, {
    id: reportId,
    ...more,
  })
  return [
    report,
    ...search.seen.map(({ test, outcome, value, said }, i) =>
      make(`seen ${i}`, 'test-seen', {
        test,
        outcome,
        report: reportId,
        ...(value !== undefined && { value }),
        ...(said && { said }),
      }),
    ),
    ...search.notCured
      .filter((id) => id !== fault.id)
      .map((id) => {
        const one = book.faults.find((other) => other.id === id)!
        return make(`not cured ${id}`, 'repaired', {
          text: one.repair.say,
          cause: one.name,
          fault: id,
          report: reportId,
          cured: false,
          ...(one.part && { part: one.part }),
        })
      }),
    make('repaired', 'repaired', {
      text,
      cause: fault.name,
      fault: fault.id,
      report: reportId,
      cured: true,
      ...(fault.part && { part: fault.part }),
    }),
    ...out.readings.map(({ measure, group, value }) =>
      make(`left ${measure} ${group ?? ''}`, 'measured', {
        measure,
        state: 'left',
        value,
        ...(group !== undefined && { group }),
      }),
    ),
    make('tested out', 'tested-out', {
      passed: out.passed,
      report: reportId,
      ...(out.reason && { reason: out.reason }),
      ...(out.looks.length > 0 && { looks: out.looks }),
      ...(out.electrical && { electrical: out.electrical }),
    }),
  ]
}
