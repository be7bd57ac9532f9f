import type { FaultBook, Gate, MachineState, Test } from './fault.ts'
import type { Network, NetworkTest } from './network.ts'
import { ownLooksOfAll } from './own-looks.ts'
import { asTaken, expectedOutcomes, informationBits, type Seen } from './rank-causes.ts'

/** A test and what it is worth now. */
export interface Worth {
  test: string
  bits: number
  /** With what must be done before it, min. */
  minutes: number
}

/** Below this a test tells nothing. */
export const leastBits = 0.01
/** Two tests this near each other are a tie, parted by looking one step further. */
const tie = 0.9999

/** How the machine stands and who stands before it. */
export interface Bench {
  standing: MachineState[]
  /** Gates this technician may pass. */
  gates: Gate[]
  /** Tests that cannot be done here. */
  cannot: string[]
  /** Tests whose answer hardly fits: worth doing again. */
  again?: string[]
  /** Asked on the telephone: only what can be asked so. */
  phone?: boolean
  /** Where something had to stop first: nothing, or what is done dead; all where nothing is said. */
  may?: 'nothing' | 'dead' | 'all'
}

/** Whether a test is done with everything off and dead from its beginning to its end. */
export const isDead = ({ needs, gate }: Test): boolean =>
  needs.includes('off') && !needs.includes('shut-again') && !needs.includes('hot') && !gate

/** A question on the telephone, min. */
const questionMinutes = 1

export const asFound: Bench = { standing: ['hot', 'on'], gates: [], cannot: [] }

/** Standings that exclude each other: who opens it, unplugs it first. */
const excludes: Partial<Record<MachineState, MachineState[]>> = {
  // Nothing hot runs with its case open.
  on: ['off', 'open'],
  hot: ['off', 'cold', 'open'],
  off: ['hot', 'on'],
  cold: ['hot'],
  open: ['hot', 'on'],
  'no-pressure': [],
}

/** A dangerous minute counts for more than a harmless one. From memory. */
export const hazardMinutes: Record<NonNullable<Test['hazard']>, number> = {
  scald: 0.5,
  pressure: 1,
  mains: 1.5,
  live: 3,
  moving: 1,
}

const isRunning = (need: MachineState): boolean => need === 'on' || need === 'hot'

/** Minutes of a test with what brings the machine to stand as it asks. */
export function testMinutes(book: FaultBook, test: Test, standing: MachineState[]): number {
  const missing = test.needs.filter((need) => !standing.includes(need))
  // What serves is shut: an opened machine is put together before it is switched on.
  const shut = standing.includes('open') && !test.needs.includes('shut-again') && test.needs.some(isRunning)
  return (
    test.minutes +
    missing.reduce((sum, need) => sum + book.toStand[need], 0) +
    (shut ? book.toStand['shut-again'] : 0) +
    (test.hazard ? hazardMinutes[test.hazard] : 0)
  )
}

/** How the machine stands after a test. */
export function standingAfter(test: Test, standing: MachineState[]): MachineState[] {
  const gone = new Set(test.needs.flatMap((need) => excludes[need] ?? []))
  // What was shut to run is opened again for the next look inside, and shut again each time.
  const on: MachineState[] = test.needs.includes('hot') ? ['on'] : []
  return [...new Set([...standing.filter((one) => !gone.has(one)), ...test.needs, ...on])].filter(
    (one) => one !== 'shut-again',
  )
}

/**
 * Tests by what they say a minute, the best first; one step further where two tie.
 *
 * @param minutesOf - of a test as things stand; null where it may not or cannot be done
 * @param least - bits below which a test is left out
 * @param besidesMinutes - what a test takes besides its own minutes when they are weighed against each other; less than
 *   nothing where some of them are spent anyway
 * @returns those worth that much; a hundredth of a bit where nothing else is asked
 */
export function rankTests(
  belief: Float64Array,
  tests: NetworkTest[],
  minutesOf: (test: NetworkTest) => number | null,
  least = leastBits,
  besidesMinutes: (test: string) => number = () => 0,
): Worth[] {
  const worth: (Worth & { of: NetworkTest })[] = tests.flatMap((test) => {
    const minutes = minutesOf(test)
    if (minutes === null) return []
    const bits = informationBits(belief, test)
    return bits < least ? [] : [{ test: test.id, bits, minutes, of: test }]
  })
  const rate = ({ test, bits, minutes }: Worth) => bits / (minutes + besidesMinutes(test))
  worth.sort((a, b) => rate(b) - rate(a))
  const best = worth[0]
  if (best) {
    const near = worth.filter((one) => rate(one) >= rate(best) * tie)
    if (near.length > 1) {
      const further = new Map(near.map((one) => [one.test, twoSteps(belief, one, tests, minutesOf, besidesMinutes)]))
      near.sort((a, b) => further.get(b.test)! - further.get(a.test)!)
      worth.splice(0, near.length, ...near)
    }
  }
  return worth.map(({ test, bits, minutes }) => ({ test, bits, minutes }))
}

