import { expect } from 'chai'
import fc from 'fast-check'
import { hardnessFromMgL, hardnessToMgL, hardnessUnits, mgLPer } from '../../../src/core/quantity/hardness.ts'

describe('hardness units', () => {
  // Published: the units' definitions (DIN 38409-6 for °dH) and IUPAC atomic weights.
  it('follow their definitions', () => {
    const calcium = 40.078
    const carbonate = 12.011 + 3 * 15.999
    const oxide = 40.078 + 15.999
    expect(mgLPer.mmolL).to.be.closeTo(calcium + carbonate, 0.001)
    expect(mgLPer.dH).to.be.closeTo((10 * (calcium + carbonate)) / oxide, 0.002)
    expect(mgLPer.caMgL).to.be.closeTo((calcium + carbonate) / calcium, 0.0002)
    // One grain is 64.79891 mg; a US gallon 3.785411784 L, an imperial one 4.54609 L.
    expect(mgLPer.gpg).to.be.closeTo(64.79891 / 3.785411784, 0.001)
    expect(mgLPer.clark).to.be.closeTo(64.79891 / 4.54609, 0.001)
    expect(mgLPer.fH).to.equal(10)
  })

  it('agree with the printed factors', () => {
    expect(hardnessToMgL(1, 'dH') / mgLPer.mmolL).to.be.closeTo(0.17832, 0.00001)
    expect(hardnessToMgL(8, 'dH')).to.be.closeTo(142.784, 0.001)
  })

  it('come back from every round trip', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 2000, noNaN: true }), fc.constantFrom(...hardnessUnits), (value, unit) => {
        expect(hardnessFromMgL(hardnessToMgL(value, unit), unit)).to.be.closeTo(value, 1e-9)
      }),
    )
  })
})
