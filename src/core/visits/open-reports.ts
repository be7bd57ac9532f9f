import type { Entry, EntryOf } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'

/**
 * The fault that was last reported of a machine, where nothing has cured it since.
 *
 * @param entries - effective entries of one machine, in order
 */
export function openReport(entries: readonly Entry[]): EntryOf<'fault-reported'> | undefined {
  const reported = entries.filter(isKind('fault-reported')).at(-1)
  const cured = entries.filter(isKind('repaired')).findLast(({ body }) => body.cured !== false)
  return reported && !(cured && cured.happenedAt >= reported.happenedAt) ? reported : undefined
}
