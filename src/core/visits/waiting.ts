import { effectiveHistory } from '../ledger/effective-history.ts'
import type { RecordedEntry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { WaitsFor } from '../trade/waits-for.ts'

/** What a task waits for. */
export interface Waiting {
  for: WaitsFor
  /** The first day it may be done on; absent where nobody knows. */
  until?: LocalDay
  note?: string
  /** The day somebody said so. */
  saidOn: LocalDay
}

/**
 * What waits, by machine or softener and the task’s key: of two sayings about one task the later counts.
 *
 * @param entries - the settings that say so, and what corrects or withdraws them
 * @example waitingTasks(entries).get(`${machineId} gasket@1`)?.until // '2026-12-03'
 */
export function waitingTasks(entries: RecordedEntry[]): Map<string, Waiting> {
  const all = new Map<string, Waiting>()
  for (const { subjectId, happenedOn, body } of effectiveHistory(entries).entries.filter(isKind('setting'))) {
    if (body.setting !== 'waits') continue
    const { task, for: what, until, note } = body
    if (what)
      all.set(`${subjectId} ${task}`, { for: what, saidOn: happenedOn, ...(until && { until }), ...(note && { note }) })
    else all.delete(`${subjectId} ${task}`)
  }
  return all
}

/** Whether a task still waits: it was not done since somebody said so. It comes back on its day by itself. */
export const stillWaits = (waiting: Waiting | undefined, since: LocalDay | undefined): waiting is Waiting =>
  waiting !== undefined && !(since && since > waiting.saidOn)

/** Whether it may be done on a day. */
export const mayBeDone = ({ until }: Waiting, on: LocalDay): boolean => until !== undefined && until <= on
