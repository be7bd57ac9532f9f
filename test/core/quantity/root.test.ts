import { expect } from 'chai'
import fc from 'fast-check'
import { root } from '../../../src/core/quantity/root.ts'

describe('a bracketed root', () => {
  it('is where the function is zero', () => {
    expect(root((x) => x * x - 2, 0, 2)).to.be.closeTo(Math.SQRT2, 1e-11)
    expect(root((x) => Math.cos(x) - x, 0, 1)).to.be.closeTo(0.7390851332151607, 1e-11)
    expect(root((x) => x, 0, 5)).to.equal(0)
    expect(root((x) => x - 5, 0, 5)).to.equal(5)
  })

  it('never leaves its bracket, however the function bends', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.double({ min: 0.1, max: 40, noNaN: true }),
        (at, steep) => {
          const found = root((x) => Math.atan(steep * (x - at)) + (x - at) ** 3, -60, 60)
          expect(found).to.be.closeTo(at, 1e-6)
        },
      ),
    )
  })

  it('says when there is no change of sign', () => {
    expect(() => root((x) => x * x + 1, -1, 1)).to.throw('no change of sign')
    expect(() => root(() => Number.NaN, -1, 1)).to.throw('no change of sign')
  })
})
