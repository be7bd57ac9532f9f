import { expect } from 'chai'
import { faultBooks } from '../../src/core/faults/books.ts'
import { lookDrawing } from '../../src/islands/fault/look-drawings.tsx'

describe('how a look is drawn beside its answers', () => {
  const drawn = faultBooks.flatMap(({ kind, tests }) =>
    tests
      .filter(({ id, reads, outcomes }) =>
        outcomes.some((outcome) => lookDrawing({ id, reads, outcomes }, outcome.id) !== null),
      )
      .map((test) => ({ name: `${kind} ${test.id}`, ...test })),
  )

  it('has every answer of it or none: one left out would be taken for the odd one', () => {
    expect(drawn.length).to.be.greaterThan(100)
    for (const { name, id, reads, outcomes } of drawn)
      for (const outcome of outcomes)
        expect(lookDrawing({ id, reads, outcomes }, outcome.id), `${name}: ${outcome.words}`).to.not.equal(null)
  })

  it('draws two answers of one look otherwise', () => {
    for (const { name, id, reads, outcomes } of drawn) {
      const pictures = outcomes.map((outcome) => lookDrawing({ id, reads, outcomes }, outcome.id))
      expect(new Set(pictures).size, name).to.equal(outcomes.length)
    }
  })

  it('draws no reading: an instrument stands there', () => {
    for (const { name, reads } of drawn) expect(reads, name).to.equal(undefined)
  })
})
