import { fromDay, type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import type { PlannedVisit } from '../../core/visits/firm-problem.ts'
import { leastPossible } from '../../core/visits/least-possible.ts'
import { movedVisits } from '../../core/visits/moved-visits.ts'
import { type Db, type Trx, withFirm } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { ask } from '../../records/job-queue.ts'
import {
  keepPart,
  keptPart,
  type MovedProposal,
  outdatePlan,
  type ProposedVisit,
  proposedVisits,
  timesKept,
} from '../../records/plan-parts.ts'
import { now } from '../clock.ts'
import { grouped } from './grouped.ts'
import { indicesOf } from './plan-arranged.ts'
import { type PlanInput, planInput } from './plan-input.ts'
import { isOld, planParts, sitesTogether } from './plan-parts.ts'
import { type LookForPlan, searchedPlan } from './search-plan.ts'

/** However large the firm, a plan is there within so long, ms; a small firm’s much sooner. */
const mostMs = 45_000
/** The same for one technician’s sites, of which there are many then. */
const mostMsApart = 15_000
/** How often some sites are planned anew together, for each site. */
const roundsPerSite = 60

const lookHere: LookForPlan = async (asked, signal) => (signal?.aborted ? null : searchedPlan(asked))

/**
 * Plans a firm’s visits, one part after another, see `makePart`.
 * @returns whether a plan stands that knows all
 */
export async function makePlan(db: Db, firmId: string, signal?: AbortSignal): Promise<boolean> {
  for (const { id } of await withFirm(db, firmId, (trx) => planParts(trx, firmId)))
    if (!(await makePart(db, firmId, id, signal))) return false
  return true
}

/**
 * Plans the visits of a part from what is known now, and keeps them. What stood proposed stays where it is as good;
 * where nothing has gone on since, the plan stays as it is. What is a part no longer is planned by nobody.
 * @param lookFor - does the search, which takes long
 * @returns whether a plan of it stands that knows all
 */
export async function makePart(
  db: Db,
  firmId: string,
  partId: string,
  signal?: AbortSignal,
  lookFor: LookForPlan = lookHere,
): Promise<boolean> {
  const read = await withFirm(db, firmId, async (trx) => {
    const firm = await theFirm(trx)
    const parts = await planParts(trx, firmId)
    const part = parts.find(({ id }) => id === partId)
    if (!firm || !part) return null
    const today = dayAt(firm.timeZone, now())
    const before = await keptPart(trx, partId)
    if (before && !(await isOld(trx, part, before, { today, seq: firm.seq }))) return 'as it was'
    const kept = await timesKept(trx, part.of)
    const together = await sitesTogether(trx, part, today)
    const was = (await proposedVisits(trx, together && { siteIds: together.siteIds })).filter(
      ({ siteId }) => !together?.elsewhere.has(siteId),
    )
    const input = await planInput(trx, firmId, today, was, together)
    const given = was.length > 0 ? plannedAgain(input, was) : null
    return { firm, parts, today, input, before, given, kept, elsewhere: together?.elsewhere }
  })
  if (!read) return false
  if (read === 'as it was') return true
  const { firm, parts, today, input, before, given, kept, elsewhere } = read
  const found = await lookFor(
    {
      problem: input.problem,
      given,
      rounds: roundsPerSite * input.sites.length,
      mostMs: parts.length > 1 ? mostMsApart : mostMs,
    },
    signal,
  )
  if (!found || signal?.aborted) return false
  const { plan, cost } = found
  const visits = proposed(input, plan).filter(({ siteId }) => !elsewhere?.has(siteId))
  const moved = (given ? movedVisits(input.problem, plan, given) : []).map(
    ({ site, fromDay: was, toDay: to, savesMin }): MovedProposal => ({
      siteId: input.sites[site]!.record.id,
      from: fromDay(input.today + was),
      to: to === null ? null : fromDay(input.today + to),
      savesMin: savesMin === null ? null : Math.round(savesMin),
      saidOn: today,
    }),
  )
  const body = {
    kept,
    cost,
    least: leastPossible(input.problem),
    moved: [...stillTold(before?.body.moved ?? [], visits, today), ...moved],
  }
  const siteIds = input.sites.map(({ record }) => record.id).filter((id) => !elsewhere?.has(id))
  await withFirm(db, firmId, (trx) =>
    keepPart(
      trx,
      firmId,
      { part: partId, madeOn: today, seq: firm.seq, body },
      { visits, siteIds, parts: parts.map(({ id }) => id) },
    ),
  )
  return true
}

/** So many days it is told that a visit was moved. */
const toldDays = 3

/** What was moved in the last days and stands where it went. */
const stillTold = (moved: MovedProposal[], visits: ProposedVisit[], today: LocalDay): MovedProposal[] =>
  moved.filter(
    ({ siteId, to, saidOn }) =>
      toDay(saidOn) > toDay(today) - toldDays &&
      (to === null || visits.some((visit) => visit.siteId === siteId && visit.on === to)),
  )

/** Dates have moved without a word in the ledger: the plan that stands does not know them, and is made anew. */
export const planAnew = (db: Db, firmId: string): Promise<void> =>
  withFirm(db, firmId, async (trx) => {
    await outdatePlan(trx)
    await askForPlan(trx, firmId)
  })

/** Asks for every part of a firm’s plan. */
export async function askForPlan(trx: Trx, firmId: string): Promise<void> {
  for (const { id } of await planParts(trx, firmId)) await ask(trx, 'plan', { firmId, part: id })
}

/** A plan’s visits by ids and days, those after its days left out. */
function proposed({ today, sites, technicians }: PlanInput, plan: PlannedVisit[][]): ProposedVisit[] {
  return plan.flatMap((visits, s) =>
    visits.flatMap(({ day, technician, tasks }) =>
      technician === null
        ? []
        : [
            {
              siteId: sites[s]!.record.id,
              on: fromDay(today + day),
              technicianId: technicians[technician]!.id,
              tasks: tasks.map((t): [string, string] => {
                const { subjectId, standing } = sites[s]!.tasks[t]!
                return [subjectId, standing.key]
              }),
            },
          ],
    ),
  )
}

/**
 * A kept plan’s visits as the planner knows them: first what is settled by now, then what stands proposed. What has been
 * done since, is no longer due or is settled is in no proposal.
 */
export function plannedAgain(
  { today, problem, sites, technicians }: PlanInput,
  kept: ProposedVisit[],
): PlannedVisit[][] {
  const bySite = grouped(kept, ({ siteId }) => siteId)
  return sites.map(({ record, tasks }, s) => {
    const visits = problem.sites[s]!.settled.map((visit): PlannedVisit => ({ ...visit, settled: true }))
    const taken = new Set(visits.flatMap((visit) => visit.tasks))
    for (const { on, technicianId, tasks: those } of bySite.get(record.id) ?? []) {
      const day = toDay(on) - today
      const technician = technicians.findIndex(({ id }) => id === technicianId)
      const here = indicesOf(tasks, those).filter((t) => !taken.has(t))
      if (technician < 0 || day < 0 || day >= problem.days || here.length === 0) continue
      const there = visits.findIndex((visit) => visit.day === day)
      if (there >= 0) visits[there] = { ...visits[there]!, tasks: [...visits[there]!.tasks, ...here] }
      else visits.push({ day, technician, tasks: here, settled: false })
      for (const t of here) taken.add(t)
    }
    return visits.sort((a, b) => a.day - b.day)
  })
}
