import { fromDay, type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { standingTitle } from '../../core/standing/standing-title.ts'
import type { PlannedVisit } from '../../core/visits/firm-problem.ts'
import { minutesThere } from '../../core/visits/minutes-there.ts'
import { PlanState } from '../../core/visits/plan-state.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { keptById } from '../../records/kept.ts'
import type { WeeksTask, WeeksValley } from '../../views/weeks-ahead.ts'
import { arrangedFor, besides } from './arranged-for.ts'
import { plannedAgain } from './make-plan.ts'
import { plannedDays, planParts } from './plan-parts.ts'
import { tripAlone } from './plan-roads.ts'
import { type PlannedTask, workOf } from './planned-task.ts'
import { partOf, readPart } from './read-part.ts'

/** What is done on a day and comes round again before another, the soonest first. */
export function againWithin(
  tasks: Pick<PlannedTask, 'machineName' | 'standing'>[],
  on: LocalDay,
  end: LocalDay,
): WeeksValley['again'] {
  return tasks
    .flatMap(({ machineName, standing }) => {
      const { since, due } = standing
      const every = since === undefined ? 0 : toDay(due.p50) - toDay(since)
      const about = fromDay(toDay(on) + every)
      return every > 0 && about < end ? [{ name: standingTitle(standing), machineName, about }] : []
    })
    .sort((a, b) => a.about.localeCompare(b.about))
}

const noSite = { plan: null, input: null, was: [], customer: null, seq: 0 }

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
  const planned = input.technicians[visit.technician]!.id
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
    technicianId: planned,
    tasks: visit.tasks.map((t) => told(t, cheapestOf(t, others))),
    left: tasks.flatMap(({ standing }, t) => {
      const there = others.find(({ tasks: those }) => those.includes(t))
      if (visit.tasks.includes(t) || (standing.due.p50 >= end && !there)) return []
      return [told(t, there ? costThere(t, there) : null)]
    }),
    again: againWithin(
      visit.tasks.map((t) => tasks[t]!),
      on,
      end,
    ),
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
      // On its own day it costs what whoever is planned drives, though somebody else lived nearer.
      const best = (d === visit.day && ways.find((way) => way.technicianId === planned)) || ways[0]
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
