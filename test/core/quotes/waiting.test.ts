import { expect } from 'chai'
import fc from 'fast-check'
import { jStat } from 'jstat'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { ownCall } from '../../../src/core/quotes/own-call.ts'
import { twoVisits, waitingOf } from '../../../src/core/quotes/waiting.ts'

const part = 'group-gasket'
const due = { p10: '2026-12-01', p50: '2026-12-11', p90: '2026-12-31' }

describe('what waiting adds', () => {
  it('is the chance that it is due by then times coming for it alone', () => {
    expect(waitingOf({ due, part }, ['2026-12-11', '2026-12-31'], 8500)).to.deep.equal([
      { by: '2026-12-11', chanceMilli: 500, addsMinor: 4250 },
      { by: '2026-12-31', chanceMilli: 900, addsMinor: 7650 },
    ])
  })

  it('is zero where it is not due by far, and never more than the call', () => {
    expect(waitingOf({ due, part }, ['2026-10-01'], 8500)).to.deep.equal([
      { by: '2026-10-01', chanceMilli: 0, addsMinor: 0 },
    ])
    expect(waitingOf({ due, part }, ['2028-01-01'], 8500)![0]!.addsMinor).to.equal(8500)
  })

  it('is not said where nobody knows when it falls due, or what a call costs', () => {
    expect(waitingOf({ due: null, part }, ['2026-12-11'], 8500)).to.equal(null)
    expect(waitingOf({ due, part }, ['2026-12-11'], null)).to.equal(null)
    // A check that is late is late: nobody is called out for it.
    expect(waitingOf({ due }, ['2026-12-11'], 8500)).to.equal(null)
    // Nor for what whoever fills the tank puts in.
    for (const by of ['tank-filter', 'softening-sachet'])
      expect(waitingOf({ due, part: by }, ['2026-12-31'], 8500), by).to.equal(null)
  })

  // Against jstat's normal distribution, the window being eight in ten of it on each side of its middle.
  it('goes by the normal distribution of its window, and never falls with later days', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: -40, max: 90 }),
        fc.integer({ min: 0, max: 50_000 }),
        (half, away, callMinor) => {
          const middle = toDay('2026-12-11')
          const window = { p10: fromDay(middle - half), p50: fromDay(middle), p90: fromDay(middle + half) }
          const [one, later] = waitingOf(
            { due: window, part },
            [fromDay(middle + away), fromDay(middle + away + 7)],
            callMinor,
          )!
          const expected = jStat.normal.cdf(away, 0, half / jStat.normal.inv(0.9, 0, 1))
          expect(one!.addsMinor).to.be.closeTo(expected * callMinor, callMinor / 1900 + 0.51)
          expect(Number.isInteger(one!.addsMinor)).to.equal(true)
          expect(later!.addsMinor).to.be.at.least(one!.addsMinor)
        },
      ),
    )
  })
})

describe('the next two visits', () => {
  it('are the one that is arranged, and one as far beyond it or four weeks', () => {
    expect(twoVisits('2026-11-26', '2026-12-17')).to.deep.equal(['2026-12-17', '2027-01-14'])
    expect(twoVisits('2026-11-26', '2027-01-25')).to.deep.equal(['2027-01-25', '2027-03-26'])
    expect(twoVisits('2026-11-26', null)).to.deep.equal(['2026-12-24', '2027-01-21'])
  })
})

describe('coming for one thing alone', () => {
  it('is the call and the road, to the cent', () => {
    expect(ownCall({ callOutMinor: 5500, perKmMinor: 80 }, { minutes: 10, km: 6 })).to.equal(5980)
    expect(ownCall({ callOutMinor: 5500, travelPerHourMinor: 6300 }, { minutes: 20, km: 6 })).to.equal(7600)
    expect(ownCall({ perKmMinor: 33 }, { minutes: 0, km: 12.5 })).to.equal(413)
  })

  it('is not known where nobody said any of it; work alone is no call', () => {
    expect(ownCall({ labourPerHourMinor: 6300 }, { minutes: 10, km: 6 })).to.equal(null)
    expect(ownCall({ callOutMinor: 0 }, { minutes: 10, km: 6 })).to.equal(0)
  })
})
