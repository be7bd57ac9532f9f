import { expect } from 'chai'
import fc from 'fast-check'
import {
  boundWithoutCarbonicAcid,
  holdsCarbon,
  saturation,
  type TestedWater,
} from '../../../src/core/water/carbonate.ts'
import { activity, logK1, logK2, logKCalcite, logKw } from '../../../src/core/water/equilibria.ts'
import { langelier } from '../../../src/core/water/langelier.ts'

const tap: TestedWater = {
  hardnessMgL: 339,
  alkalinityMgL: 268,
  pH: 7.4,
  testTempC: 12,
  conductivityUsCm: 650,
  calciumShare: 0.8,
}

/** Waters a technician can meet, from rain to the hardest wells. */
const plausible = fc.record({
  hardnessMgL: fc.double({ min: 0, max: 900, noNaN: true }),
  alkalinityMgL: fc.double({ min: 0, max: 600, noNaN: true }),
  pH: fc.double({ min: 5, max: 9.5, noNaN: true }),
  testTempC: fc.double({ min: 1, max: 40, noNaN: true }),
  conductivityUsCm: fc.double({ min: 5, max: 3000, noNaN: true }),
  calciumShare: fc.double({ min: 0, max: 1, noNaN: true }),
})
const temperature = fc.double({ min: 1, max: 150, noNaN: true })

describe('the carbonate system', () => {
  // Plummer & Busenberg 1982, table of constants at 25 °C; K_w after Nordstrom et al. 1990.
  for (const [name, found, published] of [
    ['K₁', logK1(25), -6.35],
    ['K₂', logK2(25), -10.33],
    ['calcite', logKCalcite(25), -8.48],
    ['K_w', logKw(25), -14.0],
  ] as const)
    it(`has the published constant of ${name} at 25 °C`, () => {
      expect(found).to.be.closeTo(published, 0.005)
    })

  it('has Davies’ activity coefficients', () => {
    // Davies 1962, A = 0.509 at 25 °C: log γ₁ = −0.509 (√0.1/(1 + √0.1) − 0.03) at 0.1 mol/L.
    expect(activity(1, 0.1, 25)).to.be.closeTo(10 ** (-0.509 * (Math.sqrt(0.1) / (1 + Math.sqrt(0.1)) - 0.03)), 0.003)
    expect(activity(2, 0.1, 25)).to.be.closeTo(activity(1, 0.1, 25) ** 4, 1e-12)
    expect(activity(2, 0, 12)).to.equal(1)
  })

  // The project's own independent calculation of the same equations.
  for (const { tempC, si, ccpp } of [
    { tempC: 12, si: 0.29 },
    { tempC: 93, si: 1.24, ccpp: 118 },
    { tempC: 120, si: 1.69, ccpp: 156 },
  ])
    it(`reckons a hard tap water at ${tempC} °C`, () => {
      const found = saturation(tap, tempC)
      expect(found.si).to.be.closeTo(si, 0.02)
      if (ccpp) expect(found.ccppMgL).to.be.closeTo(ccpp, ccpp * 0.02)
      expect(found.extrapolated).to.equal(tempC > 90)
    })

  it('comes back to the pH it was tested with', () => {
    fc.assert(
      fc.property(plausible, (water) => {
        fc.pre(holdsCarbon(water))
        expect(saturation(water, water.testTempC).pH).to.be.closeTo(water.pH, 1e-6)
      }),
    )
  })

  it('answers every water with figures, and never takes out more than there is', () => {
    fc.assert(
      fc.property(plausible, temperature, (water, tempC) => {
        const { pH, si, ccppMgL } = saturation(water, tempC)
        expect(Number.isFinite(pH)).to.equal(true)
        expect(si === undefined || Number.isFinite(si)).to.equal(true)
        expect(ccppMgL).to.be.at.least(0)
        expect(ccppMgL).to.be.at.most(water.hardnessMgL * water.calciumShare + 1e-9)
        if (si !== undefined && si <= 0) expect(ccppMgL).to.equal(0)
      }),
      { numRuns: 1000 },
    )
  })

  it('lays down more chalk where there is more calcium, and where it is hotter', () => {
    fc.assert(
      fc.property(plausible, temperature, fc.double({ min: 0.01, max: 200, noNaN: true }), (water, tempC, more) => {
        const here = saturation(water, tempC).ccppMgL
        const harder = { ...water, hardnessMgL: water.hardnessMgL + more }
        expect(saturation(harder, tempC).ccppMgL).to.be.at.least(here - 1e-6)
      }),
    )
    for (let tempC = 10; tempC < 150; tempC += 10)
      expect(saturation(tap, tempC + 10).si! - saturation(tap, tempC).si!).to.be.greaterThan(0)
  })

  it('lays down nothing without alkalinity, without calcium, or in an acid water', () => {
    expect(saturation({ ...tap, alkalinityMgL: 0 }, 93))
      .to.include({ ccppMgL: 0 })
      .and.not.have.property('si')
    expect(saturation({ ...tap, hardnessMgL: 0 }, 93).ccppMgL).to.equal(0)
    expect(saturation({ ...tap, calciumShare: 0 }, 93)).not.to.have.property('si')
    expect(saturation({ ...tap, pH: 5.5 }, 12).ccppMgL).to.equal(0)
    expect(holdsCarbon({ ...tap, alkalinityMgL: 0, pH: 9 })).to.equal(false)
  })

  it('is bounded by the scarcer of calcium and alkalinity where the carbonic acid escapes', () => {
    expect(boundWithoutCarbonicAcid(tap)).to.equal(268)
    expect(boundWithoutCarbonicAcid({ ...tap, calciumShare: 0.5 })).to.equal(169.5)
  })
})

describe('Langelier’s index', () => {
  // Langelier 1936, the widely printed example: pH 7.5, TDS 320, calcium 150, alkalinity 34 mg/L.
  const water = { pH: 7.5, tdsMgL: 320, calciumMgL: 150, alkalinityMgL: 34 }
  it('is −0.7 at 25 °C and +0.3 at 82 °C in the printed example', () => {
    expect(langelier({ ...water, tempC: 25 }).lsi).to.be.closeTo(-0.7, 0.05)
    expect(langelier({ ...water, tempC: 82 }).lsi).to.be.closeTo(0.3, 0.05)
  })

  it('goes the way of the full reckoning', () => {
    for (const tempC of [15, 40, 65, 90]) {
      const full = saturation(tap, tempC).si!
      const short = langelier({ pH: tap.pH, tdsMgL: 0.64 * 650, tempC, calciumMgL: 271, alkalinityMgL: 268 }).lsi
      // The short form keeps the cold pH: the hotter, the further it overshoots.
      expect(short - full).to.be.within(-0.2, 0.9)
    }
  })
})
