import { expect } from 'chai'
import fc from 'fast-check'
import { openDays } from '../../../src/core/usage/open-days.ts'
import { rateFrom } from '../../../src/core/usage/rate.ts'
import { typicalRates } from '../../../src/core/usage/typical-rate.ts'

const everyDay = openDays({ openWeekdays: [1, 2, 3, 4, 5, 6, 7], closures: [] })
const workdays = openDays({ openWeekdays: [1, 2, 3, 4, 5], closures: [] })
const seasonal = openDays({
  openWeekdays: [1, 2, 3, 4, 5, 6],
  closures: [],
  months: [0.1, 0.2, 1, 1, 1, 1.4, 1.5, 1.5, 1, 1, 0.3, 0.1],
})

interface Asked {
  readings: { day: number; count: number }[]
  open: typeof everyDay
  breaks: number[]
}

/** As it is said in words: every rise of the era that does not touch the reading, those above five medians left out. */
function asSaid({ readings, open, breaks }: Asked, index: number, prior: number) {
  const era = (day: number) => breaks.filter((on) => on <= day).length
  const today = readings.at(-1)!.day
  const rises = readings.flatMap((b, i) => {
    const a = readings[i - 1]
    if (!a || i === index || i - 1 === index || era(a.day) !== era(b.day)) return []
    if (era(b.day) !== era(readings[index]!.day)) return []
    const days = open.count(a.day, b.day)
    if (b.count < a.count || days <= 0) return []
    return [{ count: b.count - a.count, openDays: days, ageDays: (today - b.day) / 6 }]
  })
  const paces = rises.map(({ count, openDays: days }) => count / days).sort((a, b) => a - b)
  const half = paces.length >> 1
  const median = paces.length % 2 ? paces[half]! : (paces[half - 1]! + paces[half]!) / 2
  const within = rises.filter(({ count, openDays: days }) => paces.length === 0 || count / days <= 5 * median + 5)
  return rateFrom(within, prior)
}

const asked: fc.Arbitrary<Asked> = fc
  .record({
    steps: fc.array(
      fc.record({
        days: fc.constantFrom(0, 1, 2, 7, 14, 30, 90),
        perDay: fc.oneof(fc.nat({ max: 200 }), fc.constantFrom(0, 1, 4000, -50)),
      }),
      { minLength: 1, maxLength: 40 },
    ),
    open: fc.constantFrom(everyDay, workdays, seasonal),
    breaks: fc.uniqueArray(fc.integer({ min: 20_000, max: 20_400 }), { maxLength: 2 }),
  })
  .map(({ steps, open, breaks }) => {
    let [day, count] = [20_000, 1000]
    const readings = steps.map((step) => {
      day += step.days
      count = Math.max(0, count + step.perDay * Math.max(1, step.days))
      return { day, count }
    })
    return { readings, open, breaks: breaks.sort((a, b) => a - b) }
  })

describe('the rate a doubtful reading is held against', () => {
  it('is that of all rises of its era that do not touch it and are not five times the median', () => {
    fc.assert(
      fc.property(asked, fc.constantFrom(0.4, 12, 90), (one, prior) => {
        const era = (day: number) => one.breaks.filter((on) => on <= day).length
        const typical = typicalRates(one.readings, one.open, era, prior)
        for (let i = 0; i < one.readings.length; i += 1) {
          const [found, expected] = [typical(i), asSaid(one, i, prior)]
          expect(found.dispersion).to.be.closeTo(expected.dispersion, 1e-9 * expected.dispersion)
          expect(found.shape / found.rate).to.be.closeTo(
            expected.shape / expected.rate,
            1e-9 * (expected.shape / expected.rate),
          )
          expect(found.shape).to.be.closeTo(Math.min(12, expected.shape), 1e-8)
        }
      }),
      { numRuns: 300 },
    )
  })
})
