import { figures } from '../figures/figures.ts'
import { type Acid, acidG, bicarbonateG, carbonDioxideL } from './acid.ts'

/** What a vessel is, for pouring acid into it. */
export interface DescaleVessel {
  /** Solution it takes, L. */
  volumeL: number
  /** Room above it for gas, L; absent where it stands open. */
  headspaceL?: number
  /** Aluminium in the wet path: mineral acids and sulfamic acid eat it. */
  aluminium?: boolean
}

/** Why one charge is not enough. */
export type ChargeReason = 'strength' | 'sludge' | 'gas'

export interface DescalePlan {
  /** Acid for the whole descale, with what is poured beyond the arithmetic. */
  acidG: number
  charges: number
  acidGPerCharge: number
  /** Grams in a hundred of solution, each charge. */
  strengthPercent: number
  /** Which limits ask for more than one charge; none where one does. */
  because: ChargeReason[]
  gasL: number
  /** Gas of one charge over the room for it; absent where it stands open. */
  gasPerHeadspace?: number
  /** Bicarbonate of soda for what is left of the acid at the end, at the most. */
  bicarbonateG: number
  /** Clear water to rinse with before the pH is tried, and to throw away after. */
  rinseL: number
}

/** What a plan takes for granted; from memory until somebody sets their own. */
export interface PlanFigures {
  /** Acid over the arithmetic: citric keeps its third proton, none is used up to the last. */
  citricExcess: number
  acidExcess: number
  /** Scale a litre of citric solution takes up cold before calcium citrate falls out as sludge, g. */
  citricGPerL: number
  /** More gas than this share of the headspace is not let off in one go. */
  gasPerHeadspace: number
  /** Vessel volumes rinsed before the pH is tried. */
  rinseVolumes: number
}

const usualPlanFigures: PlanFigures = {
  citricExcess: figures['citric-excess'].value,
  acidExcess: figures['acid-excess'].value,
  citricGPerL: figures['citric-scale'].value,
  gasPerHeadspace: figures['gas-headspace'].value,
  rinseVolumes: figures['rinse-volumes'].value,
}

/** Strongest working solution, g in 100 g. From memory. */
const strongestPercent: Record<Acid, number> = {
  citric: 8,
  'citric-monohydrate': 8,
  lactic: 10,
  sulfamic: 5,
  acetic: 5,
}
/** Litres thrown away once the pH is right: brass and nickel give off what they took up. From memory. */
const rinseThenL = 2

/** Why an acid must not be poured at all; null where it may. */
export const forbidden = (acid: Acid, { aluminium }: DescaleVessel): string | null =>
  acid === 'sulfamic' && aluminium
    ? 'Sulfamic acid eats aluminium: citric or lactic, and half an hour at the most.'
    : null

/**
 * How a vessel is descaled: how much acid in how many charges, what gas they give off, what takes the bite out
 * of them. One charge not being enough is known before it is poured.
 *
 * @example descalePlan(25, 'citric', { volumeL: 1 }).charges // 2: a litre of citric takes up 15 g
 */
export function descalePlan(
  scaleG: number,
  acid: Acid,
  vessel: DescaleVessel,
  { citricExcess, acidExcess, citricGPerL, gasPerHeadspace, rinseVolumes }: PlanFigures = usualPlanFigures,
): DescalePlan {
  const { volumeL, headspaceL } = vessel
  const planned = acidG(scaleG, acid) * (acid.startsWith('citric') ? citricExcess : acidExcess)
  const gasL = carbonDioxideL(scaleG)
  const asked: [ChargeReason, number][] = [
    ['strength', planned / (volumeL * 10 * strongestPercent[acid])],
    ['sludge', acid.startsWith('citric') ? scaleG / (citricGPerL * volumeL) : 0],
    ['gas', headspaceL === undefined ? 0 : gasL / (gasPerHeadspace * headspaceL)],
  ]
  // A hair over a whole charge is rounding, not another charge.
  const charges = Math.max(1, ...asked.map(([, times]) => Math.ceil(times - 1e-9)))
  return {
    acidG: planned,
    charges,
    acidGPerCharge: planned / charges,
    strengthPercent: planned / charges / (volumeL * 10),
    because: asked.filter(([, times]) => times > 1 + 1e-9).map(([reason]) => reason),
    gasL,
    ...(headspaceL !== undefined && { gasPerHeadspace: gasL / charges / headspaceL }),
    bicarbonateG: bicarbonateG(planned - acidG(scaleG, acid), acid),
    rinseL: rinseVolumes * volumeL + rinseThenL,
  }
}
