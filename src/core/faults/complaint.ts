import type { FaultBook } from './fault.ts'

type Symptom = FaultBook['symptoms'][number]

/** Words that tell no complaint from another. */
const filler = new Set(['the', 'and', 'not', 'its', 'out', 'from', 'when', 'too', 'coffee', 'water', 'machine'])

const called = ({ name, words }: Symptom): string => [name, ...words].join(' ').toLowerCase()

/** The telling words a complaint shares with what was said. */
function sharedWords(symptom: Symptom, said: string): string[] {
  const heard = new Set(said.toLowerCase().match(/[a-z]{3,}/g))
  const words = new Set(called(symptom).match(/[a-z]{3,}/g))
  return [...words].filter((word) => heard.has(word) && !filler.has(word))
}
const shared = (symptom: Symptom, said: string): number => sharedWords(symptom, said).length

/**
 * The complaints somebody means who types some words: those that have them all, else those that share most with them.
 *
 * @returns every complaint where nothing is typed; none where no word is known
 * @example complaintsNamed(c2Faults, 'it is much too slow today')[0]?.id // 'slow'
 */
export function complaintsNamed({ symptoms }: FaultBook, typed: string): Symptom[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  const all = symptoms.filter((symptom) => words.every((word) => called(symptom).includes(word)))
  if (all.length > 0) return all
  return symptoms
    .map((symptom) => ({ symptom, shares: shared(symptom, typed) }))
    .filter(({ shares }) => shares > 0)
    .sort((a, b) => b.shares - a.shares)
    .map(({ symptom }) => symptom)
}

/** The complaint that shares most words with what is on record; null where none shares two. */
export function soundsLike({ symptoms }: FaultBook, said: string): Symptom | null {
  const best = symptoms
    .map((symptom) => ({ symptom, shares: shared(symptom, said) }))
    .sort((a, b) => b.shares - a.shares)[0]
  return best && best.shares >= 2 ? best.symptom : null
}

/** A complaint that was heard in what somebody said. */
export interface Heard {
  symptom: string
  /** Its share of all that was heard. */
  p: number
  /** The words that it shares with what was said. */
  words: string[]
}

/** Complaints heard in whole sentences, the likeliest first; none where no word is known. */
export function complaintsHeard({ symptoms }: FaultBook, said: string): Heard[] {
  const found = symptoms
    .map((symptom) => ({ symptom: symptom.id, words: sharedWords(symptom, said) }))
    .filter(({ words }) => words.length > 0)
    .sort((a, b) => b.words.length - a.words.length)
  const all = found.reduce((sum, { words }) => sum + words.length ** 2, 0)
  return found.map(({ symptom, words }) => ({ symptom, p: words.length ** 2 / all, words }))
}
