/** What a weak-acid cartridge does to the water, per litre, mg/L CaCO3. */
export interface Decarbonised {
  removedMgL: number
  outAlkalinityMgL: number
  outHardnessMgL?: number
}

/**
 * A weak-acid cartridge takes out carbonate hardness only: (1 − bypass) of the smaller of alkalinity
 * and hardness. Where hardness was not measured, alkalinity alone counts.
 *
 * @param bypass - share led past the resin, 0 ≤ bypass < 1
 * @example hardnessBehindCartridge(268, 339, 0.3).outAlkalinityMgL // ≈ 80.4
 */
export function hardnessBehindCartridge(
  rawAlkalinityMgL: number,
  rawHardnessMgL: number | undefined,
  bypass: number,
): Decarbonised {
  const removedMgL = (1 - bypass) * Math.min(rawAlkalinityMgL, rawHardnessMgL ?? rawAlkalinityMgL)
  const water: Decarbonised = { removedMgL, outAlkalinityMgL: rawAlkalinityMgL - removedMgL }
  if (rawHardnessMgL !== undefined) water.outHardnessMgL = rawHardnessMgL - removedMgL
  return water
}

/**
 * Litres until the resin is spent.
 * @returns null when the water holds nothing this resin takes out
 * @example cartridgeLitres(500, 124.9) // ≈ 4003
 */
export const cartridgeLitres = (capacityG: number, removedMgL: number): number | null =>
  removedMgL > 0 ? (capacityG * 1000) / removedMgL : null

/** Twelve months at most, whatever the litres: common practice. */
export const cartridgeMonths = { cautious: 6, usual: 12, longLife: 12 } as const
