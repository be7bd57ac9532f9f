import { kindById, kinds } from '../core/kinds/index.ts'
import type { Kind } from '../core/kinds/kind.ts'
import { type Db, withFirm } from '../records/database.ts'
import { kindCounts } from '../records/kind-counts.ts'
import type { KindRow } from '../views/kind-page.ts'

/** Every kind of machine there is, with how many of each the firm looks after. */
export async function kindsOfFirm(db: Db, firmId: string): Promise<KindRow[]> {
  const counted = await withFirm(db, firmId, kindCounts)
  return kinds.map(({ id, name, about, parts, duties }) => ({
    id,
    name,
    about,
    parts: parts.length,
    tasks: duties.filter(({ action }) => action !== 'replace').length,
    machines: counted.get(id) ?? 0,
  }))
}

/** One kind with how many of it the firm has; null where there is no such kind. */
export async function kindOfFirm(db: Db, firmId: string, id: string): Promise<{ kind: Kind; machines: number } | null> {
  const kind = kindById(id)
  if (!kind) return null
  const counted = await withFirm(db, firmId, kindCounts)
  return { kind, machines: counted.get(id) ?? 0 }
}
