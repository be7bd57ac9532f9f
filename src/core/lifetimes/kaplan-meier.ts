import type { Lifetime } from './lifetime.ts'

/** The share that lasts longer, from a failure on. */
export interface SurvivalStep {
  t: number
  survival: number
  /** Standard error by Greenwood's formula. */
  se: number
  atRisk: number
  failures: number
}

/**
 * The product-limit estimate: what share lasts longer than each time at which one failed. One known good at the
 * time another failed was still at risk then.
 *
 * Kaplan & Meier 1958, J. Am. Stat. Assoc. 53, 457; standard error after Greenwood 1926.
 *
 * @example kaplanMeier([{ time: 6, failed: true }, { time: 9, failed: false }])[0]!.survival // 0.5
 */
export function kaplanMeier(lives: Lifetime[]): SurvivalStep[] {
  const times = [...new Set(lives.filter(({ failed }) => failed).map(({ time }) => time))].sort((a, b) => a - b)
  let survival = 1
  let greenwood = 0
  return times.map((t) => {
    const atRisk = lives.filter(({ time }) => time >= t).length
    const failures = lives.filter(({ time, failed }) => failed && time === t).length
    survival *= 1 - failures / atRisk
    greenwood += atRisk > failures ? failures / (atRisk * (atRisk - failures)) : 0
    return { t, survival, se: survival * Math.sqrt(greenwood), atRisk, failures }
  })
}
