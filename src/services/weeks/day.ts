import { bookFor } from '../../core/faults/books.ts'
import { kindById } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { EntryOf } from '../../core/ledger/entry.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { fromDay, type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { instantAt, minuteOfDay } from '../../core/quantity/site-time.ts'
import { type CarryWork, carryFor } from '../../core/rounds/carry.ts'
import type { DayProblem, Outing, Span } from '../../core/rounds/day-problem.ts'
import { type LeftStop, standingOrder } from '../../core/rounds/standing-order.ts'
import { beginSpans } from '../../core/rounds/stop-hours.ts'
import { effective } from '../../core/standing/histories.ts'
import { libraryHere } from '../../core/standing/own-procedures.ts'
import { openReport } from '../../core/visits/open-reports.ts'
import { type Db, lookIn, type Trx, withFirm } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { ask } from '../../records/job-queue.ts'
import { allKept, keptByIds } from '../../records/kept.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { keptPlan, type MachineThere, machinesAt, ordersOf, sitesNamedOn } from '../../records/plan.ts'
import type { DayPage, DayPerson, DayStop, DayTask } from '../../views/day-page.ts'
import { veryOwnKindsIn } from '../own-kinds.ts'
import { isTooMany, knowsAll, plannedAgain } from './make-plan.ts'
import { awayOn, minuteOf, placeOf, planInput, usualBreak } from './plan-input.ts'
import { arrangedFor, promisedNobody } from './weeks-ahead.ts'

/** How long an order of more than ten stops is looked for at once: the browser looks on. */
const roundsAtOnce = 1500

/** All that is read for a day, inside one look. */
type Read = Awaited<ReturnType<typeof readDay>>

/**
 * A day of a firm as it stands: who drives where in which order, when somebody is where, and with what in the van.
 * What was done today stands as it was done; the rest of the day begins where somebody is.
 */
export async function dayPage(
  db: Db,
  firmId: string,
  { on, today, now }: { on: LocalDay; today: LocalDay; now: Date },
): Promise<DayPage> {
  const read = await lookIn(db, firmId, (trx) => readDay(trx, firmId, on, today))
  const { input, timeZone } = read
  if (read.isOld) await withFirm(db, firmId, (trx) => ask(trx, 'plan', { firmId }))
  const stops = [...stopsBeen(read, on), ...stopsToCome(read, on)]
  const nowMin = on === today ? (now.getTime() - Date.parse(midnight(timeZone, on))) / 60_000 : null
  const ids = [...stops.map(({ siteId }) => siteId), ...input.technicians.map(({ id }) => id)]
  const roads = ids.map((from) => ids.map((to) => input.road(from, to)))
  const matrix = roads.map((row) => row.map(({ minutes }) => minutes))
  const people = input.technicians.map((_, k) => personOf(read, stops, matrix, k, { on, nowMin }))
  return {
    on,
    today,
    nowMin,
    timeZone,
    stops,
    people,
    roads,
    carry: Object.fromEntries(people.map((person) => [person.id, carryOf(read, stops, person)])),
    others: read.others,
    daysOut: read.daysOut,
    plan: read.isOld ? (read.isPlanned ? 'being made anew' : 'being made') : 'made',
    seq: read.seq,
  }
}

const midnight = (timeZone: string, day: LocalDay) => instantAt(timeZone, day, '00:00')

