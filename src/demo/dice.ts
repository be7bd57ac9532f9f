/** Seeded chance: the demo world is a function of its seed and its last day. */
export interface Dice {
  /** Uniform in [0, 1). */
  next(): number
  /** Whole number from low to high, both included. */
  whole(low: number, high: number): number
  chance(p: number): boolean
  pick<T>(from: readonly T[]): T
  /** Roughly normal, by the sum of twelve uniforms. */
  normal(mean: number, sd: number): number
  /** UUIDv7 of an instant. */
  uuid(atMs: number): string
}

/** @param seed - any text; the same text throws the same dice */
export function dice(seed: string): Dice {
  let state = 2166136261
  for (const char of seed) state = Math.imul(state ^ char.charCodeAt(0), 16777619)
  // mulberry32
  const next = () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  const whole = (low: number, high: number) => low + Math.floor(next() * (high - low + 1))
  return {
    next,
    whole,
    chance: (p) => next() < p,
    pick: (from) => from[whole(0, from.length - 1)]!,
    normal: (mean, sd) => mean + sd * (Array.from({ length: 12 }, next).reduce((a, b) => a + b, 0) - 6),
    uuid(atMs) {
      const hex = (digits: number) => Array.from({ length: digits }, () => whole(0, 15).toString(16)).join('')
      const time = Math.floor(atMs).toString(16).padStart(12, '0')
      return `${time.slice(0, 8)}-${time.slice(8)}-7${hex(3)}-${'89ab'[whole(0, 3)]}${hex(3)}-${hex(12)}`
    },
  }
}
