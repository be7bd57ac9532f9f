import { affectsOf } from '../core/ledger/affects.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { EntryKind } from '../core/ledger/entry-kinds.ts'
import { type Db, lookIn } from '../records/database.ts'
import { keptById, keptByName } from '../records/kept.ts'
import { entriesOfKinds } from '../records/ledger.ts'
import { drawnAt } from '../records/standings.ts'
import type { WaterBenchPage } from '../views/water-bench.ts'
import { treatmentOf } from './treatment-of.ts'

const aboutWater: EntryKind[] = ['commissioned', 'water-test', 'water-figures', 'setting', 'withdrawn']

const moves = (entry: RecordedEntry): boolean => affectsOf(entry) !== 'nobody'

/** What the water bench starts from: the firm's own figures, and a site's water where one is named. */
export async function waterBenchPage(db: Db, firmId: string, siteId: string | null): Promise<WaterBenchPage> {
  return lookIn(db, firmId, async (trx) => {
    const site = siteId ? await keptById(trx, 'site', siteId) : null
    // Nor what moves no date: telephone numbers and rates reckon no water.
    const firm = (await entriesOfKinds(trx, [firmId], ['setting', 'withdrawn'])).filter(moves)
    if (!site) return { firmId, site: null, softeners: [], machines: 0, litresPerDay: null, ledgers: { firm } }
    const softeners = await keptByName(trx, 'softener', {
      words: [],
      after: null,
      limit: 20,
      where: { site_id: site.id },
    })
    const drawn = await drawnAt(trx, site.id)
    const aboutSofteners = await entriesOfKinds(
      trx,
      softeners.map(({ id }) => id),
      aboutWater,
    )
    return {
      firmId,
      site: { id: site.id, name: site.name, area: site.area },
      softeners: softeners.map(({ id, name }) => ({
        id,
        name,
        treatment: treatmentOf(aboutSofteners.filter(({ subjectId }) => subjectId === id)).treatment,
      })),
      machines: drawn.machines,
      litresPerDay: drawn.machines > 0 ? drawn.litresPerOpenDay : null,
      ledgers: {
        firm,
        site: (await entriesOfKinds(trx, [site.id], aboutWater)).filter(moves),
        supply: site.supplyId ? await entriesOfKinds(trx, [site.supplyId], aboutWater) : [],
        softener: aboutSofteners,
      },
    }
  })
}
