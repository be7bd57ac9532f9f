import { kinds } from '../core/kinds/index.ts'
import { fromDay, toDay } from '../core/quantity/local-day.ts'
import { type Db, withFirm } from '../records/database.ts'
import { countMachines, countStaleReadings } from '../records/find.ts'
import { technicians } from '../records/firms.ts'
import { sites } from '../records/places.ts'
import { countRound, type RoundCursor, type RoundFilter, roundRows } from '../records/round.ts'
import { countStale } from '../records/subjects.ts'
import type { RoundChoices, RoundPage } from '../views/round-page.ts'
import { readCursor, writeCursor } from './cursor.ts'

/** How far ahead the board looks. */
export const horizons = { fortnight: 14, month: 31, quarter: 92, year: 366 } as const
export type Horizon = keyof typeof horizons | 'all'

/** A forecast from a reading older than this is wide: the board says so. */
const staleReadingDays = 60

export interface RoundQuery extends Omit<RoundFilter, 'until'> {
  horizon: Horizon
  cursor?: string
}

const pageSize = 100

/** One page of what is coming due, in order of when and how surely. */
export async function roundPage(db: Db, firmId: string, query: RoundQuery, today: string): Promise<RoundPage> {
  const { horizon, cursor, ...rest } = query
  const filter: RoundFilter = {
    ...rest,
    ...(horizon !== 'all' && { until: fromDay(toDay(today) + horizons[horizon]) }),
  }
  return withFirm(db, firmId, async (trx) => {
    const rows = await roundRows(
      trx,
      filter,
      readCursor<RoundCursor>(cursor, ['date', 'date', 'uuid', 'text']),
      pageSize + 1,
    )
    const page = rows.slice(0, pageSize)
    const last = page.at(-1)
    const { matching, overdue } = await countRound(trx, filter, today)
    const unfiltered = await countRound(trx, filter.until ? { until: filter.until } : {}, today)
    return {
      rows: page.map((row) => ({
        subjectId: row.subject_id,
        subjectKind: row.subject_kind,
        machineId: row.machine_id,
        machineName: row.softener_name ?? row.machine_name ?? '',
        model: row.maker ? `${row.maker} ${row.model}` : '',
        kind: row.kind,
        siteId: row.site_id,
        siteName: row.site_name,
        area: row.area,
        technicianId: row.technician_id,
        standing: withoutWorking(row.detail),
        readingOn: row.reading_on,
        stale: row.stale,
      })),
      ...(rows.length > pageSize &&
        last && { next: writeCursor([last.due_p50, last.due_p90, last.subject_id, last.key]) }),
      matching,
      all: unfiltered.matching,
      overdue,
      machines: await countMachines(trx),
      staleReadings: await countStaleReadings(trx, fromDay(toDay(today) - staleReadingDays)),
      waiting: await countStale(trx),
    }
  })
}

export async function roundChoices(db: Db, firmId: string): Promise<RoundChoices> {
  return withFirm(db, firmId, async (trx) => ({
    sites: (await sites(trx)).map(({ id, name }) => ({ id, name })),
    kinds: kinds.map(({ id, name }) => ({ id, name })),
    technicians: (await technicians(trx)).map(({ id, name }) => ({ id, name })),
  }))
}

/** The working of one row, asked for when somebody looks at it. */
export async function standingDetail(db: Db, firmId: string, subjectId: string, key: string) {
  return withFirm(db, firmId, async (trx) => {
    const row = await trx('standing').where({ subject_id: subjectId, key }).first('detail')
    return row?.detail ?? null
  })
}

// A board of a hundred rows does not carry a hundred workings.
const withoutWorking = (detail: RoundPage['rows'][number]['standing']) => ({
  ...detail,
  working: { lines: [] },
})
