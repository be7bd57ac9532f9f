import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'

/** What was left open and not closed since, oldest first. @param entries - effective entries of one subject */
export function openRemarks(entries: Entry[]): (Entry & { kind: 'remark' })[] {
  const closed = new Set(entries.filter(isKind('remark-closed')).map((entry) => entry.body.remark))
  return entries.filter(isKind('remark')).filter((entry) => !closed.has(entry.id))
}
