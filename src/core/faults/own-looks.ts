import { type Fault, type FaultBook, nothingWrong, type Test } from './fault.ts'

/** What a test has to show of a fault to be a look at the fault itself, and of how few others. From memory. */
const showsIt = 0.5
export const showsOthers = 0.3
export const usualAbove = 0.3
/** What shows it twice as surely as anything else shows it. From memory. */
const halfOf = 2

/** Looks at lamps, gauges and sounds: what the machine does, whatever part of it makes it do so. */
const ofMachine = new Set([
  'lamps',
  'lamp',
  'display',
  'boiler-gauge',
  'sight-glass',
  'level',
  'grinder-sound',
  'sound',
  'meter-pulses',
  'fill-off',
  'drive',
  'tray-water',
])

/** Whether a test shows what the machine does, not how a part is: another fault of the same part shows it as well. */
export const showsMachine = ({ id, needs, by, reads }: Test): boolean =>
  ofMachine.has(id) ||
  (reads !== undefined && !needs.includes('open') && !needs.includes('off')) ||
  (needs.includes('hot') && !needs.includes('open') && by !== 'hand')

/**
 * Tests that look at a fault itself: each shows of it what it hardly shows of anything else, and not where all is well;
 * at its own station where there is one. What is in no book, and behaves like this fault everywhere else, shows nothing
 * there.
 */
export function ownLooks({ faults, tests }: FaultBook, fault: Fault): string[] {
  const looks = tests.filter((test) => !showsMachine(test))
  const telling = looks.filter(({ sees, normal }) =>
    Object.entries(sees[fault.id] ?? {}).some(
      ([outcome, p]) =>
        p >= showsIt &&
        (normal[outcome] ?? 0) < usualAbove &&
        faults.every(({ id }) => id === fault.id || (sees[id]?.[outcome] ?? 0) < Math.max(showsOthers, p / halfOf)),
    ),
  )
  const there = telling.filter(({ station }) => station === fault.station)
  return (there.length > 0 ? there : telling).map(({ id }) => id)
}

/** By a book's tests, so that they are looked through once a book. */
const known = new WeakMap<Test[], string[][]>()

/** The looks at each fault itself, in the book's order; none at a machine that is as it should be. */
export function ownLooksOfAll(book: FaultBook): string[][] {
  const there = known.get(book.tests)
  if (there) return there
  const looks = book.faults.map((fault) => (fault.id === nothingWrong ? [] : ownLooks(book, fault)))
  known.set(book.tests, looks)
  return looks
}
