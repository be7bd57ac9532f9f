/** Waits between tries, ms: the first at once, then longer each time, to a bound; short again after a long life. */
export class Backoff {
  #failures = 0
  readonly firstMs: number
  readonly mostMs: number
  /** Whoever lived this long is not of those that die at once. */
  readonly longLifeMs: number

  constructor({ firstMs = 200, mostMs = 5_000, longLifeMs = 3_000 } = {}) {
    this.firstMs = firstMs
    this.mostMs = mostMs
    this.longLifeMs = longLifeMs
  }

  /** @param livedMs - how long what failed had gone well before */
  next(livedMs: number): number {
    this.#failures = livedMs >= this.longLifeMs ? 1 : this.#failures + 1
    return Math.min(this.mostMs, this.firstMs * 2 ** (this.#failures - 1))
  }
}
