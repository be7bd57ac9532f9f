import { mgLPer } from '../quantity/hardness.ts'
import { figures } from '../trade/figures.ts'
import { carbonOf, pHWith, type TestedWater } from './carbonate.ts'

/** Sodium that comes for each mg of hardness that goes, as CaCO₃: by stoichiometry, 2 × 22.99 ÷ 100.09. */
const sodiumPerMg = (2 * 22.9898) / 100.0869
/** Conductivity that goes with a degree of carbonate hardness. From memory. */
const usCmPerDh = 33

/** A water after treatment, with what the treatment put in. */
export interface TreatedWater extends TestedWater {
  /** Sodium added, mg/L; 0 where none is. */
  sodiumMgL: number
}

/**
 * After a salt-regenerated softener: hardness goes down to what it lets through, sodium takes its place.
 * Alkalinity and pH stay, and conductivity hardly changes: a pen cannot tell that it is spent.
 *
 * @param outMgL - hardness after it, mg/L CaCO₃; what comes in where that is less
 */
export function sodiumExchanged(water: TestedWater, outMgL: number): TreatedWater {
  const hardnessMgL = Math.min(water.hardnessMgL, outMgL)
  return { ...water, hardnessMgL, sodiumMgL: (water.hardnessMgL - hardnessMgL) * sodiumPerMg }
}

/**
 * After a decarbonising cartridge with a bypass: hardness and alkalinity go together, the carbonic acid stays
 * behind, so the pH falls. Fresh it takes more, and it fades slowly.
 *
 * @param bypass - share that goes round it, in [0, 1)
 */
export function decarbonised(water: TestedWater, bypass: number): TreatedWater {
  const taken = (1 - bypass) * Math.min(water.alkalinityMgL, water.hardnessMgL)
  return {
    ...reacted(water, { hardnessMgL: water.hardnessMgL - taken, alkalinityMgL: water.alkalinityMgL - taken }),
    conductivityUsCm: Math.max(0, water.conductivityUsCm - (taken / mgLPer.dH) * usCmPerDh),
    sodiumMgL: 0,
  }
}

/** What a membrane lets through of each ion, and how sour that is: carbonic acid passes whole. */
export interface Passing {
  share: number
  pH: number
}
/** A good membrane's, from memory. */
export const usualPassing: Passing = { share: figures['permeate-share'].value, pH: figures['permeate-ph'].value }

/** The water behind a membrane. */
export const permeated = (raw: TestedWater, { share, pH }: Passing = usualPassing): TestedWater => ({
  ...raw,
  hardnessMgL: raw.hardnessMgL * share,
  alkalinityMgL: raw.alkalinityMgL * share,
  conductivityUsCm: raw.conductivityUsCm * share,
  pH,
})

/** Two waters run together, so much of the first: everything in proportion, carbon too. */
export function blended(raw: TestedWater, other: TestedWater, rawShare: number): TreatedWater {
  const mix = (of: (water: TestedWater) => number) => rawShare * of(raw) + (1 - rawShare) * of(other)
  const hardnessMgL = mix((water) => water.hardnessMgL)
  const calcium = mix((water) => water.hardnessMgL * water.calciumShare)
  const water = {
    hardnessMgL,
    alkalinityMgL: mix((one) => one.alkalinityMgL),
    testTempC: mix((one) => one.testTempC),
    conductivityUsCm: mix((one) => one.conductivityUsCm),
    calciumShare: hardnessMgL > 0 ? calcium / hardnessMgL : raw.calciumShare,
  }
  return { ...water, pH: pHWith(mix(carbonOf), water), sodiumMgL: 0 }
}

/** What is dosed into a water, mg/L as CaCO₃. */
export interface Minerals {
  calciumMgL: number
  magnesiumMgL: number
  bicarbonateMgL: number
}

/** Minerals dosed into a water: what is dosed is added, it is not a blend. Bicarbonate brings its carbon along. */
export function remineralised(
  water: TestedWater,
  { calciumMgL, magnesiumMgL, bicarbonateMgL }: Minerals,
): TreatedWater {
  const hardnessMgL = water.hardnessMgL + calciumMgL + magnesiumMgL
  const after = {
    ...water,
    hardnessMgL,
    alkalinityMgL: water.alkalinityMgL + bicarbonateMgL,
    conductivityUsCm: water.conductivityUsCm + ((calciumMgL + magnesiumMgL) / mgLPer.dH) * usCmPerDh,
    calciumShare: hardnessMgL > 0 ? (water.hardnessMgL * water.calciumShare + calciumMgL) / hardnessMgL : 0,
  }
  const carbon = carbonOf(water) + bicarbonateMgL / 50_043.45
  return { ...after, pH: pHWith(carbon, after), sodiumMgL: bicarbonateMgL * sodiumPerMg }
}

/** The same carbon, with other hardness and alkalinity: the pH follows. */
function reacted(water: TestedWater, change: Pick<TestedWater, 'hardnessMgL' | 'alkalinityMgL'>): TestedWater {
  const after = { ...water, ...change }
  return { ...after, pH: pHWith(carbonOf(water), after) }
}
