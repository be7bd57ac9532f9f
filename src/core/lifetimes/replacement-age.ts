import { root } from '../quantity/root.ts'
import { hazardAt, meanLife, meanUntil, survivalAt, type Weibull } from './weibull.ts'

export interface ReplacementCosts {
  /** Of changing it while it is good. */
  planned: number
  /** Of changing it once it has failed. */
  breakdown: number
}

/** What a policy costs per time: C(t) = (planned·R + breakdown·(1 − R)) / ∫₀ᵗ R. */
export const costRateAt = (life: Weibull, { planned, breakdown }: ReplacementCosts, t: number): number => {
  const good = survivalAt(life, t)
  return (planned * good + breakdown * (1 - good)) / meanUntil(life, t)
}

/**
 * The age at which to change a part so that it costs the least per time.
 *
 * Barlow & Hunter 1960, Operations Research 8, 90: where it is level, h(t)·∫₀ᵗR − (1 − R(t)) = planned/(breakdown − planned).
 *
 * @returns without an age where it is cheapest to let it fail: parts that do not age, or a breakdown that costs no more
 * @example replacementAge({ shape: 2, scale: 1 }, { planned: 1, breakdown: 5 }).age // ≈ 0.5107
 */
export function replacementAge(life: Weibull, costs: ReplacementCosts): { age?: number; costRate: number } {
  const toFailure = costs.breakdown / meanLife(life)
  if (life.shape <= 1 || costs.breakdown <= costs.planned) return { costRate: toFailure }
  const wanted = costs.planned / (costs.breakdown - costs.planned)
  const level = (t: number) => hazardAt(life, t) * meanUntil(life, t) - (1 - survivalAt(life, t)) - wanted
  let above = life.scale
  while (level(above) < 0) {
    above *= 2
    // So late that hardly any is still there: letting it fail costs the same.
    if (survivalAt(life, above) < 1e-12) return { costRate: toFailure }
  }
  if (costs.planned === 0) return { age: 0, costRate: 0 }
  const age = root(level, 0, above)
  return { age, costRate: costRateAt(life, costs, age) }
}
