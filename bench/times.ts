/** Milliseconds of each run, sorted. */
export async function times(runs: number, work: (i: number) => Promise<unknown>): Promise<number[]> {
  const taken: number[] = []
  for (let i = 0; i < runs; i += 1) {
    const start = performance.now()
    await work(i)
    taken.push(performance.now() - start)
  }
  return taken.sort((a, b) => a - b)
}

/** The value a share of sorted runs stays below. @example quantile(sorted, 0.95) */
export const quantile = (sorted: number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!

export const median = (sorted: number[]): number => quantile(sorted, 0.5)
