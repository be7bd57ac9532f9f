import type { Shown } from '../src/core/bench/bench-kind.ts'
import { type AnyBench, benchOf } from '../src/core/bench/benches.ts'
import { readBy } from '../src/core/bench/instruments.ts'
import type { FaultBook } from '../src/core/faults/fault.ts'
import { outcomeOf } from '../src/core/faults/outcome-of.ts'
import { showsMachine } from '../src/core/faults/own-looks.ts'
import type { PriorEvidence } from '../src/core/faults/prior-factors.ts'
import { kindById } from '../src/core/kinds/index.ts'
import { diceOf } from '../src/core/quantity/dice.ts'
import { aPast } from './a-past.ts'

/** A machine with a past, broken as machines are: sometimes twice, sometimes now and then, often by the last hands. */
export interface HardCase {
  /** What is broken; what was mended is out of it. */
  broken: string[]
  symptom: string
  evidence: PriorEvidence
  is: { two: boolean; seldom: boolean; lastHands: boolean }
  /** What a test shows: an outcome of it. */
  observe(test: string, look: number): string
  /** Mends one; true where it was broken. */
  mend(fault: string): boolean
  /** Whether whoever works with it would still complain. */
  notices(): string[]
}

/** One machine in ten has two faults, one in ten one that comes and goes, one in five one that hands left. */
const shares = { two: 0.1, seldom: 0.1, lastHands: 0.2 }
/** What comes and goes shows itself one time in two. */
const acts = 0.5

/** Breaks a machine from a seed. */
export function hardCase(book: FaultBook, seed: number): HardCase {
  const bench = benchOf(book.kind)!
  const dice = diceOf(hashOf(book.kind) * 65537 + seed * 2654435)
  const is = {
    two: dice.next() < shares.two,
    seldom: dice.next() < shares.seldom,
    lastHands: dice.next() < shares.lastHands,
  }
  const { evidence, hazard } = aPast(kindById(book.kind)!, book, dice, is.lastHands || dice.next() < 0.15)
  const left = (traits: string[] = []) => traits.includes('refit') === is.lastHands
  const frequency = new Map(
    book.faults.map((fault) => [fault.id, fault.per100 * hazard(fault) * Math.exp(0.4 * dice.normal())]),
  )
  const draw = (of: FaultBook['faults']) => dice.weighted(of, ({ id }) => frequency.get(id)!).id
  const first = draw(book.faults.filter(({ traits }) => left(traits)))
  const others = book.faults.filter(({ id }) => id !== first && id !== 'nothing')
  const faults = [first, ...(is.two && first !== 'nothing' ? [draw(others)] : [])]
  let marks = faults.map((fault) => broken(bench, fault, seed, dice.next()))
  const sound = bench.sound(diceOf(seed))
  const noticed = marks.flatMap(({ state }) => bench.notices(state))
  const known = noticed.filter((id) => book.symptoms.some((symptom) => symptom.id === id))
  const symptom = known.length > 0 && dice.next() >= 0.2 ? dice.pick(known) : dice.pick(book.symptoms).id
  return {
    get broken() {
      return marks.map(({ fault }) => fault)
    },
    symptom,
    evidence,
    is: { ...is, two: faults.length > 1 },
    observe(id, look) {
      const test = book.tests.find((one) => one.id === id)!
      const { by, shows } = bench.tests[id]!
      const own = diceOf(seed * 7919 + hashOf(id) + look * 104729)
      const well: Shown = shows(sound)
      // What is loose is loose all the time; what the machine does by it, it does now and then.
      const always = !is.seldom || !showsMachine(test)
      const now = marks.filter(() => always || own.next() < acts).map(({ state }) => shows(state) as Shown)
      const shown = is.seldom && id === 'ask-often' ? 'sometimes' : (now.find((one) => unlike(one, well)) ?? well)
      const read = readBy(
        by,
        shown,
        test.outcomes.map((one) => one.id),
        own,
      )
      return typeof read === 'string' ? read : outcomeOf(test, read)!.id
    },
    mend(fault) {
      const before = marks.length
      marks = marks.filter((mark) => mark.fault !== fault)
      return marks.length < before
    },
    notices: () => marks.flatMap(({ state }) => bench.notices(state)),
  }
}

const mostTries = 12

/** A machine broken by one fault alone, so far that somebody notices. */
function broken(bench: AnyBench, fault: string, seed: number, chance: number) {
  for (let tries = 1; ; tries += 1) {
    const state = bench.sound(diceOf(seed))
    const dice = diceOf(seed * 131 + tries + Math.floor(chance * 1e6))
    bench.faults[fault]!(state, dice.next(), dice)
    if (bench.notices(state).length > 0 || tries === mostTries) return { fault, state }
  }
}

/** Whether it shows something else than a sound machine would: a figure by more than a twelfth. */
const unlike = (shown: Shown, well: Shown): boolean =>
  typeof shown === 'number' && typeof well === 'number'
    ? Math.abs(shown - well) > Math.abs(well) / 12 || Number.isFinite(shown) !== Number.isFinite(well)
    : shown !== well

const hashOf = (text: string): number => [...text].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7)
