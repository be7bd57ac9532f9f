import { expect } from 'chai'
import fc from 'fast-check'
import { addMonths } from '../../../src/core/quantity/local-day.ts'
import { certainDay, type FirstPassage, firstPassage } from '../../../src/core/usage/first-passage.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'
import type { Rate } from '../../../src/core/usage/rate.ts'
import { type Grade, type LifeMultiplier, multiplierAfter } from '../../../src/core/wear/seen-condition.ts'
import { seenWindow } from '../../../src/core/wear/seen-window.ts'

const fixedAt = (limit: number) => (multiplier: number) => [
  { name: 'months' as const, fixed: true, ...certainDay(Math.round(limit * multiplier)) },
]

/** A use that is even between two days a hundred apart, times the life. */
const evenly = (multiplier: number): FirstPassage => ({
  dayAt: (chance) => Math.round(multiplier * (1000 + (chance - 0.5) * 100)),
  chanceBy: (day) => Math.min(1, Math.max(0, ((day + 0.5) / multiplier - 950) / 100)),
})

describe('a window of use and life together', () => {
  it('is the spread of the life where the use is sure', () => {
    const life = multiplierAfter(2, 0.65, 0.45)
    const { due, governing } = seenWindow(fixedAt(10_000), life)!
    expect(governing).to.equal('months')
    expect(due.p50 / 10_000).to.be.closeTo(life.p50, 0.03)
    expect(due.p10 / 10_000).to.be.closeTo(life.p10, 0.04)
    expect(due.p90 / 10_000).to.be.closeTo(life.p90, 0.04)
  })

  it('is wider than that of the use alone', () => {
    const use = (multiplier: number) => [{ name: 'shots' as const, ...evenly(multiplier) }]
    const { due } = seenWindow(use, multiplierAfter(1, 0.4, 0.43))!
    expect(due.p90 - due.p10).to.be.above(80 * 1.5)
  })

  it('is nothing where more likely than not nothing runs out', () => {
    const never = () => [{ name: 'shots' as const, ...certainDay(null) }]
    expect(seenWindow(never, multiplierAfter(0, 0.1, 0.4))).to.equal(null)
  })

  it('is what listing every life with every chance of use gives, day by day', () => {
    const open = openDays({
      openWeekdays: [1, 2, 3, 4, 5, 6],
      closures: [{ from: '2026-12-24', to: '2027-01-10' }],
      months: [1, 1, 1, 1, 1.2, 1.4, 1.5, 0.6, 1, 1, 1, 1.1],
    })
    const from = 20_000
    fc.assert(
      fc.property(
        fc.record({
          grade: fc.constantFrom<Grade>(0, 1, 2, 3),
          used: fc.double({ min: 0.05, max: 2, noNaN: true }),
          sd: fc.double({ min: 0.2, max: 0.8, noNaN: true }),
          perDay: fc.double({ min: 5, max: 400, noNaN: true }),
          sure: fc.double({ min: 2, max: 300, noNaN: true }),
          drift: fc.constantFrom(0, 1e-5, 2e-4),
          shots: fc.integer({ min: 500, max: 90_000 }),
          litres: fc.option(fc.integer({ min: 500, max: 90_000 })),
          months: fc.option(fc.integer({ min: 1, max: 60 })),
          guards: fc.boolean(),
        }),
        ({ grade, used, sd, perDay, sure, drift, shots, litres, months, guards }) => {
          const rate: Rate = { shape: sure, rate: sure / perDay, dispersion: 1.7, driftPerDay: drift }
          const passagesOf = (of: number) => {
            const multiplier = guards ? Math.min(1, of) : of
            return [
              { name: 'shots', ...firstPassage(rate, shots * multiplier, from, open) },
              ...(litres === null ? [] : [{ name: 'litres', ...firstPassage(rate, litres * multiplier, from, open) }]),
              ...(months === null
                ? []
                : [{ name: 'months', fixed: true, ...certainDay(addMonths(from, months * multiplier)) }]),
            ]
          }
          const life = multiplierAfter(grade, used, sd)
          const [quick, listed] = [seenWindow(passagesOf, life), listedWindow(passagesOf, life)]
          expect(quick?.due).to.deep.equal(listed?.due)
          // Two that lead equally often may be named in either order.
          if (quick && listed) expect(listed.led.get(quick.governing)).to.be.closeTo(listed.most, 0.02)
        },
      ),
      { numRuns: 60 },
    )
  })
})

/** The same by brute force: every cell of the grid, in order of its day, until its weight is reached. */
function listedWindow(
  passagesOf: (multiplier: number) => ({ name: string } & FirstPassage)[],
  { points }: LifeMultiplier,
): { due: { p10: number; p50: number; p90: number }; led: Map<string, number>; most: number } | null {
  const led = new Map<string, number>()
  const cells = points
    .filter(({ weight }) => weight >= 1e-4)
    .flatMap(({ multiplier, weight }) => {
      const passages = passagesOf(multiplier)
      return Array.from({ length: 9 }, (_, i) => {
        const days = passages.map(({ dayAt }) => dayAt((i + 0.5) / 9) ?? Number.POSITIVE_INFINITY)
        const day = Math.min(...days)
        const { name } = passages[days.indexOf(day)]!
        if (Number.isFinite(day)) led.set(name, (led.get(name) ?? 0) + weight / 9)
        return { day, weight: weight / 9 }
      })
    })
    .sort((a, b) => a.day - b.day)
  const dayBy = (chance: number) => {
    let sum = 0
    return cells.find(({ weight }) => {
      sum += weight
      return sum >= chance
    })!.day
  }
  const [p10, p50, p90] = [dayBy(0.1), dayBy(0.5), dayBy(0.9)]
  if (!Number.isFinite(p50)) return null
  return { due: { p10, p50, p90: Number.isFinite(p90) ? p90 : p50 + 3653 }, led, most: Math.max(...led.values()) }
}
