import { boundWithoutCarbonicAcid, pHWith, type TestedWater } from '../water/carbonate.ts'

const mgPerMol = 100_086.9
/** Above this magnesium falls out as well. */
const magnesiumPh = 10

/** What at most falls out of a feed in a boiler that loses its carbonic acid. */
export interface BoilerBound {
  mgL: number
  /** pH the alkalinity left behind makes, cold; absent where none is left. */
  pH?: number
  /** Whether magnesium falls out with the calcium. */
  magnesium: boolean
}

/**
 * The calcium carbonate bound of a boiler's feed. Alkalinity that outlasts the calcium turns from bicarbonate to
 * carbonate as the carbonic acid escapes; above pH 10 it takes magnesium along. That is how it stands in every
 * boiler behind a sodium exchanger.
 *
 * @example boilerBound({ hardnessMgL: 36, alkalinityMgL: 268, calciumShare: 0.8, … }).mgL // 36, not 28.8
 */
export function boilerBound(water: TestedWater): BoilerBound {
  const calcium = boundWithoutCarbonicAcid(water)
  const left = water.alkalinityMgL - calcium
  if (!(left > 0)) return { mgL: calcium, magnesium: false }
  const pH = pHWith(left / mgPerMol, { ...water, alkalinityMgL: left, testTempC: 25 })
  const magnesium = pH > magnesiumPh
  return { mgL: magnesium ? Math.min(water.hardnessMgL, water.alkalinityMgL) : calcium, pH, magnesium }
}
