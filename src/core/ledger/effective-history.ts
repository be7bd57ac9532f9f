import type { Entry } from './entry.ts'

export interface EffectiveHistory<E extends Entry = Entry> {
  /** What counts, in order of (day, instant, id). Withdrawals and superseded entries are not in it. */
  entries: E[]
  /** Why an entry does not count: what put it aside. */
  putAside: Map<string, string>
  /** Entries that correct the same one: the greatest id wins, all are flagged. */
  rivals: Set<string>
}

/**
 * The history that counts. It depends on which entries there are, never on the order they arrived in.
 *
 * Of rival corrections the greatest id wins. A correction of a loser loses with it, unless it is
 * itself the greatest: what matters is the chain it hangs on.
 *
 * @param entries - all entries of one subject, in any order
 */
export function effectiveHistory<E extends Entry>(entries: E[]): EffectiveHistory<E> {
  // Most histories hold no correction, and the database hands them over in order: what counts is what is there.
  if (isPlain(entries)) return { entries, putAside: new Map(), rivals: new Set() }
  const corrections = correctionsOf(entries)
  const there = new Set<string>()
  for (const { id } of entries) if (corrections.has(id)) there.add(id)
  const putAside = new Map<string, string>()
  const rivals = new Set<string>()
  const counts: E[] = []

  /** Puts aside an entry and all that was built on it. */
  const dropTree = (entry: E, by: string, seen: Set<string>) => {
    if (seen.has(entry.id)) return
    seen.add(entry.id)
    putAside.set(entry.id, by)
    for (const next of corrections.get(entry.id) ?? []) dropTree(next, by, seen)
  }
  const follow = (start: E) => {
    const seen = new Set<string>()
    let entry = start
    for (;;) {
      if (seen.has(entry.id)) return
      seen.add(entry.id)
      const next = [...(corrections.get(entry.id) ?? [])].sort((a, b) => (a.id < b.id ? 1 : -1))
      const winner = next[0]
      if (!winner) break
      putAside.set(entry.id, winner.id)
      if (next.length > 1) {
        for (const rival of next) rivals.add(rival.id)
        for (const loser of next.slice(1)) dropTree(loser, winner.id, seen)
      }
      entry = winner
    }
    if (entry.kind !== 'withdrawn') counts.push(entry)
  }
  for (const entry of entries) {
    // A correction whose target has not arrived yet stands for itself until it does.
    if (entry.supersedes && there.has(entry.supersedes)) continue
    // Few are corrected: the rest count as they are.
    if (corrections.has(entry.id)) follow(entry)
    else if (entry.kind !== 'withdrawn') counts.push(entry)
  }
  return { entries: sorted(counts), putAside, rivals }
}

/** Corrections by what they correct, each once however often it was given. */
function correctionsOf<E extends Entry>(entries: E[]): Map<string, E[]> {
  const corrections = new Map<string, E[]>()
  for (const entry of entries) {
    if (!entry.supersedes) continue
    const rivals = corrections.get(entry.supersedes)
    if (!rivals) corrections.set(entry.supersedes, [entry])
    else if (!rivals.some(({ id }) => id === entry.id)) rivals.push(entry)
  }
  return corrections
}

/** Local day, then instant, then id, each once. */
function sorted<E extends Entry>(entries: E[]): E[] {
  const inPlace = [...entries].sort(inOrder)
  // The same entry given twice stands beside itself by now.
  return inPlace.filter((entry, i) => i === 0 || entry.id !== inPlace[i - 1]!.id)
}

/** Nothing corrected, each after the one before: looked at once, entry by entry. */
function isPlain(entries: Entry[]): boolean {
  let before: Entry | null = null
  for (const entry of entries) {
    if (entry.kind === 'withdrawn' || entry.supersedes) return false
    if (before && inOrder(before, entry) >= 0) return false
    before = entry
  }
  return true
}

/** The ledger's order of two entries. */
export const inOrder = (a: Entry, b: Entry): number =>
  compare(a.happenedOn, b.happenedOn) || earlier(a.happenedAt, b.happenedAt) || compare(a.id, b.id)

/** Instants spelled alike compare as text; others are read first. */
const earlier = (a: string, b: string) => (a.length === b.length ? compare(a, b) : Date.parse(a) - Date.parse(b))

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)
