/**
 * Litres a salt-regenerated softener gives between regenerations:
 * resin · capacity · (1 − reserve) / (hardness in − hardness out).
 *
 * @param resinL - litres of resin
 * @param capacityGPerL - working capacity, g CaCO3 per litre of resin
 * @param reserve - share kept back, 0 ≤ reserve < 1
 * @param inMgL - hardness of the raw water, mg/L CaCO3
 * @param outMgL - hardness after the softener, below `inMgL`
 * @throws RangeError when nothing is taken out
 * @example exchangerLitres(12, 35, 0.15, 339, 18) // ≈ 1112
 */
export function exchangerLitres(resinL: number, capacityGPerL: number, reserve: number, inMgL: number, outMgL: number) {
  if (!(outMgL < inMgL)) throw new RangeError(`exchangerLitres: outMgL must be below inMgL, got ${outMgL} of ${inMgL}`)
  return (resinL * capacityGPerL * 1000 * (1 - reserve)) / (inMgL - outMgL)
}

/** Whatever the litres, standing resin grows germs: days between regenerations. From memory. */
export const hygieneDays = { cautious: 7, usual: 14, longLife: 28 } as const

/** The same where it regenerates itself: common practice. */
export const ownHygieneDays = 4

/** Working capacity by salt, where it regenerates itself: g of salt and g of CaCO3, each a litre of resin. From memory. */
const bySalt = [
  [80, 42],
  [120, 50],
  [160, 57],
  [240, 66],
] as const

/** Salt a softener uses where nobody set its dose, g a litre of resin. From memory. */
export const usualSaltGPerL = 120

/**
 * Working capacity of resin at a salt dose, straight between what is known; beyond it, as at the end.
 * Twice the salt is far from twice the capacity.
 *
 * @example capacityBySalt(100) // 46
 */
export function capacityBySalt(saltGPerL: number): number {
  const above = bySalt.findIndex(([salt]) => salt >= saltGPerL)
  if (above <= 0)
    return above === 0 ? (bySalt[0][1] * Math.min(saltGPerL, bySalt[0][0])) / bySalt[0][0] : bySalt.at(-1)![1]
  const [lower, upper] = [bySalt[above - 1]!, bySalt[above]!]
  return lower[1] + ((upper[1] - lower[1]) * (saltGPerL - lower[0])) / (upper[0] - lower[0])
}

/** Water one regeneration sends down the drain, L a litre of resin: by hand 5, by itself 7. From memory. */
export const rinseLPerL = { hand: 5, itself: 7 } as const
