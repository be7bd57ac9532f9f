import { kinds } from '../../core/kinds/index.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { fromDay, toDay, weekday } from '../../core/quantity/local-day.ts'
import { minuteOfDay } from '../../core/quantity/site-time.ts'
import { type Road, roads } from '../../core/rounds/travel.ts'
import { effective, nearestSetting } from '../../core/standing/histories.ts'
import { guards } from '../../core/standing/taken-over.ts'
import { lateClassOf } from '../../core/trade/lateness.ts'
import { partWorthMin } from '../../core/trade/part-worth.ts'
import { type Appointment, appointmentsStanding } from '../../core/visits/appointments.ts'
import type { ContractVisit } from '../../core/visits/contract-visits.ts'
import type { FirmProblem, PlanSite } from '../../core/visits/firm-problem.ts'
import { type PlanFigures, planFiguresOf } from '../../core/visits/plan-figures.ts'
import { type DueTask, taskCosts } from '../../core/visits/task-costs.ts'
import { usualWeekday } from '../../core/visits/usual-weekday.ts'
import { mayBeDone, stillWaits, waitingTasks } from '../../core/visits/waiting.ts'
import type { Trx } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { allKept, type KeptRecord, keptByIds } from '../../records/kept.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { type DueHere, dueUntil, sitesByContract, waitsSaid } from '../../records/plan.ts'
import type { ProposedVisit } from '../../records/plan-parts.ts'
import { veryOwnKindsIn } from '../own-kinds.ts'
import { contractTasks } from './contract-tasks.ts'
import { grouped } from './grouped.ts'
import { asTaken, ownMinutes } from './own-minutes.ts'
import { oneADay, settledBy } from './plan-arranged.ts'
import { type Absence, hoursOf, knows, minuteOf, openDaysOf } from './plan-hours.ts'
import { isAtWork, plannedDays, weeksAfter } from './plan-parts.ts'
import { drivenRoads, placeOf, tripAlone, typedRoads } from './plan-roads.ts'
import { type PlannedTask, workOf } from './planned-task.ts'

/** What must be done is dear to leave. */
const mustCost = 1e5
/** To plan it on a day on which it still waits: more than any other day can cost, less than to leave it. */
const waitCost = 5e3
/** Nobody is home to the minute: a visit alone is not planned longer than that leaves. From memory. */
const spareMin = 5
/** All that a firm’s visits are planned from, with what the figures stand for. */
export interface PlanInput {
  today: number
  problem: FirmProblem
  sites: { record: KeptRecord<'site'>; tasks: PlannedTask[] }[]
  /** By site: whether it is planned elsewhere, and here only what is arranged there. */
  isElsewhere: boolean[]
  technicians: KeptRecord<'technician'>[]
  /** By site: the visits that are asked for or agreed, one a day. */
  appointments: Appointment[][]
  /** By site: agreed for a day that is past, and nobody wrote what came of it. */
  missed: { on: string; visitId: string; technicianId: string }[][]
  figures: PlanFigures
  /** Visits by which it is known how long work takes here. */
  timedVisits: number
  /** What a minute costs, where the firm wants to see money and said so. */
  perMinute: number | null
  /** By site: when somebody may come, where it was said. */
  visitHours: (Setting<'visit-hours'> | null)[]
  absences: Absence[]
  /** By site and day of the plan: whether somebody may come, whatever is planned. */
  isOpen: Uint8Array[]
  road(fromId: string, toId: string): Road
}

/** What is planned from: the whole firm where it is left out. */
export interface Among {
  siteIds: string[]
  /** Nobody else is sent anywhere; everybody may be where it is left out. */
  goes?: string[]
  /** Of the sites those where nothing is planned beside what is arranged. */
  elsewhere?: Set<string>
}

/**
 * Reads a firm’s plan’s figures.
 *
 * @param was - the visits that stood proposed
 */
