import { fromDay, type LocalDay, toDay, weekday } from '../../core/quantity/local-day.ts'
import { instantAt } from '../../core/quantity/site-time.ts'
import type { DayProblem, Outing } from '../../core/rounds/day-problem.ts'
import { standingOrder } from '../../core/rounds/standing-order.ts'
import { type Db, lookIn, withFirm } from '../../records/database.ts'
import { ask } from '../../records/job-queue.ts'
import type { DayPage, DayPerson, DayStop } from '../../views/day-page.ts'
import { carryOf } from './day-carry.ts'
import { handOverOf } from './day-hand-over.ts'
import { type DayRead, readDay } from './day-read.ts'
import { lightened, stopsBeen, stopsToCome } from './day-stops.ts'
import { awayOn, minuteOf, usualBreak } from './plan-hours.ts'
import { placeOf } from './plan-roads.ts'

/** How long an order of more than ten stops is looked for at once: the browser looks on. */
const roundsAtOnce = 1500

/**
 * A day of a firm as it stands: who drives where in which order, when somebody is where, and with what in the van.
 * What was done today stands as it was done; the rest of the day begins where somebody is.
 */
export async function dayPage(
  db: Db,
  firmId: string,
  { on, today, now, technicianId }: { on: LocalDay; today: LocalDay; now: Date; technicianId?: string },
): Promise<DayPage> {
  const read = await lookIn(db, firmId, (trx) =>
    readDay(trx, firmId, { on, today, ...(technicianId && { technicianId }) }),
  )
  const { timeZone, toPlan } = read
  if (toPlan.length > 0)
    await withFirm(db, firmId, async (trx) => {
      for (const part of toPlan) await ask(trx, 'plan', { firmId, part })
    })
  const nowMin = on === today ? minuteNow(timeZone, on, now) : null
  const { stops, people, roads } = dayOf(read, on, nowMin)
  return {
    on,
    today,
    nowMin,
    timeZone,
    stops,
    people,
    handOver:
      on < today
        ? null
        : handOverOf(
            read,
            stops,
            people,
            roads.map((row) => row.map(({ minutes }) => minutes)),
          ),
    roads,
    carry: Object.fromEntries(people.map((person) => [person.id, carryOf(read, stops, person)])),
    others: read.others,
    otherPeople: read.otherPeople,
    daysOut: read.daysOut,
    plan: toPlan.length > 0 ? (read.isPlanned ? 'being made anew' : 'being made') : 'made',
    seq: read.seq,
  }
}

export const minuteNow = (timeZone: string, today: LocalDay, now: Date): number =>
  (now.getTime() - Date.parse(instantAt(timeZone, today, '00:00'))) / 60_000

/**
 * Everybody’s day in the orders that stand.
 *
 * @param nowMin - minutes of the day that have passed; null on another day
 * @param besides - stops nobody has yet: the last ones, and the roads to them
 */
export function dayOf(read: DayRead, on: LocalDay, nowMin: number | null, besides: DayStop[] = []) {
  const { input } = read
  const stops = [...stopsBeen(read, on, nowMin !== null), ...stopsToCome(read, on), ...besides]
  const ids = [...stops.map(({ siteId }) => siteId), ...input.technicians.map(({ id }) => id)]
  const roads = ids.map((from) => ids.map((to) => input.road(from, to)))
  const matrix = roads.map((row) => row.map(({ minutes }) => minutes))
  const people = input.technicians.map((_, k) => personOf(read, stops, matrix, k, { on, nowMin }))
  return { stops, people, roads }
}

/** One technician’s day in the order that stands; its stops are lightened where it cannot hold them. */
function personOf(
  { input, orders }: DayRead,
  stops: DayStop[],
  travelMin: number[][],
  k: number,
  { on, nowMin }: { on: LocalDay; nowMin: number | null },
): DayPerson {
  const { id, name, initials, leftOn, startsAt, endsAt, startLatitude, startLongitude, workWeekdays } =
    input.technicians[k]!
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
    // An order somebody set is held as it is, before what nobody was promised.
    const moved = kept?.find((stop, at) => stands.order.filter((one) => kept.includes(one))[at] !== stop)
    return moved === undefined ? stands.left : [...stands.left, { stop: moved, why: 'full' }]
  })
  const { order, left, better } = stands
  const placed = (those: number[]) => those.map((n) => toCome[n]!)
  return {
    id,
    name,
    initials,
    start: placeOf(startLatitude, startLongitude),
    // What was done on a day that is past was done.
    away:
      toDay(on) < input.today
        ? null
        : leftOn
          ? 'has left'
          : absent
            ? absent.name || 'away'
            : whyNoWork(workWeekdays, on),
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

/** Null where they work on such a day. */
const whyNoWork = (workWeekdays: string, on: LocalDay): string | null =>
  workWeekdays.includes(String(weekday(toDay(on)))) ? null : workWeekdays ? 'no working day' : 'no working days'

const doneAt = ({ leftMin, arrivedMin, serviceMin }: DayStop): number => leftMin ?? arrivedMin! + serviceMin
