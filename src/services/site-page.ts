import { effectiveHistory } from '../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import { siteMonths } from '../core/standing/site-months.ts'
import { openRemarks } from '../core/visits/open-remarks.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { machineRows } from '../records/find.ts'
import { technicians } from '../records/firms.ts'
import { keptById, keptByName } from '../records/kept.ts'
import { entriesOf, entriesOfKinds } from '../records/ledger.ts'
import type { SitePage } from '../views/site-page.ts'
import { treatmentOf } from './treatment-of.ts'
import { visitPage } from './visits.ts'

/** More than this is chosen by typing its name on its own page. */
const mostChoices = 300
const mostMachines = 100
const lastVisits = 12

/** One site with all that stands there; null when it is not this firm's. */
export async function sitePage(db: Db, firmId: string, siteId: string): Promise<SitePage | null> {
  const page = await lookIn(db, firmId, async (trx): Promise<Omit<SitePage, 'visits'> | null> => {
    const site = await keptById(trx, 'site', siteId)
    if (!site) return null
    const [choices, machines, softeners, ledger] = await Promise.all([
      siteChoices(trx, site),
      machineRows(trx, { siteId, stage: 'any' }, null, mostMachines),
      keptByName(trx, 'softener', { words: [], after: null, limit: 50, where: { site_id: siteId } }),
      entriesOf(trx, [siteId]),
    ])
    const machineIds = machines.map(({ id }) => id)
    const softenerIds = softeners.map(({ id }) => id)
    const [aboutSofteners, remarked, counted] = await Promise.all([
      entriesOf(trx, softenerIds),
      entriesOfKinds(trx, [...machineIds, ...softenerIds], ['remark', 'remark-closed', 'withdrawn']),
      entriesOfKinds(trx, machineIds, ['reading', 'moved', 'withdrawn']),
    ])
    return {
      firmId,
      site,
      customer: (await keptById(trx, 'customer', site.customerId))!,
      supply: choices.supplies.find(({ id }) => id === site.supplyId) ?? null,
      technician: choices.technicians.find(({ id }) => id === site.technicianId)!,
      machines,
      softeners: softeners.map((softener) => ({
        ...softener,
        ...treatmentOf(aboutSofteners.filter((entry) => entry.subjectId === softener.id)),
      })),
      ledger,
      monthsSeen: siteMonths(
        ledger,
        machines.map(({ id }) => counted.filter((entry) => entry.subjectId === id)),
      ),
      remarks: [
        ...remarksOf(ledger, 'site', siteId, site.name),
        ...machines.flatMap(({ id, name }) => remarksOf(remarked, 'machine', id, name)),
        ...softeners.flatMap(({ id, name }) => remarksOf(remarked, 'softener', id, name)),
      ],
      choices,
    }
  })
  return page && { ...page, visits: (await visitPage(db, firmId, { siteId }, lastVisits)).rows }
}

/** What a new site can be given to, and what comes in there. */
export const newSiteChoices = (db: Db, firmId: string): Promise<SitePage['choices']> =>
  lookIn(db, firmId, (trx) => siteChoices(trx, null))

async function siteChoices(
  trx: Trx,
  site: { customerId: string; supplyId?: string } | null,
): Promise<SitePage['choices']> {
  const some = async (kind: 'customer' | 'supply', chosen: string | undefined) => {
    const list = await keptByName(trx, kind, { words: [], after: null, limit: mostChoices })
    const missing = chosen && !list.some(({ id }) => id === chosen) ? await keptById(trx, kind, chosen) : null
    return [...list, ...(missing ? [missing] : [])]
      .filter(({ id, retiredOn }) => !retiredOn || id === chosen)
      .map(({ id, name }) => ({ id, name }))
  }
  const [customers, supplies, people] = await Promise.all([
    some('customer', site?.customerId),
    some('supply', site?.supplyId),
    technicians(trx),
  ])
  return { customers, supplies, technicians: people.map(({ id, name }) => ({ id, name })) }
}

function remarksOf(
  entries: RecordedEntry[],
  kind: 'site' | 'machine' | 'softener',
  id: string,
  name: string,
): SitePage['remarks'] {
  const own = effectiveHistory(entries.filter((entry) => entry.subjectId === id)).entries
  return openRemarks(own).map((entry) => ({
    id: entry.id,
    on: entry.happenedOn,
    text: entry.body.text,
    about: { kind, id, name },
  }))
}
