import { expect } from 'chai'
import { judgeReadings } from '../../../src/core/usage/judge-readings.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'

const open = openDays({ openWeekdays: [1, 2, 3, 4, 5, 6, 7], closures: [] })
const weekly = (counts: number[]) => counts.map((count, i) => ({ day: 20_000 + i * 7, count }))
const judge = (counts: number[], rollover?: number) =>
  judgeReadings(weekly(counts), { open, priorPerOpenDay: 60, ...(rollover && { rollover }) })
const flags = (counts: number[], rollover?: number) =>
  judge(counts, rollover).flags.map(({ index, kind }) => `${index} ${kind}`)

describe('judging counter readings', () => {
  it('leaves honest ones alone', () => {
    expect(flags([1000, 1350, 1720, 2080, 2430])).to.deep.equal([])
  })

  it('flags a digit too many that later readings do not confirm', () => {
    expect(flags([1000, 1350, 17_200, 2080, 2430])).to.deep.equal(['2 outlier'])
    expect(flags([1000, 1350, 1720, 2080, 24_300])).to.deep.equal(['4 outlier'])
  })

  it('believes a leap that later readings confirm', () => {
    expect(flags([1000, 1350, 1720, 9000, 9350, 9700])).to.deep.equal([])
  })

  it('flags a fall that later readings undo', () => {
    expect(flags([1000, 1350, 172, 2080, 2430])).to.deep.equal(['2 impossible'])
  })

  it('tells a rollover from a board swap', () => {
    expect(flags([9000, 9400, 9780, 160, 520], 9999)).to.deep.equal(['3 rollover'])
    expect(flags([9000, 9400, 9780, 160, 520])).to.deep.equal(['3 reset'])
    expect(flags([5000, 5400, 5780, 160, 520], 9999)).to.deep.equal(['3 reset'])
  })

  it('bridges a rollover exactly, and gives a swap no count', () => {
    const rolled = judge([9000, 9400, 9780, 160, 520], 9999)
    expect(rolled.kept.at(-1)!.total).to.equal(10_520 - 9000)
    const swapped = judge([9000, 9400, 9780, 160, 520])
    expect(swapped.rises.map((rise) => rise.count)).to.deep.equal([400, 380, 360])
  })

  describe('of which the last was read by a customer', () => {
    /** What a technician would have read, and the same from a customer. */
    const last = (counts: number[], doubted = true) =>
      judgeReadings(
        weekly(counts).map((one, i) => (i === counts.length - 1 ? { ...one, doubted } : one)),
        { open, priorPerOpenDay: 60 },
      )
    const kinds = (counts: number[], doubted?: boolean) => last(counts, doubted).flags.map(({ kind }) => kind)

    it('believes what is usual, and counts it as doubted', () => {
      const { flags: none, rises } = last([1000, 1350, 1720, 2080])
      expect(none).to.deep.equal([])
      expect(rises.map(({ doubted = false }) => doubted)).to.deep.equal([false, false, true])
    })

    it('believes less of what is much than it would of a technician', () => {
      const most = (doubted: boolean) => {
        let count = 2080
        while (kinds([1000, 1350, 1720, count], doubted).length === 0) count += 10
        return count - 1720
      }
      expect(most(true)).to.be.lessThan(most(false))
      expect(most(true)).to.be.greaterThan(360)
    })

    it('takes no board swap from their figures alone, and believes it once one of us reads on from there', () => {
      expect(kinds([1000, 1350, 1720, 120])).to.deep.equal(['impossible'])
      expect(kinds([1000, 1350, 1720, 120], false)).to.deep.equal(['reset'])
      const borneOut = judgeReadings(
        weekly([1000, 1350, 1720, 120, 470]).map((one, i) => (i === 3 ? { ...one, doubted: true } : one)),
        { open, priorPerOpenDay: 60 },
      )
      expect(borneOut.flags.map(({ kind }) => kind)).to.deep.equal(['reset'])
    })

    it('doubts it no more where one of us read after it', () => {
      const { rises } = judgeReadings(
        weekly([1000, 1350, 1720, 2080]).map((one, i) => (i === 2 ? { ...one, doubted: true } : one)),
        { open, priorPerOpenDay: 60 },
      )
      expect(rises.some(({ doubted }) => doubted)).to.equal(false)
    })
  })

  it('rejects no more than it flags: kept and rejected are all', () => {
    for (const counts of [[1000, 1350, 17_200, 2080], [5, 4, 3, 2, 1], [0, 0, 0], [7]]) {
      const { kept, flags: found } = judge(counts)
      const rejected = found.filter(({ kind }) => kind === 'outlier' || kind === 'impossible').length
      expect(kept.length + rejected).to.equal(counts.length)
    }
  })

  it('counts what closed days let through with the next open day', () => {
    const weekdaysOnly = openDays({ openWeekdays: [1, 2, 3, 4, 5], closures: [] })
    // Friday 2026-11-27, Saturday and Sunday closed, Monday.
    const readings = [
      { day: 20_784, count: 100 },
      { day: 20_785, count: 150 },
      { day: 20_786, count: 152 },
      { day: 20_787, count: 152 },
      { day: 20_788, count: 210 },
    ]
    const { rises } = judgeReadings(readings, { open: weekdaysOnly, priorPerOpenDay: 60 })
    expect(rises.reduce((sum, rise) => sum + rise.count, 0)).to.equal(110)
  })
})
