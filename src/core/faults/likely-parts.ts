import { type FaultBook, somethingElse } from './fault.ts'
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
  { least, seen = [] }: { least?: number; seen?: { test: string; outcome: string }[] } = {},
): LikelyPart[] {
  if (!book.symptoms.some(({ id }) => id === symptom)) return []
  const known = seen.filter(({ test }) => book.tests.some(({ id }) => id === test))
  const belief = beliefAfter(book, { symptom, seen: known.map((one) => ({ ...one, at: 0 })), notCured: [] }, {})
  return partsBehind(book, belief, least).parts
}

/**
 * The same of what is believed by now, and how much of it can be cured with these parts in the van, or without any.
 * @param belief - by the book’s order of faults
 */
export function partsBehind(
  book: FaultBook,
  belief: ArrayLike<number>,
  least: number = usualLeastChance,
): { parts: LikelyPart[]; covers: number } {
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
  const taken = [...parts.values()]
    .filter(({ chance }) => chance >= least)
    .sort((a, b) => b.chance - a.chance)
    .map(({ part, chance, because }) => ({ part, chance, because }))
  const isTaken = new Set(taken.map(({ part }) => part))
  const covers = book.faults.reduce(
    (sum, { id, part, repair }, i) =>
      id !== somethingElse && (!part || repair.tell || isTaken.has(part)) ? sum + belief[i]! : sum,
    0,
  )
  return { parts: taken, covers }
}
