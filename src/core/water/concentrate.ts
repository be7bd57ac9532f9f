/** A boiler that gives steam and keeps what is dissolved. */
export interface ConcentratingBoiler {
  /** Water in it, not what is stamped on it. */
  volumeL: number
  steamLPerDay: number
  /** Drawn hot: takes its share along. */
  hotWaterLPerDay: number
}

/** How many times the feed a boiler settles at; null where nothing is drawn hot and it grows without limit. */
export function steadyFactor({ steamLPerDay, hotWaterLPerDay }: ConcentratingBoiler): number | null {
  if (steamLPerDay === 0) return 1
  const factor = (steamLPerDay + hotWaterLPerDay) / hotWaterLPerDay
  // So little that no figure holds it is nothing.
  return Number.isFinite(factor) ? factor : null
}

/** The factor after draining a share and filling up with feed, so many times. */
export function afterFlush(factor: number, flushFraction: number, refills: number): number {
  const kept = (1 - flushFraction) ** refills
  return factor * kept + 1 - kept
}

/**
 * The factor so many days after it stood at another: V df/dt = (S + D) − D f.
 * @example factorAfter({ volumeL: 3, steamLPerDay: 2, hotWaterLPerDay: 0 }, 1, 3) // 3
 */
export function factorAfter(boiler: ConcentratingBoiler, from: number, days: number): number {
  const { volumeL, steamLPerDay, hotWaterLPerDay } = boiler
  const steady = steadyFactor(boiler)
  if (steady === null) return from + (steamLPerDay * days) / volumeL
  // Written so that little drawn hot loses no digits against nothing drawn at all.
  return from + (from - steady) * Math.expm1((-hotWaterLPerDay * days) / volumeL)
}

/** Days from one factor to a higher one; null where it is never reached. */
export function daysToFactor(boiler: ConcentratingBoiler, from: number, to: number): number | null {
  const { volumeL, steamLPerDay, hotWaterLPerDay } = boiler
  if (to <= from) return 0
  const steady = steadyFactor(boiler)
  if (steady === null) return (volumeL * (to - from)) / steamLPerDay
  if (to >= steady) return null
  return -(volumeL / hotWaterLPerDay) * Math.log1p((from - to) / (steady - from))
}

/**
 * Days between flushes that keep a boiler under a limit, in the settled cycle: from just after a flush to the
 * limit. Null where it is never needed.
 */
export const flushEveryDays = (
  boiler: ConcentratingBoiler,
  limitFactor: number,
  flushFraction: number,
  refills: number,
): number | null => daysToFactor(boiler, afterFlush(limitFactor, flushFraction, refills), limitFactor)
