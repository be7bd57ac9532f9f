import type { Span } from './day-problem.ts'

/** Somebody who was promised a time waits so long before they ring, min. From memory. */
const promiseMin = 30

/** Any hour, told as a number: what is without end is lost on its way to a browser. */
const anyHourMin = 2 * 24 * 60

/**
 * When the work of a stop may begin, so that it is over before it must be: within the hours of the place, and where a
 * time was promised not before it and not long after.
 *
 * @param hours - when somebody may work there, in order of the day; none: any hour
 * @param promised - a time they were told, minutes of the day
 * @returns empty where the work fits in none of the hours, or the promise lies outside them
 * @example beginSpans([{ from: 480, to: 720 }], 65) // [{ from: 480, to: 655 }]
 */
export function beginSpans(hours: readonly Span[], serviceMin: number, promised?: number): Span[] {
  const spans =
    hours.length === 0
      ? [{ from: 0, to: anyHourMin }]
      : hours.filter(({ from, to }) => to - from >= serviceMin).map(({ from, to }) => ({ from, to: to - serviceMin }))
  if (promised === undefined) return spans
  return spans
    .map(({ from, to }) => ({ from: Math.max(from, promised), to: Math.min(to, promised + promiseMin) }))
    .filter(({ from, to }) => from <= to)
}
