import { type Span, spanWords } from './span.ts'

export type Substance = 'detergent' | 'milk-cleaner' | 'descaler' | 'sanitiser' | 'grease' | 'salt'

/** An amount as a way gives it: by weight, by the scoop that is in the tub, or by tablet. */
export interface DoseAmount {
  of: Substance
  grams?: Span
  /** Level scoops of whatever lies in the tub. */
  scoops?: number
  tablets?: number
  /** Grams to a litre of the water it goes into. */
  gramsPerL?: number
  /** One part of it to so many of water, by volume. */
  oneTo?: number
  /** Tablets that do instead, by their label. */
  orTablets?: number
  /** Solution it makes, L, where the way says how much water. */
  litres?: number
  /** As it is said where nobody weighs it. */
  words?: string
}

/** Vessels are marked in these; ounces are fluid ones. */
export const vesselUnits = { mL: 1, L: 1000, flozUS: 29.5735, flozUK: 28.4131 } as const
export type VesselUnit = keyof typeof vesselUnits

/**
 * What goes into a vessel of water: grams where it is weighed, millilitres where it is poured.
 *
 * @returns null where the amount does not depend on the water
 * @example bathOf({ of: 'milk-cleaner', oneTo: 16 }, 480) // { ml: 30 }
 */
export function bathOf({ gramsPerL, oneTo }: DoseAmount, waterMl: number): { grams: number } | { ml: number } | null {
  if (gramsPerL !== undefined) return { grams: (gramsPerL * waterMl) / 1000 }
  return oneTo === undefined ? null : { ml: waterMl / oneTo }
}

/** What this firm measures with and pays; what nobody said is from memory. */
export interface DoseMeasures {
  /** A level scoop of the powder, g. */
  scoopG: number
  /** A tablet, g. */
  tabletG: number
  /** A full tub, g. */
  tubG: number
  /** Price of a tub and of a tablet, in the firm's money; none where nobody said. */
  tubPrice?: number
  tabletPrice?: number
}

/** An amount in every measure that can be had of it. */
export interface Dose {
  /** What is weighed; the usual figure. */
  grams: number | null
  gramsSaid: Span | null
  scoops: number | null
  tablets: number | null
  /** Doses in a full tub. */
  perTub: number | null
  /** Price of one dose of powder, and of one of tablets. */
  powderPrice: number | null
  tabletPrice: number | null
}

/** An eighth of a scoop is as fine as an eye can level, and only a small dose wants it. */
const eighth = 8
const smallG = 5

/** Scoops to what an eye can tell apart: quarters, eighths below five grams, so that one gram is not two. */
function levelled(grams: number, scoopG: number): number {
  const steps = grams < smallG ? eighth : eighth / 2
  return Math.max(1, Math.round((grams / scoopG) * steps)) / steps
}

/**
 * A way's amount in grams, level scoops and tablets of this firm's own measures.
 *
 * @param times - how often it is given, such as once a group
 * @example doseOf({ of: 'detergent', grams: span(3) }, measures).scoops // 0.5 with a scoop of 6 g
 */
export function doseOf(amount: DoseAmount, measures: DoseMeasures, times = 1): Dose {
  const byScoop = amount.scoops === undefined ? null : amount.scoops * measures.scoopG
  const byTablet = amount.tablets === undefined ? null : amount.tablets * measures.tabletG
  const each = amount.grams?.usual ?? byScoop ?? byTablet
  const grams = each === null ? null : each * times
  const powder = amount.tablets === undefined
  return {
    grams,
    gramsSaid: amount.grams ?? null,
    scoops: grams === null || !powder ? null : levelled(grams, measures.scoopG),
    tablets: amount.tablets === undefined ? null : amount.tablets * times,
    perTub: grams === null || grams === 0 || !powder ? null : Math.floor(measures.tubG / grams),
    powderPrice: grams === null || measures.tubPrice === undefined ? null : (measures.tubPrice * grams) / measures.tubG,
    tabletPrice: measures.tabletPrice === undefined ? null : measures.tabletPrice * (amount.tablets ?? 1) * times,
  }
}

/** Level spoons in words. @example scoopWords(1.25) // '1¼ level scoops' */
export function scoopWords(scoops: number): string {
  const whole = Math.floor(scoops)
  const part = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'][Math.round((scoops - whole) * eighth)] ?? ''
  const number = `${whole || ''}${part}` || '0'
  return `${number} level ${scoops > 1 ? 'scoops' : 'scoop'}`
}

/** An amount as the way says it. @example doseSaid({ of: 'detergent', scoops: 0.5 }) // 'half a scoop' */
export function doseSaid({ grams, scoops, tablets, gramsPerL, oneTo, words }: DoseAmount): string {
  if (words) return words
  if (scoops !== undefined) return scoops === 1 ? 'a full scoop' : scoops === 0.5 ? 'half a scoop' : `${scoops} scoops`
  if (tablets !== undefined) return tablets === 1 ? '1 tablet' : `${tablets} tablets`
  if (grams) return `${spanWords(grams)} g`
  return gramsPerL ? `${gramsPerL} g a litre` : oneTo ? `1 part to ${oneTo} of water` : 'as its label says'
}
