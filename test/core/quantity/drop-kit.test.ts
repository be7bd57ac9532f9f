import { expect } from 'chai'
import fc from 'fast-check'
import { dropCount, stripZone } from '../../../src/core/quantity/drop-kit.ts'

describe('drop kit', () => {
  it('puts the truth between the last drop and the one before', () => {
    expect(dropCount(19, 1)).to.deep.equal({ low: 18, value: 19, high: 19 })
    expect(dropCount(5, 1, 2)).to.deep.equal({ low: 2, value: 2.5, high: 2.5 })
    expect(dropCount(0, 1)).to.deep.equal({ low: 0, value: 0, high: 0 })
  })

  it('always holds a true value that would have turned on that drop', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 60, noNaN: true }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        (truth, perDrop) => {
          const { low, high } = dropCount(Math.ceil(truth / perDrop), perDrop)
          expect(low).to.be.at.most(truth + 1e-9)
          expect(high).to.be.at.least(truth - 1e-9)
        },
      ),
    )
  })

  it('keeps a strip a range', () => {
    expect(stripZone(7, 14)).to.deep.equal({ low: 7, value: 10.5, high: 14 })
  })
})
