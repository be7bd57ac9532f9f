import { type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { clockAt } from '../../core/quantity/site-time.ts'
import { asDriven } from '../../core/rounds/as-driven.ts'
import type { DayProblem } from '../../core/rounds/day-problem.ts'
import { momentsIn } from '../../core/rounds/moments.ts'
import { beginSpans } from '../../core/rounds/stop-hours.ts'
import { type Db, lookIn } from '../../records/database.ts'
import type { CallDay, CallMoment, MomentStop } from '../../views/call-page.ts'
import type { DayPerson, DayStop } from '../../views/day-page.ts'
import { dayOf, minuteNow } from './day.ts'
import { readDay } from './day-read.ts'
import { placeOfStop } from './day-stops.ts'
import { plannedDays } from './plan-input.ts'

interface Asked {
  on: LocalDay
  today: LocalDay
  now: Date
  siteId: string
  /** Of work there, beside the stop itself. */
  minutes: number
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
  { on, today, now, siteId, minutes }: Asked,
): Promise<CallDay | null> {
  const dayAfter = toDay(on) - toDay(today)
  if (dayAfter < 0 || dayAfter >= plannedDays) return null
  const read = await lookIn(db, firmId, (trx) => readDay(trx, firmId, on, today, [siteId]))
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
    openDays: isOpen.slice(0, dayAfter).reduce((sum, open) => sum + open, 0),
    isOpen: isOpen[dayAfter] === 1,
  }
  const usually = input.sites[s]!.record.technicianId
  const atWork = people.filter(({ away }) => away === null)
  const moments = atWork.flatMap((person): CallMoment[] => {
    if (there >= 0 && stops[there]!.technicianId !== person.id) return []
    // Somebody goes there anyway: the visit takes so much longer.
    const longer = there >= 0 ? longerBy(stops[there]!, minutes) : null
    const problem: DayProblem = {
      travelMin,
      stops: stops.map((stop, at) => {
        const { serviceMin: takes, open } = (at === there && longer) || stop
        return { place: at, serviceMin: takes, open }
      }),
      outings: [person.outing],
    }
    const rest = there >= 0 ? person.order.filter((i) => i !== there) : person.order
    const mayLeave = new Set(rest.filter((i) => stops[i]!.state === 'proposed'))
    const was = asDriven(problemAsItIs(problem, stops), person.outing, person.order)
    const found = momentsIn(problem, person.outing, rest, there >= 0 ? there : here, mayLeave)
    // One with a visit that stands is where that visit is.
    const kept = there >= 0 ? found.filter(({ order }) => isAsItWas(order, person.order)).slice(0, 1) : found
    return kept.map((moment) => ({
      ...about,
      technicianId: person.id,
      name: person.name,
      beginMin: moment.beginMin,
      endMin: moment.endMin,
      promise: promiseOf(clockAt(timeZone, on, moment.beginMin, place.timeZone)),
      detourMin: there >= 0 ? 0 : moment.detourMin,
      finishMin: moment.finishMin,
      wasFinishMin: was.finishMin,
      day: [
        ...beenStops(stops, person),
        ...drivenStops(problem, stops, person, moment.order, there >= 0 ? there : here),
      ],
      dayFromMin: Math.min(person.outing.startMin, ...person.been.map((i) => stops[i]!.arrivedMin!)),
      dayToMin: Math.max(person.outing.endMin, moment.finishMin),
      later: moment.later.map(({ stop, byMin }) => ({ name: stops[stop]!.name, byMin })),
      out: moment.out === null ? null : { siteId: stops[moment.out]!.siteId, name: stops[moment.out]!.name },
      joins: there >= 0 ? joined(stops[there]!) : null,
      isOther: person.id !== usually,
      siteIds: [...person.been, ...moment.order].map((i) => stops[i]!.siteId),
    }))
  })
  const why = !about.isOpen ? 'closed' : atWork.length === 0 ? 'nobody works' : 'full'
  return { on, today, timeZone, nowMin, why: moments.length > 0 ? null : why, moments, seq: read.seq }
}

/** A stop that takes longer, and when it may then begin. */
function longerBy({ serviceMin, hours, promisedMin }: DayStop, minutes: number) {
  const longer = serviceMin + minutes
  return { serviceMin: longer, open: beginSpans(hours, longer, promisedMin) }
}

const problemAsItIs = (problem: DayProblem, stops: readonly DayStop[]): DayProblem => ({
  ...problem,
  stops: stops.map(({ serviceMin, open }, place) => ({ place, serviceMin, open })),
})

const isAsItWas = (order: readonly number[], was: readonly number[]): boolean =>
  order.length === was.length && order.every((stop, i) => stop === was[i])

const joined = ({ state, visitId, promised, serviceMin, tasks }: DayStop): CallMoment['joins'] => ({
  state: state as NonNullable<CallMoment['joins']>['state'],
  ...(visitId && { visitId }),
  ...(promised && { promised }),
  minutes: Math.round(serviceMin),
  tasks: tasks.map(({ subjectId, key }) => ({ subjectId, key })),
})

const beenStops = (stops: readonly DayStop[], { been }: DayPerson): MomentStop[] =>
  been.map((i) => {
    const { siteId, name, state, arrivedMin, leftMin, serviceMin } = stops[i]!
    return { siteId, name, state, fromMin: arrivedMin!, toMin: leftMin ?? arrivedMin! + serviceMin }
  })

function drivenStops(
  problem: DayProblem,
  stops: readonly DayStop[],
  { outing }: DayPerson,
  order: readonly number[],
  call: number,
): MomentStop[] {
  return asDriven(problem, outing, order).stops.map(({ stop, beginMin, endMin }) => ({
    siteId: stops[stop]!.siteId,
    name: stops[stop]!.name,
    state: stop === call ? 'call' : stops[stop]!.state,
    fromMin: beginMin,
    toMin: endMin,
  }))
}

/** A time people can remember: the quarter of an hour before. @example promiseOf('12:26') // '12:15' */
function promiseOf(clock: string): string {
  const [hours, minutes] = clock.split(':') as [string, string]
  return `${hours}:${String(Math.floor(Number(minutes) / 15) * 15).padStart(2, '0')}`
}