async function readDay(trx: Trx, firmId: string, on: LocalDay, today: LocalDay) {
  const firm = (await theFirm(trx))!
  const isTooLarge = (await isTooMany(trx, today)) !== null
  const plan = isTooLarge ? null : await keptPlan(trx)
  const proposed = plan?.body.visits ?? []
  const siteIds = [
    ...new Set([
      ...proposed.filter((visit) => visit.on === on).map(({ siteId }) => siteId),
      ...(await sitesNamedOn(trx, on)),
    ]),
  ]
  const input = await planInput(trx, firmId, today, proposed, siteIds)
  const [own, machines, orders, customers, visits, firmSettings, allSites] = await Promise.all([
    veryOwnKindsIn(trx),
    machinesAt(trx, siteIds),
    ordersOf(trx, on),
    keptByIds(trx, 'customer', [...new Set(input.sites.map(({ record }) => record.customerId))]),
    entriesOfKinds(trx, siteIds, ['visit', 'withdrawn']),
    entriesOfKinds(trx, [firmId], ['own-procedure', 'withdrawn']),
    allKept(trx, 'site'),
  ])
  const reports = effectiveHistory(
    await entriesOfKinds(
      trx,
      machines.map(({ id }) => id),
      ['fault-reported', 'repaired', 'test-seen', 'withdrawn'],
    ),
  ).entries
  const going = new Set(siteIds)
  // The records of all sites count, not of these alone.
  const kept = allSites.reduce((sum, { id, version }) => sum + (going.has(id) ? 0 : version), input.kept)
  return {
    timeZone: firm.timeZone,
    seq: firm.seq,
    isPlanned: plan !== null,
    isOld: !isTooLarge && (!plan || !knowsAll(plan, today, firm.seq, { kept })),
    input,
    planned: plannedAgain(input, proposed),
    machines,
    reports,
    kinds: new Map(own.map((kind) => [kind.id, kind])),
    library: libraryHere(effective({ firm: firmSettings })),
    customers: new Map(customers.map((customer) => [customer.id, customer])),
    orders: effectiveHistory(orders).entries.filter(isKind('day-order')),
    been: effectiveHistory(visits)
      .entries.filter(isKind('visit'))
      .filter(({ happenedOn }) => happenedOn === on),
    daysOut: [...new Set(proposed.map((visit) => visit.on))].filter((day) => day >= today).sort(),
    others: allSites.flatMap((site) => {
      const place = placeOf(site.latitude, site.longitude)
      if (!place || site.retiredOn || going.has(site.id)) return []
      const next = proposed.find((visit) => visit.siteId === site.id && visit.on > on)?.on ?? null
      return [{ siteId: site.id, name: site.name, place, next }]
    }),
  }
}

/** What every stop of a site has, whatever became of it. */
function placeOfStop({ input, customers, timeZone }: Read, s: number, on: LocalDay) {
  const { record } = input.sites[s]!
  const customer = customers.get(record.customerId)
  const visiting = input.visitHours[s]
  const hours = (visiting?.hours ?? []).map(
    ({ from, to }): Span => ({
      from: minuteOfDay(timeZone, on, from, record.timeZone),
      to: minuteOfDay(timeZone, on, to, record.timeZone),
    }),
  )
  return {
    siteId: record.id,
    name: record.name,
    area: record.area,
    address: record.address,
    place: placeOf(record.latitude, record.longitude),
    timeZone: record.timeZone,
    accessNote: record.accessNote,
    customer: { name: customer?.name ?? '', contact: customer?.contact ?? '', phone: customer?.phone ?? '' },
    hours,
    hoursNote: visiting?.note ?? '',
  }
}

const faultsAt = ({ machines, reports }: Read, siteId: string) =>
  machines
    .filter((machine) => machine.siteId === siteId)
    .flatMap((machine) => {
      const report = openReport(reports.filter(({ subjectId }) => subjectId === machine.id))
      return report ? [{ machine, report }] : []
    })

const told = ({ machine, report }: { machine: MachineThere; report: EntryOf<'fault-reported'> }) => ({
  machineId: machine.id,
  machineName: machine.name,
  text: report.body.text,
  on: report.happenedOn,
})

/** Visits of the day that are written down: done, or under way where nobody left yet. */
function stopsBeen(read: Read, on: LocalDay): DayStop[] {
  const { input, been, timeZone } = read
  const minute = (instant: string) => (Date.parse(instant) - Date.parse(midnight(timeZone, on))) / 60_000
  return been
    .flatMap((visit): DayStop[] => {
      const s = input.sites.findIndex(({ record }) => record.id === visit.subjectId)
      const { arrivedAt, leftAt, minutes, technicianIds } = visit.body
      if (s < 0) return []
      return [
        {
          ...placeOfStop(read, s, on),
          state: leftAt || minutes !== undefined ? 'done' : 'under way',
          technicianId: technicianIds[0]!,
          visitId: visit.visitId ?? visit.id,
          header: { id: visit.id, body: visit.body },
          arrivedMin: minute(arrivedAt ?? visit.happenedAt),
          ...(leftAt && { leftMin: minute(leftAt) }),
          serviceMin: minutes ?? input.figures.stopMin,
          open: [],
          notToday: [],
          tasks: [],
          faults: [],
        },
      ]
    })
    .sort((a, b) => a.arrivedMin! - b.arrivedMin!)
}