export async function planInput(
  trx: Trx,
  firmId: string,
  today: string,
  was: ProposedVisit[],
  among?: Among,
): Promise<PlanInput> {
  const only = among?.siteIds
  const isElsewhere = (siteId: string) => among?.elsewhere?.has(siteId) === true
  const maySend = (technicianId: string) => among?.goes?.includes(technicianId) !== false
  const start = toDay(today)
  const columns = [
    ...Array.from({ length: plannedDays }, (_, d) => start + d),
    ...Array.from({ length: weeksAfter }, (_, w) => start + plannedDays + 7 * w),
  ]
  const [due, siteRecords, people, own] = await Promise.all([
    dueUntil(trx, fromDay(columns.at(-1)!), only),
    only ? keptByIds(trx, 'site', only) : allKept(trx, 'site'),
    allKept(trx, 'technician'),
    veryOwnKindsIn(trx),
  ])
  const firmZone = (await theFirm(trx))!.timeZone
  const bySite = grouped(due, ({ siteId }) => siteId)
  const byContract = new Set(only ? [] : await sitesByContract(trx))
  const records = siteRecords.filter(
    ({ id, retiredOn }) => (only || bySite.has(id) || byContract.has(id)) && !retiredOn,
  )
  const visitEntries = await entriesOfKinds(
    trx,
    records.map(({ id }) => id),
    ['appointment', 'visit', 'withdrawn'],
  )
  const standing = grouped(appointmentsStanding(visitEntries), ({ siteId }) => siteId)
  const been = grouped(effectiveHistory(visitEntries).entries.filter(isKind('visit')), ({ subjectId }) => subjectId)
  const waiting = waitingTasks(await waitsSaid(trx))
  const appointments = records.map(({ id }) =>
    oneADay(
      (standing.get(id) ?? []).filter(({ last: { body } }) => {
        const day = toDay(body.on) - start
        return day >= 0 && day < plannedDays
      }),
    ),
  )
  const missed = records.map(({ id }) =>
    (standing.get(id) ?? []).flatMap(({ visitId, last: { body } }) =>
      body.step === 'agreed' && body.on < today ? [{ on: body.on, visitId, technicianId: body.technicianId }] : [],
    ),
  )
  // Whoever was promised to come stands there, even if they have left: the day says that nobody has time for it.
  const promised = new Set(appointments.flat().map(({ last }) => last.body.technicianId))
  const technicians = people.filter((one) => promised.has(one.id) || (isAtWork(one) && maySend(one.id)))
  const guarding = new Set([...kinds, ...own].flatMap(({ tasks }) => tasks.filter(guards).map(({ id }) => id)))
  const settings = await settingsAround(trx, firmId, records)
  const levels = records.map(({ id, customerId }) =>
    effective({
      site: settings.get(id) ?? [],
      customer: settings.get(customerId) ?? [],
      firm: settings.get(firmId) ?? [],
    }),
  )
  const visitHours = levels.map((histories) => nearestSetting(histories, 'visit-hours')?.body ?? null)
  const isOpen = levels.map((histories, s) => openDaysOf(histories, visitHours[s]!, columns.slice(0, plannedDays)))
  const absences = (effective({ firm: settings.get(firmId) ?? [] }).firm?.settings.get('absence') ?? []).flatMap(
    ({ id, body }) => (body.setting === 'absence' ? [{ id, ...body }] : []),
  )
  const firmLevel = effective({ firm: settings.get(firmId) ?? [] })
  const ownPlanning = nearestSetting(firmLevel, 'planning')?.body
  const figures = planFiguresOf(ownPlanning)
  const jobMinutes = await ownMinutes(trx, start, own, figures.stopMin)
  const road = roads(
    new Map([
      ...records.map((site) => [site.id, placeOf(site.latitude, site.longitude)] as const),
      ...technicians.map((one) => [one.id, placeOf(one.startLatitude, one.startLongitude)] as const),
    ]),
    { figures: figures.roads, typed: typedRoads(settings, records), driven: await drivenRoads(trx, start) },
  )
  const ids = [...records.map(({ id }) => id), ...technicians.map(({ id }) => id)]
  const ownPrices = nearestSetting(firmLevel, 'prices')?.body
  const perMinute = ownPrices?.labourPerMinute
  const prices = new Map(
    (firmLevel.firm?.settings.get('part-price') ?? []).flatMap(({ body }) =>
      body.setting === 'part-price' ? [[`${body.kind} ${body.part}`, body.price] as const] : [],
    ),
  )
  const partMin = ({ machineKind, standing: { part, task } }: DueHere) => {
    const price = task === 'change-cartridge' ? ownPrices?.cartridge : prices.get(`${machineKind} ${part}`)
    return price !== undefined && perMinute ? price / perMinute : partWorthMin(part ?? task)
  }
  const daysThere = records.map(({ id }) => (been.get(id) ?? []).map(({ happenedOn }) => happenedOn))
  const contracts = records.map((record, s) =>
    contractTasks(record, nearestSetting(levels[s]!, 'contract')?.body, daysThere[s]!, columns, figures),
  )
  const planned = (due: DueHere): PlannedTask => {
    const here = asTaken(due, jobMinutes)
    const { standing } = here
    // A cartridge goes into the bin as a gasket does.
    const isPart = standing.action === 'replace' || standing.action === 'change'
    const { p10, p50, p90 } = standing.due
    const late =
      guarding.has(standing.task) || standing.governing === 'hygiene' || standing.governing === 'certificate'
        ? 'hard'
        : lateClassOf(standing)
    const window: DueTask = {
      p10: toDay(p10),
      p50: toDay(p50),
      p90: toDay(p90),
      worthMin: standing.minutes + (isPart ? partMin(here) : 0),
      isPart,
      late,
      ...(standing.since && { since: toDay(standing.since) }),
    }
    const said = waiting.get(`${here.subjectId} ${standing.key}`)
    return {
      ...here,
      late,
      costs: taskCosts(window, columns, figures),
      ...(stillWaits(said, standing.since) && { waits: said }),
    }
  }
  const sites = records.map((record, s) => {
    const tasks = [...(bySite.get(record.id) ?? []).map(planned), ...contracts[s]!.map(({ task }) => task)]
    if (!isElsewhere(record.id)) return { record, tasks }
    const arranged = appointments[s]!.flatMap(({ last }) => settledBy(last.body, start, tasks, technicians).tasks)
    return { record, tasks: tasks.filter((_, t) => arranged.includes(t)) }
  })
  const goneToToday = new Set([
    ...was.filter(({ on }) => on === today).map(({ siteId }) => siteId),
    ...appointments.flat().flatMap(({ siteId, last }) => (last.body.on === today ? [siteId] : [])),
  ])
  const wasThere = grouped(was, ({ siteId }) => siteId)
  const problem: FirmProblem = {
    days: plannedDays,
    daysAfter: weeksAfter,
    travelMin: minutesBetween(ids, road),
    sites: sites.map(
      ({ record, tasks }, s): PlanSite => ({
        place: s,
        tasks: tasks.map((task) => ({
          ...workOf(task),
          costOn: costOnEach(
            task.costs,
            (d) => task.waits !== undefined && !mayBeDone(task.waits, fromDay(columns[d]!)),
          ),
          // Nobody knows when it may be done: it is in no plan until somebody does.
          leftCost: task.waits && !task.waits.until ? 0 : mustCost,
        })),
        // Today only where somebody was to go today anyway: new visits begin tomorrow.
        roomMin: roomOf(record, s),
        isOpen: isOpen[s]!.map((open, d) =>
          !isElsewhere(record.id) && (d > 0 || goneToToday.has(record.id)) ? open : 0,
        ),
        stopMin: figures.stopMin,
        dayCost: dayCosts(
          usualWeekday(daysThere[s]!),
          contracts[s]!.map(({ visit }) => visit),
        ),
        technicianCost: whoCosts(record, tasks),
        settled: appointments[s]!.map(({ last: { body } }) => settledBy(body, start, tasks, technicians)),
        was: (wasThere.get(record.id) ?? []).flatMap(({ on, technicianId }) => {
          const day = toDay(on) - start
          const technician = technicians.findIndex(({ id }) => id === technicianId)
          return day >= 0 && day < plannedDays && technician >= 0 ? [{ day, technician }] : []
        }),
        laterTripCost: tripAlone(road, record.id, technicians) + figures.stopMin,
      }),
    ),
    technicians: technicians.map((one, k) => hoursOf(one, sites.length + k, start, absences, plannedDays)),
    overCost: figures.overCost,
    changedCost: figures.changedCost,
  }
  /** A visit is over when the place wants it over, and somebody is home in time; a promise begins no sooner. */
  function roomOf({ id, timeZone, technicianId }: KeptRecord<'site'>, s: number): Float64Array {
    const minute = (time: string) => minuteOfDay(firmZone, today, time, timeZone)
    const hours = (visitHours[s]?.hours ?? []).map(({ from, to }) => [minute(from), minute(to)] as const)
    const spans = hours.length > 0 ? hours : [[0, Number.POSITIVE_INFINITY] as const]
    const whose = technicians.find((one) => one.id === technicianId) ?? technicians[0]
    const [begin, end] = whose
      ? [
          minuteOf(whose.startsAt) + road(whose.id, id).minutes,
          minuteOf(whose.endsAt) - road(id, whose.id).minutes - spareMin,
        ]
      : [0, 0]
    const longest = (from: number) =>
      Math.max(0, ...spans.map(([opens, shuts]) => Math.min(shuts, end) - Math.max(opens, begin, from)))
    const room = new Float64Array(plannedDays).fill(longest(0))
    for (const { last } of appointments[s]!)
      if (last.body.from) room[toDay(last.body.on) - start] = longest(minute(last.body.from))
    return room
  }
  /** Nobody goes to what they do not know, as long as somebody else does. */
  function whoCosts({ technicianId }: KeptRecord<'site'>, tasks: PlannedTask[]): number[] {
    const there = new Set(tasks.flatMap(({ machineKind }) => (machineKind ? [machineKind] : [])))
    const may = technicians.map((one) => maySend(one.id) && !one.leftOn && knows(one, there))
    const somebody = may.includes(true)
    return technicians.map(({ id }, k) =>
      !maySend(id) || (somebody && !may[k])
        ? Number.POSITIVE_INFINITY
        : id === technicianId
          ? 0
          : figures.otherTechnicianCost,
    )
  }
  function dayCosts(usual: number | null, visits: ContractVisit[]): Float64Array {
    const last = visits.at(-1)?.to ?? 0
    return Float64Array.from(columns, (day) => {
      // Where a contract has its visits, others are the dearer; after the last that is known nothing is.
      const isBetween = day <= last && !visits.some(({ from, to }) => day >= from && day <= to)
      const isOther = usual !== null && weekday(day) !== usual
      return (isOther ? figures.otherWeekdayCost : 0) + (isBetween ? figures.betweenContractCost : 0)
    })
  }
  return {
    today: start,
    problem,
    sites,
    isElsewhere: sites.map(({ record }) => isElsewhere(record.id)),
    technicians,
    appointments,
    missed,
    visitHours,
    absences,
    isOpen,
    figures,
    timedVisits: jobMinutes.visits,
    perMinute: ownPlanning?.costsIn === 'money' ? (perMinute ?? null) : null,
    road,
  }
}

/** What a task costs on each day, with what it costs where it still waits. */
function costOnEach({ early, late }: PlannedTask['costs'], waitsOn: (day: number) => boolean): Float64Array {
  const costOn = new Float64Array(early.length)
  for (let d = 0; d < costOn.length; d++) costOn[d] = early[d]! + late[d]! + (waitsOn(d) ? waitCost : 0)
  return costOn
}

/** Minutes between any two, the same both ways: each road is asked for once. */
function minutesBetween(ids: string[], road: PlanInput['road']): number[][] {
  const minutes = ids.map(() => new Array<number>(ids.length).fill(0))
  for (let i = 0; i < ids.length; i++)
    for (let j = 0; j < i; j++) minutes[i]![j] = minutes[j]![i] = road(ids[i]!, ids[j]!).minutes
  return minutes
}

/** What is set at some sites, their customers and the firm. */
async function settingsAround(trx: Trx, firmId: string, sites: KeptRecord<'site'>[]) {
  const about = new Set([firmId, ...sites.flatMap(({ id, customerId }) => [id, customerId])])
  return grouped(await entriesOfKinds(trx, [...about], ['setting', 'withdrawn']), ({ subjectId }) => subjectId)
}
