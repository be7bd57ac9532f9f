import { effectiveHistory } from '../ledger/effective-history.ts'
import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'

export interface Place {
  siteId: string
  softenerId: string | null
}

/**
 * Where a machine's own history says it stands: where it last moved to. Once every move is withdrawn, it
 * stands where the first of them took it from.
 *
 * @param entries - all entries of the machine, those that no longer count included
 * @returns null for a machine that never moved: it stands where it was taken on
 */
export function whereItStands(entries: Entry[]): Place | null {
  const last = effectiveHistory(entries).entries.filter(isKind('moved')).at(-1)
  if (last) return { siteId: last.body.toSiteId, softenerId: last.body.toSoftenerId ?? null }
  const first = entries.filter(isKind('moved')).sort((a, b) => (a.id < b.id ? -1 : 1))[0]
  const from = first?.body
  return from?.fromSiteId ? { siteId: from.fromSiteId, softenerId: from.fromSoftenerId ?? null } : null
}
