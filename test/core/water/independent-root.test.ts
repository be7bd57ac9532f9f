import { expect } from 'chai'
import fc from 'fast-check'
import newtonRaphson from 'newton-raphson-method'
import { saturation, type TestedWater } from '../../../src/core/water/carbonate.ts'
import { activity, ionicStrengthOf, logK1, logK2, logKCalcite, logKw } from '../../../src/core/water/equilibria.ts'

/** The charge balance of a carbonate water, written anew: what is over at a pH, mol/L. */
function chargeOver(pH: number, tempC: number, carbon: number, alkalinity: number, strength: number): number {
  const [g1, g2] = [activity(1, strength, tempC), activity(2, strength, tempC)]
  const h = 10 ** -pH / g1
  const [k1, k2, kw] = [10 ** logK1(tempC) / g1 ** 2, 10 ** logK2(tempC) / g2, 10 ** logKw(tempC) / g1 ** 2]
  const bicarbonate = carbon / (1 + h / k1 + k2 / h)
  return bicarbonate + (2 * bicarbonate * k2) / h + kw / h - h - alkalinity
}

/** Carbon of a tested water, straight from its pH. */
function carbonIn(water: TestedWater): number {
  const strength = ionicStrengthOf(water.conductivityUsCm)
  const found = newtonRaphson(
    (carbon) => 1e3 * chargeOver(water.pH, water.testTempC, carbon / 1e3, water.alkalinityMgL / 50_043.45, strength),
    1,
    { tolerance: 1e-13 },
  )
  expect(found).not.to.equal(false)
  return (found as number) / 1e3
}

const waters = fc.record({
  hardnessMgL: fc.double({ min: 60, max: 500, noNaN: true }),
  alkalinityMgL: fc.double({ min: 60, max: 400, noNaN: true }),
  pH: fc.double({ min: 6.8, max: 8.4, noNaN: true }),
  testTempC: fc.double({ min: 5, max: 25, noNaN: true }),
  conductivityUsCm: fc.double({ min: 150, max: 1200, noNaN: true }),
  calciumShare: fc.double({ min: 0.5, max: 1, noNaN: true }),
})

// The roots are found by a general library's Newton method instead of the project's own bracketing one.
describe('the solver against an independent root finder', () => {
  it('finds the same pH at any temperature', () => {
    fc.assert(
      fc.property(waters, fc.double({ min: 5, max: 120, noNaN: true }), (water, tempC) => {
        const strength = ionicStrengthOf(water.conductivityUsCm)
        const carbon = carbonIn(water)
        const pH = newtonRaphson(
          (at) => 1e6 * chargeOver(at, tempC, carbon, water.alkalinityMgL / 50_043.45, strength),
          saturation(water, tempC).pH + 0.3,
          { tolerance: 1e-12, maxIterations: 200 },
        )
        fc.pre(pH !== false)
        expect(saturation(water, tempC).pH).to.be.closeTo(pH as number, 1e-6)
      }),
      { numRuns: 200 },
    )
  })

  it('leaves a water at balance: what must leave has left, and the index is nought', () => {
    fc.assert(
      fc.property(waters, fc.double({ min: 40, max: 120, noNaN: true }), (water, tempC) => {
        const { ccppMgL } = saturation(water, tempC)
        fc.pre(ccppMgL > 0.1)
        const strength = ionicStrengthOf(water.conductivityUsCm)
        const gone = ccppMgL / 100_086.9
        const [carbon, alkalinity] = [carbonIn(water) - gone, water.alkalinityMgL / 50_043.45 - 2 * gone]
        const pH = newtonRaphson((at) => 1e6 * chargeOver(at, tempC, carbon, alkalinity, strength), 7.2, {
          tolerance: 1e-12,
          maxIterations: 300,
        })
        fc.pre(pH !== false)
        const [g1, g2] = [activity(1, strength, tempC), activity(2, strength, tempC)]
        const h = 10 ** -(pH as number) / g1
        const [k1, k2] = [10 ** logK1(tempC) / g1 ** 2, 10 ** logK2(tempC) / g2]
        const carbonate = carbon / (1 + h / k2 + (h * h) / (k1 * k2))
        const calcium = (water.hardnessMgL * water.calciumShare) / 100_086.9 - gone
        const index = Math.log10(calcium * carbonate * g2 ** 2) - logKCalcite(tempC)
        expect(index).to.be.closeTo(0, 1e-5)
      }),
      { numRuns: 200 },
    )
  })
})
