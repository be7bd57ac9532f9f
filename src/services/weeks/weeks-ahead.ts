import { fromDay, type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { standingTitle } from '../../core/standing/standing-title.ts'
import type { PlannedVisit } from '../../core/visits/firm-problem.ts'
import { minutesThere } from '../../core/visits/minutes-there.ts'
import { PlanState } from '../../core/visits/plan-state.ts'
import { type Db, lookIn, type Trx, withFirm } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { ask } from '../../records/job-queue.ts'
import { keptById, keptByIds } from '../../records/kept.ts'
import { keptPart, type MovedProposal, proposedVisits } from '../../records/plan-parts.ts'
import type {
  VisitRepair,
  VisitState,
  WeeksAhead,
  WeeksDay,
  WeeksRow,
  WeeksTask,
  WeeksValley,
  WeeksVisit,
} from '../../views/weeks-ahead.ts'
import { plannedAgain } from './make-plan.ts'
import { type PlanInput, planInput } from './plan-input.ts'
import { isOld, type PlanPart, partWith, plannedDays, planParts, sitesTogether } from './plan-parts.ts'
import { tripAlone } from './plan-roads.ts'
import { type PlannedTask, workOf } from './planned-task.ts'

/** Whose weeks are looked at, where not all sites are planned together; the first that is there counts. */
export interface WhoseWeeks {
  /** A site: those of whoever goes there. */
  siteId?: string
  technicianId?: string
  /** Who asks. */
  me?: string
}

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

const noSite = { plan: null, input: null, was: [], customer: null, seq: 0 }

/** The part whose weeks are looked at. */
async function partOf(trx: Trx, parts: PlanPart[], { siteId, technicianId, me }: WhoseWeeks): Promise<PlanPart> {
  const site = siteId && parts.length > 1 ? await keptById(trx, 'site', siteId) : null
  const asked = [site?.technicianId, technicianId, me].flatMap((id) => (id ? (partWith(parts, id) ?? []) : []))
  return asked[0] ?? parts[0]!
}

/** A part as it was planned, and what it would be planned from now. */
async function readPart(trx: Trx, firmId: string, today: LocalDay, part: PlanPart) {
  const plan = await keptPart(trx, part.id)
  const { seq } = (await theFirm(trx))!
  const together = await sitesTogether(trx, part, today)
  const proposals = await proposedVisits(trx, together && { siteIds: together.siteIds })
  const was = proposals.filter(({ siteId }) => !together?.elsewhere.has(siteId))
  return {
    plan,
    was,
    seq,
    input: await planInput(trx, firmId, today, was, together),
    isToMake: await isOld(trx, part, plan, { today, seq }),
    beyond: together?.beyond ?? 0,
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

const arranged = ({ appointments, today }: PlanInput, s: number, day: number) =>
  appointments[s]!.find(({ last }) => toDay(last.body.on) - today === day)

/** How far the visit of a day has got. */
export function arrangedFor(
  input: PlanInput,
  s: number,
  day: number,
): { state: VisitState; visitId?: string; from?: string; repair?: VisitRepair } {
  const found = arranged(input, s, day)
  if (!found) return { state: 'proposed' }
  const { step, from, repair } = found.last.body
  return {
    state: step === 'agreed' || step === 'asked' ? step : 'taken',
    visitId: found.visitId,
    ...(from && { from }),
    ...(repair && { repair }),
  }
}

/** Those tasks of a visit that were not in what was arranged: the plan’s own; none where nothing was arranged. */
function besides(input: PlanInput, s: number, day: number, tasks: number[]): number[] {
  const settled = arranged(input, s, day) && input.problem.sites[s]!.settled.find((visit) => visit.day === day)
  return settled ? tasks.filter((t) => !settled.tasks.includes(t)) : []
}

/** Those tasks of a visit that nobody was promised: they can be left out. */
export function promisedNobody(input: PlanInput, s: number, day: number, tasks: number[]): number[] {
  return arranged(input, s, day) ? besides(input, s, day, tasks) : tasks
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

/**
 * What one visit would cost on each other day, while everything else stays where it is.
 * @returns null where there is no such site or visit
 */
export async function visitValley(
  db: Db,
  firmId: string,
  today: LocalDay,
  { siteId, on }: { siteId: string; on: LocalDay },
): Promise<WeeksValley | null> {
  const { plan, input, was, customer, seq } = await lookIn(db, firmId, async (trx) => {
    const site = await keptById(trx, 'site', siteId)
    if (!site) return noSite
    const part = await partOf(trx, await planParts(trx, firmId), { siteId })
    return {
      ...(await readPart(trx, firmId, today, part)),
      customer: await keptById(trx, 'customer', site.customerId),
    }
  })
  if (!plan || !input || !customer) return null
  const s = input.sites.findIndex(({ record }) => record.id === siteId)
  const visits = plannedAgain(input, was)
  const visit = visits[s]?.find(({ day }) => day === toDay(on) - input.today)
  if (!visit || visit.technician === null) return null
  const own = new Set(besides(input, s, visit.day, visit.tasks))
  const { record, tasks } = input.sites[s]!
  const state = new PlanState(input.problem, visits)
  const tripRoadMin = state.loadOn(visit.technician, visit.day).roadMin
  const others = visits[s]!.filter((other) => other !== visit)
  state.set(s, others)
  const end = fromDay(input.today + plannedDays)
  const sum = (of: (task: PlannedTask) => number) => visit.tasks.reduce((all, t) => all + of(tasks[t]!), 0)
  const { name, contact, phone } = customer
  const costThere = (t: number, { day }: PlannedVisit) => ({
    on: fromDay(input.today + day),
    costMin: tasks[t]!.costs.early[day]! + tasks[t]!.costs.late[day]!,
  })
  const cheapestOf = (t: number, among: PlannedVisit[]) =>
    among
      .filter(({ technician }) => technician !== null)
      .map((one) => costThere(t, one))
      .sort((a, b) => a.costMin - b.costMin)[0] ?? null
  const told = (t: number, elsewhere: WeeksTask['elsewhere']): WeeksTask => {
    const { subjectKind, machineName, standing, late, costs, coolMin, waits = null } = tasks[t]!
    return {
      ...workOf(tasks[t]!),
      subjectKind,
      waits,
      key: standing.key,
      name: standingTitle(standing),
      machineName,
      due: standing.due.p50,
      coolMin,
      late,
      besides: own.has(t),
      unused: costs.unused[visit.day]!,
      earlyMin: costs.early[visit.day]!,
      lateMin: costs.late[visit.day]!,
      chanceDue: costs.chanceDue[visit.day]!,
      elsewhere,
    }
  }
  return {
    siteId,
    on,
    ...arrangedFor(input, s, visit.day),
    seq,
    minutes: input.figures.stopMin + (visit.repairMin ?? 0) + minutesThere(visit.tasks.map((t) => workOf(tasks[t]!))),
    customer: { name, contact, phone },
    accessNote: record.accessNote,
    technicianId: input.technicians[visit.technician]!.id,
    tasks: visit.tasks.map((t) => told(t, cheapestOf(t, others))),
    left: tasks.flatMap(({ standing }, t) => {
      const there = others.find(({ tasks: those }) => those.includes(t))
      if (visit.tasks.includes(t) || (standing.due.p50 >= end && !there)) return []
      return [told(t, there ? costThere(t, there) : null)]
    }),
    days: Array.from({ length: plannedDays }, (_, d) => {
      if (!input.problem.sites[s]!.isOpen[d]) return null
      const ways: { roadMin: number; technicianId: string; cost: number }[] = []
      for (const [k, { hoursMin }] of input.problem.technicians.entries()) {
        if (!(hoursMin[d]! > 0)) continue
        const roadMin = state.tripCost(s, k, d).roadMin
        const who = input.problem.sites[s]!.technicianCost[k]!
        ways.push({ roadMin, technicianId: input.technicians[k]!.id, cost: roadMin + who })
      }
      ways.sort((a, b) => a.cost - b.cost)
      const [best] = ways
      if (!best) return null
      const { roadMin, technicianId } = best
      return {
        roadMin,
        technicianId,
        ways: ways.map(({ technicianId: id, roadMin: way, cost }) => ({
          technicianId: id,
          roadMin: way,
          knows: cost < Number.POSITIVE_INFINITY,
        })),
        earlyMin: sum(({ costs }) => costs.early[d]!),
        lateMin: sum(({ costs }) => costs.late[d]!),
      }
    }),
    aloneMin: tripAlone(input.road, record.id, input.technicians),
    tripRoadMin,
    stopMin: input.figures.stopMin,
    timedVisits: input.timedVisits,
    perMinute: input.perMinute,
    latePerDay: input.figures.latePerDay,
    hardPerDay: input.figures.hardPerDay,
  }
}
