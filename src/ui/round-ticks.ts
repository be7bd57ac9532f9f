/** Four or five round figures from 0 to past a value, for an axis. @example roundTicks(1.15) // [0, 0.25, 0.5, 0.75, 1, 1.25] */
export function roundTicks(most: number): number[] {
  const power = 10 ** Math.floor(Math.log10(most / 4))
  const step = [1, 2, 2.5, 5, 10].map((n) => n * power).find((n) => n * 5 >= most)!
  return Array.from({ length: Math.ceil(most / step) + 1 }, (_, i) => Number((i * step).toPrecision(6)))
}
