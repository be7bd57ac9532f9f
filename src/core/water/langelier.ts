/** A water for Langelier's index; calcium and alkalinity as CaCO₃. */
export interface LangelierWater {
  pH: number
  tdsMgL: number
  tempC: number
  calciumMgL: number
  alkalinityMgL: number
}

/**
 * The pH at which a water would just hold its chalk, and how far it is from it: Langelier 1936 in its common
 * simplified form. A cross-check of the full reckoning, from four figures.
 *
 * @example langelier({ pH: 7.5, tdsMgL: 320, tempC: 25, calciumMgL: 150, alkalinityMgL: 34 }).lsi // ≈ −0.7
 */
export function langelier({ pH, tdsMgL, tempC, calciumMgL, alkalinityMgL }: LangelierWater) {
  const a = (Math.log10(tdsMgL) - 1) / 10
  const b = 34.55 - 13.12 * Math.log10(tempC + 273)
  const c = Math.log10(calciumMgL) - 0.4
  const d = Math.log10(alkalinityMgL)
  const pHs = 9.3 + a + b - c - d
  return { a, b, c, d, pHs, lsi: pH - pHs }
}
