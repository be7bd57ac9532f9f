import { kinds } from '../../core/kinds/index.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { fromDay, toDay, weekday } from '../../core/quantity/local-day.ts'
import { minuteOfDay } from '../../core/quantity/site-time.ts'
import { drivesOf } from '../../core/rounds/drives.ts'
import { type Coordinates, type DrivenRoad, type Road, roads } from '../../core/rounds/travel.ts'
import { effective, type Histories, nearestSetting } from '../../core/standing/histories.ts'
import { siteOpening } from '../../core/standing/site-opening.ts'
import { guards } from '../../core/standing/taken-over.ts'
import { lateClassOf } from '../../core/trade/lateness.ts'
import { partWorthMin } from '../../core/trade/part-worth.ts'
import { type Appointment, appointmentsStanding } from '../../core/visits/appointments.ts'
import type { FirmProblem, PlanSite, PlanTechnician } from '../../core/visits/firm-problem.ts'
import { type PlanFigures, usualPlanFigures } from '../../core/visits/plan-figures.ts'
import { type DueTask, type TaskCosts, taskCosts } from '../../core/visits/task-costs.ts'
import type { Trx } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { allKept, type KeptRecord, keptByIds } from '../../records/kept.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { type DueHere, dueUntil, type ProposedVisit, timedVisitsSince, timesKept } from '../../records/plan.ts'
import { veryOwnKindsIn } from '../own-kinds.ts'

/** Days that are planned one by one, from today. */
export const plannedDays = 84
/** More sites than these are not planned together: every road between any two of them is reckoned. */
export const mostSites = 600
/** Weeks after them, so that what falls due soon after is neither pulled in nor forgotten. */
const weeksAfter = 14
/** What must be done is dear to leave. */
const mustCost = 1e5
/** Everybody’s break: so long, begun between these. From memory. */
export const usualBreak = { minutes: 30, from: 11 * 60 + 30, to: 13 * 60 + 30 }

/** A task of a site with what it costs when. */
export interface PlannedTask extends DueHere {
  costs: TaskCosts
  late: DueTask['late']
}

/** Days somebody is away, with the entry that says it. */
export type Absence = Setting<'absence'> & { id: string }

/** All that a firm’s visits are planned from, with what the figures stand for. */
export interface PlanInput {
  today: number
  problem: FirmProblem
  sites: { record: KeptRecord<'site'>; tasks: PlannedTask[] }[]
  technicians: KeptRecord<'technician'>[]
  /** By site: the visits that are asked for or agreed, one a day. */
  appointments: Appointment[][]
  /** By site: agreed for a day that is past, and nobody wrote what came of it. */
  missed: string[][]
  figures: PlanFigures
  /** By site: when somebody may come, where it was said. */
  visitHours: (Setting<'visit-hours'> | null)[]
  absences: Absence[]
  /** By site and day of the plan: whether somebody may come, whatever is planned. */
  isOpen: Uint8Array[]
  /** How often the records of sites and technicians have been kept, added up: it grows with every change. */
  kept: number
  road(fromId: string, toId: string): Road
}

/**
 * Reads a firm’s plan’s figures.
 *
 * @param was - the visits that stood proposed
 * @param only - of these sites; of all with something due where it is left out
 */