/** Visits of the day that are still to come, as the plan and what was arranged have them. */
function stopsToCome(read: Read, on: LocalDay): DayStop[] {
  const { input, planned, timeZone } = read
  const day = toDay(on) - input.today
  const been = new Set(read.been.map(({ subjectId }) => subjectId))
  return planned.flatMap((visits, s): DayStop[] => {
    const visit = visits.find((one) => one.day === day)
    const { record, tasks } = input.sites[s]!
    if (!visit || visit.technician === null || been.has(record.id)) return []
    const { from: promised, ...state } = arrangedFor(input, s, day)
    const own = new Set(promisedNobody(input, s, day, visit.tasks))
    const place = placeOfStop(read, s, on)
    const promisedMin =
      promised === undefined ? {} : { promisedMin: minuteOfDay(timeZone, on, promised, record.timeZone) }
    return [
      {
        ...place,
        ...state,
        ...(promised && { promised }),
        technicianId: input.technicians[visit.technician]!.id,
        ...promisedMin,
        ...timeOf(
          place.hours,
          visit.tasks.map((t) => tasks[t]!.standing),
          input.figures.stopMin,
          promisedMin.promisedMin,
        ),
        notToday: [],
        tasks: visit.tasks.map((t): DayTask => {
          const { subjectId, subjectKind, machineName, standing } = tasks[t]!
          return {
            subjectId,
            subjectKind,
            key: standing.key,
            name: [standing.name, standing.instance].filter(Boolean).join(', '),
            machineName,
            minutes: standing.minutes,
            mayWait: own.has(t),
            due: standing.due.p50,
            over: toDay(on) - toDay(standing.due.p50),
            sure:
              toDay(standing.due.p90) - toDay(standing.due.p10) < 2 * Math.max(7, toDay(standing.due.p50) - toDay(on)),
          }
        }),
        faults: faultsAt(read, record.id).map(told),
      },
    ]
  })
}

/** How long a stop takes with some tasks, and when it may begin. */
function timeOf(hours: Span[], tasks: { minutes: number }[], stopMin: number, promisedMin?: number) {
  const serviceMin = tasks.reduce((sum, { minutes }) => sum + minutes, stopMin)
  return { serviceMin, open: beginSpans(hours, serviceMin, promisedMin) }
}

/**
 * What nobody was promised and is not due yet is left for another visit, the earliest done first, until the day holds
 * its stops: nobody waits at a door because a screw was changed months before its time.
 */
function lightened(stops: DayStop[], toCome: number[], stopMin: number, leftOut: () => LeftStop[]): void {
  for (;;) {
    const left = leftOut()
    const tooLong = left.filter(({ why }) => why === 'no-hours').map(({ stop }) => toCome[stop]!)
    const isFull = left.some(({ why }) => why === 'full')
    const most = earliestDone(stops, tooLong) ?? (isFull ? earliestDone(stops, toCome) : null)
    if (!most) return
    const { stop, task } = most
    const was = stops[stop]!
    const tasks = was.tasks.filter((other) => other !== task)
    const notToday = [...was.notToday, `${task.name}, ${task.machineName}`]
    stops[stop] = { ...was, tasks, notToday, ...timeOf(was.hours, tasks, stopMin, was.promisedMin) }
  }
}

/** The task that would be done longest before its day and may wait. */
function earliestDone(stops: DayStop[], among: number[]): { stop: number; task: DayTask } | null {
  let most: { stop: number; task: DayTask } | null = null
  for (const stop of among)
    for (const task of stops[stop]!.tasks)
      if (task.mayWait && task.over < 0 && (!most || task.over < most.task.over)) most = { stop, task }
  return most
}

