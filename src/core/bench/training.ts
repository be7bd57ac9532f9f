import type { FaultBook } from '../faults/fault.ts'
import { networkOf } from '../faults/network.ts'
import { asFound, standingAfter, testMinutes } from '../faults/next-test.ts'
import { outcomeOf } from '../faults/outcome-of.ts'
import { entropyBits, rankCauses } from '../faults/rank-causes.ts'
import type { BenchKind, Shown } from './bench-kind.ts'
import { playBest } from './play-case.ts'
import { type SecretCase, secretCase } from './secret-case.ts'

/** One case at the bench, as data: the same kind and number are the same machine, broken alike. */
export interface Training {
  kind: string
  seed: number
  /** Whether the next best test is shown as well. */
  hints: boolean
  tests: { test: string; shown: Shown | null; outcome: string }[]
  /** How often the halo was asked for. */
  halos: number
  /** Faults that were named and were not it. */
  wrong: string[]
  ended: 'found' | 'gave up' | null
}

export type TrainingPress =
  | { type: 'test'; test: string }
  | { type: 'halo' }
  | { type: 'name'; fault: string }
  | { type: 'give up' }

/** What asking for the halo costs on the clock. */
export const haloMinutes = 5

export const newTraining = (kind: string, seed: number, hints: boolean): Training => ({
  kind,
  seed,
  hints,
  tests: [],
  halos: 0,
  wrong: [],
  ended: null,
})

/** A machine with what is known of it, and the case on it. */
export interface TrainingBench {
  book: FaultBook
  // biome-ignore lint/suspicious/noExplicitAny: each kind has a state of its own, and only the bench itself reads it
  bench: BenchKind<any>
}

export const caseOf = ({ book, bench }: TrainingBench, { seed }: Training): SecretCase => secretCase(book, bench, seed)

/** The training after a press; the same object where the press means nothing. */
export function trainingStep(at: TrainingBench, training: Training, press: TrainingPress): Training {
  if (training.ended) return training
  switch (press.type) {
    case 'test': {
      const test = at.book.tests.find(({ id }) => id === press.test)!
      const looks = training.tests.filter((one) => one.test === press.test).length
      const shown = caseOf(at, training).observe(press.test, looks + 1)
      const outcome = typeof shown === 'string' ? shown : outcomeOf(test, shown)!.id
      // What never comes is no number that could be kept.
      const kept = typeof shown === 'number' && !Number.isFinite(shown) ? null : shown
      return { ...training, tests: [...training.tests, { test: press.test, shown: kept, outcome }] }
    }
    case 'halo':
      return { ...training, halos: training.halos + 1 }
    case 'name':
      if (press.fault === caseOf(at, training).fault) return { ...training, ended: 'found' }
      return training.wrong.includes(press.fault) ? training : { ...training, wrong: [...training.wrong, press.fault] }
    case 'give up':
      return { ...training, ended: 'gave up' }
  }
}

/** One stop of a run on the bench's clock. */
export interface Stop {
  test: string
  /** On the clock when it is done, min. */
  atMinutes: number
  /** It left nobody less unsure. */
  nothingNew: boolean
}

/** A run with its clock: what each test took, and which told nothing new. */
export interface Clocked {
  stops: Stop[]
  minutes: number
}

/** Less than this is nothing new, bits. */
const newsBits = 0.08

/** Puts tests on a technician's clock, as the machine has to stand for each. */
function clocked(book: FaultBook, symptom: string, tests: { test: string; outcome: string }[]): Clocked {
  const network = networkOf(book, symptom)
  let standing = asFound.standing
  let minutes = 0
  let unsure = entropyBits(network.prior)
  const stops = tests.map(({ test: id }, i): Stop => {
    const test = book.tests.find((one) => one.id === id)!
    minutes += testMinutes(book, { ...test, hazard: undefined }, standing)
    standing = standingAfter(test, standing)
    const now = entropyBits(rankCauses(network, tests.slice(0, i + 1)) ?? network.prior)
    const nothingNew = Math.abs(unsure - now) < newsBits
    unsure = now
    return { test: id, atMinutes: minutes, nothingNew }
  })
  return { stops, minutes }
}

/** Your run on its clock, with what halos and wrong repairs cost. */
export function yourRun(at: TrainingBench, training: Training): Clocked {
  const { book } = at
  const run = clocked(book, caseOf(at, training).symptom, training.tests)
  const repairs = training.wrong.reduce(
    (sum, id) => sum + book.faults.find((fault) => fault.id === id)!.repair.minutes,
    0,
  )
  return { ...run, minutes: run.minutes + training.halos * haloMinutes + repairs }
}

/** The same case by the next best test each time. */
export function bestRun(at: TrainingBench, training: Training): Clocked & { named: string } {
  const secret = caseOf(at, training)
  const played = playBest(at.book, secret)
  return { ...clocked(at.book, secret.symptom, played.tests), named: played.named }
}
