import { type Procedure, rootOf } from '../core/procedures/procedure.ts'
import { effective } from '../core/standing/histories.ts'
import { keptProcedures, libraryHere, ownProcedures } from '../core/standing/own-procedures.ts'
import { procedureById, procedures } from '../core/trade/procedures/index.ts'
import { type Db, type Trx, withFirm } from '../records/database.ts'
import { technicians } from '../records/firms.ts'
import { entriesOf } from '../records/ledger.ts'
import type { ProcedurePage, ProcedureRow } from '../views/procedure-page.ts'

async function firmLedger(trx: Trx, firmId: string) {
  const entries = await entriesOf(trx, [firmId])
  return { entries, histories: effective({ firm: entries }) }
}

const named = ({ id, name }: Procedure) => ({ id, name })

/** The whole library: what ships, each followed by the firm's own versions of it. */
export async function proceduresOfFirm(db: Db, firmId: string): Promise<ProcedureRow[]> {
  return withFirm(db, firmId, async (trx) => {
    const { histories } = await firmLedger(trx, firmId)
    const own = [...ownProcedures(histories).values()]
    const here = new Map(libraryHere(histories).map((one) => [rootOf(one), one]))
    const row = (one: Procedure): ProcedureRow => ({
      id: one.id,
      family: one.family,
      name: one.name,
      about: one.about,
      kinds: one.kinds,
      ways: one.ways.length,
    })
    return procedures.flatMap((shipped) => {
      const first = here.get(shipped.id)!
      const copies = own.filter(({ procedure }) => procedure.basedOn === shipped.id)
      return [
        { ...row(shipped), ...(first.id !== shipped.id && { standsIn: named(first) }) },
        ...copies.map(
          ({ procedure }): ProcedureRow => ({
            ...row(procedure),
            own: { of: shipped.name, inUse: first.id === procedure.id, version: procedure.version },
          }),
        ),
      ]
    })
  })
}

/**
 * One procedure; of the firm's own a version that was kept, the newest where none is asked for.
 * @returns null where there is none such
 */
export async function procedureOfFirm(
  db: Db,
  firmId: string,
  id: string,
  version?: number,
): Promise<ProcedurePage | null> {
  return withFirm(db, firmId, async (trx) => {
    const { entries, histories } = await firmLedger(trx, firmId)
    const all = keptProcedures(histories)
    const mine = all.filter(({ procedure }) => procedure.id === id)
    const shipped = procedureById(id)
    const found =
      shipped ?? mine.findLast(({ procedure }) => version === undefined || procedure.version === version)?.procedure
    if (!found) return null
    const first = libraryHere(histories).find((one) => rootOf(one) === rootOf(found))!
    const byId = new Map(entries.map((entry) => [entry.id, entry]))
    const people = new Map((await technicians(trx)).map((person) => [person.id, person.name]))
    return {
      firmId,
      procedure: found,
      // A version taken out of use and in again is one version still, of the day it was first kept.
      versions: [...new Map(mine.toReversed().map((one) => [one.procedure.version, one])).values()].map(
        ({ procedure, on, entryId }) => ({
          version: procedure.version,
          on,
          by: people.get(byId.get(entryId)?.recordedBy ?? '') ?? '',
        }),
      ),
      inUse: first.id === found.id,
      ...(first.id !== found.id && { standsIn: named(first) }),
      copies: [...ownProcedures(histories).values()]
        .map(({ procedure }) => procedure)
        .filter(({ basedOn }) => basedOn === rootOf(found))
        .map(named),
    }
  })
}
