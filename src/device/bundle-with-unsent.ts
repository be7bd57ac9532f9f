import type { Entry, RecordedEntry } from '../core/ledger/entry.ts'
import { inTodaysWords } from '../core/ledger/upcast.ts'
import { effective, type Level } from '../core/standing/histories.ts'
import { tasksToWrite } from '../core/standing/tasks/index.ts'
import type { MachineBundle } from '../views/machine-bundle.ts'
import type { Unsent } from './unsent.ts'

/**
 * A machine’s bundle as it will be when what waits here is in the ledger: what was written stands at once, and its
 * dates are reckoned with it.
 *
 * @param unsent - all that waits on this device; what is not about this machine is left out, and so is what was refused
 *   and what the bundle has already, its answer being lost
 * @param now - when it is looked at, ISO 8601 UTC: nobody has recorded it yet
 */
export function bundleWithUnsent(bundle: MachineBundle, unsent: Unsent[], now: string): MachineBundle {
  const waiting = unsent.filter(({ state }) => state === 'waits')
  const known = new Set(Object.values(bundle.ledgers).flatMap((entries) => entries.map(({ id }) => id)))
  const written = waiting.flatMap(({ by, entries }) =>
    entries.flatMap((entry) => {
      // What holds a machine at once is written again with the rest of its run: it is one entry.
      if (known.has(entry.id)) return []
      known.add(entry.id)
      return { by, entry: inTodaysWords(entry) as Entry }
    }),
  )
  if (written.length === 0) return bundle
  const ids: string[] = []
  const withNew = (entries: RecordedEntry[], subjectId: string | undefined): RecordedEntry[] => {
    const own = written.filter(({ entry }) => entry.subjectId === subjectId)
    if (own.length === 0) return entries
    ids.push(...own.map(({ entry }) => entry.id))
    return [
      ...entries,
      ...own.map(({ by, entry }, i) => ({ ...entry, recordedAt: now, recordedBy: by, seq: bundle.seq + 1 + i })),
    ]
  }
  const subjects: Partial<Record<Level, string | undefined>> = {
    machine: bundle.machine.id,
    softener: bundle.softener?.id,
    site: bundle.site.id,
    customer: bundle.site.customer.id,
    supply: bundle.ledgers.supply?.[0]?.subjectId,
    firm: bundle.firmId,
  }
  const ledgers = Object.fromEntries(
    Object.entries(bundle.ledgers).map(([level, entries]) => [level, withNew(entries, subjects[level as Level])]),
  )
  const fedBeside = bundle.fedBeside.map((fed) =>
    Object.fromEntries(Object.entries(fed).map(([level, entries]) => [level, withNew(entries, entries[0]?.subjectId)])),
  )
  if (ids.length === 0) return bundle
  return { ...bundle, ledgers, fedBeside, raisedTasks: tasksToWrite(effective(ledgers)), unsent: [...new Set(ids)] }
}
