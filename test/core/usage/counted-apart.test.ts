import { expect } from 'chai'
import fc from 'fast-check'
import { sharesCounted } from '../../../src/core/usage/counted-apart.ts'
import { rinsesApart } from '../../../src/core/usage/rinses-apart.ts'

describe('what a counter counts apart', () => {
  it('gives shares by what came between readings, two hundred drinks of the usual with them', () => {
    const { shares, counted } = sharesCounted(
      [
        [5000, 5000],
        [5600, 5200],
        [6200, 5400],
      ],
      [0.5, 0.5],
    )!
    expect(counted).to.equal(1600)
    // (1,200 + 100) of (1,600 + 200).
    expect(shares[0]).to.be.closeTo(1300 / 1800, 1e-12)
  })

  it('takes a single reading for all since it began, and one that fell for a new board', () => {
    expect(sharesCounted([[900, 100]], [0.5, 0.5])!.counted).to.equal(1000)
    const swapped = sharesCounted(
      [
        [9000, 9000],
        [100, 300],
      ],
      [0.5, 0.5],
    )!
    expect(swapped.counted).to.equal(400)
    expect(swapped.shares[1]).to.be.closeTo(400 / 600, 1e-12)
  })

  it('says nothing of what was not counted, or of another number of groups', () => {
    expect(sharesCounted([], [0.5, 0.5])).to.equal(null)
    expect(sharesCounted([[0, 0]], [0.5, 0.5])).to.equal(null)
    expect(sharesCounted([[5, 6, 7]], [0.5, 0.5])).to.equal(null)
  })

  it('always makes one in all, none below nought', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(1e6), fc.nat(1e6), fc.nat(1e6)), { maxLength: 8 }), (readings) => {
        const seen = sharesCounted(readings, [0.5, 0.3, 0.2])
        if (!seen) return
        expect(seen.shares.reduce((sum, share) => sum + share, 0)).to.be.closeTo(1, 1e-9)
        for (const share of seen.shares) expect(share).to.be.within(0, 1)
      }),
    )
  })
})

describe('rinses a counter counts among its drinks', () => {
  const kept = [0, 1000, 2000, 4000].map((total, i) => ({ day: 20 * i, count: 500 + total, total, index: i }))
  const rises = [1, 2, 3].map((i) => ({
    fromDay: 20 * (i - 1),
    toDay: 20 * i,
    count: kept[i]!.total - kept[i - 1]!.total,
    openDays: 20,
  }))

  it('are taken out where they are known, and by their share where not', () => {
    const apart = rinsesApart({ kept, rises }, [undefined, 200, 300, undefined])
    // 100 of 1,000 between the two that say so.
    expect(apart.share).to.be.closeTo(0.1, 1e-12)
    expect(apart.rises.map(({ count }) => count)).to.deep.equal([900, 900, 1800])
    expect(apart.kept.map(({ total }) => total)).to.deep.equal([0, 900, 1800, 3600])
    // What it shows stays what it shows.
    expect(apart.kept.map(({ count }) => count)).to.deep.equal(kept.map(({ count }) => count))
  })

  it('go by the whole where only one reading tells of them', () => {
    const apart = rinsesApart({ kept, rises }, [undefined, undefined, undefined, 900])
    expect(apart.share).to.be.closeTo(900 / 4500, 1e-12)
    expect(apart.kept.at(-1)!.total).to.be.closeTo(3200, 1e-9)
  })

  it('change nothing where nobody noted any', () => {
    expect(rinsesApart({ kept, rises }, [undefined, undefined, undefined, undefined])).to.deep.equal({
      kept,
      rises,
      share: 0,
    })
  })

  it('never make more drinks than the counter moved, nor fewer than none', () => {
    fc.assert(
      fc.property(fc.array(fc.option(fc.nat(5000), { nil: undefined }), { minLength: 4, maxLength: 4 }), (rinses) => {
        const apart = rinsesApart({ kept, rises }, rinses)
        apart.rises.forEach(({ count }, i) => {
          expect(count).to.be.within(-1e-9, rises[i]!.count + 1e-9)
        })
        for (let i = 1; i < kept.length; i += 1)
          expect(apart.kept[i]!.total).to.be.at.least(apart.kept[i - 1]!.total - 1e-9)
      }),
    )
  })
})
