import type { FaultBook } from './fault.ts'
import type { Suspicion } from './search.ts'

/** To find it, on the spot: what was said is wrong often enough. From memory. */
const findingMin = 20
const leastMin = 30
/** From this suspicion on a word to the customer is worth it. */
const worthSaying = 0.06
const mostSaid = 3

/**
 * Minutes to allow for a fault that nobody has seen yet: to find it, and what its likely repairs take, as a technician
 * would put it into a day. From memory.
 */
export function callMinutes(book: FaultBook, { belief }: Pick<Suspicion, 'belief'>): number {
  const drives = book.faults.map(({ repair }, i) => ({ repair, p: repair.tell ? 0 : belief[i]! }))
  const all = drives.reduce((sum, { p }) => sum + p, 0)
  const mean = all > 0 ? drives.reduce((sum, { repair, p }) => sum + p * repair.minutes, 0) / all : 0
  return Math.max(leastMin, Math.ceil((findingMin + mean) / 5) * 5)
}

/** Something the customer can do by themselves, and how likely it is the end of it. */
export interface SafeWord {
  fault: string
  name: string
  say: string
  chance: number
  /** It cures it, as far as the book knows: nobody need drive for that. */
  cures: boolean
}

/** What the customer can safely do, likeliest first. */
export const safeWords = (book: FaultBook, { belief }: Pick<Suspicion, 'belief'>): SafeWord[] =>
  book.faults
    .flatMap((fault, i): SafeWord[] => {
      const say = book.customer[fault.id]
      const chance = belief[i]!
      if (!say || chance < worthSaying) return []
      return [{ fault: fault.id, name: fault.name, say, chance, cures: fault.repair.tell === true }]
    })
    .sort((a, b) => b.chance - a.chance)
    .slice(0, mostSaid)
