import { type Procedure, rootOf } from '../procedures/procedure.ts'
import { procedures } from '../trade/procedures/index.ts'
import { type Histories, ofKind } from './histories.ts'

/** A firm's own version of a procedure as it was kept, and whether it is worked by. */
export interface OwnProcedure {
  procedure: Procedure
  inUse: boolean
  /** The entry that keeps it. */
  entryId: string
  on: string
}

/** Every version a firm has kept, in order. */
export const keptProcedures = (histories: Histories): OwnProcedure[] =>
  ofKind(histories, 'firm', 'own-procedure').map(({ id, happenedOn, body }) => ({
    procedure: body.procedure as Procedure,
    inUse: body.inUse === true,
    entryId: id,
    on: happenedOn,
  }))

/** The firm's own versions by their ids; the last of each counts. */
export const ownProcedures = (histories: Histories): Map<string, OwnProcedure> =>
  new Map(keptProcedures(histories).map((one) => [one.procedure.id, one]))

/**
 * What this firm works by: what ships, with its own versions in the places of those they were copied from. Of two
 * copies of one the later kept stands there.
 *
 * @example libraryHere(effective(bundle.ledgers))
 */
export function libraryHere(histories: Histories): Procedure[] {
  const own = new Map<string, Procedure>()
  for (const { procedure, inUse } of ownProcedures(histories).values()) if (inUse) own.set(rootOf(procedure), procedure)
  return procedures.map((procedure) => own.get(procedure.id) ?? procedure)
}
