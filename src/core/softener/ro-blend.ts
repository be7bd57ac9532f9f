import { usualPassing } from '../water/treatment.ts'

/** What a blend of raw water and permeate is judged by; mg/L, hardness and alkalinity as CaCO₃, µS/cm at 25 °C. */
export interface BlendFigures {
  hardnessMgL: number
  alkalinityMgL: number
  chlorideMgL?: number
  conductivityUsCm?: number
}
export type BlendName = keyof BlendFigures

/** Wanted after blending; a bound that is absent does not bind. */
export type BlendTarget = Partial<Record<BlendName, { from?: number; to?: number }>>

/** Wanted of water for coffee, from memory: 4–6 °dH total, 3–4 °dH carbonate, 120–250 µS/cm, chloride for stainless steel. */
export const coffeeTarget: BlendTarget = {
  hardnessMgL: { from: 71, to: 107 },
  alkalinityMgL: { from: 53, to: 72 },
  chlorideMgL: { to: 30 },
  conductivityUsCm: { from: 80 },
}

/** Shares of raw water that keep one figure within its target. */
export interface ShareRange {
  name: BlendName
  from: number
  to: number
}

/** Which shares of raw water satisfy everything at once. */
export interface BlendRange {
  ranges: ShareRange[]
  /** Absent where no share does. */
  share?: { from: number; to: number }
  /** Two figures that ask for shares that exclude each other, or one that no share reaches. */
  conflict?: BlendName[]
}

/**
 * The shares of raw water at which hardness, alkalinity and chloride all keep to their target.
 *
 * @example blendRange({ hardnessMgL: 339, alkalinityMgL: 268 }, { hardnessMgL: 10, alkalinityMgL: 8 }, coffeeTarget).share
 */
export function blendRange(raw: BlendFigures, permeate: BlendFigures, target: BlendTarget): BlendRange {
  const ranges: ShareRange[] = []
  for (const name of Object.keys(target) as BlendName[]) {
    const [of, under] = [raw[name], permeate[name] ?? 0]
    const wanted = target[name]
    if (of === undefined || !wanted) continue
    ranges.push({
      name,
      ...sharesFor(of, under, wanted.from ?? Number.NEGATIVE_INFINITY, wanted.to ?? Number.POSITIVE_INFINITY),
    })
  }
  const from = Math.max(0, ...ranges.map((range) => range.from))
  const to = Math.min(1, ...ranges.map((range) => range.to))
  if (from <= to) return { ranges, share: { from, to } }
  const alone = ranges.find((range) => range.from > range.to)
  if (alone) return { ranges, conflict: [alone.name] }
  const asksMore = ranges.reduce((most, range) => (range.from > most.from ? range : most))
  const asksLess = ranges.reduce((least, range) => (range.to < least.to ? range : least))
  return { ranges, conflict: [asksMore.name, asksLess.name] }
}

/** Shares in [0, 1] that bring a figure between two bounds; from above to where none does. */
function sharesFor(raw: number, permeate: number, low: number, high: number): { from: number; to: number } {
  if (raw === permeate) return raw >= low && raw <= high ? { from: 0, to: 1 } : { from: 1, to: 0 }
  const at = (value: number) => (value - permeate) / (raw - permeate)
  const [a, b] = raw > permeate ? [at(low), at(high)] : [at(high), at(low)]
  if (a > 1 || b < 0) return { from: 1, to: 0 }
  return { from: Math.max(0, a), to: Math.min(1, b) }
}

/** The permeate of a raw water. */
export const permeateOf = (raw: BlendFigures, { share } = usualPassing): BlendFigures => ({
  hardnessMgL: raw.hardnessMgL * share,
  alkalinityMgL: raw.alkalinityMgL * share,
  ...(raw.chlorideMgL !== undefined && { chlorideMgL: raw.chlorideMgL * share }),
  ...(raw.conductivityUsCm !== undefined && { conductivityUsCm: raw.conductivityUsCm * share }),
})
