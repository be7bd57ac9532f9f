/** Sub-counters of one reading, all since the counter began: groups, drinks of each kind, and the like. */
export type Apart = number[]

/** Worth of what is usual, in drinks: so many counted weigh as much as it. From memory. */
const usualWorth = 200

/**
 * Shares from counters that count apart. What came between two readings counts; where one fell, a new board began at
 * nought and all of it counts; a single reading speaks for all since the counter began.
 *
 * @param readings - in order, each with as many counters as there are usual shares
 * @returns null where nothing was counted
 * @example sharesCounted([[500, 500], [1300, 700]], [0.5, 0.5])!.counted // 1000
 */
export function sharesCounted(readings: Apart[], usual: number[]): { shares: number[]; counted: number } | null {
  const here = readings.filter(({ length }) => length === usual.length)
  const sums = usual.map(() => 0)
  let before = here.length > 1 ? here[0]! : usual.map(() => 0)
  for (const reading of here.length > 1 ? here.slice(1) : here) {
    const fell = reading.some((count, i) => count < before[i]!)
    for (const [i, count] of reading.entries()) sums[i]! += fell ? count : count - before[i]!
    before = reading
  }
  const counted = sums.reduce((sum, count) => sum + count, 0)
  if (counted <= 0) return null
  const whole = usual.reduce((sum, share) => sum + share, 0)
  return {
    counted,
    shares: sums.map((count, i) => (count + (usualWorth * usual[i]!) / whole) / (counted + usualWorth)),
  }
}