export async function planInput(
  trx: Trx,
  firmId: string,
  today: string,
  was: ProposedVisit[],
  only?: string[],
): Promise<PlanInput> {
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
  const figures = usualPlanFigures
  const firmZone = (await theFirm(trx))!.timeZone
  const bySite = grouped(due, ({ siteId }) => siteId)
  const records = siteRecords.filter(({ id, retiredOn }) => (only || bySite.has(id)) && !retiredOn)
  const standing = grouped(
    appointmentsStanding(
      await entriesOfKinds(
        trx,
        records.map(({ id }) => id),
        ['appointment', 'visit', 'withdrawn'],
      ),
    ),
    ({ siteId }) => siteId,
  )
  const appointments = records.map(({ id }) =>
    oneADay(
      (standing.get(id) ?? []).filter(({ last: { body } }) => {
        const day = toDay(body.on) - start
        return day >= 0 && day < plannedDays
      }),
    ),
  )
  const missed = records.map(({ id }) =>
    (standing.get(id) ?? []).flatMap(({ last: { body } }) =>
      body.step === 'agreed' && body.on < today ? [body.on] : [],
    ),
  )
  // Whoever was promised to come stands there, even if they have left: the day says that nobody has time for it.
  const promised = new Set(appointments.flat().map(({ last }) => last.body.technicianId))
  const technicians = people.filter(
    ({ id, leftOn, workWeekdays }) => promised.has(id) || (!leftOn && workWeekdays !== ''),
  )
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
  const road = roads(
    new Map([
      ...records.map((site) => [site.id, placeOf(site.latitude, site.longitude)] as const),
      ...technicians.map((one) => [one.id, placeOf(one.startLatitude, one.startLongitude)] as const),
    ]),
    { figures: figures.roads, typed: typedRoads(settings, records), driven: await drivenRoads(trx, start) },
  )
  const ids = [...records.map(({ id }) => id), ...technicians.map(({ id }) => id)]
  const firmLevel = effective({ firm: settings.get(firmId) ?? [] })
  const perMinute = nearestSetting(firmLevel, 'prices')?.body.labourPerMinute
  const prices = new Map(
    (firmLevel.firm?.settings.get('part-price') ?? []).flatMap(({ body }) =>
      body.setting === 'part-price' ? [[`${body.kind} ${body.part}`, body.price] as const] : [],
    ),
  )
  const partMin = ({ machineKind, standing: { part } }: DueHere) => {
    const price = prices.get(`${machineKind} ${part}`)
    return price !== undefined && perMinute ? price / perMinute : partWorthMin(part)
  }
  const sites = records.map((record) => ({
    record,
    tasks: (bySite.get(record.id) ?? []).map((here): PlannedTask => {
      const { standing } = here
      const { p10, p50, p90 } = standing.due
      const late =
        guarding.has(standing.task) || standing.governing === 'hygiene' || standing.governing === 'certificate'
          ? 'hard'
          : lateClassOf(standing)
      const window: DueTask = {
        p10: toDay(p10),
        p50: toDay(p50),
        p90: toDay(p90),
        worthMin: standing.minutes + (standing.action === 'replace' ? partMin(here) : 0),
        late,
        ...(standing.since && { since: toDay(standing.since) }),
      }
      return { ...here, late, costs: taskCosts(window, columns, figures) }
    }),
  }))
  const goneToToday = new Set([
    ...was.filter(({ on }) => on === today).map(({ siteId }) => siteId),
    ...appointments.flat().flatMap(({ siteId, last }) => (last.body.on === today ? [siteId] : [])),
  ])
  const problem: FirmProblem = {
    days: plannedDays,
    daysAfter: weeksAfter,
    travelMin: ids.map((from) => ids.map((to) => road(from, to).minutes)),
    sites: sites.map(
      ({ record, tasks }, s): PlanSite => ({
        place: s,
        tasks: tasks.map(({ costs, standing }) => ({
          costOn: costs.early.map((early, d) => early + costs.late[d]!),
          leftCost: mustCost,
          minutes: standing.minutes,
        })),
        // Today only where somebody was to go today anyway: new visits begin tomorrow.
        roomMin: roomOf(record, s),
        isOpen: isOpen[s]!.map((open, d) => (d > 0 || goneToToday.has(record.id) ? open : 0)),
        stopMin: figures.stopMin,
        technicianCost: technicians.map(({ id }) => (id === record.technicianId ? 0 : figures.otherTechnicianCost)),
        settled: appointments[s]!.map(({ last: { body } }) => settledBy(body, start, tasks, technicians)),
        was: was.flatMap(({ siteId, on, technicianId }) => {
          const day = toDay(on) - start
          const technician = technicians.findIndex(({ id }) => id === technicianId)
          return siteId === record.id && day >= 0 && day < plannedDays && technician >= 0 ? [{ day, technician }] : []
        }),
        laterTripCost: tripAlone(road, record.id, technicians) + figures.stopMin,
      }),
    ),
    technicians: technicians.map((one, k) => hoursOf(one, sites.length + k, start, absences)),
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
      ? [minuteOf(whose.startsAt) + road(whose.id, id).minutes, minuteOf(whose.endsAt) - road(id, whose.id).minutes]
      : [0, 0]
    const longest = (from: number) =>
      Math.max(0, ...spans.map(([opens, shuts]) => Math.min(shuts, end) - Math.max(opens, begin, from)))
    const room = new Float64Array(plannedDays).fill(longest(0))
    for (const { last } of appointments[s]!)
      if (last.body.from) room[toDay(last.body.on) - start] = longest(minute(last.body.from))
    return room
  }
  const kept = await timesKept(trx)
  return {
    today: start,
    problem,
    sites,
    technicians,
    appointments,
    missed,
    visitHours,
    absences,
    isOpen,
    figures,
    kept,
    road,
  }
}

function grouped<T>(all: readonly T[], key: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const one of all) {
    const group = groups.get(key(one))
    if (group) group.push(one)
    else groups.set(key(one), [one])
  }
  return groups
}

export const placeOf = (latitude?: number, longitude?: number): Coordinates | null =>
  latitude === undefined || longitude === undefined ? null : { latitude, longitude }

