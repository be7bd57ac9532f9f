import { kindById } from '../kinds/index.ts'
import { type Kind, withGroups } from '../kinds/kind.ts'
import { bodyOf } from '../ledger/upcast.ts'
import { type Histories, nearestSetting, ofKind } from './histories.ts'

/** The kind it was taken on as, with this machine's own number of groups; null where no such kind ships. */
export function machineKind(histories: Histories): Kind | null {
  const taken = ofKind(histories, 'machine', 'commissioned')[0]
  const kind = taken ? kindById(bodyOf(taken).kind) : null
  const groups = kind && nearestSetting(histories, 'groups')
  return groups ? withGroups(kind, groups.body.count) : kind
}
