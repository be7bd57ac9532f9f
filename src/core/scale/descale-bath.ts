import { figures } from '../trade/figures.ts'
import { type Acid, acidG, acidGPerG, bicarbonateG, carbonDioxideL } from './acid.ts'

/** What a vessel is, for pouring acid into it. */
export interface BathVessel {
  /** Solution it takes, L. */
  volumeL: number
  /** Aluminium in the wet path: mineral acids and sulfamic acid eat it. */
  aluminium?: boolean
  /** It heats the solution while it runs: citric then takes up less before it falls out. */
  heats?: boolean
}

/** A bath as a person makes it, with the chalk reckoned beside it as a check. */
export interface DescaleBath {
  /** Pure acid of one bath, g. */
  acidG: number
  /** Grams in a hundred of solution, and where people go. */
  strength: { percent: number; least: number; most: number }
  /** As it is bought: so many grams of the bottle at so many per cent. */
  asBought?: { percent: number; grams: number }
  /** Chalk one bath takes up, g. */
  takesUpG: number
  /** Baths for the chalk reckoned: a fresh one after the other. */
  baths: number
  /** More chalk than anybody takes out by baths: it is opened, or done on the bench. */
  tooMuch: boolean
  /** How long it must touch every wall, min. */
  contactMin: { from: number; to: number }
  /** Gas the chalk of one bath gives off, L. */
  gasL: number
  /** Bicarbonate of soda for what is left of one bath, g, at the most. */
  bicarbonateG: number
}

/** What a bath takes for granted; from memory until somebody sets their own. */
export interface BathFigures {
  /** Acid over the arithmetic: citric keeps its third proton, none is used up to the last. */
  citricExcess: number
  acidExcess: number
  /** Scale a litre of citric solution takes up before calcium citrate falls out as sludge, g: cold, and heated. */
  citricGPerL: number
  citricHotGPerL: number
}

const usualBathFigures: BathFigures = {
  citricExcess: figures['citric-excess'].value,
  acidExcess: figures['acid-excess'].value,
  citricGPerL: figures['citric-scale'].value,
  citricHotGPerL: figures['citric-scale-hot'].value,
}

/** Working strength, g of pure acid in 100 g: usual, least that works, most. From memory. */
export const workingStrength: Record<Acid, { percent: number; least: number; most: number }> = {
  citric: { percent: 5, least: 3, most: 8 },
  'citric-monohydrate': { percent: 5.5, least: 3.3, most: 8.8 },
  lactic: { percent: 6, least: 5, most: 8 },
  sulfamic: { percent: 5, least: 3, most: 5 },
  acetic: { percent: 5, least: 4, most: 5 },
}

/** Of what strength it is sold, per cent. From memory. */
const boughtPercent: Partial<Record<Acid, number>> = { lactic: 80, acetic: 5 }

/** More baths than this nobody makes in place. From memory. */
const mostBaths = 3

/** Why an acid must not be poured at all; null where it may. */
export const forbidden = (acid: Acid, { aluminium }: Pick<BathVessel, 'aluminium'>): string | null =>
  acid === 'sulfamic' && aluminium
    ? 'Sulfamic acid eats aluminium: citric or lactic, and half an hour at the most.'
    : null

/**
 * How a bath is made: at the strength that works, whatever the deposit, since it must reach every wall. The chalk
 * reckoned says whether one is enough, never how much is poured.
 *
 * @param scaleG - chalk reckoned to be there, g; null where nothing is known
 * @throws RangeError where the vessel takes nothing
 * @example descaleBath('citric', { volumeL: 1 }, 5).acidG // 50
 */
export function descaleBath(
  acid: Acid,
  { volumeL, heats }: BathVessel,
  scaleG: number | null,
  { citricExcess, acidExcess, citricGPerL, citricHotGPerL }: BathFigures = usualBathFigures,
): DescaleBath {
  if (!(volumeL > 0)) throw new RangeError(`descaleBath: volumeL must be above 0, got ${volumeL}`)
  const citric = acid.startsWith('citric')
  const strength = workingStrength[acid]
  const inBathG = volumeL * 10 * strength.percent
  const byAcidG = inBathG / (acidGPerG(acid) * (citric ? citricExcess : acidExcess))
  const bySludgeG = citric ? (heats ? citricHotGPerL : citricGPerL) * volumeL : Number.POSITIVE_INFINITY
  const takesUpG = Math.min(byAcidG, bySludgeG)
  // A hair over a whole bath is rounding, not another bath.
  const baths = scaleG === null ? 1 : Math.max(1, Math.ceil(scaleG / takesUpG - 1e-9))
  const eachG = Math.min(takesUpG, (scaleG ?? 0) / baths)
  const percent = boughtPercent[acid]
  return {
    acidG: inBathG,
    strength,
    ...(percent && { asBought: { percent, grams: (inBathG * 100) / percent } }),
    takesUpG,
    baths,
    tooMuch: baths > mostBaths,
    contactMin: { from: 20, to: 30 },
    gasL: carbonDioxideL(eachG),
    bicarbonateG: bicarbonateG(inBathG - acidG(eachG, acid), acid),
  }
}
