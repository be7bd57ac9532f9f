import type { FaultBook } from '../faults/fault.ts'
import { type Dice, diceOf } from '../quantity/dice.ts'
import type { BenchKind } from './bench-kind.ts'
import { readBy } from './instruments.ts'

/** A machine broken in secret: what is complained of, and what each test of it shows. */
export interface SecretCase {
  fault: string
  severity: number
  symptom: string
  /**
   * What an instrument reads or an eye sees, by outcome or as a number. The same case shows the same at the same look;
   * a second look sees what the first saw half of the time, whatever is there.
   */
  observe(test: string, look?: number): number | string
}

/** How far the bench's own frequencies stray from the book's, as the standard deviation of a logarithm. */
const strays = 0.4
/** A complaint in five is about something else. From memory. */
const mistaken = 0.2
/** How often a second look sees no more than the first. From memory. */
const sameEyes = 0.5

/**
 * Breaks a machine from a seed.
 *
 * @param fault - which one; drawn as often as calls come for it, roughly, where none is asked for
 */
export function secretCase<State>(book: FaultBook, bench: BenchKind<State>, seed: number, fault?: string): SecretCase {
  const dice = diceOf(seed)
  const frequencies = new Map(book.faults.map(({ id, per100 }) => [id, per100 * Math.exp(strays * dice.normal())]))
  const drawn = dice.weighted(book.faults, ({ id }) => frequencies.get(id)!).id
  const secret = fault ?? drawn
  const { state, severity } = broken(bench, secret, dice)
  const observe = (test: string, look = 1): number | string => {
    const { by, shows } = bench.tests[test]!
    const outcomes = book.tests.find(({ id }) => id === test)!.outcomes.map(({ id }) => id)
    // Its chance hangs on the case, the test and the look, not on the order of tests.
    const own = diceOf(seed * 7919 + hashOf(test) + look * 104729)
    if (look > 1 && own.next() < sameEyes) return observe(test, look - 1)
    return readBy(by, shows(state), outcomes, own)
  }
  return { fault: secret, severity, symptom: complaint(book, bench.notices(state), dice), observe }
}

const mostTries = 12

/** Nobody calls for what nobody notices: a fault too slight to be noticed grows until it is. */
function broken<State>(bench: BenchKind<State>, fault: string, dice: Dice): { state: State; severity: number } {
  for (let tries = 1; ; tries += 1) {
    const state = bench.sound(dice)
    const severity = dice.next()
    bench.faults[fault]!(state, severity, dice)
    if (bench.notices(state).length > 0 || tries === mostTries) return { state, severity }
  }
}

/** What is said: something that is noticed, or, once in five times and where nothing is, something else. */
function complaint(book: FaultBook, noticed: string[], dice: Dice): string {
  const known = noticed.filter((id) => book.symptoms.some((symptom) => symptom.id === id))
  return known.length > 0 && dice.next() >= mistaken ? dice.pick(known) : dice.pick(book.symptoms).id
}

const hashOf = (text: string): number => [...text].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7)
