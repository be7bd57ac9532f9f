import type { Kind } from '../kinds/kind.ts'
import { topOf } from './build.ts'
import type { FaultBook, Outcome, Test } from './fault.ts'

/** Words of a band that are nothing but its edges. */
const edges = /^[\d.]+ to [\d.]+$/

/**
 * A book whose readings are good where its own kind says so: one that is built like another has figures of its own, and
 * its bands begin and end with them.
 */
export function withKindFigures(book: FaultBook, { measures }: Pick<Kind, 'measures'>): FaultBook {
  return {
    ...book,
    tests: book.tests.map((test) => {
      const good = measures.find(({ id }) => id === test.reads?.measure)?.good
      const { reads } = test
      if (!good || !reads || (good.from === reads.good.from && good.to === reads.good.to)) return test
      return { ...test, reads: { ...reads, good: { ...good } }, outcomes: bandsAround(test, reads.good, good) }
    }),
  }
}

/** Bands with the good one around what is good, and its neighbours meeting it. */
function bandsAround(
  { outcomes }: Test,
  was: { from: number; to: number },
  good: { from: number; to: number },
): Outcome[] {
  const at = outcomes.findLastIndex(({ from }) => (from ?? 0) <= (was.from + was.to) / 2)
  const right = outcomes[at]!
  const next = outcomes[at + 1]
  const from = right.from === undefined || right.from === 0 ? right.from : Math.min(right.from, good.from)
  const ends = next?.from === topOf(was) ? topOf(good) : Math.max(next?.from ?? good.to, good.to)
  return outcomes.map((outcome, i) => {
    if (i === at)
      return {
        ...outcome,
        words: edges.test(outcome.words) ? `${from} to ${ends}` : outcome.words,
        ...(from !== undefined && { from }),
      }
    if (i === at + 1) return { ...outcome, from: ends, words: outcome.words.replace(/^over [\d.]+/, `over ${ends}`) }
    if (i === at - 1 && edges.test(outcome.words)) return { ...outcome, words: `${outcome.from ?? 0} to ${from}` }
    return outcome
  })
}
