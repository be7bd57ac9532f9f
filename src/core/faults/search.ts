import { mayBeAsked } from './asked-by-phone.ts'
import { type FaultBook, type Gate, somethingElse } from './fault.ts'
import type { Complaint } from './likelihood.ts'
import { type Network, networkOf } from './network.ts'
import { asFound, leastBits, nextTests, standingAfter, type Worth } from './next-test.ts'
import { doubtfulAnswers, explainedBy } from './proof.ts'
import { askedOften, askedWhen, rankCauses, type Seen } from './rank-causes.ts'
import { leaderOf } from './shares.ts'
import { type Stop, type StopId, stopOf, stopOfComplaint } from './stops.ts'
import { stopOfAnswer } from './stops-seen.ts'

/** A search for one fault on one machine, as data: what is complained of, what was seen, what was tried. */
export interface Search {
  symptom: string
  /** As it was said, where no complaint of the kind is it. */
  words?: string
  /** What else is complained of. */
  also?: string[]
  /** In order; the same test twice was looked at again. */
  seen: (Seen & { at: number; value?: number })[]
  /** Tests that cannot be done here. */
  cannot: string[]
  gates: Gate[]
  /** The customer is asked on the telephone. */
  phone?: boolean
  /** Faults that were repaired, and it is still not right. */
  notCured: string[]
  /** Of them those that were it: what they did is gone, and something else shows. */
  cured?: string[]
  /** Repairs of what is in no book, in words, and it is still not right. */
  notCuredInWords?: { cause: string; text: string }[]
  /** How many answers there were when each of them was repaired: what it explained is no answer any more. */
  repairedAfter?: Record<string, number>
  /** What had to stop first; `none`: it was asked, and nothing had to. */
  stop?: StopId | 'none'
  /** Under a stop: whoever is here is qualified, and it is off, locked off and proved dead. */
  provedDead?: boolean
  startedAt: number
}

export type SearchPress =
  | {
      type: 'seen'
      test: string
      outcome: string
      value?: number
      words?: string
      times?: { n: number; of: number }
    }
  | { type: 'cannot'; test: string }
  | { type: 'back' }
  | { type: 'symptom'; symptom: string }
  | { type: 'also'; symptoms: string[] }
  | { type: 'gates'; gates: Gate[] }
  | { type: 'phone'; on: boolean }
  | { type: 'not cured'; fault: string; wasIt?: boolean }
  | { type: 'not cured in words'; cause: string; text: string }
  | { type: 'stop'; stop: StopId | 'none' }
  | { type: 'proved dead'; on: boolean }

/** @param told - what was told besides, without being asked, see `circumstancesHeard` */
export const newSearch = (symptom: string, at: number, told: { test: string; outcome: string }[] = []): Search => ({
  symptom,
  seen: told.map(({ test, outcome }) => ({ test, outcome, at, said: true })),
  cannot: [],
  gates: [],
  notCured: [],
  startedAt: at,
})

