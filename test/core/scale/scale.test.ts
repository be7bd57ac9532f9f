import { expect } from 'chai'
import { acidG, acidGPerG, bicarbonateG, carbonDioxideG, carbonDioxideL } from '../../../src/core/scale/acid.ts'
import { brewDeposit, overTemperatureK, scaleG, steamDeposit, thicknessMm } from '../../../src/core/scale/deposit.ts'

describe('scale', () => {
  it('is what went in less what went out', () => {
    // 4 L at 268 mg/L in, 1 L drawn with 30 mg/L out: 1,042 mg stay.
    const { precipitatedGPerDay, stuckGPerDay } = steamDeposit(3, 1, 268, 30, 0.6)
    expect(precipitatedGPerDay).to.be.closeTo(4 * 0.268 - 1 * 0.03, 1e-12)
    expect(stuckGPerDay).to.be.closeTo(precipitatedGPerDay * 0.6, 1e-12)
    expect(steamDeposit(0, 5, 20, 30, 0.6).precipitatedGPerDay).to.equal(0)
    expect(brewDeposit(10, 118, 0.3)).to.deep.equal({ precipitatedGPerDay: 1.18, stuckGPerDay: 1.18 * 0.3 })
  })

  it('lies as thick as its mass allows', () => {
    // 0.1 mm at 2.71 g/cm³ with a fifth of pores weighs 0.0217 g on a square centimetre.
    expect(scaleG(0.1, 0.2, 1)).to.be.closeTo(0.0217, 0.0001)
    expect(scaleG(0.1, 0.2, 250)).to.be.closeTo(5.4, 0.05)
    expect(thicknessMm(scaleG(0.37, 0.2, 640), 0.2, 640)).to.be.closeTo(0.37, 1e-12)
    // 6 W/cm² through a tenth of a millimetre at 1.5 W/m·K.
    expect(overTemperatureK(6, 0.1, 1.5)).to.be.closeTo(4, 1e-9)
  })

  // Stoichiometry with IUPAC atomic weights, as the trade quotes it per gram of calcium carbonate.
  for (const [acid, grams] of [
    ['citric', 1.28],
    ['citric-monohydrate', 1.4],
    ['lactic', 1.8],
    ['sulfamic', 1.94],
    ['acetic', 1.2],
  ] as const)
    it(`takes ${grams} g of ${acid} a gram`, () => {
      expect(acidGPerG(acid)).to.be.closeTo(grams, 0.001)
      expect(acidG(25, acid)).to.be.closeTo(25 * grams, 0.03)
    })

  it('gives off its carbon dioxide', () => {
    expect(carbonDioxideG(1)).to.be.closeTo(0.44, 0.001)
    expect(carbonDioxideL(1)).to.be.closeTo(0.24, 0.001)
    // 50 g in a closed boiler with 4 L of headspace: about three bar more.
    expect(carbonDioxideL(50) / 4).to.be.closeTo(3, 0.05)
  })

  it('is neutralised by stoichiometry', () => {
    expect(bicarbonateG(1, 'citric')).to.be.closeTo(1.31, 0.005)
    expect(bicarbonateG(1, 'lactic')).to.be.closeTo(0.93, 0.005)
    expect(bicarbonateG(1, 'sulfamic')).to.be.closeTo(0.87, 0.005)
  })
})
