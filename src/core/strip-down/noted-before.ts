import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'

/** What somebody noted of a thing in an earlier strip-down. */
export interface NotedBefore {
  thing: string
  note: string
  machineId: string
  on: string
}

/**
 * Notes of earlier sheets, the newest first; the same words about the same thing are told once.
 * @param entries - of any kind and machine, put-aside ones left out
 */
export function notedBefore(entries: Entry[]): NotedBefore[] {
  const found = new Map<string, NotedBefore>()
  const newest = entries.filter(isKind('strip-down')).sort((a, b) => (a.happenedAt < b.happenedAt ? 1 : -1))
  for (const entry of newest)
    for (const { name, note } of entry.body.things) {
      const key = `${name.toLowerCase()} ${note?.toLowerCase()}`
      if (note && !found.has(key))
        found.set(key, { thing: name, note, machineId: entry.subjectId, on: entry.happenedOn })
    }
  return [...found.values()]
}

/** What was noted of one thing, by its name. */
export const notedOf = <N extends NotedBefore>(noted: N[], thing: string): N[] =>
  noted.filter((one) => one.thing.toLowerCase() === thing.toLowerCase())
