import { expect } from 'chai'
import fc from 'fast-check'
import { rawShare } from '../../../src/core/softener/blend.ts'
import { cartridgeLitres, hardnessBehindCartridge } from '../../../src/core/softener/cartridge.ts'
import { exchangerLitres } from '../../../src/core/softener/exchanger.ts'

// Arithmetic of mass balance; the capacities themselves are from memory and labelled so where shown.
describe('softeners', () => {
  it('give what their resin holds', () => {
    // 12 L · 35 g/L · 0.85 = 357 g; 357,000 mg ÷ 321 mg/L.
    expect(exchangerLitres(12, 35, 0.15, 339, 18)).to.be.closeTo(1112.15, 0.01)
    expect(() => exchangerLitres(12, 35, 0.15, 18, 18)).to.throw(RangeError)
  })

  it('decarbonise the smaller of carbonate and total hardness', () => {
    expect(hardnessBehindCartridge(268, 339, 0.3)).to.deep.include({ removedMgL: 0.7 * 268 })
    expect(hardnessBehindCartridge(339, 268, 0.3).removedMgL).to.be.closeTo(0.7 * 268, 1e-9)
    expect(hardnessBehindCartridge(268, undefined, 0).outAlkalinityMgL).to.equal(0)
    expect(cartridgeLitres(500, 0)).to.equal(null)
  })

  it('match the nominal cartridge of the trade: 4,000 L at 10 °dH carbonate and 30 % bypass is 500 g', () => {
    // Common practice, no source.
    expect(cartridgeLitres(500, hardnessBehindCartridge(178.48, undefined, 0.3).removedMgL)).to.be.closeTo(4000, 5)
  })

  it('blend to the target they were asked for', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 800, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (raw, permeate, share) => {
          const target = share * raw + (1 - share) * permeate
          fc.pre(target <= raw && target >= permeate)
          expect(rawShare(raw, permeate, target)).to.be.closeTo(share, 1e-9)
        },
      ),
    )
    expect(rawShare(339, 10, 400)).to.equal(null)
  })
})
