import type { FaultBook, Test } from '../../core/faults/fault.ts'
import { entropyBits } from '../../core/faults/rank-causes.ts'

/** What may hurt at a test, where the hand is about to be. */
export const testHazards: Record<NonNullable<Test['hazard']>, string> = {
  scald: 'Hot water and steam: face and hands away, cloth at hand.',
  pressure:
    'Trapped pressure: nothing is opened above 0 bar; a handle that does not vent stays locked until it is cold.',
  live: 'Open, live and running: for qualified people only, as local rules allow. Residual-current device, gloves, glasses, a catch vessel: joints may spray. Look and read; switched off before anything is touched.',
  mains:
    'Plug out, prove it dead, lock it off. Work on the mains belongs to those qualified for it; local rules come first.',
  moving: 'Moving parts: sleeves, hair and fingers out of the way.',
}

const standings = {
  on: 'switched on, shut',
  hot: 'hot',
  off: 'off',
  open: 'open',
  cold: 'cold',
  'no-pressure': 'without pressure',
  'shut-again': 'shut again to run',
} as const

/** How the machine must stand for it. @example needWords(test, book) // 'off, open' */
export const needWords = ({ needs }: Test, { toStand }: FaultBook): string =>
  needs
    .filter((need) => toStand[need] > 0)
    .map((need) => standings[need])
    .join(', ')

/** How much of what is not known a test clears up, on average. @example doubtCleared(1, belief) // '38 % of the doubt' */
export function doubtCleared(bits: number, belief: Float64Array): string {
  const doubt = entropyBits(belief)
  const share = doubt > 0 ? Math.min(1, bits / doubt) : 0
  return `${share > 0 && share < 0.01 ? 'under 1' : Math.round(100 * share)} % of the doubt`
}
