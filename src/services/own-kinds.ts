import { kindById } from '../core/kinds/index.ts'
import type { Kind } from '../core/kinds/kind.ts'
import { effective } from '../core/standing/histories.ts'
import { veryOwnKinds } from '../core/standing/own-kinds.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { theFirm } from '../records/firms.ts'
import { entriesOfKinds } from '../records/ledger.ts'

/** The kinds a firm made from nothing. */
export const veryOwnKindsOf = (db: Db, firmId: string): Promise<Kind[]> => lookIn(db, firmId, veryOwnKindsIn)

/** The same inside a transaction of that firm. */
export async function veryOwnKindsIn(trx: Trx): Promise<Kind[]> {
  const firm = await theFirm(trx)
  return firm ? veryOwnKinds(effective({ firm: await entriesOfKinds(trx, [firm.id], ['own-kind', 'withdrawn']) })) : []
}

/** A kind that a machine of this firm can be of; null where there is none. */
export const kindInFirm = async (trx: Trx, id: string): Promise<Kind | null> =>
  kindById(id) ?? (await veryOwnKindsIn(trx)).find((kind) => kind.id === id) ?? null
