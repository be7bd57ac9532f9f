import { expect } from 'chai'
import { faultBooks } from '../../../src/core/faults/books.ts'
import { outcomeOf } from '../../../src/core/faults/outcome-of.ts'
import { kindById } from '../../../src/core/kinds/index.ts'

describe('what a reading should be', () => {
  for (const book of faultBooks)
    it(`of a ${book.kind} is what its own kind says, within one band`, () => {
      const { measures } = kindById(book.kind)!
      for (const test of book.tests) {
        const good = measures.find(({ id }) => id === test.reads?.measure)?.good
        if (!good) continue
        expect(test.reads!.good, test.id).to.deep.equal(good)
        const edges = test.outcomes.map(({ from }) => from ?? 0)
        expect(
          [...edges].sort((a, b) => a - b),
          test.id,
        ).to.deep.equal(edges)
        // What is just good at either end is called as what is good in the middle.
        const middle = outcomeOf(test, (good.from + good.to) / 2)!.id
        expect(outcomeOf(test, good.to - 1e-6)!.id, `${test.id} at ${good.to}`).to.equal(middle)
        expect(outcomeOf(test, good.from + 1e-6)!.id, `${test.id} at ${good.from}`).to.equal(middle)
      }
    })

  it('has no figure of more than three digits in its words', () => {
    for (const { kind, tests } of faultBooks)
      for (const { id, outcomes } of tests)
        for (const { words } of outcomes)
          for (const [figure] of words.matchAll(/\d+(?:\.\d+)?/g))
            expect(figure.replace('.', '').replace(/^0+/, '').length, `${kind} ${id}: ${words}`).to.be.at.most(4)
  })
})
