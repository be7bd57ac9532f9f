import { expect } from 'chai'
import { weeksAxis } from '../../src/islands/round/weeks/weeks-axis.ts'
import { hoursWords } from '../../src/ui/hours.ts'

describe('the axis of the weeks ahead', () => {
  const axis = weeksAxis('2026-11-26', 84, 520)

  it('gives each day the same width, today first, what is over to its left', () => {
    expect(axis.x('2026-11-26')).to.be.above(axis.todayX)
    expect(axis.x('2026-12-03') - axis.x('2026-11-26')).to.be.closeTo(7 * axis.dayWidth, 0.02)
    expect(axis.x('2026-11-20')).to.be.below(axis.todayX)
    expect(axis.x('2020-01-01')).to.equal(2)
    expect(axis.x('2030-01-01')).to.equal(518)
  })

  it('marks Mondays, and dates as many as there is room for', () => {
    expect(axis.weeks).to.have.length(12)
    // 30 November 2026 is a Monday, four days after the first.
    expect(axis.weeks[0]!.x).to.be.closeTo(axis.todayX + 4 * axis.dayWidth, 0.01)
    const labels = axis.weeks.filter(({ label }) => label)
    for (const [i, { x }] of labels.entries()) if (i > 0) expect(x - labels[i - 1]!.x).to.be.above(48)
  })
})

describe('minutes as hours', () => {
  it('are said in hours from sixty on', () => {
    expect(hoursWords(59.4)).to.equal('59 min')
    expect(hoursWords(59.6)).to.equal('1 h')
    expect(hoursWords(95)).to.equal('1 h 35 min')
  })
})
