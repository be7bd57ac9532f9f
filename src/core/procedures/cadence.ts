import type { Cadence } from './step.ts'

/** One stretch of a cadence: water on, or off. */
export interface Phase {
  /** Stroke it belongs to, from 1. */
  stroke: number
  on: boolean
  fromS: number
  toS: number
}

/**
 * A cadence as stretches on one axis of seconds. It ends with the last pause, so that the pressure is off.
 *
 * @example phases({ onS: 10, offS: 5, times: 2 }) // on 0–10, off 10–15, on 15–25, off 25–30
 */
export function phases({ onS, offS, times, firstOffS }: Cadence): Phase[] {
  const all: Phase[] = []
  let at = 0
  for (let stroke = 1; stroke <= times; stroke += 1) {
    for (const on of [true, false]) {
      const long = on ? onS : stroke === 1 ? (firstOffS ?? offS) : offS
      if (long > 0) all.push({ stroke, on, fromS: at, toS: at + long })
      at += long
    }
  }
  return all
}

export const cadenceS = (cadence: Cadence): number => phases(cadence).at(-1)?.toS ?? 0

/** The stretch a cadence is in; null once it is over. */
export const phaseAt = (cadence: Cadence, positionS: number): Phase | null =>
  phases(cadence).find(({ toS }) => positionS < toS) ?? null
