import type { FaultBook } from '../../core/faults/fault.ts'

/** Suspicion by station, and what lies outside the machine. */
export interface Suspected {
  at: Map<string, number>
  outside: number
}

/** Beliefs added up where they lie: two suspects in one station are one halo. */
export function suspectedAt(book: FaultBook, belief: Float64Array): Suspected {
  const at = new Map<string, number>()
  let outside = 0
  book.faults.forEach(({ station }, i) => {
    if (station === null) outside += belief[i]!
    else at.set(station, (at.get(station) ?? 0) + belief[i]!)
  })
  return { at, outside }
}

/** Half the height of a halo of all suspicion, and how far it reaches along the line. */
export const haloHalf = 62
export const haloReach = 24

/**
 * A mirrored curve around a line: a bell at each station, its whole width the suspicion there.
 *
 * @param bells - where along the line, and how much
 */
export function haloPath(bells: { x: number; p: number }[], y: number, half: number, reach: number): string {
  const seen = bells.filter(({ p }) => p > 0.004)
  if (seen.length === 0) return ''
  const from = Math.min(...seen.map(({ x }) => x)) - 3 * reach
  const to = Math.max(...seen.map(({ x }) => x)) + 3 * reach
  const points: [number, number][] = []
  for (let x = from; x <= to; x += reach / 5) {
    const high = seen.reduce((sum, bell) => sum + bell.p * Math.exp(-(((x - bell.x) / reach) ** 2) / 2), 0)
    points.push([x, Math.min(half, high * half)])
  }
  const upper = points.map(([x, high]) => `${x.toFixed(1)} ${(y - high).toFixed(1)}`)
  const lower = points.toReversed().map(([x, high]) => `${x.toFixed(1)} ${(y + high).toFixed(1)}`)
  return `M${[...upper, ...lower].join('L')}Z`
}
