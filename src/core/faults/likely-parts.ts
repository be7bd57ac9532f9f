import type { FaultBook } from './fault.ts'
import { beliefAfter } from './search.ts'

/** A part that a complaint may need. */
export interface LikelyPart {
  part: string
  /** That it is needed: all faults together that are cured by a new one. */
  chance: number
  /** The likeliest of these, as a technician says it. */
  because: string
}

/** From this chance on a part is worth its place in the van, until the firm says otherwise. From memory. */
const usualLeastChance = 0.08

/**
 * Parts that the faults behind a complaint most likely need, likeliest first: what to have in the van before anything
 * was looked at.
 *
 * @param seen - what was answered since
 * @returns none where the complaint is in no book
 */
export function likelyParts(
  book: FaultBook,
  symptom: string,
  { least = usualLeastChance, seen = [] }: { least?: number; seen?: { test: string; outcome: string }[] } = {},
): LikelyPart[] {
  if (!book.symptoms.some(({ id }) => id === symptom)) return []
  const known = seen.filter(({ test }) => book.tests.some(({ id }) => id === test))
  const belief = beliefAfter(book, { symptom, seen: known.map((one) => ({ ...one, at: 0 })), notCured: [] }, {})
  const parts = new Map<string, LikelyPart & { most: number }>()
  for (const [i, fault] of book.faults.entries()) {
    if (!fault.part || fault.repair.tell) continue
    const chance = belief[i]!
    const there = parts.get(fault.part)
    if (!there) parts.set(fault.part, { part: fault.part, chance, because: fault.name, most: chance })
    else {
      there.chance += chance
      if (chance > there.most) Object.assign(there, { most: chance, because: fault.name })
    }
  }
  return [...parts.values()]
    .filter(({ chance }) => chance >= least)
    .sort((a, b) => b.chance - a.chance)
    .map(({ part, chance, because }) => ({ part, chance, because }))
}
