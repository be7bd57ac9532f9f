import { expect } from 'chai'
import fc from 'fast-check'
import { decimalOf, minorDigits, minorOf, partedBy, priceOf, shareOf, sumOf } from '../../../src/core/money/minor.ts'

describe('money in whole minor units', () => {
  it('is read from what was typed, without floating point', () => {
    // 1.005 × 100 is 100.49999… in IEEE 754 binary64; half a cent goes away from nothing.
    expect(minorOf('1.005', 'EUR')).to.equal(101)
    expect(minorOf('-1.005', 'EUR')).to.equal(-101)
    expect(minorOf('5.20', 'EUR')).to.equal(520)
    expect(minorOf('0', 'EUR')).to.equal(0)
    expect(minorOf(' 12 ', 'EUR')).to.equal(1200)
    for (const no of ['', '1e-7', '1,5', '€5', '--1', '.5', '5.']) expect(minorOf(no, 'EUR'), no).to.equal(null)
  })

  // ISO 4217, minor units: https://www.iso.org/iso-4217-currency-codes.html
  it('has as many places as its currency', () => {
    expect(['EUR', 'GBP', 'JPY', 'KWD', 'CLF'].map(minorDigits)).to.deep.equal([2, 2, 0, 3, 4])
    expect(minorOf('12.5', 'JPY')).to.equal(13)
    expect(decimalOf(1234, 'KWD')).to.equal('1.234')
    expect(decimalOf(-5, 'EUR')).to.equal('-0.05')
    expect(decimalOf(5, 'JPY')).to.equal('5')
  })

  it('goes out as a decimal and comes in again as it was', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e11, max: 1e11 }),
        fc.constantFrom('EUR', 'JPY', 'KWD', 'CHF'),
        (amount, currency) => {
          expect(minorOf(decimalOf(amount, currency), currency)).to.equal(amount)
        },
      ),
    )
  })

  // EN 16931-1, BT-131: net price by its base quantity times the quantity, rounded to two places.
  it('is a quantity at a price, rounded once', () => {
    expect(priceOf({ quantityMilli: 92_000, priceMinor: 6300, per: 60 })).to.equal(9660)
    expect(priceOf({ quantityMilli: 1600, priceMinor: 95 })).to.equal(152)
    expect(priceOf({ quantityMilli: 1, priceMinor: 500 })).to.equal(1)
    expect(priceOf({ quantityMilli: 1_000_000_000, priceMinor: 100_000_000_000 })).to.equal(1e17)
  })

  it('differs from the true product by half a minor unit at most', () => {
    const priced = fc.record({
      quantityMilli: fc.integer({ min: 0, max: 1_000_000 }),
      priceMinor: fc.integer({ min: 0, max: 1_000_000 }),
      per: fc.constantFrom(1, 60, 100, 1000),
    })
    fc.assert(
      fc.property(priced, ({ quantityMilli, priceMinor, per }) => {
        const by = 1000n * BigInt(per)
        const off =
          2n * (BigInt(priceOf({ quantityMilli, priceMinor, per })) * by - BigInt(quantityMilli) * BigInt(priceMinor))
        expect(off > -by && off <= by).to.equal(true)
      }),
    )
  })

  it('takes a share rounded half away from nothing', () => {
    expect(shareOf(10_900, 1900)).to.equal(2071)
    expect(shareOf(250, 700)).to.equal(18)
    expect(shareOf(-250, 700)).to.equal(-18)
    expect(shareOf(99, 0)).to.equal(0)
  })

  it('is parted to the last minor unit', () => {
    expect(partedBy(100, [1, 1, 1])).to.deep.equal([34, 33, 33])
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc.array(fc.nat({ max: 1000 }), { minLength: 1, maxLength: 12 }),
        (amount, weights) => {
          const parts = partedBy(amount, weights)
          expect(sumOf(parts)).to.equal(amount)
          if (weights.some((weight) => weight > 0))
            for (const [i, part] of parts.entries()) if (weights[i] === 0) expect(part).to.equal(0)
        },
      ),
    )
    expect(sumOf([])).to.equal(0)
    expect(partedBy(5, [])).to.deep.equal([])
  })
})
