import { expect } from 'chai'
import { dueWindow } from '../../../src/core/wear/due-window.ts'

const fixed = (name: string, day: number) => ({ name, dayAt: () => day })
const spread = (name: string, day: number, width: number) => ({
  name,
  dayAt: (chance: number) => Math.round(day + (chance - 0.5) * width),
})

describe('due window', () => {
  it('is the earliest of its limits', () => {
    expect(dueWindow([fixed('months', 100), fixed('shots', 90)])).to.deep.equal({
      due: { p10: 90, p50: 90, p90: 90 },
      governing: 'shots',
    })
  })

  it('takes the quantile of the earliest: a wide clock cut off by a sure one', () => {
    const window = dueWindow([spread('shots', 100, 100), fixed('months', 105)])!
    expect(window.due).to.deep.equal({ p10: 60, p50: 100, p90: 105 })
    expect(window.governing).to.equal('shots')
  })

  it('names the limit most often first, not the one first in the middle', () => {
    const late = { name: 'litres', dayAt: (chance: number) => (chance < 0.45 ? 10 : 200) }
    expect(dueWindow([late, fixed('months', 50)])!.governing).to.equal('months')
  })

  it('is nothing where nothing runs out', () => {
    expect(dueWindow([{ name: 'shots', dayAt: () => null }])).to.equal(null)
    expect(dueWindow([])).to.equal(null)
  })
})
