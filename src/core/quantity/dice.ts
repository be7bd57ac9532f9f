/** Chance from a seed: the same seed breaks the same machine. */
export interface Dice {
  /** In [0, 1). */
  next(): number
  /** Around 0, standard deviation 1. */
  normal(): number
  between(from: number, to: number): number
  pick<T>(of: readonly T[]): T
  /** One of weighted things. */
  weighted<T>(of: readonly T[], weight: (one: T) => number): T
}

/** Mulberry32, a 32-bit generator in the public domain: good enough for benches, the same everywhere. */
export function diceOf(seed: number): Dice {
  let state = seed >>> 0
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  return {
    next,
    // Box and Muller: one of the pair is enough here.
    normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    between: (from, to) => from + (to - from) * next(),
    pick: (of) => of[Math.floor(next() * of.length)]!,
    weighted(of, weight) {
      let at = next() * of.reduce((sum, one) => sum + weight(one), 0)
      for (const one of of) {
        at -= weight(one)
        if (at < 0) return one
      }
      return of.at(-1)!
    },
  }
}
