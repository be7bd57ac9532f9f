import { expect } from 'chai'
import fc from 'fast-check'
import { roundTicks } from '../../src/ui/round-ticks.ts'

describe('ticks of an axis', () => {
  it('are round figures from nought to past the most', () => {
    expect(roundTicks(1.15)).to.deep.equal([0, 0.25, 0.5, 0.75, 1, 1.25])
    expect(roundTicks(0.345)).to.deep.equal([0, 0.1, 0.2, 0.3, 0.4])
    expect(roundTicks(180)).to.deep.equal([0, 50, 100, 150, 200])
  })

  it('are few, even, and hold the value, whatever it is', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-4, max: 1e5, noNaN: true }), (most) => {
        const ticks = roundTicks(most)
        expect(ticks.length).to.be.within(3, 7)
        expect(ticks[0]).to.equal(0)
        expect(ticks.at(-1)!).to.be.at.least(most * (1 - 1e-9))
        const steps = ticks.slice(1).map((tick, i) => tick - ticks[i]!)
        for (const step of steps) expect(step / steps[0]!).to.be.closeTo(1, 1e-4)
      }),
    )
  })
})
