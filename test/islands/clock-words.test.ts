import { expect } from 'chai'
import fc from 'fast-check'
import { dayAt } from '../../src/core/quantity/site-time.ts'
import { runningClock, takes } from '../../src/islands/run/clock-words.ts'

describe('a clock that runs', () => {
  it('shows minutes and seconds, and hours once there are any', () => {
    expect([0, 9, 59.2, 60, 702, 3599].map(runningClock)).to.deep.equal([
      '0:00',
      '0:09',
      '1:00',
      '1:00',
      '11:42',
      '59:59',
    ])
    expect([3600, 7199, 28_799].map(runningClock)).to.deep.equal(['1:00:00', '1:59:59', '7:59:59'])
    expect(runningClock(-5), 'over is nought, never less').to.equal('0:00')
  })

  it('reads back to its seconds', () => {
    fc.assert(
      fc.property(fc.nat({ max: 200_000 }), (seconds) => {
        const parts = runningClock(seconds).split(':').map(Number)
        expect(parts.reduce((sum, part) => sum * 60 + part, 0)).to.equal(seconds)
        for (const part of parts.slice(1)) expect(part).to.be.below(60)
      }),
    )
  })
})

describe('how long something takes, as said', () => {
  it('drops odd seconds after minutes, and says hours from two on', () => {
    expect([20, 60, 75, 150, 181, 195, 600, 615].map(takes)).to.deep.equal([
      '20 s',
      '1 min',
      '1 min 15 s',
      '2 min 30 s',
      '3 min',
      '3 min 15 s',
      '10 min',
      '10 min',
    ])
    expect([5400, 7140, 7200, 8100, 28_800].map(takes)).to.deep.equal(['90 min', '119 min', '2 h', '2 h 15 min', '8 h'])
  })

  it('is never off by more than half a minute, nor by a second below three', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100_000 }), (seconds) => {
        const said = takes(seconds)
        const [, hours = 0, minutes = 0, rest = 0] = (
          /^(?:(\d+) h)? ?(?:(\d+) min)? ?(?:(\d+) s)?$/.exec(said) ?? expect.fail(said)
        ).map((part) => (part === undefined ? undefined : Number(part)))
        const off = Math.abs(hours * 3600 + minutes * 60 + rest - seconds)
        expect(off, `${seconds} s said as ${said}`).to.be.at.most(seconds < 180 ? 0 : 30)
      }),
    )
  })
})

describe('the day of an instant', () => {
  it('is that of the place, not of the clock in the hand', () => {
    const midnightUtc = Date.UTC(2026, 10, 26, 0, 30)
    expect(dayAt('Europe/London', midnightUtc)).to.equal('2026-11-26')
    expect(dayAt('America/New_York', midnightUtc)).to.equal('2026-11-25')
    expect(dayAt('Asia/Tokyo', Date.UTC(2026, 10, 26, 16))).to.equal('2026-11-27')
  })
})
