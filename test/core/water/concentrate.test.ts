import { expect } from 'chai'
import fc from 'fast-check'
import {
  afterFlush,
  daysToFactor,
  factorAfter,
  flushEveryDays,
  steadyFactor,
} from '../../../src/core/water/concentrate.ts'

const boiler = { volumeL: 4, steamLPerDay: 3, hotWaterLPerDay: 1 }

describe('what a boiler concentrates', () => {
  it('settles at feed over hot water drawn, and without any grows for ever', () => {
    expect(steadyFactor(boiler)).to.equal(4)
    expect(steadyFactor({ ...boiler, hotWaterLPerDay: 0 })).to.equal(null)
    expect(steadyFactor({ ...boiler, steamLPerDay: 0, hotWaterLPerDay: 0 })).to.equal(1)
    // With endless draw it is the feed.
    expect(steadyFactor({ ...boiler, hotWaterLPerDay: 1e9 })).to.be.closeTo(1, 1e-8)
  })

  it('follows V dC/dt = (S + D)·C(feed) − D·C, stepped small', () => {
    let factor = 1
    const step = 1e-4
    for (let day = 0; day < 5; day += step) factor += (step * (4 - 1 * factor)) / 4
    expect(factorAfter(boiler, 1, 5)).to.be.closeTo(factor, 1e-3)
    expect(factorAfter({ ...boiler, hotWaterLPerDay: 0 }, 1, 4)).to.equal(4)
  })

  it('reaches a factor on the day it says', () => {
    fc.assert(
      fc.property(
        fc.record({
          volumeL: fc.double({ min: 0.1, max: 20, noNaN: true }),
          steamLPerDay: fc.double({ min: 0.01, max: 30, noNaN: true }),
          hotWaterLPerDay: fc.double({ min: 0, max: 30, noNaN: true }),
        }),
        fc.double({ min: 1, max: 20, noNaN: true }),
        (some, to) => {
          const days = daysToFactor(some, 1, to)
          if (days === null) expect(steadyFactor(some)!).to.be.at.most(to)
          else expect(factorAfter(some, 1, days)).to.be.closeTo(to, 1e-6 * to)
        },
      ),
    )
  })

  it('is flushed before the limit, sooner when less is let out', () => {
    expect(flushEveryDays(boiler, 5, 0.7, 1)).to.equal(null)
    const once = flushEveryDays(boiler, 3, 0.7, 1)!
    expect(factorAfter(boiler, afterFlush(3, 0.7, 1), once)).to.be.closeTo(3, 1e-9)
    expect(flushEveryDays(boiler, 3, 0.3, 1)!).to.be.lessThan(once)
    expect(flushEveryDays(boiler, 3, 0.7, 2)!).to.be.greaterThan(once)
    expect(afterFlush(5, 1, 1)).to.equal(1)
  })
})
