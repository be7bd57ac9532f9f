import type { Entry } from '../ledger/entry.ts'
import { type Histories, ofKind } from './histories.ts'

/** What is in a machine that nobody may drink, since when: not for use until each is released. */
export function heldNow(histories: Histories): (Entry & { kind: 'held' })[] {
  const released = new Set(ofKind(histories, 'machine', 'released').map((entry) => entry.body.held))
  return ofKind(histories, 'machine', 'held').filter(({ id }) => !released.has(id))
}
