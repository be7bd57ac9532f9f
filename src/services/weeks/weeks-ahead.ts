import { fromDay, type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import type { PlannedVisit } from '../../core/visits/firm-problem.ts'
import { minutesThere } from '../../core/visits/minutes-there.ts'
import { PlanState } from '../../core/visits/plan-state.ts'
import { type Db, lookIn, withFirm } from '../../records/database.ts'
import { ask } from '../../records/job-queue.ts'
import { keptByIds } from '../../records/kept.ts'
import type { MovedProposal } from '../../records/plan-parts.ts'
import type { WeeksAhead, WeeksDay, WeeksRow, WeeksVisit } from '../../views/weeks-ahead.ts'
import { arrangedFor, besides } from './arranged-for.ts'
import { plannedAgain } from './make-plan.ts'
import type { PlanInput } from './plan-input.ts'
import { plannedDays, planParts } from './plan-parts.ts'
import { tripAlone } from './plan-roads.ts'
import { type PlannedTask, workOf } from './planned-task.ts'
import { partOf, readPart, type WhoseWeeks } from './read-part.ts'

/** The plan as it stands, asked for anew where the ledger or the day has gone on since it was made. */
export async function weeksAhead(db: Db, firmId: string, today: LocalDay, whose: WhoseWeeks = {}): Promise<WeeksAhead> {
  const { parts, part, names, plan, isToMake, input, was, beyond } = await lookIn(db, firmId, async (trx) => {
    const parts = await planParts(trx, firmId)
    const part = await partOf(trx, parts, whose)
    return {
      parts,
      part,
      names:
        parts.length > 1
          ? await keptByIds(
              trx,
              'technician',
              parts.map(({ id }) => id),
            )
          : [],
      ...(await readPart(trx, firmId, today, part)),
    }
  })
  if (isToMake) await withFirm(db, firmId, (trx) => ask(trx, 'plan', { firmId, part: part.id }))
  const visits = plannedAgain(input, was)
  const state = new PlanState(input.problem, visits)
  const technicians = input.technicians.map((one, k) => ({
    id: one.id,
    name: one.name,
    initials: one.initials,
    startUnknown: one.startLatitude === undefined,
    workDays: daysOf((d) => input.problem.technicians[k]!.hoursMin[d]! > 0),
    days: daysOf((d) => state.placesOn(k, d).length > 0).map((d): WeeksDay => {
      const { roadMin, workMin } = state.loadOn(k, d)
      return { on: fromDay(input.today + d), roadMin, workMin, hoursMin: input.problem.technicians[k]!.hoursMin[d]! }
    }),
  }))
  const moved = plan?.body.moved ?? []
  const rows = input.sites.flatMap((_, s) => (input.isElsewhere[s] ? [] : [rowOf(input, state, s, visits[s]!, moved)]))
  const done = visits.flatMap((those, s) =>
    those.flatMap(({ day, tasks }) => tasks.map((t) => ({ day, task: input.sites[s]!.tasks[t]! }))),
  )
  return {
    today,
    days: plannedDays,
    madeOn: plan?.madeOn ?? null,
    beingMade: isToMake,
    whose:
      parts.length > 1
        ? {
            technicianId: part.id,
            all: names.map(({ id, name }) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name)),
          }
        : null,
    beyond,
    rows: rows.sort(byVisit),
    technicians,
    sums: {
      trips: technicians.reduce((sum, { days }) => sum + days.length, 0),
      ...alone(
        input,
        done.map(({ task }) => task),
      ),
      roadMin: technicians.reduce((sum, { days }) => sum + days.reduce((all, { roadMin }) => all + roadMin, 0), 0),
      earlyMin: done.reduce((sum, { day, task }) => sum + task.costs.early[day]!, 0),
      late: done.filter(({ day, task }) => task.costs.chanceDue[day]! > 0.5).length,
      tasks: done.length,
      cost: plan?.body.cost ?? 0,
      least: plan?.body.least ?? 0,
    },
  }
}

const daysOf = (fits: (day: number) => boolean) => Array.from({ length: plannedDays }, (_, d) => d).filter(fits)

function rowOf(
  input: PlanInput,
  state: PlanState,
  s: number,
  visits: PlannedVisit[],
  moved: MovedProposal[],
): WeeksRow {
  const { record, tasks } = input.sites[s]!
  const end = fromDay(input.today + plannedDays)
  const inPlan = new Set(visits.flatMap(({ tasks: those }) => those))
  const due = tasks.filter(({ standing }, t) => standing.due.p50 < end || inPlan.has(t))
  return {
    siteId: record.id,
    name: record.name,
    area: record.area,
    technicianId: record.technicianId,
    due: due.length,
    overdue: due.filter(({ standing }) => toDay(standing.due.p50) < input.today).length,
    windows: tasks.flatMap(({ standing: { due: window } }, t) =>
      window.p10 < end || inPlan.has(t) ? [{ ...window, left: !inPlan.has(t) }] : [],
    ),
    visits: visits.map((visit) => visitOf(input, state, s, visit)),
    missed: input.missed[s]!,
    moved: moved.filter(({ siteId }) => siteId === record.id).map(({ from, to, savesMin }) => ({ from, to, savesMin })),
    placeUnknown: record.latitude === undefined,
  }
}

function visitOf(
  input: PlanInput,
  state: PlanState,
  s: number,
  { day, technician, tasks, repairMin = 0 }: PlannedVisit,
): WeeksVisit {
  const { sites, technicians, figures } = input
  return {
    ...arrangedFor(input, s, day),
    on: fromDay(input.today + day),
    technicianId: technicians[technician!]!.id,
    minutes: figures.stopMin + repairMin + minutesThere(tasks.map((t) => workOf(sites[s]!.tasks[t]!))),
    tasks: tasks.length,
    besides: besides(input, s, day, tasks).length,
    with: state
      .placesOn(technician!, day)
      .filter((place) => place !== s)
      .map((place) => sites[place]!.record.name),
  }
}

/** Those somebody goes to soonest come first; of these the ones with what is longest over. */
const byVisit = (a: WeeksRow, b: WeeksRow) =>
  (a.visits[0]?.on ?? '9999').localeCompare(b.visits[0]?.on ?? '9999') || a.name.localeCompare(b.name)

/** Each task on its own day, those of one site and one day together. */
function alone({ road, technicians, today }: PlanInput, tasks: PlannedTask[]) {
  const trips = new Map<string, string>()
  for (const { siteId, standing } of tasks) trips.set(`${siteId} ${Math.max(today, toDay(standing.due.p50))}`, siteId)
  return {
    tripsAlone: trips.size,
    roadAloneMin: [...trips.values()].reduce((sum, siteId) => sum + tripAlone(road, siteId, technicians), 0),
  }
}
