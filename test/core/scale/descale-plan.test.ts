import { expect } from 'chai'
import fc from 'fast-check'
import { acidG, acidNames } from '../../../src/core/scale/acid.ts'
import { descalePlan, forbidden } from '../../../src/core/scale/descale-plan.ts'

describe('a descale, planned', () => {
  it('pours more than the arithmetic asks: half again, citric twice', () => {
    expect(descalePlan(10, 'citric', { volumeL: 2 }).acidG).to.be.closeTo(2 * acidG(10, 'citric'), 1e-9)
    expect(descalePlan(10, 'lactic', { volumeL: 2 }).acidG).to.be.closeTo(1.5 * acidG(10, 'lactic'), 1e-9)
  })

  it('takes one charge where one is enough', () => {
    const plan = descalePlan(10, 'citric', { volumeL: 1 })
    expect(plan).to.deep.include({ charges: 1, because: [] })
    expect(plan.strengthPercent).to.be.closeTo(2.56, 0.01)
    expect(plan.rinseL).to.equal(5)
  })

  it('says which limit asks for more', () => {
    expect(descalePlan(25, 'citric', { volumeL: 1 })).to.deep.include({ charges: 2, because: ['sludge'] })
    expect(descalePlan(40, 'lactic', { volumeL: 1 })).to.deep.include({ charges: 2, because: ['strength'] })
    // Fifty grams in a closed boiler with four litres of headspace: about three bar, never in one charge.
    const closed = descalePlan(50, 'lactic', { volumeL: 7, headspaceL: 4 })
    expect(closed).to.deep.include({ charges: 7, because: ['gas'] })
    expect(closed.gasL).to.be.closeTo(12, 0.05)
    expect(closed.gasPerHeadspace!).to.be.at.most(0.5)
  })

  it('keeps every charge within its limits, whatever the vessel', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.constantFrom(...acidNames),
        fc.double({ min: 0.02, max: 15, noNaN: true }),
        fc.option(fc.double({ min: 0.1, max: 10, noNaN: true }), { nil: undefined }),
        (scaleG, acid, volumeL, headspaceL) => {
          const plan = descalePlan(scaleG, acid, { volumeL, ...(headspaceL !== undefined && { headspaceL }) })
          expect(plan.charges).to.be.at.least(1)
          expect(plan.strengthPercent).to.be.at.most(10 + 1e-6)
          expect(plan.acidGPerCharge * plan.charges).to.be.closeTo(plan.acidG, 1e-6)
          if (acid === 'citric') expect(scaleG / plan.charges / volumeL).to.be.at.most(15 + 1e-6)
          if (headspaceL !== undefined) expect(plan.gasPerHeadspace!).to.be.at.most(0.5 + 1e-6)
          expect(plan.because.length > 0).to.equal(plan.charges > 1)
        },
      ),
    )
  })

  it('has soda for the acid that is left, and none where there was nothing to do', () => {
    // Half of the citric is left: 1.31 g of bicarbonate a gram.
    expect(descalePlan(10, 'citric', { volumeL: 1 }).bicarbonateG).to.be.closeTo(acidG(10, 'citric') * 1.31, 0.1)
    expect(descalePlan(0, 'citric', { volumeL: 1 })).to.include({ acidG: 0, charges: 1, gasL: 0, bicarbonateG: 0 })
  })

  it('keeps sulfamic acid off aluminium', () => {
    expect(forbidden('sulfamic', { volumeL: 1, aluminium: true })).to.contain('aluminium')
    expect(forbidden('citric', { volumeL: 1, aluminium: true })).to.equal(null)
    expect(forbidden('sulfamic', { volumeL: 1 })).to.equal(null)
  })
})
