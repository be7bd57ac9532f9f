import { expect } from 'chai'
import { rawShare } from '../../../src/core/softener/blend.ts'
import { capacityBySalt } from '../../../src/core/softener/exchanger.ts'
import { learnedCapacity, takenUpGPerL } from '../../../src/core/softener/learned-capacity.ts'
import { blendRange, coffeeTarget, permeateOf } from '../../../src/core/softener/ro-blend.ts'

const outlet = (litres: number, spent: boolean) => ({ on: '2026-05-01', litres, removedMgL: 320, spent })

describe('a softener’s own capacity', () => {
  it('is what is usual before any test', () => {
    expect(learnedCapacity(35, 12, []).value).to.equal(35)
    // Nothing drawn since: the test says nothing.
    expect(learnedCapacity(35, 12, [outlet(0, false)]).value).to.equal(35)
  })

  it('rises with a test passed late and falls with one found spent early', () => {
    // 1,500 L × 320 mg/L over 12 L: 40 g a litre taken up.
    expect(takenUpGPerL(outlet(1500, false), 12)).to.be.closeTo(40, 1e-9)
    const passed = learnedCapacity(35, 12, [outlet(1500, false)])
    const spent = learnedCapacity(35, 12, [outlet(900, true)])
    expect(passed.value).to.be.greaterThan(36)
    expect(spent.value).to.be.lessThan(33)
    expect(passed.below + passed.above).to.be.lessThan(0.5)
  })

  it('closes in between what it passed and what broke it', () => {
    const tests = [outlet(1100, false), outlet(1150, false), outlet(1400, true), outlet(1450, true)]
    const found = learnedCapacity(35, 12, tests)
    expect(found.value).to.be.within(takenUpGPerL(outlet(1100, false), 12), takenUpGPerL(outlet(1450, true), 12))
    expect(found.below + found.above).to.be.lessThan(learnedCapacity(35, 12, [tests[0]!]).below * 2)
  })

  it('is not overthrown by one odd test among many', () => {
    const many = Array.from({ length: 12 }, () => outlet(1200, false))
    expect(learnedCapacity(35, 12, [...many, outlet(150, true)]).value).to.be.greaterThan(30)
  })
})

describe('capacity by salt', () => {
  // From memory, as the defaults have it.
  for (const [salt, capacity] of [
    [80, 42],
    [100, 46],
    [120, 50],
    [160, 57],
    [240, 66],
    [400, 66],
    [40, 21],
  ] as const)
    it(`is ${capacity} g a litre at ${salt} g of salt`, () =>
      expect(capacityBySalt(salt)).to.be.closeTo(capacity, 1e-9))
})

describe('a blend', () => {
  const raw = { hardnessMgL: 339, alkalinityMgL: 268, chlorideMgL: 24, conductivityUsCm: 640 }
  it('satisfies hardness, carbonate and chloride together', () => {
    const { share } = blendRange(raw, permeateOf(raw), coffeeTarget)
    expect(share).to.not.equal(undefined)
    for (const at of [share!.from, share!.to]) {
      const mixed = at * raw.alkalinityMgL + (1 - at) * permeateOf(raw).alkalinityMgL
      expect(mixed).to.be.within(53 - 1e-9, 72 + 1e-9)
    }
    // The share for hardness alone is the one the single formula gives.
    expect(blendRange(raw, permeateOf(raw), { hardnessMgL: { from: 90, to: 90 } }).share!.from).to.be.closeTo(
      rawShare(339, permeateOf(raw).hardnessMgL, 90)!,
      1e-12,
    )
  })

  it('names the two that exclude each other', () => {
    const salted = { ...raw, chlorideMgL: 250 }
    const { share, conflict } = blendRange(salted, permeateOf(salted), coffeeTarget)
    expect(share).to.equal(undefined)
    expect(conflict).to.include('chlorideMgL')
  })

  it('says so where the raw water itself falls short', () => {
    const soft = { hardnessMgL: 40, alkalinityMgL: 30 }
    expect(blendRange(soft, permeateOf(soft), { hardnessMgL: { from: 71 } }).conflict).to.deep.equal(['hardnessMgL'])
  })
})
