/** Density of calcite, g/cm³. */
const calciteGPerCm3 = 2.71

/** What falls out of the water, and the share of it that sticks. */
export interface Deposit {
  precipitatedGPerDay: number
  stuckGPerDay: number
}

/**
 * A steam boiler loses its carbonic acid and keeps its salts: nearly all that can fall out does, less what
 * the water drawn hot takes along.
 *
 * @param boundMgL - calcium carbonate bound of the feed
 * @param residualMgL - what still is dissolved in the hot water drawn
 */
export function steamDeposit(
  steamLPerDay: number,
  hotWaterLPerDay: number,
  boundMgL: number,
  residualMgL: number,
  stickShare: number,
): Deposit {
  const mgPerDay = (steamLPerDay + hotWaterLPerDay) * boundMgL - hotWaterLPerDay * residualMgL
  return deposit(Math.max(0, mgPerDay) / 1000, stickShare)
}

/** A closed brew path: what the wall's temperature lets the water drop, of which a share stays. */
export const brewDeposit = (litresPerDay: number, ccppMgL: number, stickShare: number): Deposit =>
  deposit((litresPerDay * ccppMgL) / 1000, stickShare)

const deposit = (precipitatedGPerDay: number, stickShare: number): Deposit => ({
  precipitatedGPerDay,
  stuckGPerDay: precipitatedGPerDay * stickShare,
})

/** How thick so much scale lies, mm. @example thicknessMm(21.68, 0.2, 100) // 1: a millimetre on a square decimetre */
export const thicknessMm = (scaleG: number, porosity: number, wettedAreaCm2: number): number =>
  (10 * scaleG) / (calciteGPerCm3 * (1 - porosity) * wettedAreaCm2)

/** Mass of a layer, g: the other way round. */
export const scaleG = (thickness: number, porosity: number, wettedAreaCm2: number): number =>
  (thickness * calciteGPerCm3 * (1 - porosity) * wettedAreaCm2) / 10

/** How much hotter an element runs under a layer, K. @param wPerCm2 - heat through its surface */
export const overTemperatureK = (wPerCm2: number, thickness: number, conductivityWPerMK: number): number =>
  (wPerCm2 * 1e4 * thickness * 1e-3) / conductivityWPerMK
