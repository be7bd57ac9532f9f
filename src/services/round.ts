import { kinds } from '../core/kinds/index.ts'
import { fromDay, toDay } from '../core/quantity/local-day.ts'
import type { Standing } from '../core/standing/standing.ts'
import { stillWaits, type Waiting, waitingTasks } from '../core/visits/waiting.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { countMachines, countStaleReadings } from '../records/find.ts'
import { technicians } from '../records/firms.ts'
import { keptById, keptByName } from '../records/kept.ts'
import { waitsSaid } from '../records/plan.ts'
import { plannedOn } from '../records/plan-parts.ts'
import {
  countRound,
  type GatheredCursor,
  type Gathering,
  gatheredRows,
  gatherings,
  noVisit,
  type RoundCursor,
  type RoundFilter,
  roundRows,
  type TaskOnVisit,
  wordMatches,
} from '../records/round.ts'
import { countStale, reckonedById } from '../records/subjects.ts'
import { type GoesWith, mostCounted, type RoundChoices, type RoundCounts, type RoundPage } from '../views/round-page.ts'
import type { TaskWaits } from '../views/weeks-ahead.ts'
import { readCursor, writeCursor } from './cursor.ts'
import { veryOwnKindsIn } from './own-kinds.ts'
import { reckonShown } from './reckon-subjects.ts'
import { allOn, arrangedAhead, type VisitAhead, visitsAhead } from './weeks/visits-ahead.ts'

export { gatherings }

/** How far ahead the board looks. */
export const horizons = { fortnight: 14, month: 31, quarter: 92, year: 366 } as const
export type Horizon = keyof typeof horizons | 'all'

/** A forecast from a reading older than this is wide: the board says so. */
const staleReadingDays = 60

export interface RoundQuery extends Omit<RoundFilter, 'until' | 'matches'> {
  text?: string
  horizon: Horizon
  /** Rows of one site, machine or visit together; by date alone where it is left out. */
  gather?: Gathering
  cursor?: string
  /** At most this many rows; a page of the board has 100. */
  limit?: number
}

const pageSize = 100
/** The first screen of the board, drawn on the server; the rest follows as somebody reads on. */
export const firstRows = 14

/** One page of what is coming due, in order of when and how surely. */
export async function roundPage(db: Db, firmId: string, query: RoundQuery, today: string): Promise<RoundPage> {
  const { horizon, cursor, limit = pageSize, text, gather, ...rest } = query
  const narrow: RoundFilter = {
    ...rest,
    ...(horizon !== 'all' && { until: fromDay(toDay(today) + horizons[horizon]) }),
  }
  return lookIn(db, firmId, async (trx) => {
    const filter = text ? { ...narrow, matches: await wordMatches(trx, text, await veryOwnKindsIn(trx)) } : narrow
    const [rows, counts, said, madeOn] = await Promise.all([
      gather
        ? gatheredRows(
            trx,
            filter,
            gather,
            { today, arranged: gather === 'visit' ? onVisits(await arrangedAhead(trx, today)) : [] },
            readCursor<GatheredCursor>(cursor, ['date', 'text', ...cursorShape]),
            limit + 1,
          )
        : roundRows(trx, filter, readCursor<RoundCursor>(cursor, [...cursorShape]), limit + 1),
      cursor ? null : count(trx, filter, today),
      waitsSaid(trx),
      plannedOn(trx),
    ])
    const waiting = waitingTasks(said)
    const page = rows.slice(0, limit)
    const visits = await visitsAhead(trx, today, [...new Set(page.map((row) => row.site_id as string))])
    const visitOf = new Map(visits.flatMap((visit) => allOn(visit).map((task) => [task.join(' '), visit] as const)))
    const last = page.at(-1)
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
        standing: row.detail,
        readingOn: row.reading_on,
        stale: row.stale,
        waits: waitsOf(waiting.get(`${row.subject_id} ${row.key}`), row.detail),
        goes: goesWith(visitOf.get(`${row.subject_id} ${row.key}`), row.detail),
        ...(gather && {
          group: {
            id: row.group_id,
            tasks: Number(row.group_tasks),
            minutes: Number(row.group_minutes),
            isOpen: row.group_id === noVisit,
          },
        }),
      })),
      plannedOn: madeOn,
      ...(rows.length > limit &&
        last && {
          next: writeCursor([
            ...(gather ? [last.group_on, last.group_id] : []),
            last.due_p50,
            last.due_p90,
            last.subject_id,
            last.key,
          ]),
        }),
      ...(counts && { counts }),
    }
  })
}

const cursorShape = ['date', 'date', 'uuid', 'text'] as const

const onVisits = (visits: VisitAhead[]): TaskOnVisit[] =>
  visits.flatMap((visit) =>
    visit.tasks.map(([subjectId, key]) => ({ subjectId, key, on: visit.on, visit: `${visit.siteId} ${visit.on}` })),
  )

const waitsOf = (waiting: Waiting | undefined, { since }: Standing): TaskWaits | null =>
  stillWaits(waiting, since) ? waiting : null

/** The visit a task is on. What was done since it was put there is due anew: no visit has that yet. */
function goesWith(visit: VisitAhead | undefined, { since = '' }: Standing): GoesWith | null {
  if (!visit || (visit.arranged ? since > visit.arranged.happenedOn : since >= visit.madeOn)) return null
  const { on, technicianId, state, arranged } = visit
  const from = arranged?.body.from
  return { on, technicianId, state, ...(from && { from }), tasks: allOn(visit).length }
}

async function count(trx: Trx, filter: RoundFilter, today: string): Promise<RoundCounts> {
  const { until, ...narrow } = filter
  const isWhole = Object.values(narrow).every((value) => value === undefined)
  const [here, all, machines, staleReadings, waiting] = await Promise.all([
    countRound(trx, filter, today, mostCounted),
    isWhole ? null : countRound(trx, until ? { until } : {}, today, mostCounted),
    countMachines(trx),
    countStaleReadings(trx, fromDay(toDay(today) - staleReadingDays)),
    countStale(trx),
  ])
  const { matching, overdue } = here
  return { matching, all: (all ?? here).matching, overdue, machines, staleReadings, waiting }
}

/** More sites than this are found by typing, not in a list. */
const mostSites = 300

/** @param siteId - the site now chosen: it is in the list, however many there are */
export async function roundChoices(db: Db, firmId: string, siteId?: string): Promise<RoundChoices> {
  return lookIn(db, firmId, async (trx) => {
    const [sites, people, own] = await Promise.all([
      keptByName(trx, 'site', { words: [], after: null, limit: mostSites }),
      technicians(trx),
      veryOwnKindsIn(trx),
    ])
    const chosen = siteId && !sites.some(({ id }) => id === siteId) ? await keptById(trx, 'site', siteId) : null
    return {
      sites: (chosen ? [chosen, ...sites] : sites).map(({ id, name }) => ({ id, name })),
      kinds: [...kinds, ...own].map(({ id, name }) => ({ id, name })),
      technicians: people.filter(({ leftOn }) => !leftOn).map(({ id, name, initials }) => ({ id, name, initials })),
    }
  })
}

/**
 * One row with its working, reckoned from the ledger when somebody looks at it: the board stores none.
 * The same history gives the same figures the board shows.
 */
export async function standingDetail(db: Db, firmId: string, subjectId: string, key: string): Promise<Standing | null> {
  return lookIn(db, firmId, async (trx) => {
    const subject = await reckonedById(trx, subjectId)
    const reckoning = subject ? await reckonShown(trx, firmId, subject) : null
    return reckoning?.standings.find((standing) => standing.key === key) ?? null
  })
}
