import { normalCdf } from '../quantity/normal.ts'
import { type Likelihood, learned, type Spread } from '../quantity/spread.ts'

/** A test of the outlet, so many litres after a regeneration. */
export interface OutletTest {
  on: string
  /** Litres since it was regenerated. */
  litres: number
  /** What each litre had to lose, mg/L CaCO₃. */
  removedMgL: number
  /** Whether hardness came through. */
  spent: boolean
}

/** A softener's own capacity, with what it was learned from. */
export interface LearnedCapacity extends Spread {
  tests: OutletTest[]
}

/** A capacity from memory is off by this much, as the logarithm's standard deviation. */
export const capacitySd = 0.25
/** A test tells the grams taken up to about this: litres reckoned from counts, and the kit's one drop. From memory. */
const testSd = 0.15

/** Outlet hardness that says the resin is through: above 3.5 °dH, and well above what it lets through fresh. */
export const spentAboveMgL = 62

/** Grams of CaCO₃ a litre of resin had taken up by a test. */
export const takenUpGPerL = ({ litres, removedMgL }: OutletTest, resinL: number) =>
  (litres * removedMgL) / 1000 / resinL

/**
 * What outlet tests teach of one softener's capacity. A test that found it spent says that its capacity is
 * below what it had been given; a test that passed says that it is above.
 *
 * @param usualGPerL - the capacity from memory; the prior is log-normal with a standard deviation of 0.25
 * @returns the prior's value where there is no test
 * @example learnedCapacity(35, 12, [{ on: '…', litres: 900, removedMgL: 320, spent: true }]).value // below 35
 */
export function learnedCapacity(usualGPerL: number, resinL: number, tests: OutletTest[]): LearnedCapacity {
  const prior = { value: usualGPerL, below: capacitySd, above: capacitySd }
  const evidence = tests
    .filter((test) => takenUpGPerL(test, resinL) > 0)
    .map((test): Likelihood => {
      const seen = Math.log(takenUpGPerL(test, resinL))
      // One test in fifty is of the wrong sample or the wrong tap: no single one is proof.
      return (capacity) => 0.02 + 0.96 * normalCdf(((test.spent ? -1 : 1) * (Math.log(capacity) - seen)) / testSd)
    })
  return { ...learned(prior, evidence), tests }
}
