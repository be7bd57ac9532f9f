import { LRUCache } from 'lru-cache'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { MachineBundle } from '../views/machine-bundle.ts'

/** What was reckoned is kept of so many machines in a serving process. */
const mostKept = 200
const kept = new LRUCache<string, object>({ max: mostKept })

/**
 * What is made from a machine's ledgers, made once as long as they are the same. A ledger only grows, so how many
 * entries of it were read and which number the last has says which they are.
 *
 * @example reckonedOnce(bundle, () => reckonBundle(bundle))
 */
export function reckonedOnce<T extends object>(bundle: MachineBundle, reckon: () => T): T {
  const key = [bundle, ...bundle.fedBeside.map((ledgers) => ({ ledgers }))].map(({ ledgers }) => said(ledgers)).join()
  const own = `${bundle.firmId} ${bundle.machine.id} ${bundle.softener?.id ?? ''} ${key}`
  const found = kept.get(own)
  if (found) return found as T
  const made = reckon()
  kept.set(own, made)
  return made
}

const said = (ledgers: MachineBundle['ledgers']): string =>
  Object.entries(ledgers)
    .map(([level, entries]) => `${level}:${entries[0]?.subjectId ?? ''}:${entries.length}:${lastOf(entries)}`)
    .join('/')

const lastOf = (entries: RecordedEntry[]): number => entries.reduce((last, { seq }) => Math.max(last, seq), 0)
