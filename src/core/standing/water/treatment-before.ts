import { treatmentKind } from '../../softener/treatment-kind.ts'
import type { Minerals } from '../../water/treatment.ts'
import { type Histories, nearestSetting, ofKind } from '../histories.ts'

/** What stands between the supply and the machine. */
export type Treatment =
  | { kind: 'none' }
  | { kind: 'exchanger' }
  | { kind: 'cartridge'; bypass: number }
  | { kind: 'membrane'; rawShare: number; dosed?: Minerals }
  /** Against chlorine alone: hardness passes. */
  | { kind: 'carbon' }

/** What stands before a machine, by its softener's own entries. */
export function treatmentBefore(histories: Histories): Treatment {
  const taken = ofKind(histories, 'softener', 'commissioned')[0]
  if (!taken) return { kind: 'none' }
  const kind = treatmentKind(taken.body.kind) ?? 'exchanger'
  if (kind === 'cartridge') return { kind, bypass: nearestSetting(histories, 'cartridge')?.body.bypass ?? 0.3 }
  if (kind !== 'membrane') return { kind }
  const { rawShare, dosed } = nearestSetting(histories, 'membrane')?.body ?? { rawShare: 0 }
  return { kind, rawShare, ...(dosed && { dosed }) }
}

/** Whether carbon takes the chlorine out before it comes to the machine. */
export const carbonBefore = (histories: Histories): boolean =>
  treatmentBefore(histories).kind === 'carbon' || nearestSetting(histories, 'prefilter')?.body.fitted === true
