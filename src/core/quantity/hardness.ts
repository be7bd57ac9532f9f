/**
 * Hardness in every unit a technician meets. Stored in mg/L as CaCO3, converted at the edges only.
 * Factors: IUPAC atomic weights (mmol/L, Ca) and the units' own definitions (DIN 38409-6 for °dH).
 */
export const mgLPer = {
  mmolL: 100.0869,
  mgL: 1,
  dH: 17.848,
  fH: 10,
  gpg: 17.118,
  clark: 14.254,
  caMgL: 2.4973,
} as const

export type HardnessUnit = keyof typeof mgLPer

export const hardnessUnits = Object.keys(mgLPer) as HardnessUnit[]

/** How each unit is written on a screen. */
export const hardnessSymbol: Record<HardnessUnit, string> = {
  mmolL: 'mmol/L',
  mgL: 'mg/L CaCO₃',
  dH: '°dH',
  fH: '°fH',
  gpg: 'gpg',
  clark: '°e',
  caMgL: 'mg/L Ca',
}

/** @example hardnessToMgL(8, 'dH') // 142.784 */
export const hardnessToMgL = (value: number, unit: HardnessUnit): number => value * mgLPer[unit]

/** @example hardnessFromMgL(178.48, 'dH') // 10 */
export const hardnessFromMgL = (mgL: number, unit: HardnessUnit): number => mgL / mgLPer[unit]
