import { expect } from 'chai'
import fc from 'fast-check'
import { acidG, acidNames } from '../../../src/core/scale/acid.ts'
import { descaleBath, forbidden, workingStrength } from '../../../src/core/scale/descale-bath.ts'

describe('a bath for descaling', () => {
  it('is made at the strength that works, whatever the chalk (from memory: citric 5 %, 3 % the least)', () => {
    for (const scaleG of [null, 0, 0.5, 12, 400])
      expect(descaleBath('citric', { volumeL: 1 }, scaleG).acidG, `${scaleG} g`).to.be.closeTo(50, 1e-9)
    expect(descaleBath('citric', { volumeL: 0.5 }, 0.5).acidG).to.be.closeTo(25, 1e-9)
    expect(workingStrength.citric).to.deep.equal({ percent: 5, least: 3, most: 8 })
  })

  it('says how much chalk one takes up: citric by its acid twice over, and by its sludge', () => {
    // 50 g of citric at 1.280 g a gram of chalk (stoichiometry), twice over: 19.5 g; sludge from 15 g a litre cold.
    expect(descaleBath('citric', { volumeL: 1 }, 1).takesUpG).to.be.closeTo(15, 1e-9)
    expect(descaleBath('citric', { volumeL: 1, heats: true }, 1).takesUpG).to.be.closeTo(8, 1e-9)
    // 60 g of lactic at 1.800 g a gram, half as much again: 22.2 g.
    expect(descaleBath('lactic', { volumeL: 1 }, 1).takesUpG).to.be.closeTo(60 / 1.8 / 1.5, 0.05)
  })

  it('asks for a second where one is not enough, and for the bench before anybody would pour a fourth', () => {
    expect(descaleBath('citric', { volumeL: 1 }, 15)).to.include({ baths: 1, tooMuch: false })
    expect(descaleBath('citric', { volumeL: 1 }, 25)).to.include({ baths: 2, tooMuch: false })
    expect(descaleBath('citric', { volumeL: 1 }, 46)).to.include({ baths: 4, tooMuch: true })
    // Seven litres on the bench take the half kilo of a boiler in a number somebody would do.
    expect(descaleBath('citric', { volumeL: 7 }, 300).baths).to.equal(3)
  })

  it('tells the bottle where the acid is bought thinned: lactic as 80 %, vinegar as it is', () => {
    expect(descaleBath('lactic', { volumeL: 1 }, 1).asBought).to.deep.equal({ percent: 80, grams: 75 })
    expect(descaleBath('acetic', { volumeL: 1 }, 1).asBought).to.deep.equal({ percent: 5, grams: 1000 })
    expect(descaleBath('citric', { volumeL: 1 }, 1).asBought).to.equal(undefined)
  })

  it('never falls under what works nor over what is safe, whatever vessel and chalk', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...acidNames),
        fc.double({ min: 0.02, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 2000, noNaN: true }),
        fc.boolean(),
        (acid, volumeL, scaleG, heats) => {
          const bath = descaleBath(acid, { volumeL, heats }, scaleG)
          const percent = bath.acidG / (volumeL * 10)
          expect(percent).to.be.within(workingStrength[acid].least - 1e-9, workingStrength[acid].most + 1e-9)
          expect(bath.baths * bath.takesUpG).to.be.at.least(scaleG - 1e-6)
          expect((bath.baths - 1) * bath.takesUpG).to.be.at.most(Math.max(scaleG, 0) + 1e-6)
          expect(bath.bicarbonateG).to.be.at.least(0)
          expect(bath.gasL).to.be.at.least(0)
        },
      ),
    )
  })

  it('has soda for all the acid that is left: 1.31 g a gram of citric (stoichiometry)', () => {
    expect(descaleBath('citric', { volumeL: 1 }, 0).bicarbonateG).to.be.closeTo(50 * 1.31, 0.1)
    expect(descaleBath('citric', { volumeL: 1 }, 10).bicarbonateG).to.be.closeTo((50 - acidG(10, 'citric')) * 1.31, 0.1)
  })

  it('keeps sulfamic acid off aluminium, and takes no vessel of nothing', () => {
    expect(forbidden('sulfamic', { aluminium: true })).to.contain('aluminium')
    expect(forbidden('citric', { aluminium: true })).to.equal(null)
    expect(forbidden('sulfamic', {})).to.equal(null)
    expect(() => descaleBath('citric', { volumeL: 0 }, 1)).to.throw('volumeL')
  })
})
