import { mayBeAsked } from './asked-by-phone.ts'
import { type FaultBook, type Gate, nothingWrong, somethingElse } from './fault.ts'
import type { Complaint } from './likelihood.ts'
import { type Network, networkOf } from './network.ts'
import { asFound, leastBits, nextTests, standingAfter, type Worth } from './next-test.ts'
import { doubtfulAnswers, explainedBy, measurementOf, proofOf, provedBy } from './proof.ts'
import { rankCauses, type Seen } from './rank-causes.ts'
import { leaderOf, namedLeader } from './shares.ts'
import { type Stop, type StopId, stopOf, stopOfComplaint } from './stops.ts'
import { stopOfAnswer } from './stops-seen.ts'
import { testingMinutes } from './worth-testing.ts'

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
  | { type: 'seen'; test: string; outcome: string; value?: number; words?: string }
  | { type: 'cannot'; test: string }
  | { type: 'back' }
  | { type: 'symptom'; symptom: string }
  | { type: 'also'; symptoms: string[] }
  | { type: 'gates'; gates: Gate[] }
  | { type: 'phone'; on: boolean }
  | { type: 'not cured'; fault: string }
  | { type: 'not cured in words'; cause: string; text: string }
  | { type: 'stop'; stop: StopId | 'none' }
  | { type: 'proved dead'; on: boolean }

export const newSearch = (symptom: string, at: number): Search => ({
  symptom,
  seen: [],
  cannot: [],
  gates: [],
  notCured: [],
  startedAt: at,
})

/** The search after a press; the same object where the press means nothing. */
export function searchStep(search: Search, press: SearchPress & { at: number }): Search {
  switch (press.type) {
    case 'seen': {
      const { test, outcome, value, words, at } = press
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

/** A repair that did not cure speaks against its fault: repaired wrongly, or not it. From memory. */
export const afterRepair = 0.05

/**
 * What a search believes, and what it would try next.
 *
 * @param factors - what the records say of each fault, see `priorFactors`
 */
export function suspicion(book: FaultBook, search: Search, factors: Record<string, number>): Suspicion {
  const network = networkOf(book, complainedOf(search), searchFactors(search, factors))
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
    { standing, gates, cannot, may: mayBeTested(search), ...(search.phone && { phone: true }) },
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
function setAside(network: Network, { seen, repairedAfter = {} }: Search): number[] {
  const gone = new Set<number>()
  for (const [fault, after] of Object.entries(repairedAfter).sort((a, b) => a[1] - b[1])) {
    const before = seen.slice(0, after)
    const spoke = before.filter((_, i) => !gone.has(i))
    // As it was believed then: the repair itself speaks against its fault only afterwards.
    const prior = network.prior.map((p, i) => (network.faults[i] === fault ? p / afterRepair : p))
    const sum = prior.reduce((total, p) => total + p, 0)
    const then = { ...network, prior: prior.map((p) => p / sum) }
    const belief = rankCauses(then, spoke)
    if (!belief || belief[network.faults.indexOf(fault)]! < wasIt) continue
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

/** Whether to repair the likeliest rather than test on, and the arithmetic of it. */
export interface RepairNow {
  fault: string
  p: number
  /** Minutes of repairing thrown away, on the average, if it is repaired now; a part's price among them. */
  wastedMinutes: number
  /** What the part costs, in minutes of labour; 0 where nobody said. */
  partMinutes: number
  /** Minutes of the next test; none where nothing is left to try. */
  testMinutes: number | null
  /** Minutes the search is expected to cost if it is done, with what is left after it. */
  testingMinutes: number | null
  /** What looks at the fault itself and has to be done before a part is touched; null where it has shown it. */
  proof: Worth | null
}

/** Sure enough to repair without another word, unless what might be thrown away is dear. */
const sureEnough = 0.9
/** A waste nobody minds, min. From memory. */
const mostWaste = 15

/** Whether what was seen is enough to touch a part, or to call the machine sound. */
export function isProved(
  book: FaultBook,
  { notCured, repairedAfter = {}, seen: all }: Search,
  { network, seen }: Pick<Suspicion, 'network' | 'seen'>,
  fault: string,
): boolean {
  if (fault === nothingWrong) {
    const asked = measurementOf(book, network)
    const measured = asked === null ? [] : seen.filter(({ test, said }) => test === asked && !said)
    return asked === null || measured.length > 0
  }
  const since = notCured.includes(fault) ? (repairedAfter[fault] ?? all.length) : 0
  return provedBy(network, seen, fault).some((i) => all.indexOf(seen[i]!) >= since)
}

/**
 * Whether it is time to repair the likeliest.
 *
 * @param partMinutes - by fault, what its part costs, in minutes of labour
 * @returns null while another test is worth more than it costs; where what leads is in no book; where nothing that was
 *   seen on the machine speaks for it; where the same was repaired, and nothing new speaks for it since
 */
export function repairNow(
  book: FaultBook,
  search: Search,
  { network, belief, next, all, seen, elseLeads }: Suspicion,
  partMinutes: Record<string, number> = {},
): RepairNow | null {
  if (elseLeads) return null
  const top = namedLeader(network, belief)
  const fault = book.faults[top]!
  const proof = proofOf(book, network, seen, fault.id, all)
  if (!proof && !isProved(book, search, { network, seen }, fault.id)) return null
  const p = belief[top]!
  const part = partMinutes[fault.id] ?? 0
  const waste = (now: Float64Array): number => {
    const best = namedLeader(network, now)
    const { id, repair } = book.faults[best]!
    return (1 - now[best]!) * (repair.minutes + (partMinutes[id] ?? 0))
  }
  const wastedMinutes = waste(belief)
  const testMinutes = next[0]?.minutes ?? null
  const dear = wastedMinutes >= Math.max(testMinutes ?? 0, mostWaste)
  const test = next[0] && network.tests.find(({ id }) => id === next[0]!.test)
  const testing = test ? testingMinutes(belief, test, testMinutes!, waste) : null
  const worthIt = (p >= sureEnough && !dear) || testing === null || (p >= 0.5 && wastedMinutes < testing)
  return worthIt
    ? { fault: network.faults[top]!, p, wastedMinutes, partMinutes: part, testMinutes, testingMinutes: testing, proof }
    : null
}
