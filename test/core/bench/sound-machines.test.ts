import { expect } from 'chai'
import { benches } from '../../../src/core/bench/benches.ts'
import { bookOf } from '../../../src/core/faults/books.ts'
import { outcomeOf } from '../../../src/core/faults/outcome-of.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import { diceOf } from '../../../src/core/quantity/dice.ts'

/** Machines of each kind, fresh from the shop. */
const seeds = Array.from({ length: 12 }, (_, i) => i + 1)
/** Rests of a sound reading's own scatter at the ends of what is good: new parts differ. */
const slack = 0.12

/** Tests of which a reading is only what it is where something was made with the customer's own coffee. */
const theirs = new Set(['grind'])

for (const bench of benches) {
  const book = bookOf(bench.kind)!
  const kind = kindById(bench.kind)!
  describe(`a sound ${kind.name} on the bench`, () => {
    it('complains of nothing', () => {
      for (const seed of seeds) expect(bench.notices(bench.sound(diceOf(seed))), `machine ${seed}`).to.deep.equal([])
    })

    it('reads what its kind calls good, near enough (figures as each kind marks them)', () => {
      for (const test of book.tests) {
        if (!test.reads || theirs.has(test.id)) continue
        const { good } = kind.measures.find(({ id }) => id === test.reads?.measure) ?? test.reads
        const room = slack * (Math.min(good.to, 1e6) - good.from)
        for (const seed of seeds) {
          const shown = bench.tests[test.id]!.shows(bench.sound(diceOf(seed)))
          expect(shown, `${test.id}, machine ${seed}`).to.be.a('number')
          expect(Number(shown), `${test.id}, machine ${seed}`).to.be.within(good.from - room, good.to + room)
        }
      }
    })

    it('shows the usual outcome of every look, and of every reading its band', () => {
      for (const test of book.tests) {
        const usual = Object.entries(test.normal).sort((a, b) => b[1] - a[1])[0]![0]
        for (const seed of seeds) {
          const shown = bench.tests[test.id]!.shows(bench.sound(diceOf(seed)))
          const outcome = typeof shown === 'string' ? shown : outcomeOf(test, shown)!.id
          expect(outcome, `${test.id}, machine ${seed}`).to.equal(usual)
        }
      }
    })
  })
}
