import { kinds } from '../core/kinds/index.ts'
import { fromDay, toDay } from '../core/quantity/local-day.ts'
import { guards } from '../core/standing/taken-over.ts'
import { type Db, lookIn } from '../records/database.ts'
import { technicians } from '../records/firms.ts'
import { dueBySite } from '../records/round-sites.ts'
import { countStale } from '../records/subjects.ts'
import type { RoundSites, SiteDue } from '../views/round-sites.ts'
import { veryOwnKindsIn } from './own-kinds.ts'
import { horizons } from './round.ts'

/** More sites than this are chosen from on the board. */
const mostSites = 300

/** Where to go first: the sites with something due, by what matters, with the time the work takes. */
export const roundSites = (
  db: Db,
  firmId: string,
  horizon: keyof typeof horizons,
  today: string,
): Promise<RoundSites> =>
  lookIn(db, firmId, async (trx) => {
    const all = [...kinds, ...(await veryOwnKindsIn(trx))]
    const guarding = new Set(all.flatMap(({ tasks }) => tasks.filter(guards).map(({ id }) => id)))
    const until = fromDay(toDay(today) + horizons[horizon])
    const [rows, people, waiting] = await Promise.all([
      dueBySite(trx, { today, until, guarding: [...guarding], limit: mostSites }),
      technicians(trx),
      countStale(trx),
    ])
    const sites = rows.map(({ technicianId, ...row }): SiteDue => {
      const group = row.danger || row.hygiene ? 'danger' : row.stand > 0 ? 'stands' : 'rest'
      return { ...row, group, technician: people.find(({ id }) => id === technicianId)?.name ?? '' }
    })
    const of = (group: SiteDue['group']) => sites.filter((site) => site.group === group)
    return { horizon, waiting, sites: [...of('danger'), ...of('stands'), ...of('rest')] }
  })