/** Two that were arranged for one day are one visit, as the later one says, with the tasks of both. */
function oneADay(all: Appointment[]): Appointment[] {
  return [...grouped(all, ({ last }) => last.body.on).values()].map((those) => {
    const [latest, ...others] = those.sort((a, b) => (a.last.id < b.last.id ? 1 : -1))
    const known = new Set(latest!.last.body.tasks.map(({ subjectId, key }) => `${subjectId} ${key}`))
    const more = others
      .flatMap(({ last }) => last.body.tasks)
      .filter(({ subjectId, key }) => !known.has(`${subjectId} ${key}`))
    const { last } = latest!
    return { ...latest!, last: { ...last, body: { ...last.body, tasks: [...last.body.tasks, ...more] } } }
  })
}

/** An appointment as the planner knows it: what has been done since, or is no longer due, is not in it. */
function settledBy(
  { on, technicianId, tasks: those, repair }: Appointment['last']['body'],
  start: number,
  tasks: PlannedTask[],
  technicians: { id: string }[],
) {
  return {
    day: toDay(on) - start,
    technician: technicians.findIndex(({ id }) => id === technicianId),
    tasks: indicesOf(
      tasks,
      those.map(({ subjectId, key }): [string, string] => [subjectId, key]),
    ),
    ...(repair && { repairMin: repair.minutes }),
  }
}

/** Which of a site’s tasks are meant. */
export const indicesOf = (tasks: PlannedTask[], those: readonly [subjectId: string, key: string][]): number[] =>
  those.flatMap(([subjectId, key]) => {
    const t = tasks.findIndex((task) => task.subjectId === subjectId && task.standing.key === key)
    return t < 0 ? [] : [t]
  })

/** There and back by whoever has the shortest way. */
export const tripAlone = (road: PlanInput['road'], siteId: string, technicians: { id: string }[]): number =>
  Math.min(...technicians.map(({ id }) => road(id, siteId).minutes + road(siteId, id).minutes))

function hoursOf(
  { id, leftOn, workWeekdays, startsAt, endsAt }: KeptRecord<'technician'>,
  place: number,
  start: number,
  absences: Absence[],
): PlanTechnician {
  const minutes = leftOn ? 0 : Math.max(0, minuteOf(endsAt) - minuteOf(startsAt) - usualBreak.minutes)
  return {
    place,
    hoursMin: Array.from({ length: plannedDays }, (_, d) =>
      workWeekdays.includes(String(weekday(start + d))) && !awayOn(absences, id, fromDay(start + d)) ? minutes : 0,
    ),
  }
}

/** Why somebody is away on a day, where they are. */
export const awayOn = (absences: Absence[], technicianId: string, day: string): Absence | undefined =>
  absences.find((one) => one.technicianId === technicianId && one.from <= day && day <= one.to)

/** Minutes after midnight. @example minuteOf('08:30') // 510 */
export const minuteOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5))

/** What is set at some sites, their customers and the firm. */
async function settingsAround(trx: Trx, firmId: string, sites: KeptRecord<'site'>[]) {
  const about = new Set([firmId, ...sites.flatMap(({ id, customerId }) => [id, customerId])])
  return grouped(await entriesOfKinds(trx, [...about], ['setting', 'withdrawn']), ({ subjectId }) => subjectId)
}

/** By day: whether somebody may come, as the nearest of site, customer and firm says. */
function openDaysOf(histories: Histories, visiting: Setting<'visit-hours'> | null, days: number[]): Uint8Array {
  const { openDays } = siteOpening(histories)
  const may = (day: number) => visiting?.weekdays.includes(weekday(day)) ?? true
  return Uint8Array.from(days, (day) => (openDays.plain.count(day, day + 1) > 0 && may(day) ? 1 : 0))
}

/** Drives older than this may have gone by other roads. */
const driveDays = 400

/** Roads as they were driven, from arrivals and departures. */
async function drivenRoads(trx: Trx, today: number): Promise<DrivenRoad[]> {
  const { entries } = effectiveHistory(await timedVisitsSince(trx, fromDay(today - driveDays)))
  return drivesOf(
    entries
      .filter(isKind('visit'))
      .flatMap(({ subjectId, body: { technicianIds, arrivedAt, leftAt } }) =>
        arrivedAt ? [{ siteId: subjectId, technicianIds, arrivedAt, ...(leftAt && { leftAt }) }] : [],
      ),
  )
}

/** Roads somebody put right: of two sayings about one pair the later counts. */
function typedRoads(settings: Map<string, RecordedEntry[]>, sites: { id: string }[]): DrivenRoad[] {
  const said = sites.flatMap(({ id }) =>
    (effective({ site: settings.get(id) ?? [] }).site?.settings.get('road') ?? []).flatMap((entry) =>
      entry.body.setting === 'road' ? [{ from: id, at: entry.happenedAt, ...entry.body }] : [],
    ),
  )
  const latest = new Map<string, (typeof said)[number]>()
  for (const one of said.sort((a, b) => a.at.localeCompare(b.at)))
    latest.set([one.from, one.toId].sort().join(' '), one)
  return [...latest.values()].flatMap(({ from, toId, minutes }) =>
    minutes === undefined ? [] : [{ from, to: toId, minutes }],
  )
}