/** The search after a press; the same object where the press means nothing. */
export function searchStep(search: Search, press: SearchPress & { at: number }): Search {
  switch (press.type) {
    case 'seen': {
      const { test, outcome, value, words, times, at } = press
      // What was not there to be asked for may show itself in the middle: then all else waits.
      const stop = search.stop === 'none' ? stopOfAnswer(press) : undefined
      return {
        ...search,
        ...(stop && { stop }),
        seen: [
          ...search.seen,
          {
            test,
            outcome,
            at,
            ...(value !== undefined && { value }),
            ...(words && { words }),
            ...(times && { times }),
            ...(search.phone && { said: true }),
          },
        ],
      }
    }
    case 'cannot':
      return search.cannot.includes(press.test) ? search : { ...search, cannot: [...search.cannot, press.test] }
    case 'back': {
      if (search.seen.length === 0) return search
      const seen = search.seen.slice(0, -1)
      const after = Object.entries(search.repairedAfter ?? {}).map(([id, n]) => [id, Math.min(n, seen.length)])
      return { ...search, seen, ...(search.repairedAfter && { repairedAfter: Object.fromEntries(after) }) }
    }
    case 'symptom': {
      // Another complaint may have something else behind it: it is asked again; the words were of the former one.
      const { stop, words: _, ...open } = search
      const now = stop && stop !== 'none' ? stop : stopOfComplaint(press.symptom)
      return { ...open, symptom: press.symptom, ...(now && { stop: now }) }
    }
    case 'also': {
      const also = [...new Set(press.symptoms)].filter((id) => id !== search.symptom)
      const added = also.filter((id) => !search.also?.includes(id))
      const stop = added.map(stopOfComplaint).find((one) => one !== undefined)
      const free = search.stop === undefined || search.stop === 'none'
      return { ...search, also, ...(free && stop && { stop }) }
    }
    case 'gates':
      return { ...search, gates: press.gates }
    case 'phone':
      return { ...search, phone: press.on }
    case 'stop': {
      const { provedDead: _, ...open } = search
      return { ...open, stop: press.stop }
    }
    case 'proved dead':
      return { ...search, provedDead: press.on }
    case 'not cured in words': {
      const { cause, text } = press
      return { ...search, notCuredInWords: [...(search.notCuredInWords ?? []), { cause, text }] }
    }
    case 'not cured':
      return {
        ...search,
        notCured: [...new Set([...search.notCured, press.fault])],
        ...(press.wasIt && { cured: [...new Set([...(search.cured ?? []), press.fault])] }),
        repairedAfter: { ...search.repairedAfter, [press.fault]: search.seen.length },
      }
  }
}

/** Everything that is complained of in a search, the first first. */
export const complainedOf = ({ symptom, also = [] }: Pick<Search, 'symptom' | 'also'>): Complaint[] =>
  [symptom, ...also.filter((id) => id !== symptom)].map((id) => ({ [id]: 1 }))

export interface Suspicion {
  network: Network
  belief: Float64Array
  /** Tests by worth, the best first. */
  next: Worth[]
  /** The same with those that tell nothing now: somebody may have a reason of their own. */
  all: Worth[]
  /** What still speaks, without what a repair explained. */
  seen: Search['seen']
  /** Places of answers that were set aside: a repair explains them, and it is not so any more. */
  aside: number[]
  /** Answers that hardly fit the suspect of the book that leads. */
  doubtful: Search['seen']
  /** Two or more of them: what was seen hardly fits any one fault. */
  contradicts: boolean
  /** What is in no book is likelier than anything that is. */
  elseLeads: boolean
}

/** What was answered, in order. */
interface Answered {
  seen: Pick<Seen, 'test' | 'outcome'>[]
}

/** When only it is so, by what was told and not taken back by a later answer: only from cold, only hot; null for whenever. */
export function onlyWhen({ seen }: Answered): 'cold' | 'hot' | null {
  const told = seen.findLast(({ test }) => test === askedWhen.test)?.outcome
  return told === 'cold' || told === 'hot' ? told : null
}

/** Whether it is so only now and then: what the machine does it may not do just now. */
export const comesAndGoes = ({ seen }: Answered): boolean =>
  seen.findLast(({ test }) => test === askedOften.test)?.outcome === askedOften.sometimes || onlyWhen({ seen }) !== null

/** A repair that did not cure speaks against its fault: repaired wrongly, or not it. From memory. */
export const afterRepair = 0.05

/**
 * How likely each fault of the book is after a complaint and what was seen since; no next test is weighed.
 * @returns by the book's order of faults
 */
export function beliefAfter(
  book: FaultBook,
  search: Pick<Search, 'symptom' | 'also' | 'seen' | 'notCured'>,
  factors: Record<string, number>,
): Network['prior'] {
  const whole = { ...newSearch(search.symptom, 0), ...search }
  const network = networkOf(book, complainedOf(whole), searchFactors(whole, factors), comesAndGoes(whole))
  return rankCauses(network, whole.seen) ?? network.prior
}

