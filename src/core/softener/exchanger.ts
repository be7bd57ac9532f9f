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

/** Working capacity of hand-regenerated resin at 125 g of salt per litre, g CaCO3 per litre. From memory. */
export const handCapacityGPerL = { cautious: 28, usual: 35, longLife: 42 } as const

/** Share of the capacity kept back, from memory: 10–20 %. */
export const usualReserve = 0.15

/** Whatever the litres, standing resin grows germs: days between regenerations. From memory. */
export const hygieneDays = { cautious: 7, usual: 14, longLife: 28 } as const
