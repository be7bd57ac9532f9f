import type { NetworkTest } from './network.ts'
import { entropyBits, expectedOutcomes, informationBits } from './rank-causes.ts'

/**
 * Minutes a search is expected to cost if one more test is done: the test, then what is left, either repaired as it
 * stands or tested on at what this test asks for a bit. A search stops where repairing at once costs no more.
 *
 * @param minutes - of the test as the machine stands
 * @param waste - minutes thrown away on the average, if the likeliest is repaired at such a belief
 * @example testingMinutes(belief, blindPressure, 4, (now) => 60 * (1 - Math.max(...now)))
 */
export function testingMinutes(
  belief: Float64Array,
  test: NetworkTest,
  minutes: number,
  waste: (belief: Float64Array) => number,
): number {
  const bits = informationBits(belief, test)
  const perBit = bits > 0 ? minutes / bits : Number.POSITIVE_INFINITY
  return expectedOutcomes(belief, test).reduce((sum, { chance, belief: next }) => {
    if (!next) return sum
    return sum + chance * Math.min(waste(next), perBit * entropyBits(next))
  }, minutes)
}
