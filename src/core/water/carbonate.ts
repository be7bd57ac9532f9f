import { root } from '../quantity/root.ts'
import { activity, ionicStrengthOf, logK1, logK2, logKCalcite, logKw, measuredUpToC } from './equilibria.ts'

/** mg of CaCO₃ in a mole, and in a mole of charge. */
const mgPerMol = 100_086.9
const mgPerEq = mgPerMol / 2

/** A water as it was tested. */
export interface TestedWater {
  /** Total hardness, mg/L CaCO₃. */
  hardnessMgL: number
  /** Alkalinity, which is carbonate hardness, mg/L CaCO₃. */
  alkalinityMgL: number
  pH: number
  testTempC: number
  /** At 25 °C. */
  conductivityUsCm: number
  /** Share of hardness that is calcium. */
  calciumShare: number
}

/** What a water does at a temperature, heated without losing its carbonic acid. */
export interface Saturation {
  tempC: number
  pH: number
  /** Logarithm of how many times over it holds calcite; absent where it holds no calcium or no carbonate. */
  si?: number
  /** Calcium carbonate that must leave until it holds no more than it can, mg/L; 0 where it can hold it all. */
  ccppMgL: number
  /** Beyond the temperatures the constants were measured at. */
  extrapolated: boolean
}

/** Constants between concentrations at one temperature and ionic strength. */
interface Conditions {
  k1: number
  k2: number
  kw: number
  /** [Ca²⁺]·[CO₃²⁻] at which calcite neither grows nor goes. */
  calcite: number
  gamma1: number
}

function conditions(tempC: number, ionicStrength: number): Conditions {
  const gamma1 = activity(1, ionicStrength, tempC)
  const gamma2 = activity(2, ionicStrength, tempC)
  return {
    k1: 10 ** logK1(tempC) / gamma1 ** 2,
    k2: 10 ** logK2(tempC) / gamma2,
    kw: 10 ** logKw(tempC) / gamma1 ** 2,
    calcite: 10 ** logKCalcite(tempC) / gamma2 ** 2,
    gamma1,
  }
}

/** Carbonate as a share of total inorganic carbon, and equivalents of alkalinity a mole of it brings. */
function shares(h: number, { k1, k2 }: Conditions) {
  const sum = h * h + k1 * h + k1 * k2
  return { carbonate: (k1 * k2) / sum, equivalents: (k1 * h + 2 * k1 * k2) / sum }
}

/** The inorganic carbon a water holds, mol/L, from its pH and alkalinity; none where its alkalinity is of another kind. */
export function carbonOf(water: TestedWater): number {
  const at = conditions(water.testTempC, ionicStrengthOf(water.conductivityUsCm))
  const h = 10 ** -water.pH / at.gamma1
  const ofCarbon = water.alkalinityMgL / mgPerEq - at.kw / h + h
  return Math.max(0, ofCarbon / shares(h, at).equivalents)
}

/** The pH of a water that holds so much carbon, mol/L, at its alkalinity and the temperature of its test. */
export function pHWith(carbon: number, water: Omit<TestedWater, 'pH' | 'hardnessMgL' | 'calciumShare'>): number {
  const at = conditions(water.testTempC, ionicStrengthOf(water.conductivityUsCm))
  return -Math.log10(hydrogenAt(carbon, water.alkalinityMgL / mgPerEq, at) * at.gamma1)
}

/** [H⁺] at which carbon and water together bring this alkalinity. */
function hydrogenAt(carbon: number, alkalinityEq: number, at: Conditions): number {
  const over = (pH: number) => {
    const h = 10 ** -pH
    return carbon * shares(h, at).equivalents + at.kw / h - h - alkalinityEq
  }
  return 10 ** -root(over, -1, 16, 1e-13)
}

/** Whether alkalinity and pH can go together: less alkalinity than the pH's own hydroxide holds no carbon. */
export const holdsCarbon = (water: TestedWater): boolean => carbonOf(water) > 0

/**
 * What a tested water does at other temperatures. It is heated closed: carbon and alkalinity stay, the pH is
 * solved anew. Ionic strength keeps its measured value, also while chalk leaves.
 *
 * @example saturation({ hardnessMgL: 339, alkalinityMgL: 268, pH: 7.4, testTempC: 12, conductivityUsCm: 650, calciumShare: 0.8 }, 93)
 */
export function saturation(water: TestedWater, tempC: number): Saturation {
  const at = conditions(tempC, ionicStrengthOf(water.conductivityUsCm))
  const carbon = carbonOf(water)
  const alkalinity = water.alkalinityMgL / mgPerEq
  const calcium = (water.hardnessMgL * water.calciumShare) / mgPerMol
  const extrapolated = tempC > measuredUpToC
  const h = hydrogenAt(carbon, alkalinity, at)
  const pH = -Math.log10(h * at.gamma1)
  /** Logarithm of the product over what calcite allows, when so much has left. */
  const index = (gone: number) => {
    const left = hydrogenAt(carbon - gone, alkalinity - 2 * gone, at)
    const parts = [calcium - gone, carbon - gone, shares(left, at).carbonate].map(Math.log10)
    return parts.reduce((sum, part) => sum + part, 0) - Math.log10(at.calcite)
  }
  if (!(calcium > 0 && carbon > 0)) return { tempC, pH, ccppMgL: 0, extrapolated }
  const si = index(0)
  if (!(si > 0)) return { tempC, pH, si, ccppMgL: 0, extrapolated }
  // Nothing can leave that is not there; just short of all of it the index is far below zero.
  const most = Math.min(calcium, carbon) * (1 - 1e-12)
  return { tempC, pH, si, ccppMgL: root(index, 0, most, most * 1e-13) * mgPerMol, extrapolated }
}

/**
 * What at most can fall out where carbonic acid escapes, in a steam boiler or a vented one: calcium or
 * alkalinity, whichever there is less of. mg/L
 */
export const boundWithoutCarbonicAcid = ({
  hardnessMgL,
  alkalinityMgL,
  calciumShare,
}: Pick<TestedWater, 'hardnessMgL' | 'alkalinityMgL' | 'calciumShare'>): number =>
  Math.min(hardnessMgL * calciumShare, alkalinityMgL)
