import { expect } from 'chai'
import fc from 'fast-check'
import type { Vessel } from '../../../src/core/kinds/vessel.ts'
import { exactly } from '../../../src/core/quantity/interval.ts'
import { boilerBound } from '../../../src/core/scale/boiler-bound.ts'
import { chalkPerLitre } from '../../../src/core/scale/chalk-per-litre.ts'
import { settingAdvice, usualClasses } from '../../../src/core/scale/setting-advice.ts'
import { steamReading } from '../../../src/core/steam/disagreement.ts'
import { saturation, type TestedWater } from '../../../src/core/water/carbonate.ts'
import { sodiumExchanged } from '../../../src/core/water/treatment.ts'

const tap: TestedWater = {
  hardnessMgL: 339,
  alkalinityMgL: 268,
  pH: 7.4,
  testTempC: 12,
  conductivityUsCm: 650,
  calciumShare: 0.8,
}
const flow: Pick<Vessel, 'heats' | 'takes'> = { heats: 'flow', takes: ['brew'] }
const steam: Pick<Vessel, 'heats' | 'takes'> = { heats: 'steam', takes: ['steam', 'hot-water'] }

describe('what can fall out in a steam boiler', () => {
  it('is the scarcer of calcium and carbonate in raw water', () => {
    expect(boilerBound(tap)).to.deep.include({ mgL: 268, magnesium: false })
  })

  it('takes magnesium along behind a sodium exchanger, where the pH passes 10', () => {
    const found = boilerBound(sodiumExchanged(tap, 36))
    expect(found.magnesium).to.equal(true)
    expect(found.pH).to.be.within(10, 11.5)
    expect(found.mgL).to.equal(36)
  })

  it('never passes what is there', () => {
    fc.assert(
      fc.property(
        fc.record({
          hardnessMgL: fc.double({ min: 0, max: 900, noNaN: true }),
          alkalinityMgL: fc.double({ min: 0, max: 600, noNaN: true }),
          calciumShare: fc.double({ min: 0, max: 1, noNaN: true }),
        }),
        (some) => {
          const { mgL } = boilerBound({ ...tap, ...some })
          expect(mgL).to.be.at.least(0)
          expect(mgL).to.be.at.most(Math.min(some.hardnessMgL, some.alkalinityMgL) + 1e-9)
        },
      ),
    )
  })
})

describe('chalk of a litre', () => {
  it('is the potential at the wall in a flow heater, and nothing without alkalinity', () => {
    expect(chalkPerLitre(flow, tap, 118, 30).grams.brew).to.be.closeTo(saturation(tap, 118).ccppMgL / 1000, 1e-12)
    expect(chalkPerLitre(flow, { ...tap, alkalinityMgL: 0 }, 118, 30).grams.brew).to.equal(0)
  })

  it('leaves in the water drawn hot what stays dissolved: what comes in is deposited or carried off', () => {
    const { grams, bound } = chalkPerLitre(steam, tap, 121, 30)
    // Mass in = deposited + out, for two litres of steam and three drawn hot.
    const carried = (3 * 30) / 1000
    expect(2 * grams.steam! + 3 * grams['hot-water']! + carried).to.be.closeTo((5 * bound!.mgL) / 1000, 1e-12)
  })

  it('scales a steam boiler faster than a brew circuit: only the boiler loses its carbonic acid', () => {
    expect(chalkPerLitre(steam, tap, 121, 30).grams.steam!).to.be.greaterThan(
      chalkPerLitre(flow, tap, 121, 30).grams.brew!,
    )
  })
})

describe('the setting adviser', () => {
  it('chooses the class the water falls in', () => {
    expect(settingAdvice(usualClasses[4], exactly(3), 4).best).to.equal(1)
    expect(settingAdvice(usualClasses[4], exactly(14), 4).best).to.equal(2)
    expect(settingAdvice(usualClasses[4], exactly(19), 4).best).to.equal(3)
    expect(settingAdvice(usualClasses[2], exactly(30), 4).best).to.equal(2)
  })

  it('takes the harder where a strip leaves two open, and says which may fit', () => {
    const advice = settingAdvice(usualClasses[3], { low: 5, value: 10, high: 16 }, 5)
    expect(advice.best).to.equal(3)
    expect(advice.classes.map(({ fits }) => fits)).to.deep.equal(['maybe', 'maybe', 'maybe'])
    expect(advice.classes[2]!.openDays).to.equal(5)
  })

  it('has no days where nothing is drawn', () => {
    expect(settingAdvice(usualClasses[5], exactly(9), 0).classes[0]).not.to.have.property('openDays')
  })
})

describe('a boiler’s gauge and thermometer', () => {
  it('agree on the steam line', () => {
    // IAPWS-IF97: 1.0 bar gauge at sea level is 120.4 °C.
    expect(steamReading(1, 120.4, 0).says).to.equal(null)
  })
  it('say trapped air, or a wrong gauge', () => {
    expect(steamReading(1.4, 118, 0).says).to.include('air is trapped')
    expect(steamReading(0.6, 122, 0).says).to.include('gauge')
    // The same reading is right higher up, where water boils sooner.
    expect(steamReading(1, 117, 1600).says).to.equal(null)
  })
})
