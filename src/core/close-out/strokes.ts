import { mostPoints, mostStrokes, type Stroke } from './signature.ts'

/** The field somebody signs in is so wide, in the units of its strokes; whatever the screen. */
const fieldWidth = 1000

interface Point {
  x: number
  y: number
}

/**
 * Strokes as a pad gives them, in whole units of a field a thousand wide: points a hair apart are left out, so that a
 * name is some hundred points and the same on any screen and paper.
 *
 * @param width - of the pad, in its own units
 */
export function strokesOf(drawn: readonly { points: readonly Point[] }[], width: number): number[][] {
  const scale = fieldWidth / Math.max(1, width)
  return drawn.slice(0, mostStrokes).map(({ points }) => {
    const kept: number[] = []
    for (const { x, y } of points) {
      const [at, down] = [Math.round(x * scale), Math.round(y * scale)]
      const [lastX, lastY] = [kept.at(-2), kept.at(-1)]
      if (lastX !== undefined && Math.hypot(at - lastX, down - lastY!) < 3) continue
      if (kept.length >= mostPoints * 2) break
      kept.push(at, down)
    }
    // A point of an i is a stroke too.
    return kept
  })
}

/** As an SVG path in the field’s units; one point alone is drawn as a dot. @example pathOf([[0, 0, 10, 5]]) // 'M0 0L10 5' */
export const pathOf = (strokes: readonly Stroke[]): string =>
  strokes
    .map((stroke) => {
      const points: string[] = []
      for (let i = 0; i + 1 < stroke.length; i += 2) points.push(`${stroke[i]} ${stroke[i + 1]}`)
      return points.length === 1 ? `M${points[0]}l1 0` : `M${points.join('L')}`
    })
    .join('')
