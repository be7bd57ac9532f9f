import { benchOf } from '../src/core/bench/benches.ts'
import { playBest } from '../src/core/bench/play-case.ts'
import { secretCase } from '../src/core/bench/secret-case.ts'
import { omit } from '../src/core/faults/derive.ts'
import { type FaultBook, somethingElse } from '../src/core/faults/fault.ts'

/** A book that never heard of one fault. */
export function bookWithout(book: FaultBook, gone: string): FaultBook {
  return {
    ...book,
    faults: book.faults.filter(({ id }) => id !== gone),
    tests: book.tests.map((test) => ({ ...test, sees: omit(test.sees, [gone]) })),
    customer: omit(book.customer, [gone]),
  }
}

/** Whether some test shows a fault as nothing else of the book: without one, nobody could know that it is missing. */
export function isTold(book: FaultBook, fault: string): boolean {
  return book.tests.some(({ sees, normal, gate }) =>
    gate
      ? false
      : Object.entries(sees[fault] ?? {}).some(
          ([outcome, p]) =>
            p >= 0.5 &&
            (normal[outcome] ?? 0) < 0.2 &&
            !book.faults.some(({ id }) => id !== fault && (sees[id]?.[outcome] ?? 0) >= 0.3),
        ),
  )
}

/** What became of machines that were broken in a way their book does not have. */
export interface LeftOut {
  cases: number
  /** What is in no book led in the end. */
  elseLed: number
  /** A fault of the book was named above 60 %. */
  falselySure: number
}

/** Each fault that some test tells from all others left out in turn, so many cases of each. */
export function leftOut(book: FaultBook, casesEach: number): LeftOut {
  const bench = benchOf(book.kind)!
  const done: LeftOut = { cases: 0, elseLed: 0, falselySure: 0 }
  for (const [at, { id }] of book.faults.entries()) {
    if (id === 'nothing' || !isTold(book, id)) continue
    const blind = bookWithout(book, id)
    for (let nth = 1; nth <= casesEach; nth += 1) {
      // Each its own luck: what one look misreads it would else misread of every fault.
      const { named, sure } = playBest(blind, secretCase(book, bench, nth * 1009 + at, id))
      done.cases += 1
      if (named === somethingElse) done.elseLed += 1
      else if (sure > 0.6) done.falselySure += 1
    }
  }
  return done
}
