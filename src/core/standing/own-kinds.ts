import { kindById } from '../kinds/index.ts'
import type { Kind } from '../kinds/kind.ts'
import { type Histories, nearestKindAs, ofKind } from './histories.ts'

/** The firm's own versions of kinds, by their ids; the last of each counts. */
export function ownKinds(histories: Histories): Map<string, Kind> {
  const kept = ofKind(histories, 'firm', 'own-kind')
  return new Map(kept.map(({ body }) => [(body.kind as Kind).id, body.kind as Kind]))
}

/** Kinds that the firm made from nothing: machines are taken on as them, as they are as those that ship. */
export const veryOwnKinds = (histories: Histories): Kind[] =>
  [...ownKinds(histories).values()].filter(({ basedOn }) => !basedOn)

/** A kind as it stands for a machine: the firm's own version where one was chosen, else as it ships or was made. */
export function kindHere(histories: Histories, id: string): Kind | null {
  const shipped = kindById(id)
  const as = nearestKindAs(histories, id)
  if (!shipped) return ownKinds(histories).get(id) ?? null
  if (!as || as.body.own === id) return shipped
  return ownKinds(histories).get(as.body.own) ?? shipped
}
