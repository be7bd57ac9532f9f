/** As many strokes and points as a long name has; a child with the pen has more. */
export const mostStrokes = 120
export const mostPoints = 1500
/** Of one stroke: x, y, x, y … in units of the field. */
export type Stroke = readonly number[]

/** A name is wider than a tap. */
const leastSpan = 40

/**
 * Whether something was drawn that can be a signature: a tap, or the ball of a hand, is none.
 * @example isDrawn([[10, 10]]) // false
 */
export function isDrawn(strokes: readonly Stroke[]): boolean {
  const xs = strokes.flatMap((stroke) => stroke.filter((_, i) => i % 2 === 0))
  const ys = strokes.flatMap((stroke) => stroke.filter((_, i) => i % 2 === 1))
  if (xs.length < 4) return false
  return Math.max(spanOf(xs), spanOf(ys)) >= leastSpan
}

const spanOf = (values: readonly number[]) =>
  values.reduce((most, value) => Math.max(most, value), -Infinity) -
  values.reduce((least, value) => Math.min(least, value), Infinity)
