import { safeWords } from '../faults/call-needs.ts'
import { circumstancesHeard } from '../faults/circumstances-heard.ts'
import { complaintsHeard, heardBeside } from '../faults/complaint.ts'
import type { FaultBook, Test } from '../faults/fault.ts'
import { meanwhile } from '../faults/meanwhile.ts'
import { newSearch, type Search, suspicion } from '../faults/search.ts'
import { soundTold } from '../faults/sound-told.ts'
import { type Stop, type StopId, stopOf, stopOfComplaint, stopsBefore } from '../faults/stops.ts'
import { stopsAbout } from '../faults/stops-about.ts'
import { stopsIn } from '../faults/stops-said.ts'
import { anotherComplaint } from '../faults/symptoms-of-all.ts'
import type { Kind } from '../kinds/kind.ts'

/** What somebody at a machine has told of it so far. */
export interface TheyTold {
  /** In their own words. */
  words: string
  /** What must stop, as they said; `none`: nothing of the kind; null: not asked yet. */
  stop: StopId | 'none' | null
  /** They were asked about what their words sound like, and it is not so. */
  denied: boolean
  /** The complaint they chose; null: not asked yet; `passed`: they were, and do not know. */
  symptom: string | null
  /** Answers, in order. */
  seen: { test: string; outcome: string }[]
  /** Questions passed over. */
  passed: string[]
}

/** Without what the machine’s book does not know: a form comes back with whatever somebody put into it. */
export function ofBook<T extends TheyTold>(kind: Kind, book: FaultBook | null, told: T): T {
  const tests = book?.tests ?? []
  const stops = stopsToAsk(kind).map(({ id }) => id)
  return {
    ...told,
    stop: told.stop !== null && told.stop !== 'none' && !stops.includes(told.stop) ? 'none' : told.stop,
    symptom: told.symptom === 'passed' || book?.symptoms.some(({ id }) => id === told.symptom) ? told.symptom : null,
    seen: told.seen.filter(({ test, outcome }) =>
      tests.some(({ id, outcomes }) => id === test && outcomes.some((one) => one.id === outcome)),
    ),
    passed: told.passed.filter((id) => tests.some((test) => test.id === id)),
  }
}

/** What is asked of them next. */
export type AskedOfThem =
  | { ask: 'is it so'; stops: Stop[] }
  | { ask: 'complaint'; choices: { id: string; name: string }[] }
  | { ask: 'test'; test: Test; say: string }
  | { ask: 'nothing' }

/** No more than these are asked of anybody, what stops apart: who sells coffee has no time for more. */
const mostQuestions = 3
/** Heard so clearly, a complaint is not asked. From memory. */
const heardClearly = 0.8
const mostChoices = 4

/** What is asked before anything else, those nearest to the machine’s own dangers first. */
export function stopsToAsk(kind: Kind): Stop[] {
  const { first, rest } = stopsBefore(stopsAbout(kind), '')
  return [...first, ...rest]
}

/**
 * What to ask next: what their words sound like that must stop, then which complaint it is, then what tells most of what
 * can be asked without running or opening anything. Three questions at most, and none that does not tell.
 *
 * @param factors - what the records say of each fault, see `priorFactors`
 */
export function askThem(
  kind: Kind,
  book: FaultBook | null,
  told: TheyTold,
  factors: Record<string, number>,
): AskedOfThem {
  const { stop, words, denied, symptom, seen, passed } = told
  if (stop !== null && stop !== 'none') return { ask: 'nothing' }
  const here = new Set(stopsToAsk(kind).map(({ id }) => id))
  const heard = denied ? [] : stopsIn(words).filter((id) => here.has(id))
  if (heard.length > 0) return { ask: 'is it so', stops: heard.map(stopOf) }
  if (!book) return { ask: 'nothing' }
  const choices = complaintChoices(book, words)
  if (symptom === null && choices.length > 1) return { ask: 'complaint', choices }
  const search = searchOf(book, told)
  const asked = (choices.length > 1 ? 1 : 0) + seen.length + passed.length
  if (search?.stop !== 'none' || asked >= mostQuestions) return { ask: 'nothing' }
  const best = suspicion(book, search, factors).next.find(({ test }) => book.phone[test])
  const test = best && book.tests.find(({ id }) => id === best.test)
  return test ? { ask: 'test', test, say: book.phone[test.id]! } : { ask: 'nothing' }
}

/** Complaints their words may mean; one alone where it is clear, none where nothing was heard. */
function complaintChoices(book: FaultBook, words: string): { id: string; name: string }[] {
  const heard = complaintsHeard(book, words)
  const [first] = heard
  const some = first && first.p >= heardClearly ? [first] : heard.slice(0, mostChoices)
  const named = some.flatMap(({ symptom }) => book.symptoms.find(({ id }) => id === symptom) ?? [])
  return named.map(({ id, name }) => ({ id, name }))
}

/** The search a technician would go on from; null where nobody knows what it is about. */
function searchOf(book: FaultBook, { words, stop, symptom, seen, passed }: TheyTold): Search | null {
  const [clear, ...others] = complaintChoices(book, words)
  const chosen = symptom ?? (others.length === 0 ? clear?.id : undefined)
  if (!chosen || chosen === 'passed' || chosen === anotherComplaint) return null
  if (!book.symptoms.some(({ id }) => id === chosen)) return null
  const also = heardBeside(book, words, chosen)
  const itself = [chosen, ...also].map(stopOfComplaint).find((one) => one !== undefined)
  const search = newSearch(chosen, 0, [
    ...circumstancesHeard(book, words),
    ...soundTold(book, words, [chosen, ...also]),
  ])
  return {
    ...search,
    phone: true,
    cannot: passed,
    stop: stop !== null && stop !== 'none' ? stop : (itself ?? 'none'),
    ...(also.length > 0 && { also }),
    seen: [...search.seen, ...seen.map((one) => ({ ...one, at: 0, said: true }))],
  }
}

/** What they can do until one of us comes, and what not. */
export interface ToldThem {
  /** What must stop, with what is done now; null: nothing. */
  stop: Stop | null
  runsDry: boolean
  notAgain: boolean
  /** What is safe, without what stands behind it: nobody’s suspicion is told to whoever reads a public page. */
  safe: string[]
}

/** @param factors - what the records say of each fault, see `priorFactors` */
export function toldThem(
  kind: Kind,
  book: FaultBook | null,
  told: TheyTold,
  factors: Record<string, number>,
): ToldThem {
  const search = book && searchOf(book, told)
  const must = told.stop !== null && told.stop !== 'none' ? told.stop : search?.stop
  if (must && must !== 'none') return { stop: stopOf(must), runsDry: false, notAgain: true, safe: [] }
  if (!book || !search) return { stop: null, runsDry: false, notAgain: false, safe: [] }
  const symptoms = [search.symptom, ...(search.also ?? [])]
  const { runsDry, notAgain, safe } = meanwhile(safeWords(book, suspicion(book, search, factors)), symptoms, kind)
  return { stop: null, runsDry, notAgain, safe: safe.map(({ say }) => say) }
}
