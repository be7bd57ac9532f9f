/**
 * Where a continuous function crosses zero between two places of opposite sign: Brent's method, which
 * never leaves the bracket and needs no derivative (Brent 1973, Algorithms for Minimization without
 * Derivatives, chapter 4).
 *
 * @param tolerance - absolute, on the place
 * @throws RangeError when both ends lie on the same side
 * @example root((x) => x * x - 2, 0, 2) // ≈ 1.41421356
 */
export function root(f: (x: number) => number, from: number, to: number, tolerance = 1e-12): number {
  // b is the best place so far, a the one before, c the one across zero from b.
  let a = from
  let b = to
  let fa = f(a)
  let fb = f(b)
  if (fa === 0) return a
  if (fb === 0) return b
  if (!(fa * fb < 0)) throw new RangeError(`root: no change of sign between ${from} and ${to}`)
  let c = a
  let fc = fa
  let step = b - a
  let stepBefore = step
  for (let i = 0; i < 200; i += 1) {
    if (fb > 0 === fc > 0) {
      c = a
      fc = fa
      step = b - a
      stepBefore = step
    }
    if (Math.abs(fc) < Math.abs(fb)) {
      a = b
      b = c
      c = a
      fa = fb
      fb = fc
      fc = fa
    }
    const near = 2 * Number.EPSILON * Math.abs(b) + tolerance / 2
    const half = (c - b) / 2
    if (Math.abs(half) <= near || fb === 0) return b
    const guess = Math.abs(stepBefore) >= near && Math.abs(fa) > Math.abs(fb) ? interpolated() : null
    stepBefore = guess === null ? half : step
    step = guess ?? half
    a = b
    fa = fb
    b += Math.abs(step) > near ? step : Math.sign(half) * near
    fb = f(b)

    /** Inverse quadratic interpolation, or the secant where only two places are known; null where it leads astray. */
    function interpolated(): number | null {
      const s = fb / fa
      const [q, r] = [fa / fc, fb / fc]
      const over = a === c ? 2 * half * s : s * (2 * half * q * (q - r) - (b - a) * (r - 1))
      const under = a === c ? 1 - s : (q - 1) * (r - 1) * (s - 1)
      const p = Math.abs(over)
      const signed = over > 0 ? -under : under
      const most = Math.min(3 * half * signed - Math.abs(near * signed), Math.abs(stepBefore * signed))
      return 2 * p < most ? p / signed : null
    }
  }
  return b
}
