import type { Test } from './fault.ts'

/** Complaints of a machine that nobody is asked to run, or to open, to tell more of it. */
const mustNotRun = new Set([
  'wet-below',
  'hisses',
  'over',
  'too-hot',
  'handle-kicks',
  'hums',
  'hot',
  'stuck',
  'dead',
  'silent',
  'no-heat',
  'trips',
  'burning',
  'no-steam',
  'wet-steam',
  'jug-leaks',
  'noise',
  'loud',
])

/** Whether nobody is asked to run a machine once more that this is complained of. */
export const mustNotBeRun = (symptom: string): boolean => mustNotRun.has(symptom)

/** Whether the machine runs, or heats, while it is found out. */
export const runsIt = ({ needs, by, hazard, say }: Test): boolean =>
  needs.includes('hot') || by === 'ear' || hazard !== undefined || /\b(?:run|brew|start|press)\b/i.test(say)

/** Whether something may be asked on the telephone about a complaint. */
export const mayBeAsked = (symptom: string, test: Test): boolean => !mustNotBeRun(symptom) || !runsIt(test)
