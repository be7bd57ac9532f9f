import type { EntryOf } from '../../core/ledger/entry.ts'
import { type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { instantAt, minuteOfDay } from '../../core/quantity/site-time.ts'
import type { Span } from '../../core/rounds/day-problem.ts'
import type { LeftStop } from '../../core/rounds/standing-order.ts'
import { beginSpans } from '../../core/rounds/stop-hours.ts'
import { standingTitle } from '../../core/standing/standing-title.ts'
import { type Handwork, minutesThere } from '../../core/visits/minutes-there.ts'
import { openReport } from '../../core/visits/open-reports.ts'
import type { MachineThere } from '../../records/plan.ts'
import type { DayStop, DayTask } from '../../views/day-page.ts'
import { arrangedFor, promisedNobody } from './arranged-for.ts'
import type { DayRead } from './day-read.ts'
import { placeOf } from './plan-roads.ts'
import { workOf } from './planned-task.ts'

/** What every stop of a site has, whatever became of it. */
export function placeOfStop({ input, customers, timeZone }: DayRead, s: number, on: LocalDay) {
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

/** Machines of a site with a fault reported that nothing has cured since. */
export const faultsAt = ({ machines, reports }: DayRead, siteId: string) =>
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

/**
 * Visits of the day that are written down, one a visit: done, or under way where somebody said today that they arrived
 * and not that they left.
 */
export function stopsBeen(read: DayRead, on: LocalDay, isToday: boolean): DayStop[] {
  const { input, been, timeZone } = read
  const minute = (instant: string) => (Date.parse(instant) - Date.parse(instantAt(timeZone, on, '00:00'))) / 60_000
  // Said twice, on two devices, it is one visit as the later one says.
  const byVisit = new Map(been.map((visit) => [visit.visitId ?? visit.id, visit]))
  return [...byVisit]
    .flatMap(([visitId, visit]): DayStop[] => {
      const s = input.sites.findIndex(({ record }) => record.id === visit.subjectId)
      const { arrivedAt, leftAt, minutes, technicianIds } = visit.body
      if (s < 0) return []
      return [
        {
          ...placeOfStop(read, s, on),
          state: isToday && arrivedAt && !leftAt ? 'under way' : 'done',
          technicianId: technicianIds[0]!,
          visitId,
          header: { id: visit.id, body: visit.body },
          arrivedMin: minute(arrivedAt ?? visit.happenedAt),
          isTimed: arrivedAt !== undefined,
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
export function stopsToCome(read: DayRead, on: LocalDay): DayStop[] {
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
          visit.tasks.map((t) => workOf(tasks[t]!)),
          input.figures.stopMin + (visit.repairMin ?? 0),
          promisedMin.promisedMin,
        ),
        notToday: [],
        tasks: visit.tasks.map((t): DayTask => {
          const { subjectKind, machineName, standing, coolMin } = tasks[t]!
          return {
            ...workOf(tasks[t]!),
            subjectKind,
            key: standing.key,
            name: standingTitle(standing),
            machineName,
            coolMin,
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
function timeOf(hours: Span[], tasks: Handwork[], stopMin: number, promisedMin?: number) {
  const serviceMin = stopMin + minutesThere(tasks)
  return { serviceMin, open: beginSpans(hours, serviceMin, promisedMin) }
}

/**
 * What nobody was promised and is not due yet is left for another visit, the earliest done first, until the day holds
 * its stops: nobody waits at a door because a screw was changed months before its time. Then what there is room for
 * after all comes back, the soonest due first.
 *
 * @param leftOut - lays the day out anew with the stops as they are now
 */
export function lightened(stops: DayStop[], toCome: number[], stopMin: number, leftOut: () => LeftStop[]): void {
  const whole = stops.map(({ tasks }) => tasks)
  const out: { stop: number; task: DayTask }[] = []
  let left = leftOut()
  for (;;) {
    const tooLong = left.filter(({ why }) => why !== 'full').map(({ stop }) => toCome[stop]!)
    const isFull = left.some(({ why }) => why === 'full')
    const most = earliestDone(stops, tooLong) ?? (isFull ? earliestDone(stops, toCome) : null)
    if (!most) break
    out.push(most)
    const was = stops[most.stop]!
    const tasks = was.tasks.filter((task) => task !== most.task)
    stops[most.stop] = withTasks(was, tasks, stopMin)
    left = leftOut()
  }
  const helpless = new Set(left.map(({ stop }) => toCome[stop]!))
  for (const { stop, task } of out.sort((a, b) => b.task.over - a.task.over)) {
    const was = stops[stop]!
    const tasks = whole[stop]!.filter((one) => one === task || was.tasks.includes(one))
    stops[stop] = withTasks(was, tasks, stopMin)
    if (!helpless.has(stop) && leftOut().every((one) => helpless.has(toCome[one.stop]!))) continue
    stops[stop] = { ...was, notToday: [...was.notToday, `${task.name}, ${task.machineName}`] }
  }
  if (out.length > 0) leftOut()
}

const withTasks = (stop: DayStop, tasks: DayTask[], stopMin: number): DayStop => ({
  ...stop,
  tasks,
  ...timeOf(stop.hours, tasks, stopMin + (stop.repair?.minutes ?? 0), stop.promisedMin),
})

/** A stop with nothing on it that nobody was promised and is not due yet. */
export function lightest(stop: DayStop, stopMin: number): DayStop {
  const tasks = stop.tasks.filter(({ mayWait, over }) => !mayWait || over >= 0)
  if (tasks.length === stop.tasks.length) return stop
  return withTasks(stop, tasks, stopMin)
}

/** The task that would be done longest before its day and may wait. */
function earliestDone(stops: DayStop[], among: number[]): { stop: number; task: DayTask } | null {
  let most: { stop: number; task: DayTask } | null = null
  for (const stop of among)
    for (const task of stops[stop]!.tasks)
      if (task.mayWait && task.over < 0 && (!most || task.over < most.task.over)) most = { stop, task }
  return most
}
