import { clausesOf } from './complaint-clauses.ts'
import { sayings } from './complaint-examples.ts'
import { headingOf, termsIn, wordsIn } from './complaint-terms.ts'
import { knownBy, meanings } from './complaint-words.ts'
import type { FaultBook } from './fault.ts'
import { anotherComplaint } from './symptoms-of-all.ts'

type Symptom = FaultBook['symptoms'][number]

const heardAs = Object.entries(meanings).map(([id, all]) => ({
  id,
  all: all.map((words) => new RegExp(`\\b(?:${words})(?!\\w)`, 'i')),
}))

/** How much each thing that may be said speaks for each complaint of a book. */
type Speaks = Map<string, Map<string, number>>

const spoken = new WeakMap<Symptom[], Speaks>()

/** So many sayings of any complaint stand beside those of each. */
const common = 1
/** Two words near each other tell less anew than each alone. */
const pairWeight = 0.5

/**
 * By what is said, the logarithm of how much oftener it is said of each complaint than of any.
 * @see Church and Hanks 1990, Word association norms, mutual information, and lexicography, Comput. Linguist. 16, 22
 */
function speaksOf(symptoms: Symptom[]): Speaks {
  const there = spoken.get(symptoms)
  if (there) return there
  // What none of them is, is heard in nothing: it is chosen.
  const put = symptoms
    .filter(({ id }) => id !== anotherComplaint)
    .map(({ id, name, words }) => ({ id, all: [name, ...words, ...(sayings[id] ?? [])].map(termsIn) }))
  const many = put.reduce((sum, { all }) => sum + all.length, 0)
  const often = new Map<string, number>()
  for (const { all } of put) for (const term of all.flat()) often.set(term, (often.get(term) ?? 0) + 1)
  const made: Speaks = new Map()
  for (const [term, n] of often) {
    const share = n / many
    made.set(
      term,
      new Map(
        put.map(({ id, all }) => {
          const here = all.filter((terms) => terms.includes(term)).length
          const weight = term.includes(' ') ? pairWeight : 1
          return [id, weight * Math.log((here + common * share) / (all.length + common) / share)]
        }),
      ),
    )
  }
  spoken.set(symptoms, made)
  return made
}

/** Words of a sentence hang together: each speaks for less than it would alone. */
const sayingWeight = 0.7
/** What a meaning that is heard tells, beside the words it is said in; the first meaning of a complaint most. */
const meaningWeight = 1

/** A complaint that was heard in what somebody said. */
export interface Heard {
  symptom: string
  /** Its share of all that was heard. */
  p: number
  /** Words of what was said by which it was found. */
  words: string[]
}

/** Below this share of the likeliest it was not heard. */
const hardly = 0.01

/**
 * Complaints heard in whole sentences, the likeliest first; none where nothing of it is known.
 *
 * @example complaintsHeard(dvFaults, 'Only a few drops come out now')[0]?.symptom // 'slow'
 */
export function complaintsHeard({ symptoms }: FaultBook, said: string): Heard[] {
  const clauses = clausesOf(said).flatMap((clause) => clause.split(/ and /))
  const whole = heardIn(symptoms, clauses)
  if (clauses.length < 2) return whole
  // Two clauses may say one thing twice, or two things: what one says clearly by itself is heard as well.
  const apart = clauses
    .map((clause) => heardIn(symptoms, [clause]))
    .filter(([best]) => best && best.p >= clearly && best.symptom !== whole[0]?.symptom)
  if (apart.length === 0) return whole
  return togetherHeard([
    [wholeShare, whole],
    ...apart.map((heard): [number, Heard[]] => [(1 - wholeShare) / apart.length, heard]),
  ])
}

/** So much of what a clause says has to say one thing, to be a complaint of its own. From memory. */
const clearly = 0.6

/** How often several clauses say one thing together. From memory. */
const wholeShare = 0.65

/** Several hearings as one, each by its share. */
function togetherHeard(hearings: [share: number, heard: Heard[]][]): Heard[] {
  const all = new Map<string, Heard>()
  for (const [share, heard] of hearings)
    for (const { symptom, p, words } of heard) {
      const before = all.get(symptom) ?? { symptom, p: 0, words: [] }
      all.set(symptom, { symptom, p: before.p + share * p, words: [...new Set([...before.words, ...words])] })
    }
  const sum = [...all.values()].reduce((total, { p }) => total + p, 0)
  return [...all.values()].map((one) => ({ ...one, p: one.p / sum })).sort((a, b) => b.p - a.p)
}

function heardIn(symptoms: Symptom[], clauses: string[]): Heard[] {
  const spoken = clauses.join(' ')
  const speaks = speaksOf(symptoms)
  const terms = [...new Set(clauses.flatMap(termsIn))].filter((term) => speaks.has(term))
  const meant = heardAs.flatMap(({ id, all }) => {
    const words = all.map((one) => one.exec(spoken)?.[0])
    // All words of a meaning have to be there, in whatever order.
    return words.every((word) => word !== undefined) ? [{ id, words }] : []
  })
  const heard = symptoms
    .filter(({ id }) => id !== anotherComplaint)
    .map(({ id }) => {
      const words = new Set<string>()
      let score = 0
      for (const term of terms) score += sayingWeight * speaks.get(term)!.get(id)!
      for (const word of wordsIn(spoken)) {
        const heading = headingOf(word)
        if (heading && (speaks.get(heading)?.get(id) ?? 0) > 0) words.add(word)
      }
      for (const { id: meaning, words: by } of meant) {
        const at = knownBy[id]?.indexOf(meaning) ?? -1
        if (at < 0) continue
        score += (meaningWeight * Math.sqrt(by.length)) / (1 + at)
        for (const word of by) words.add(word)
      }
      return { symptom: id, score, words: [...words] }
    })
  if (terms.length === 0 && meant.length === 0) return []
  const most = Math.max(...heard.map(({ score }) => score))
  const weights = heard
    .map((one) => ({ ...one, weight: Math.exp(one.score - most) }))
    .filter(({ weight }) => weight >= hardly)
  const all = weights.reduce((sum, { weight }) => sum + weight, 0)
  return weights.map(({ symptom, words, weight }) => ({ symptom, p: weight / all, words })).sort((a, b) => b.p - a.p)
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
