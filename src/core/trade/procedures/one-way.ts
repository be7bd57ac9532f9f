import type { Way } from '../../procedures/procedure.ts'
import type { Step } from '../../procedures/step.ts'

/** A way of one stretch, the usual one of all its kinds. */
export const oneWay = (
  given: Omit<Way, 'parts' | 'usualFor' | 'materials'> & { materials?: Way['materials'] },
  usualFor: string[],
  steps: Step[],
  each?: 'group' | 'side',
): Way => ({
  materials: [],
  ...given,
  usualFor,
  parts: [{ id: 'run', name: given.name, ...(each && { each }), steps }],
})

/** A reading, as it is asked. */
export const read = (id: string, say: string, unit: string, more: Partial<Step> = {}): Step =>
  ({ id, say, act: 'measure', ask: say, unit, handsS: 30, ...more }) as Step
