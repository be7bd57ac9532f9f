import type { Vessel, WaterUse } from '../kinds/vessel.ts'
import { type Saturation, saturation, type TestedWater } from '../water/carbonate.ts'
import { type BoilerBound, boilerBound } from './boiler-bound.ts'

/** What falls out of each litre, by where it goes, g: before a share of it sticks. */
export interface ChalkPerLitre {
  grams: Partial<Record<WaterUse, number>>
  /** At the wall, for a vessel that keeps its carbonic acid. */
  atWall?: Saturation
  /** For a boiler that loses it. */
  bound?: BoilerBound
}

/**
 * The chalk a vessel makes of a water.
 *
 * @param wallC - temperature of the wall chalk falls out at
 * @param residualMgL - what stays dissolved in water drawn hot from a steam boiler
 */
export function chalkPerLitre(
  vessel: Pick<Vessel, 'heats' | 'takes'>,
  water: TestedWater,
  wallC: number,
  residualMgL: number,
): ChalkPerLitre {
  if (vessel.heats === 'steam') {
    const bound = boilerBound(water)
    const grams = { steam: bound.mgL / 1000, 'hot-water': (bound.mgL - residualMgL) / 1000 }
    return { grams, bound }
  }
  const atWall = remembered(water, wallC)
  return { grams: Object.fromEntries(vessel.takes.map((use) => [use, atWall.ccppMgL / 1000])), atWall }
}

/** Machines at one site share their water: the same solution is not sought again. */
function remembered(water: TestedWater, tempC: number): Saturation {
  const { hardnessMgL, alkalinityMgL, pH, testTempC, conductivityUsCm, calciumShare } = water
  const key = `${hardnessMgL} ${alkalinityMgL} ${pH} ${testTempC} ${conductivityUsCm} ${calciumShare} ${tempC}`
  const known = solved.get(key)
  if (known) return known
  if (solved.size >= mostSolved) solved.clear()
  const fresh = saturation(water, tempC)
  solved.set(key, fresh)
  return fresh
}

const solved = new Map<string, Saturation>()
const mostSolved = 5000
