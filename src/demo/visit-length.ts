import { doneTask } from '../core/kinds/done-task.ts'
import { kindById } from '../core/kinds/index.ts'
import { doneByEntries } from '../core/kinds/kind.ts'
import type { Entry } from '../core/ledger/entry.ts'
import type { Jotting } from '../core/ledger/entry-kinds.ts'

/** Minutes the catalogue gives the work of a visit on one machine. */
export const workMinutes = (kind: string, jottings: Jotting[]): number =>
  jottings.reduce((sum, { kind: entry, body }) => {
    const named = 'task' in body ? body.task : 'part' in body ? body.part : null
    const found = typeof named === 'string' && isDone(entry) ? doneTask(kindById(kind)!, entry, named) : null
    return sum + (found?.minutes ?? 0)
  }, 0)

const isDone = (entry: string): boolean => (doneByEntries as readonly string[]).includes(entry)

/** A visit takes as long as its work, at the pace of its day: what its header has drawn until then tells that. */
export function takesAsLong(siteLedger: Entry[], visitId: string, workedMin: number, machines: number): void {
  const header = siteLedger.find((entry) => entry.kind === 'visit' && entry.visitId === visitId)
  if (header?.kind !== 'visit') return
  const drawn = ((header.body.minutes ?? 0) - 20) / machines
  const pace = 0.85 + 0.4 * ((drawn - 12) / 13)
  header.body.minutes = Math.round(15 + workedMin * pace)
}
