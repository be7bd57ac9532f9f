import MiniSearch from 'minisearch'
import { stemmer } from 'stemmer'
import { knownBy, meanings } from './complaint-words.ts'
import type { FaultBook } from './fault.ts'
import { anotherComplaint } from './symptoms-of-all.ts'

type Symptom = FaultBook['symptoms'][number]

/** Words that tell no complaint from another. */
const filler = new Set(
  'the and not its out from when too coffee water machine this that with has have was were are for but now only more any all just very really some since then there here our they them your comes come came again after before because does did'.split(
    ' ',
  ),
)

const wordsIn = (text: string): string[] => text.toLowerCase().match(/[a-z]{3,}/g) ?? []

/** A word as it is looked for: its stem; none where it tells nothing. */
const asTerm = (word: string): string | null => (filler.has(word) ? null : stemmer(word))

const heardAs = Object.entries(meanings).map(([id, all]) => ({
  id,
  all: all.map((words) => new RegExp(`\\b(?:${words})(?!\\w)`, 'i')),
}))

/** A clause that says that something is not so, or no more, tells nothing of what is. */
const denied =
  /\b(?:no longer|not any ?more|does(?:n.t| not) (?:leak|drip|smell)|do(?:n.t| not) leak|is(?:n.t| not) (?:loud|leaking|dripping)|(?:does|is) not (?:\w+ ){0,5}any ?more|(?:is|are|works?) (?:fine|ok|okay|good|all right|perfect\w*|hot enough))\b/i

/** What was said, clause by clause, without what is denied or said to be well. */
function clausesOf(said: string): string[] {
  const clauses = said
    .toLowerCase()
    .replaceAll(/[’`]/g, "'")
    .split(/[.;!?\n,]+|\bbut\b|\band (?=it|the|now|there)/)
    .map((clause) => clause.trim())
    .filter(Boolean)
  const left = clauses.filter((clause) => !denied.test(clause))
  return left.length > 0 ? left : clauses
}

const indexes = new WeakMap<Symptom[], MiniSearch<Symptom>>()

/** A book's complaints, to be found by stems and through slips of the finger. */
function indexOf(symptoms: Symptom[]): MiniSearch<Symptom> {
  const there = indexes.get(symptoms)
  if (there) return there
  const made = new MiniSearch<Symptom>({
    fields: ['called'],
    extractField: ({ id, name, words }, field) => (field === 'id' ? id : [name, ...words].join(' ')),
    tokenize: wordsIn,
    processTerm: asTerm,
    searchOptions: { fuzzy: (term) => (term.length > 4 ? 0.2 : false) },
  })
  // What none of them is, is heard in nothing: it is chosen.
  made.addAll(symptoms.filter(({ id }) => id !== anotherComplaint))
  indexes.set(symptoms, made)
  return made
}

/** What is meant tells more than the words it is said in; the first meaning of a complaint most. */
const meaningWeight = 3

/** A complaint that was heard in what somebody said. */
export interface Heard {
  symptom: string
  /** Its share of all that was heard. */
  p: number
  /** Words of what was said by which it was found. */
  words: string[]
}

/**
 * Complaints heard in whole sentences, the likeliest first; none where nothing of it is known.
 *
 * @example complaintsHeard(dvFaults, 'Only a few drops come out now')[0]?.symptom // 'slow'
 */
export function complaintsHeard({ symptoms }: FaultBook, said: string): Heard[] {
  const spoken = clausesOf(said).join(' ')
  const scores = new Map<string, { score: number; words: Set<string> }>()
  const add = (id: string, score: number, words: string[]) => {
    const held = scores.get(id) ?? { score: 0, words: new Set<string>() }
    held.score += score
    for (const word of words) held.words.add(word)
    scores.set(id, held)
  }
  for (const { id, score, queryTerms } of indexOf(symptoms).search(spoken)) {
    const found = wordsIn(spoken).filter((word) => queryTerms.includes(asTerm(word) ?? ''))
    add(String(id), score, found)
  }
  for (const { id: meaning, all } of heardAs) {
    const words = all.map((one) => one.exec(spoken)?.[0])
    // All words of a meaning have to be there, in whatever order.
    if (!words.every((word) => word !== undefined)) continue
    for (const { id } of symptoms) {
      const at = knownBy[id]?.indexOf(meaning) ?? -1
      if (at >= 0) add(id, (meaningWeight * Math.sqrt(words.length)) / (1 + at), words)
    }
  }
  const found = [...scores].sort((a, b) => b[1].score - a[1].score)
  const all = found.reduce((sum, [, { score }]) => sum + score ** 2, 0)
  return found.map(([symptom, { score, words }]) => ({ symptom, p: score ** 2 / all, words: [...words] }))
}

/**
 * The complaints somebody means who types some words: those that have them all, else those that are heard in them.
 *
 * @returns every complaint where nothing is typed; none where no word is known
 * @example complaintsNamed(c2Faults, 'it is much too slow today')[0]?.id // 'slow'
 */
export function complaintsNamed(book: FaultBook, typed: string): Symptom[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  const all = book.symptoms.filter(({ name, words: also }) => {
    const called = [name, ...also].join(' ').toLowerCase()
    return words.every((word) => called.includes(word))
  })
  if (all.length > 0) return all
  return complaintsHeard(book, typed).map(({ symptom }) => book.symptoms.find(({ id }) => id === symptom)!)
}

/** The complaint that is heard clearly in what is on record; null where none is, or no better than another. */
export function soundsLike(book: FaultBook, said: string): Symptom | null {
  const [best, next] = complaintsHeard(book, said)
  if (!best || best.words.length < 2 || best.p < 1.2 * (next?.p ?? 0)) return null
  return book.symptoms.find(({ id }) => id === best.symptom)!
}

/** So much of what a clause says has to say one thing, to be a complaint of its own. From memory. */
const clearly = 0.6

/** What else is complained of in other clauses, each clearly: a second complaint, not another name for the first. */
export function heardBeside(book: FaultBook, said: string, picked: string): string[] {
  const clauses = clausesOf(said).flatMap((clause) => clause.split(/ and /))
  if (clauses.length < 2) return []
  const clear = clauses.flatMap((clause) => {
    const [best] = complaintsHeard(book, clause)
    return best && best.p >= clearly && best.words.length > 0 ? [best.symptom] : []
  })
  return clear.includes(picked) ? [...new Set(clear)].filter((id) => id !== picked) : []
}
