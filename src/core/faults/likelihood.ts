import { type Fault, type FaultBook, nothingWrong, somethingElse, type Test } from './fault.ts'

/** Of a whole, what is told at random: nobody's word and no test is certain. */
const strayed = 0.025

/**
 * Chance of each outcome of a test under a fault: what it is known to show, the rest as where nothing is wrong, a
 * little astray. What is in no book shows anything where it sits.
 *
 * @returns by outcome, summing to 1
 */
export function outcomesUnder(test: Test, fault: string): Map<string, number> {
  if (fault === somethingElse) return anything(test)
  const seen = test.sees[fault] ?? {}
  const told = Object.values(seen).reduce((sum, p) => sum + p, 0)
  const others = test.outcomes.filter(({ id }) => seen[id] === undefined)
  const usual = others.reduce((sum, { id }) => sum + (test.normal[id] ?? 0), 0)
  const rest = Math.max(0, 1 - told)
  const plain = test.outcomes.map(({ id }): [string, number] => [
    id,
    seen[id] ?? (usual > 0 ? (rest * (test.normal[id] ?? 0)) / usual : others.length > 0 ? rest / others.length : 0),
  ])
  const sum = plain.reduce((total, [, p]) => total + p, 0)
  return new Map(plain.map(([id, p]) => [id, ((1 - strayed) * p) / sum + strayed / plain.length]))
}

/** Where something unknown is wrong, a look shows so much of what is usual; the rest is spread evenly. From memory. */
const usualAllTheSame = 0.3

function anything({ outcomes, normal }: Test): Map<string, number> {
  const whole = outcomes.reduce((sum, { id }) => sum + (normal[id] ?? 0), 0)
  const usual = (id: string) => (whole > 0 ? (normal[id] ?? 0) / whole : 1 / outcomes.length)
  return new Map(outcomes.map(({ id }) => [id, usualAllTheSame * usual(id) + (1 - usualAllTheSame) / outcomes.length]))
}

/** One complaint in five is wrong or about something else. From memory. */
const mistaken = 0.2

/** One thing that is complained of, as it may be meant: complaints of the kind with their shares. */
export type Complaint = Record<string, number>

/** One second complaint in two is of something else: another fault, another day. From memory. */
const ofSomethingElse = 0.5

/** What was said as complaints: one that is meant by its name, several, or none. */
function complaintsOf(said: string | Complaint[] | null): Complaint[] {
  if (said === null) return []
  return typeof said === 'string' ? [{ [said]: 1 }] : said
}

/**
 * How much each fault is spoken for by everything that is complained of at once: the first by its chance to be put so,
 * every other half of the time, since it may be of another fault.
 *
 * @param said - in the order of how much it weighs; none where nothing is said
 * @returns by the book's faults, in their order; only how they compare means something
 */
export function spokenFor(book: FaultBook, said: string | Complaint[] | null): number[] {
  const weights = book.faults.map(() => 1)
  complaintsOf(said).forEach((complaint, n) => {
    const chances = book.faults.map((fault) => meant(book, fault, complaint))
    const calls = book.faults.reduce((sum, { per100 }) => sum + per100, 0)
    const mean = book.faults.reduce((sum, { per100 }, i) => sum + (per100 * chances[i]!) / calls, 0)
    chances.forEach((chance, i) => {
      weights[i]! *= n === 0 ? chance : (1 - ofSomethingElse) * chance + ofSomethingElse * mean
    })
  })
  return weights
}

const meant = (book: FaultBook, fault: Fault, complaint: Complaint): number =>
  Object.entries(complaint).reduce((sum, [symptom, p]) => sum + p * complaintUnder(book, fault, symptom), 0)

/** Of a machine that is as it should be, anything may be said: one time in two. From memory. */
const mistakenOfSound = 0.5

/** Chance that a fault is complained of in these words. */
export function complaintUnder(book: FaultBook, fault: Fault, symptom: string): number {
  const told = Object.values(fault.complaints).reduce((sum, p) => sum + p, 0)
  const stray = fault.id === nothingWrong ? mistakenOfSound : mistaken
  return (1 - stray) * ((fault.complaints[symptom] ?? 0) / told) + stray / book.symptoms.length
}
