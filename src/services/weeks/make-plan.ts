import { fromDay, type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import { planFirm } from '../../core/visits/firm-plan.ts'
import type { PlannedVisit } from '../../core/visits/firm-problem.ts'
import { leastPossible } from '../../core/visits/least-possible.ts'
import { movedVisits } from '../../core/visits/moved-visits.ts'
import { type Db, type Trx, withFirm } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { ask } from '../../records/job-queue.ts'
import {
  type KeptPlan,
  keepPlan,
  keptPlan,
  type MovedProposal,
  outdatePlan,
  type ProposedVisit,
  sitesDueUntil,
} from '../../records/plan.ts'
import { now } from '../clock.ts'
import { indicesOf } from './plan-arranged.ts'
import { mostSites, type PlanInput, planInput, plannedDays } from './plan-input.ts'

/** However large the firm, a plan is there within so long, ms; a small firm’s much sooner. */
const mostMs = 50_000
/** How often some sites are planned anew together, for each site. */
const roundsPerSite = 60

/**
 * Plans a firm’s visits from what is known now, and keeps the plan. What stood proposed stays where it is as good; where
 * nothing has gone on since, the plan stays as it is.
 * @returns whether a plan stands that knows all
 */
export async function makePlan(db: Db, firmId: string, signal?: AbortSignal): Promise<boolean> {
  const read = await withFirm(db, firmId, async (trx) => {
    const firm = await theFirm(trx)
    if (!firm) return null
    const today = dayAt(firm.timeZone, now())
    if (await isTooMany(trx, today)) return null
    const before = await keptPlan(trx)
    const input = await planInput(trx, firmId, today, before?.body.visits ?? [])
    if (before && knowsAll(before, today, firm.seq, input)) return 'as it was'
    return { firm, today, input, before, given: before && plannedAgain(input, before.body.visits) }
  })
  if (!read) return false
  if (read === 'as it was') return true
  const { firm, today, input, before, given } = read
  const began = performance.now()
  const { plan, cost } = planFirm(input.problem, {
    rounds: roundsPerSite * input.sites.length,
    ...(given && { given }),
    spent: () => (signal?.aborted ? 1 : (performance.now() - began) / mostMs),
  })
  if (signal?.aborted) return false
  const visits = proposed(input, plan)
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
    kept: input.kept,
    visits,
    cost,
    least: leastPossible(input.problem),
    moved: [...stillTold(before?.body.moved ?? [], visits, today), ...moved],
  }
  await withFirm(db, firmId, (trx) => keepPlan(trx, firmId, { madeOn: today, seq: firm.seq, body }))
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
    await ask(trx, 'plan', { firmId })
  })

/** Whether nothing has gone on since a plan was made: the day, the ledger, sites and people. */
export const knowsAll = (plan: KeptPlan, today: LocalDay, seq: number, { kept }: Pick<PlanInput, 'kept'>): boolean =>
  plan.madeOn === today && plan.seq === seq && plan.body.kept === kept

/** Whether more sites have something due than are planned together; how many. */
export async function isTooMany(trx: Trx, today: LocalDay): Promise<number | null> {
  const sites = await sitesDueUntil(trx, fromDay(toDay(today) + plannedDays))
  return sites > mostSites ? sites : null
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
  return sites.map(({ record, tasks }, s) => {
    const visits = problem.sites[s]!.settled.map((visit): PlannedVisit => ({ ...visit, settled: true }))
    const taken = new Set(visits.flatMap((visit) => visit.tasks))
    for (const { siteId, on, technicianId, tasks: those } of kept) {
      if (siteId !== record.id) continue
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
