import { expect } from 'chai'
import fc from 'fast-check'
import { nextBatch } from '../../src/services/rebuild.ts'

describe('how many are reckoned in one transaction', () => {
  it('settles at what takes half a second, however slow the server, in a few steps', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 2000, noNaN: true }), (msEach) => {
        let size = 10
        for (let step = 0; step < 12; step += 1) size = nextBatch(size, size * msEach)
        expect(size).to.be.at.least(1).and.at.most(200)
        // One is always taken; nobody who saves waits for more than half a second otherwise.
        if (size > 1) expect(size * msEach).to.be.at.most(500)
        if (size < 200) expect((size + 1) * 2 * msEach, 'no smaller than it must be').to.be.greaterThan(500)
      }),
    )
  })

  it('falls at once when the server grows slow, and rises by no more than twice', () => {
    expect(nextBatch(200, 10_000)).to.equal(10)
    expect(nextBatch(10, 1)).to.equal(20)
    expect(nextBatch(1, 60_000)).to.equal(1)
    expect(nextBatch(7, 0)).to.equal(14)
  })
})