function personOf(
  { input, orders }: Read,
  stops: DayStop[],
  travelMin: number[][],
  k: number,
  { on, nowMin }: { on: LocalDay; nowMin: number | null },
): DayPerson {
  const { id, name, initials, leftOn, startsAt, endsAt, startLatitude, startLongitude, workWeekdays } =
    input.technicians[k]!
  const day = toDay(on) - input.today
  const works = (input.problem.technicians[k]!.hoursMin[day] ?? 0) > 0
  const absent = awayOn(input.absences, id, on)
  const home = stops.length + k
  const own = stops.flatMap((stop, i) => (stop.technicianId === id ? [i] : []))
  const been = own.filter((i) => stops[i]!.arrivedMin !== undefined)
  const toCome = own.filter((i) => stops[i]!.arrivedMin === undefined)
  const last = been.at(-1)
  const from = last === undefined ? minuteOf(startsAt) : doneAt(stops[last]!)
  const startMin =
    nowMin === null ? from : Math.max(from, last === undefined || stops[last]!.state === 'done' ? nowMin : from)
  const outing: Outing = {
    start: last ?? home,
    end: home,
    startMin,
    // Whoever was promised is told, even where nobody works: the hours are those of other days.
    endMin: Math.max(minuteOf(endsAt), startMin),
    ...(startMin <= usualBreak.to && { rest: usualBreak }),
  }
  const set = orders.findLast(({ body }) => body.technicianId === id)
  const siteIds = set?.body.siteIds ?? []
  const isAgreed = new Set(toCome.flatMap((i, n) => (stops[i]!.state === 'agreed' ? [n] : [])))
  const kept = set && siteIds.flatMap((siteId) => toCome.flatMap((i, n) => (stops[i]!.siteId === siteId ? [n] : [])))
  const stand = () => {
    const problem: DayProblem = {
      travelMin,
      stops: toCome.map((place) => ({ place, serviceMin: stops[place]!.serviceMin, open: stops[place]!.open })),
      outings: [outing],
    }
    return standingOrder(problem, { agreed: isAgreed, ...(kept && { kept }), rounds: roundsAtOnce })
  }
  let stands = stand()
  lightened(stops, toCome, input.figures.stopMin, () => {
    stands = stand()
    return stands.left
  })
  const { order, left, better } = stands
  const placed = (those: number[]) => those.map((n) => toCome[n]!)
  return {
    id,
    name,
    initials,
    start: placeOf(startLatitude, startLongitude),
    away: works
      ? null
      : absent
        ? absent.name || 'away'
        : leftOn
          ? 'has left'
          : workWeekdays
            ? 'no working day'
            : 'no working days',
    outing,
    been,
    order: placed(order),
    absences: input.absences.flatMap(({ id: entryId, technicianId, from, to, name }) =>
      technicianId === id && to >= fromDay(input.today) ? [{ entryId, from, to, name: name ?? '' }] : [],
    ),
    isSet: set !== undefined,
    left: left.map(({ stop, why }) => ({ stop: toCome[stop]!, why })),
    better: better && { ...better, order: placed(better.order) },
  }
}

const doneAt = ({ leftMin, arrivedMin, serviceMin }: DayStop): number => leftMin ?? arrivedMin! + serviceMin

/** What the van needs for what is still to come. */
function carryOf(read: Read, stops: DayStop[], { order, left }: DayPerson) {
  const kindOf = (id: string): Kind | null => kindById(id) ?? read.kinds.get(id) ?? null
  const works = [...order, ...left.map(({ stop }) => stop)].flatMap((i, n): CarryWork[] => {
    const { siteId, tasks: those } = stops[i]!
    const s = read.input.sites.findIndex(({ record }) => record.id === siteId)
    const due = read.input.sites[s]!.tasks
    const chosen = those.map(
      ({ subjectId, key }) => due.find((one) => one.subjectId === subjectId && one.standing.key === key)!,
    )
    const bySubject = new Map(chosen.map((one) => [one.subjectId, one]))
    const machines = new Map(read.machines.map((machine) => [machine.id, machine]))
    return [
      ...[...bySubject.values()].map(
        ({ subjectId, machineKind }): CarryWork => ({
          stop: n,
          kind: machineKind ? kindOf(machineKind) : null,
          model: modelOf(machines.get(subjectId)),
          tasks: chosen.filter((one) => one.subjectId === subjectId).map(({ standing }) => standing),
        }),
      ),
      ...faultsAt(read, siteId).flatMap(({ machine, report }): CarryWork[] => {
        const kind = kindOf(machine.kind)
        const book = kind && bookFor(kind)
        const { symptom } = report.body
        if (!book || !symptom) return []
        const seen = read.reports
          .filter(isKind('test-seen'))
          .flatMap(({ body }) => (body.report === report.id ? [body] : []))
        return [{ stop: n, kind, model: modelOf(machine), tasks: [], fault: { symptom, book, seen } }]
      }),
    ]
  })
  return carryFor(works, { library: read.library })
}

const modelOf = (machine: MachineThere | undefined): string =>
  machine ? [machine.maker, machine.model].filter(Boolean).join(' ') : ''
