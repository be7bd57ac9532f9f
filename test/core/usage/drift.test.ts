import { expect } from 'chai'
import fc from 'fast-check'
import { driftPerDay, wandering } from '../../../src/core/usage/drift.ts'
import { passageDay } from '../../../src/core/usage/first-passage.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'
import { meanRate, type Rate } from '../../../src/core/usage/rate.ts'

const every = openDays({ openWeekdays: [1, 2, 3, 4, 5, 6, 7], closures: [] })
/** A year of fortnights at the paces given. */
const year = (pace: (fortnight: number) => number) =>
  Array.from({ length: 26 }, (_, i) => ({ count: Math.round(pace(i) * 14), openDays: 14 }))

describe('a pace that wanders', () => {
  it('is told from one that keeps: a season and a trend wander, a steady pace hardly', () => {
    const steady = driftPerDay(
      year(() => 100),
      1.5,
    )
    const season = driftPerDay(
      year((i) => 100 * (1 + 0.25 * Math.sin((i / 26) * 2 * Math.PI))),
      1.5,
    )
    const trend = driftPerDay(
      year((i) => 100 + 3 * i),
      1.5,
    )
    // 4 % in 60 days is believed before anything is seen; a year of keeping the pace takes most of it away.
    expect(steady).to.be.below(0.04 ** 2 / 60)
    expect(season).to.be.above(10 * steady + 1e-7)
    expect(trend).to.be.above(3 * steady + 1e-7)
  })

  it('recovers the step of a random walk within a factor of two, in the middle of forty', () => {
    const stepPerDay = 0.02 ** 2
    let state = 7
    const chance = () => {
      state = (state * 48271) % 2147483647
      return state / 2147483647
    }
    const normal = () => Math.sqrt(-2 * Math.log(chance())) * Math.cos(2 * Math.PI * chance())
    const seen = Array.from({ length: 40 }, () => {
      let log = Math.log(5000)
      const rises = Array.from({ length: 26 }, () => {
        let count = 0
        for (let day = 0; day < 14; day += 1) {
          log += Math.sqrt(stepPerDay) * normal()
          count += Math.exp(log)
        }
        return { count, openDays: 14 }
      })
      return driftPerDay(rises, 1)
    }).sort((a, b) => a - b)
    expect(seen[20]).to.be.within(stepPerDay / 2, stepPerDay * 2)
  })

  it('says nothing from fewer than five stretches, and never less than nothing', () => {
    expect(driftPerDay([{ count: 100, openDays: 10 }], 1.5)).to.equal(0)
    expect(driftPerDay([], 1.5)).to.equal(0)
    fc.assert(
      fc.property(
        fc.array(fc.record({ count: fc.nat(5000), openDays: fc.nat(60) }), { maxLength: 60 }),
        fc.double({ min: 1, max: 20, noNaN: true }),
        (rises, dispersion) => {
          const drift = driftPerDay(rises, dispersion)
          expect(drift).to.be.at.least(0)
          expect(Number.isFinite(drift)).to.equal(true)
        },
      ),
    )
  })

  it('leaves the likely day where it was and widens the band, the more the further off', () => {
    const rate: Rate = { shape: 400, rate: 4, dispersion: 1.5, driftPerDay: 0.0001 }
    expect(meanRate(wandering(rate, 10_000))).to.be.closeTo(meanRate(rate), 1e-9)
    const width = (of: Rate, count: number) =>
      passageDay(of, count, 0, every, 0.9)! - passageDay(of, count, 0, every, 0.1)!
    const { driftPerDay: _, ...plain } = rate
    const wider = [5000, 20_000, 80_000].map((count) => width(rate, count) / width(plain, count))
    expect(wider[0]).to.be.above(1)
    expect(wider[2]).to.be.above(wider[1]!)
    // The middle day moves only by the skew of the wider spread.
    expect(passageDay(rate, 10_000, 0, every, 0.5)).to.be.closeTo(passageDay(plain, 10_000, 0, every, 0.5)!, 3)
  })

  it('looks 330 open days back, and what ended on that very day says nothing any more', () => {
    const plain = Array.from({ length: 20 }, () => ({ count: 3300, openDays: 33 }))
    const wildAt = (at: number) =>
      driftPerDay(
        plain.map((rise, i) => (i === at ? { ...rise, count: 9900 } : rise)),
        1,
      )
    expect(wildAt(9)).to.equal(driftPerDay(plain, 1))
    expect(wildAt(10)).to.be.above(2 * driftPerDay(plain, 1))
  })
})
