import { type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { clockAt } from '../../core/quantity/site-time.ts'
import { asDriven } from '../../core/rounds/as-driven.ts'
import type { DayProblem, Outing } from '../../core/rounds/day-problem.ts'
import { momentsIn, momentsWhenLonger } from '../../core/rounds/moments.ts'
import { beginSpans } from '../../core/rounds/stop-hours.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { keptById } from '../../records/kept.ts'
import type { CallDay, CallMoment, MomentStop } from '../../views/call-page.ts'
import type { DayPerson, DayStop } from '../../views/day-page.ts'
import type { VisitState } from '../../views/weeks-ahead.ts'
import { dayOf, minuteNow } from './day.ts'
import { readDay } from './day-read.ts'
import { lightest, placeOfStop } from './day-stops.ts'
import { knows } from './plan-hours.ts'
import { plannedDays } from './plan-parts.ts'

interface Asked {
  on: LocalDay
  today: LocalDay
  now: Date
  siteId: string
  /** Of work there, beside the stop itself. */
  minutes: number
  /** Of the machine that is rung about. */
  kind?: string
}

/**
 * When somebody could go to a place on a day, over all technicians: where it costs least in each one’s day as it stands,
 * with what it moves.
 *
 * @returns null where there is no such site in service, or the day is not planned
 */
export async function callDay(
  db: Db,
  firmId: string,
  { on, today, now, siteId, minutes, kind }: Asked,
): Promise<CallDay | null> {
  const dayAfter = toDay(on) - toDay(today)
  if (dayAfter < 0 || dayAfter >= plannedDays) return null
  const read = await lookIn(db, firmId, async (trx) => {
    const usual = (await keptById(trx, 'site', siteId))?.technicianId
    return readDay(trx, firmId, { on, today, also: [siteId], ...(usual && { technicianId: usual }) })
  })
  const { input, timeZone } = read
  const s = input.sites.findIndex(({ record }) => record.id === siteId)
  if (s < 0) return null
  const nowMin = minuteNow(timeZone, today, now)
  const isOpen = input.isOpen[s]!
  const serviceMin = input.figures.stopMin + minutes
  const place = placeOfStop(read, s, on)
  const own: DayStop = {
    ...place,
    state: 'taken',
    technicianId: '',
    serviceMin,
    open: isOpen[dayAfter] ? beginSpans(place.hours, serviceMin) : [],
    tasks: [],
    notToday: [],
    faults: [],
  }
  const { stops, people, roads } = dayOf(read, on, dayAfter === 0 ? nowMin : null, [own])
  const travelMin = roads.map((row) => row.map((road) => road.minutes))
  const here = stops.length - 1
  const there = stops.findIndex((stop, i) => i < here && stop.siteId === siteId && stop.arrivedMin === undefined)
  const about = {
    on,
    dayAfter,
    hours: place.hours,
    stopMin: input.figures.stopMin,
    openDays: isOpen.slice(0, dayAfter).reduce((sum, open) => sum + open, 0),
    openToday: isOpen[0] === 1,
    isOpen: isOpen[dayAfter] === 1,
  }
  const usually = input.sites[s]!.record.technicianId
  const atWork = people.filter(({ away }) => away === null)
  // Somebody goes there anyway: the visit takes so much longer, and nobody else goes too.
  const standing = stops[there]
  const lighter = (stop: DayStop) => lightest(stop, input.figures.stopMin)
  const moments = atWork.flatMap((person): CallMoment[] => {
    if (standing && standing.technicianId !== person.id) return []
    const { outing, order, been } = person
    const full = dayProblem(stops, travelMin, outing)
    const mayLeave = new Set(order.filter((i) => stops[i]!.state === 'proposed'))
    const was = asDriven(full, outing, order)
    const longer = standing && longerBy(standing, minutes)
    const momentsOf = (problem: DayProblem) =>
      longer
        ? momentsWhenLonger(problem, outing, order, { stop: there, longer, mayLeave }).slice(0, 1)
        : momentsIn(problem, outing, order, here, mayLeave)
    const whole = momentsOf(full)
    // What the plan put on somebody’s visits beside what was promised makes room for who rings.
    const light = dayProblem(stops.map(lighter), travelMin, outing)
    const whenLight = whole.some(({ out }) => out === null) ? [] : momentsOf(light)
    const isLighter = whenLight.length > 0
    const [problem, found] = isLighter ? [light, whenLight] : [full, whole]
    return found.map((moment) => ({
      ...about,
      technicianId: person.id,
      name: person.name,
      beginMin: moment.beginMin,
      endMin: moment.endMin,
      promise: clockAt(timeZone, on, promiseBefore(moment.beginMin, dayAfter === 0 ? nowMin : 0), place.timeZone),
      detourMin: moment.detourMin,
      finishMin: moment.finishMin,
      wasFinishMin: was.finishMin,
      day: [
        ...beenStops(stops, person),
        ...asDriven(
          longer
            ? { ...problem, stops: problem.stops.map((stop, i) => (i === there ? { ...stop, ...longer } : stop)) }
            : problem,
          outing,
          moment.order,
        ).stops.map(
          ({ stop, beginMin, endMin }): MomentStop => ({
            siteId: stops[stop]!.siteId,
            name: stops[stop]!.name,
            state: stop === (longer ? there : here) ? 'call' : stops[stop]!.state,
            fromMin: beginMin,
            toMin: endMin,
          }),
        ),
      ],
      dayFromMin: Math.min(outing.startMin, ...been.map((i) => stops[i]!.arrivedMin!)),
      dayToMin: Math.max(outing.endMin, moment.finishMin),
      later: moment.later.map(({ stop, byMin }) => ({ name: stops[stop]!.name, byMin })),
      out: moment.out === null ? null : { siteId: stops[moment.out]!.siteId, name: stops[moment.out]!.name },
      joins: standing ? joined(standing) : null,
      isLighter,
      isOther: person.id !== usually,
      knowsKind: kind === undefined || knows(input.technicians.find(({ id }) => id === person.id)!, [kind]),
      siteIds: [...been, ...moment.order].map((i) => stops[i]!.siteId),
    }))
  })
  const why = !about.isOpen ? 'closed' : atWork.length === 0 ? 'nobody works' : 'full'
  return {
    on,
    today,
    timeZone,
    nowMin,
    why: moments.length > 0 ? null : why,
    there: standing ? visitState(standing) : null,
    moments,
    seq: read.seq,
  }
}

const dayProblem = (stops: DayStop[], travelMin: number[][], outing: Outing): DayProblem => ({
  travelMin,
  stops: stops.map(({ serviceMin, open }, at) => ({ place: at, serviceMin, open })),
  outings: [outing],
})

/** A stop that takes longer, and when it may then begin. */
function longerBy({ serviceMin, hours, promisedMin }: DayStop, minutes: number) {
  const longer = serviceMin + minutes
  return { serviceMin: longer, open: beginSpans(hours, longer, promisedMin) }
}

/** Of one that is still to come. */
const visitState = ({ state }: DayStop): VisitState => state as VisitState

const joined = (stop: DayStop): CallMoment['joins'] => {
  const { visitId, promised, repair, serviceMin, tasks } = stop
  return {
    state: visitState(stop),
    ...(visitId && { visitId }),
    ...(promised && { promised }),
    ...(repair && { repair }),
    minutes: Math.round(serviceMin),
    tasks: tasks.map(({ subjectId, key }) => ({ subjectId, key })),
  }
}

const beenStops = (stops: readonly DayStop[], { been }: DayPerson): MomentStop[] =>
  been.map((i) => {
    const { siteId, name, state, arrivedMin, leftMin, serviceMin } = stops[i]!
    return { siteId, name, state, fromMin: arrivedMin!, toMin: leftMin ?? arrivedMin! + serviceMin }
  })

/**
 * A time people can remember: the quarter of an hour before, or the five minutes, as long as it is still to come.
 * @param nowMin - minutes of the day that have passed
 * @example promiseBefore(746, 458) // 735, a quarter past twelve
 */
export function promiseBefore(beginMin: number, nowMin: number): number {
  const rounded = [15, 5, 1].map((step) => Math.floor(beginMin / step) * step)
  return rounded.find((minute) => minute >= nowMin) ?? Math.ceil(beginMin)
}
