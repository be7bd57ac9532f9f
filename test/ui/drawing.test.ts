import { expect } from 'chai'
import fc from 'fast-check'
import { fromDay, toDay } from '../../src/core/quantity/local-day.ts'
import type { Standing } from '../../src/core/standing/standing.ts'
import { dueAxis } from '../../src/ui/due-axis.ts'
import { dayFull, dayLong, dayNear, dayShort, figure, halfWidth } from '../../src/ui/format.ts'
import { lasts, urgencyOf, usedOn, usedShare } from '../../src/ui/urgency.ts'

const today = '2026-11-26'
const due = (p50: string, spread = 0) => ({ p10: fromDay(toDay(p50) - spread), p50, p90: fromDay(toDay(p50) + spread) })

describe('due axis', () => {
  const axis = dueAxis(today, 380)

  it('runs forwards: a later day is never further left', () => {
    fc.assert(
      fc.property(fc.integer({ min: -200, max: 800 }), fc.integer({ min: 0, max: 400 }), (from, more) => {
        const [a, b] = [axis.x(fromDay(toDay(today) + from)), axis.x(fromDay(toDay(today) + from + more))]
        expect(a).to.be.at.most(b)
        expect(a).to.be.within(0, 380)
      }),
    )
  })

  it('gives the near future more room: x = ln(1 + days ÷ 4)', () => {
    const at = (days: number) => axis.x(fromDay(toDay(today) + days)) - axis.todayX
    expect(at(0)).to.equal(0)
    // To a hundredth of a pixel, as it is drawn.
    expect(at(8) / at(92)).to.be.closeTo(Math.log(3) / Math.log(24), 1e-4)
    expect(at(7)).to.be.above(at(31) - at(24))
  })

  it('presses the long overdue to its edge', () => {
    expect(axis.x('2020-01-01')).to.equal(2)
    expect(axis.x('2026-11-20')).to.be.within(2, axis.todayX)
  })

  it('keeps its ticks and labels apart', () => {
    for (const width of [128, 190, 340, 600]) {
      const { ticks, bands } = dueAxis(today, width)
      const labels = ticks.filter((tick) => tick.label).map((tick) => tick.x)
      for (let i = 1; i < labels.length; i += 1) expect(labels[i]! - labels[i - 1]!, `${width}`).to.be.above(30)
      for (let i = 1; i < bands.length; i += 1) expect(bands[i]!.from).to.be.at.least(bands[i - 1]!.to - 1e-9)
    }
  })
})

describe('words and figures', () => {
  it('write days as technicians do', () => {
    expect(dayLong('2027-01-06')).to.equal('6 Jan 2027')
    expect(dayShort('2027-09-06')).to.equal('6 Sep')
    expect(dayFull('2026-11-26')).to.equal('Thu 26 Nov 2026')
    expect([dayNear('2026-12-24', today), dayNear('2027-01-06', today)]).to.deep.equal(['24 Dec', '6 Jan 27'])
  })

  it('write figures with the digits that matter', () => {
    expect([184_220, 212.34, 46.34, 9.18, 0.15, 5, -12.25].map(figure)).to.deep.equal([
      '184,220',
      '212',
      '46.3',
      '9.18',
      '0.15',
      '5',
      '-12.3',
    ])
  })

  it('say how long something lasts, and how surely', () => {
    expect(lasts(due('2027-01-06', 9), today)).to.equal('41 d ±9')
    expect(lasts(due('2027-01-06'), today)).to.equal('41 d')
    expect(lasts(due('2026-11-03'), today)).to.equal('overdue 23 d')
    expect(lasts(due('2029-01-26', 60), today)).to.equal('26 mo ±2')
    expect(lasts(undefined, today)).to.equal('over 10 y')
    expect(halfWidth(due('2027-01-06', 9))).to.equal(9)
  })

  it('call sixty days soon, and yesterday overdue', () => {
    expect(
      [due('2026-11-25'), due('2026-11-26'), due('2027-01-25'), due('2027-01-26'), undefined].map((window) =>
        urgencyOf(window, today),
      ),
    ).to.deep.equal(['overdue', 'soon', 'soon', 'later', 'none'])
  })

  it('carry a clock on from the day it was reckoned to today', () => {
    const use = { clock: 'shots' as const, used: 100, limit: 200, unit: 'shots', perDay: 5 }
    expect(usedOn(use, '2026-11-16', today)).to.equal(150)
    expect(usedOn(use, '2026-12-16', today)).to.equal(100)
    const standing = {
      uses: [use, { ...use, clock: 'litres' as const, used: 10 }],
      governing: 'litres',
      asOf: '2026-11-16',
    } as unknown as Standing
    expect(usedShare(standing, today)).to.equal(0.3)
    expect(usedShare({ ...standing, governing: undefined } as unknown as Standing, today)).to.equal(0.75)
  })
})