/** Bits a minute of a test and the best one after each of its outcomes. */
function twoSteps(
  belief: Float64Array,
  first: Worth & { of: NetworkTest },
  tests: NetworkTest[],
  minutesOf: (test: NetworkTest) => number | null,
  besidesMinutes: (test: string) => number,
): number {
  let bits = first.bits
  let minutes = first.minutes + besidesMinutes(first.test)
  for (const { chance, belief: left } of expectedOutcomes(belief, first.of)) {
    if (!left) continue
    let best = { rate: 0, bits: 0, minutes: 0 }
    for (const test of tests) {
      if (test === first.of) continue
      const takes = minutesOf(test)
      if (takes === null) continue
      const gain = informationBits(left, test)
      const whole = takes + besidesMinutes(test.id)
      if (gain / whole > best.rate) best = { rate: gain / whole, bits: gain, minutes: whole }
    }
    bits += chance * best.bits
    minutes += chance * best.minutes
  }
  return bits / minutes
}

/** Nothing is looked at a third time, and nothing long twice. */
const mostLooks = 2
const briefMinutes = 5

/** What every test takes besides, to turn to it and to write it down, min. From memory. */
export const handlingMinutes = 1

/** So much a test that was not done yet has to tell to come before one done again, bits. */
const freshBits = 0.03

/**
 * How likely what brings the machine to stand for a test is done for its repair anyway: the test looks at the fault
 * itself, and whoever mends it opens and cools the same.
 */
function neededAnyway(book: FaultBook, belief: Float64Array): Map<string, number> {
  const anyway = new Map<string, number>()
  ownLooksOfAll(book).forEach((looks, i) => {
    for (const id of looks) anyway.set(id, (anyway.get(id) ?? 0) + belief[i]!)
  })
  return anyway
}

/** Tests of a book by worth, gates kept; a brief one may be done again. */
export function nextTests(
  book: FaultBook,
  network: Network,
  belief: Float64Array,
  seen: Seen[],
  { standing, gates, cannot, phone = false, may = 'all', again = [] }: Bench,
  least = leastBits,
): Worth[] {
  const byId = new Map(book.tests.map((test) => [test.id, test]))
  const tests = network.tests.map((test) => {
    const first = seen.find((one) => one.test === test.id && !one.said)
    return asTaken(test, phone, first?.outcome)
  })
  const minutesOf = ({ id }: NetworkTest): number | null => {
    const test = byId.get(id)!
    if (may === 'nothing' || (may === 'dead' && !isDead(test))) return null
    if (cannot.includes(id) || (test.gate && !gates.includes(test.gate))) return null
    if (phone) return book.phone[id] && !seen.some((one) => one.test === id) ? questionMinutes : null
    // What only a word tells was told already.
    if (test.by === 'word' && seen.some((one) => one.test === id)) return null
    // What was just seen is not seen better at once: another way first, or later.
    const last = seen.at(-1)
    if (last?.test === id && !last.said) return null
    const looks = seen.filter((one) => one.test === id && !one.said).length
    if (looks >= mostLooks || (looks > 0 && test.minutes > briefMinutes)) return null
    return testMinutes(book, test, standing)
  }
  const anyway = neededAnyway(book, belief)
  const besides = (id: string) => {
    const test = byId.get(id)!
    const toStand = testMinutes(book, { ...test, hazard: undefined }, standing) - test.minutes
    return handlingMinutes - (anyway.get(id) ?? 0) * toStand
  }
  const ranked = rankTests(belief, tests, minutesOf, least, phone ? () => 0 : besides)
  // What was answered, and fits, is asked again only where nothing else is left to ask.
  const stale = ({ test }: Worth) => !again.includes(test) && seen.some((one) => one.test === test && !one.said)
  const fresh = ranked.filter((worth) => !stale(worth))
  const left = fresh.findIndex(({ bits }) => bits < freshBits)
  const at = left < 0 ? fresh.length : left
  return [...fresh.slice(0, at), ...ranked.filter(stale), ...fresh.slice(at)]
}
