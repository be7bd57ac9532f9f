import { expect } from 'chai'
import { normalCdf } from '../../../src/core/quantity/normal.ts'
import { lateClassOf } from '../../../src/core/trade/lateness.ts'
import { planFiguresOf, usualPlanFigures } from '../../../src/core/visits/plan-figures.ts'
import { type DueTask, taskCosts } from '../../../src/core/visits/task-costs.ts'

const days = Array.from({ length: 400 }, (_, d) => d)
const costs = (task: Partial<DueTask>) =>
  taskCosts({ p10: 90, p50: 100, p90: 110, since: 0, worthMin: 50, late: 'short', ...task }, days, usualPlanFigures)

/** Normal density. */
const density = (z: number) => Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)

describe('what a task costs on a day', () => {
  it('throws away the share of its life that is left, times what it is worth', () => {
    const exact = { p10: 100, p50: 100, p90: 100 }
    expect(costs(exact).early[60]).to.be.closeTo(0.4 * 50, 1e-9)
    expect(costs(exact).early[100]).to.equal(0)
    expect(costs(exact).late[100]).to.equal(0)
    expect(costs(exact).late[107]).to.be.closeTo(7 * usualPlanFigures.latePerDay.short, 1e-9)
    // Nobody knows since when: a life of a year.
    const { since: _, ...unknown } = { p10: 100, p50: 100, p90: 100, worthMin: 50, late: 'short' as const, since: 0 }
    expect(taskCosts(unknown, days, usualPlanFigures).early[60]).to.be.closeTo((40 / 365) * 50, 1e-9)
  })

  it('throws away more of a part than a fifth only where that saves much', () => {
    const part = { p10: 100, p50: 100, p90: 100, isPart: true }
    expect(costs(part).early[85]).to.be.closeTo(0.15 * 50, 1e-9)
    expect(costs(part).early[60]).to.be.closeTo((0.2 + 0.2 * usualPlanFigures.wasteful) * 50, 1e-9)
    expect(
      taskCosts({ ...part, worthMin: 50, late: 'short', since: 0 }, days, planFiguresOf({ wasteful: 1 })).early[60],
    ).to.be.closeTo(0.4 * 50, 1e-9)
    expect(costs(part).unused[60]).to.be.closeTo(0.4, 1e-9)
  })

  it('expects lateness over the whole window, as a normal window has it', () => {
    // E[(d − T)⁺] of a normal: (d − µ)·Φ(z) + σ·φ(z), in any handbook of inventory (the loss function).
    const sd = 10 / 1.2815515655446004
    for (const day of [85, 95, 100, 105, 120]) {
      const z = (day - 100) / sd
      const loss = (day - 100) * normalCdf(z) + sd * density(z)
      // Twenty days stand for the window: within a tenth of a day.
      expect(costs({}).late[day]! / usualPlanFigures.latePerDay.short).to.be.closeTo(loss, 0.1)
    }
    expect(costs({}).chanceDue[100]).to.be.closeTo(0.5, 0.05)
    expect(costs({}).chanceDue[110]).to.be.closeTo(0.9, 0.05)
  })

  it('falls to one best day, or stretch of days, and rises from there', () => {
    for (const task of [
      {},
      { isPart: true },
      { p10: 20 },
      { p90: 300, late: 'nuisance' as const },
      { late: 'hard' as const },
    ]) {
      const { early, late } = costs(task)
      const sum = days.map((d) => early[d]! + late[d]!)
      const best = sum.indexOf(Math.min(...sum))
      for (const d of days.slice(1))
        if (d <= best) expect(sum[d]).to.be.at.most(sum[d - 1]! + 1e-9)
        else expect(sum[d]).to.be.at.least(sum[d - 1]! - 1e-9)
    }
  })

  it('counts lateness from the first day on: what is past nobody can change', () => {
    const { late } = costs({ p10: -40, p50: -30, p90: -20, since: -100 })
    expect(late[0]).to.equal(0)
    expect(late[10]).to.be.closeTo(10 * usualPlanFigures.latePerDay.short, 1e-9)
  })

  it('does not weigh what hygiene, safety or law forbid: a day after its day outweighs a trip', () => {
    const { late } = costs({ late: 'hard' })
    expect(late[100]).to.equal(0)
    expect(late[101]).to.equal(usualPlanFigures.hardPerDay)
    expect(usualPlanFigures.hardPerDay).to.be.above(120)
  })

  it('says what stands still without a part, and what only tastes (common practice, no source)', () => {
    expect(lateClassOf({ action: 'replace', part: 'pump' })).to.equal('stands')
    expect(lateClassOf({ action: 'grease', part: 'brew-unit' })).to.equal('stands')
    expect(lateClassOf({ action: 'replace', part: 'group-gasket' })).to.equal('short')
    expect(lateClassOf({ action: 'clean', part: 'level-probe' })).to.equal('nuisance')
    expect(lateClassOf({ action: 'descale' })).to.equal('short')
    expect(lateClassOf({ action: 'service' })).to.equal('nuisance')
  })
})
