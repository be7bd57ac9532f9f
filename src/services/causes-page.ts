import { bookWithAll } from '../core/faults/books.ts'
import { confirmedCauses, countsOf } from '../core/faults/confirmed-causes.ts'
import { nothingKnown, priorFactors, priorReasons } from '../core/faults/prior-factors.ts'
import { kindById } from '../core/kinds/index.ts'
import { effectiveHistory } from '../core/ledger/effective-history.ts'
import { effective } from '../core/standing/histories.ts'
import { type Db, lookIn } from '../records/database.ts'
import { machineRows } from '../records/find.ts'
import { kindCounts } from '../records/kind-counts.ts'
import { entriesOf, entriesOfKinds } from '../records/ledger.ts'
import type { CausesPage } from '../views/causes-page.ts'

/** Machines of a kind whose repairs are read: more would say the same, later. */
const mostMachines = 2000

/** Causes confirmed on a firm's machines of a kind; null where no faults of such a kind are written. */
export async function causesPage(db: Db, firmId: string, kindId: string): Promise<CausesPage | null> {
  const [kind, book] = [kindById(kindId), bookWithAll(kindId)]
  if (!kind || !book) return null
  return lookIn(db, firmId, async (trx) => {
    const rows = await machineRows(trx, { kind: kind.id, stage: 'any' }, null, mostMachines)
    const machines = new Map(rows.map(({ id, name, siteName }) => [id, { id, name, site: siteName }]))
    const entries = await entriesOfKinds(trx, [...machines.keys()], ['repaired', 'withdrawn'])
    const { causes, inWordsOnly } = confirmedCauses(book, effectiveHistory(entries).entries)
    const firm = effective({ firm: await entriesOf(trx, [firmId]) })
    const entry = firm.firm?.settings
      .get('causes')
      ?.findLast(({ body }) => body.setting === 'causes' && body.kind === kind.id)
    const confirmed = Object.fromEntries(countsOf(causes).map(({ fault, n }) => [fault, n]))
    const factors = priorFactors(priorReasons(book, { ...nothingKnown, confirmed }))
    const bookSum = book.faults.reduce((sum, { per100 }) => sum + per100, 0)
    const ownSum = book.faults.reduce((sum, { id, per100 }) => sum + per100 * factors[id]!, 0)
    return {
      firmId,
      kind: {
        id: kind.id,
        name: kind.name,
        machines: (await kindCounts(trx)).get(kind.id) ?? 0,
        read: rows.length,
      },
      rows: causes.map(({ cured, ...cause }) => {
        const { per100 } = book.faults.find(({ id }) => id === cause.fault)!
        return {
          ...cause,
          bookShare: per100 / bookSum,
          ownShare: (per100 * factors[cause.fault]!) / ownSum,
          cured: cured.map(({ machineId, on }) => ({ machine: machines.get(machineId)!, on })),
        }
      }),
      inWordsOnly,
      adopted:
        entry?.body.setting === 'causes'
          ? { entryId: entry.id, on: entry.happenedOn, counts: entry.body.counts }
          : null,
    }
  })
}
