import type { Kind } from '../kinds/kind.ts'
import { mustNotBeRun } from './asked-by-phone.ts'
import type { SafeWord } from './call-needs.ts'

/** What somebody may be told to do until one of us comes. */
export interface Meanwhile {
  /** A pump on the mains that gets none is spoilt; one that draws from a tank is started so. */
  runsDry: boolean
  /** Nobody runs it once more to show it. */
  notAgain: boolean
  safe: SafeWord[]
}

/**
 * What of the safe words may be said about these complaints on this kind of machine; nobody is asked to open one.
 *
 * @param kind - its path tells whether it draws from the mains
 * @example meanwhile([], ['no-water'], dv).runsDry // true
 */
export function meanwhile(all: readonly SafeWord[], symptoms: readonly string[], kind: Kind): Meanwhile {
  const runsDry = symptoms.includes('no-water') && kind.stations.some(({ symbol }) => symbol === 'mains')
  const safe = runsDry ? all.filter(({ say }) => !asksToRun(say)) : [...all]
  const notAgain = !runsDry && !safe.some(({ say }) => asksToRun(say)) && symptoms.some(mustNotBeRun)
  return { runsDry, notAgain, safe }
}

/** Whether the machine would run, or a drink be made, for it. */
const asksToRun = (say: string): boolean => /\b(?:run|brew|shots?|cups?)\b/i.test(say)
