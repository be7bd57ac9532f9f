import type { Kind } from '../../../core/kinds/kind.ts'
import { effective, nearestSetting } from '../../../core/standing/histories.ts'
import { type Warranty, warrantiesOf } from '../../../core/visits/warranties.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'

/** Every warranty of a machine, by its own history and the firm's rule. */
export function warrantiesHere(bundle: MachineBundle, kind: Kind): Warranty[] {
  const histories = effective(bundle.ledgers)
  return warrantiesOf({
    machine: bundle.machine,
    kind,
    entries: histories.machine?.entries ?? [],
    own: nearestSetting(histories, 'warranty')?.body ?? null,
  })
}
