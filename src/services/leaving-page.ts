import type { LocalDay } from '../core/quantity/local-day.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { machineRows } from '../records/find.ts'
import { theFirm } from '../records/firms.ts'
import { keptById } from '../records/kept.ts'
import { entriesOfVisits, visitHeaders } from '../records/visits.ts'
import type { LeavingPage } from '../views/leaving-page.ts'

/** More machines than this at one place are opened one by one. */
const mostMachines = 200

/** Whose visit of which day is being closed, where the address does not name it. */
interface Asked {
  visitId?: string
  me: string
  today: LocalDay
}

/** What the end of a visit is drawn from; null where the site is not this firm’s. */
export async function leavingPage(db: Db, firmId: string, siteId: string, asked: Asked): Promise<LeavingPage | null> {
  return lookIn(db, firmId, async (trx) => {
    const [site, firm] = await Promise.all([keptById(trx, 'site', siteId), theFirm(trx)])
    if (!site || !firm) return null
    const visitId = asked.visitId ?? (await visitOfToday(trx, siteId, asked))
    const [machines, written] = await Promise.all([
      machineRows(trx, { siteId, stage: 'any' }, null, mostMachines),
      visitId ? entriesOfVisits(trx, [visitId]) : [],
    ])
    const touched = new Set(written.map(({ subjectId }) => subjectId))
    const here = machines.map(({ id }) => id)
    return {
      firmId,
      currency: firm.preferences.currency,
      site: { id: site.id, name: site.name, area: site.area, timeZone: site.timeZone },
      visitId,
      machineIds: needed(machines, touched, here),
    }
  })
}

/** The last visit somebody began there on a day; one that was closed already is shown as it was closed. */
async function visitOfToday(trx: Trx, siteId: string, { me, today }: Asked): Promise<string | null> {
  const headers = await visitHeaders(trx, { siteId, technicianId: me }, null, 1)
  const [last] = headers
  return last && last.happenedOn === today ? (last.visitId ?? last.id) : null
}

/**
 * Machines that were worked on, and one behind each softener that was: the rest of a large place is not read for it.
 * Where nothing was done yet, the first of them, whose ledgers tell of the site.
 */
function needed(
  machines: { id: string; softenerId?: string | null }[],
  touched: ReadonlySet<string>,
  here: string[],
): string[] {
  const worked = here.filter((id) => touched.has(id))
  const shown = new Set(machines.filter(({ id }) => touched.has(id)).flatMap(({ softenerId }) => softenerId ?? []))
  const besides: string[] = []
  for (const { id, softenerId } of machines) {
    if (!softenerId || !touched.has(softenerId) || shown.has(softenerId)) continue
    shown.add(softenerId)
    besides.push(id)
  }
  const all = [...worked, ...besides]
  return all.length > 0 ? all : here.slice(0, 1)
}