/**
 * What a search believes, and what it would try next.
 *
 * @param factors - what the records say of each fault, see `priorFactors`
 */
export function suspicion(book: FaultBook, search: Search, factors: Record<string, number>): Suspicion {
  const network = networkOf(book, complainedOf(search), searchFactors(search, factors), comesAndGoes(search))
  const aside = setAside(network, search)
  const seen = search.seen.filter((_, i) => !aside.includes(i))
  const belief = rankCauses(network, seen) ?? network.prior
  const doubtful = doubtfulAnswers(network, seen, belief).map((i) => seen[i]!)
  const done = search.seen.filter(({ said }) => !said)
  const standing = done.reduce(
    (at, { test }) => standingAfter(book.tests.find(({ id }) => id === test)!, at),
    asFound.standing,
  )
  const { gates } = search
  const said = [search.symptom, ...(search.also ?? [])]
  const unasked = search.phone ? book.tests.filter((test) => !said.every((id) => mayBeAsked(id, test))) : []
  const cannot = [...search.cannot, ...unasked.map(({ id }) => id)]
  const all = nextTests(
    book,
    network,
    belief,
    seen,
    {
      standing,
      gates,
      cannot,
      may: mayBeTested(search),
      again: doubtful.map(({ test }) => test),
      ...(search.phone && { phone: true }),
    },
    0,
  )
  return {
    network,
    belief,
    next: all.filter(({ bits }) => bits >= leastBits),
    all,
    seen,
    aside,
    doubtful,
    contradicts: doubtful.length >= 2,
    elseLeads: leaderOf(network, belief).fault === somethingElse,
  }
}

/** A repair this sure of itself has cured what it was done for, though something is still not right. */
const wasIt = 0.5

/**
 * Answers that a repair explains: where it was likely enough the right one, what spoke for it is past, and may be looked
 * at again. Where it was a guess, they still speak.
 */
function setAside(network: Network, { seen, repairedAfter = {}, cured = [] }: Search): number[] {
  const gone = new Set<number>()
  for (const [fault, after] of Object.entries(repairedAfter).sort((a, b) => a[1] - b[1])) {
    const before = seen.slice(0, after)
    const spoke = before.filter((_, i) => !gone.has(i))
    // As it was believed then: the repair itself speaks against its fault only afterwards.
    const prior = network.prior.map((p, i) => (network.faults[i] === fault ? p / afterRepair : p))
    const sum = prior.reduce((total, p) => total + p, 0)
    const then = { ...network, prior: prior.map((p) => p / sum) }
    const belief = rankCauses(then, spoke)
    // Whoever saw that it was it, knows; else it was where it was likely enough.
    const was = cured.includes(fault) || (belief !== null && belief[network.faults.indexOf(fault)]! >= wasIt)
    if (!was) continue
    for (const i of explainedBy(then, spoke, fault)) gone.add(seen.indexOf(spoke[i]!))
  }
  return [...gone].sort((a, b) => a - b)
}

/** What may be tested where something had to stop: what its hazard leaves; all where nothing had to. */
export function mayBeTested({ stop, provedDead, phone }: Search): Stop['mayTest'] {
  if (stop === undefined || stop === 'none') return 'all'
  const { mayTest } = stopOf(stop)
  // Nobody on a telephone tests what had to stop; and dead is what somebody has proved.
  if (mayTest === 'dead') return !phone && provedDead ? 'dead' : 'nothing'
  return phone ? 'nothing' : mayTest
}

/** The records' factors, and what repairs that did not cure make of them. */
export const searchFactors = (search: Search, factors: Record<string, number>): Record<string, number> => ({
  ...factors,
  ...Object.fromEntries(search.notCured.map((fault) => [fault, (factors[fault] ?? 1) * afterRepair])),
})
