import { expect } from 'chai'
import fc from 'fast-check'
import { carbonOf, holdsCarbon, saturation, type TestedWater } from '../../../src/core/water/carbonate.ts'
import { blended, decarbonised, remineralised, sodiumExchanged } from '../../../src/core/water/treatment.ts'
import { waterWarnings } from '../../../src/core/water/warnings.ts'

const tap: TestedWater = {
  hardnessMgL: 339,
  alkalinityMgL: 268,
  pH: 7.4,
  testTempC: 12,
  conductivityUsCm: 650,
  calciumShare: 0.8,
}
const permeate: TestedWater = {
  hardnessMgL: 8,
  alkalinityMgL: 6,
  pH: 5.8,
  testTempC: 12,
  conductivityUsCm: 15,
  calciumShare: 0.8,
}

describe('what a treatment changes', () => {
  it('a salt softener takes hardness and leaves alkalinity, pH and conductivity', () => {
    const soft = sodiumExchanged(tap, 18)
    expect(soft).to.include({ hardnessMgL: 18, alkalinityMgL: 268, pH: 7.4, conductivityUsCm: 650 })
    // 8.2 mg/L of sodium a degree, by stoichiometry.
    expect(soft.sodiumMgL / ((339 - 18) / 17.848)).to.be.closeTo(8.2, 0.01)
    // Carbonate above total hardness is the sign of softened water.
    expect(soft.alkalinityMgL).to.be.above(soft.hardnessMgL)
    expect(saturation(soft, 93).ccppMgL).to.be.below(saturation(tap, 93).ccppMgL / 5)
    expect(sodiumExchanged(tap, 500)).to.include({ hardnessMgL: 339, sodiumMgL: 0 })
  })

  it('a decarbonising cartridge takes both, and the carbonic acid it leaves lowers the pH', () => {
    const soft = decarbonised(tap, 0.3)
    expect(soft.hardnessMgL).to.be.closeTo(339 - 0.7 * 268, 1e-9)
    expect(soft.alkalinityMgL).to.be.closeTo(268 * 0.3, 1e-9)
    expect(soft.pH).to.be.within(5.8, 6.8)
    expect(saturation(soft, 93).si!).to.be.below(saturation(tap, 93).si!)
    // Its carbon is the same: nothing went off.
    expect(carbonOf({ ...soft, conductivityUsCm: tap.conductivityUsCm })).to.be.closeTo(
      carbonOf(tap),
      carbonOf(tap) * 0.01,
    )
    // The less goes round it, the sourer it comes out.
    expect(decarbonised(tap, 0.1).pH).to.be.below(soft.pH)
    expect(decarbonised(tap, 0.999).pH).to.be.closeTo(tap.pH, 0.01)
  })

  it('a blend lies between its waters, and each end is one of them', () => {
    const half = blended(tap, permeate, 0.5)
    expect(half.hardnessMgL).to.be.closeTo((339 + 8) / 2, 1e-9)
    expect(half.pH).to.be.within(permeate.pH, tap.pH)
    expect(blended(tap, permeate, 1).pH).to.be.closeTo(tap.pH, 1e-6)
    expect(blended(tap, permeate, 0).pH).to.be.closeTo(permeate.pH, 1e-6)
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)]
        expect(blended(tap, permeate, more).hardnessMgL).to.be.at.least(blended(tap, permeate, less).hardnessMgL - 1e-9)
        expect(blended(tap, permeate, more).pH).to.be.at.least(blended(tap, permeate, less).pH - 1e-6)
      }),
    )
  })

  it('minerals dosed into a permeate bring it up, bicarbonate its pH with it', () => {
    const made = remineralised(permeate, { calciumMgL: 60, magnesiumMgL: 20, bicarbonateMgL: 50 })
    expect(made.hardnessMgL).to.equal(88)
    expect(made.alkalinityMgL).to.equal(56)
    expect(made.calciumShare).to.be.closeTo((8 * 0.8 + 60) / 88, 1e-12)
    expect(made.pH).to.be.above(permeate.pH)
    expect(remineralised(permeate, { calciumMgL: 0, magnesiumMgL: 0, bicarbonateMgL: 0 }).pH).to.be.closeTo(
      permeate.pH,
      1e-6,
    )
  })

  it('never gives a figure that is none', () => {
    const water = fc.record({
      hardnessMgL: fc.double({ min: 0, max: 900, noNaN: true }),
      alkalinityMgL: fc.double({ min: 0, max: 600, noNaN: true }),
      pH: fc.double({ min: 5, max: 9.5, noNaN: true }),
      testTempC: fc.double({ min: 1, max: 40, noNaN: true }),
      conductivityUsCm: fc.double({ min: 5, max: 3000, noNaN: true }),
      calciumShare: fc.double({ min: 0, max: 1, noNaN: true }),
    })
    fc.assert(
      fc.property(water, water, fc.double({ min: 0, max: 0.99, noNaN: true }), (one, other, share) => {
        fc.pre(holdsCarbon(one) && holdsCarbon(other))
        for (const treated of [sodiumExchanged(one, 18), decarbonised(one, share), blended(one, other, share)])
          for (const value of Object.values(treated)) expect(Number.isFinite(value)).to.equal(true)
      }),
    )
  })
})

describe('what a water does besides scale', () => {
  const about = (...given: Parameters<typeof waterWarnings>) =>
    waterWarnings(...given).map((one) => [one.about, one.grade])

  it('is said only of what was measured', () => {
    expect(about({}, 'stainless')).to.deep.equal([])
    expect(about({ chlorideMgL: 20, conductivityUsCm: 400, silicaMgL: 5, ironMgL: 0.05 }, 'stainless')).to.deep.equal(
      [],
    )
  })

  it('judges chloride where it concentrates, and by the metal', () => {
    expect(about({ chlorideMgL: 20 }, 'stainless', 2)).to.deep.equal([['chlorideMgL', 'watch']])
    expect(about({ chlorideMgL: 20 }, 'copper', 2)).to.deep.equal([])
    expect(waterWarnings({ chlorideMgL: 40 }, 'copper', 3)[0]).to.include({ value: 120, limit: 100 })
  })

  it('stops where the level probe reads dry, and watches before', () => {
    expect(about({ conductivityUsCm: 30 }, 'copper')).to.deep.equal([['conductivityUsCm', 'stop']])
    expect(about({ conductivityUsCm: 70 }, 'copper')).to.deep.equal([['conductivityUsCm', 'watch']])
    expect(waterWarnings({ conductivityUsCm: 30 }, 'copper')[0]!.text).to.contain('overfills')
  })

  it('names chlorine, chloramine, silica and iron', () => {
    const all = { freeChlorineMgL: 0.2, totalChlorineMgL: 0.5, silicaMgL: 20, ironMgL: 0.3 }
    expect(waterWarnings(all, 'copper').map((one) => one.about)).to.deep.equal([
      'freeChlorineMgL',
      'totalChlorineMgL',
      'silicaMgL',
      'ironMgL',
    ])
  })
})
