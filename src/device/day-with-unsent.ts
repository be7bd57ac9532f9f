import type { Entry, EntryOf } from '../core/ledger/entry.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import { dayAt, instantAt } from '../core/quantity/site-time.ts'
import type { DayPage, DayPerson, DayStop } from '../views/day-page.ts'
import type { Unsent } from './unsent.ts'

/**
 * A day as it will be when what waits here is in the ledger, at this moment: who has arrived where and left, in which
 * order the rest is driven; and how much waits at each stop.
 *
 * @param day - as it was packed
 * @param siteOf - where a machine or softener stands; undefined where this device does not know it
 */
export function dayWithUnsent(
  day: DayPage,
  unsent: Unsent[],
  now: Date,
  siteOf: (subjectId: string) => string | undefined,
): DayPage {
  const today = dayAt(day.timeZone, now)
  const midnight = Date.parse(instantAt(day.timeZone, day.on, '00:00'))
  const minute = (instant: string | number | Date) => (new Date(instant).getTime() - midnight) / 60_000
  const nowMin = day.on === today ? minute(now) : null
  const entries = unsent.filter(({ state }) => state === 'waits').flatMap((save) => save.entries)
  const headers = entries.filter(isKind('visit')).filter(({ happenedOn }) => happenedOn === day.on)
  const gone = new Set(entries.flatMap((entry) => (entry.kind === 'withdrawn' && entry.supersedes) || []))
  const stops = day.stops.map((stop): DayStop => {
    const waits = entries.filter((entry) => siteIn(entry, siteOf) === stop.siteId).length
    const marked = waits > 0 ? { ...stop, waits } : stop
    const header = headers.findLast((one) => one.subjectId === stop.siteId && isOf(one, stop))
    if (header && !gone.has(header.id)) return withHeader(marked, header, nowMin !== null, minute)
    return stop.header && gone.has(stop.header.id) ? withoutHeader(marked) : marked
  })
  const orders = entries.filter(isKind('day-order')).filter(({ body }) => body.on === day.on)
  const people = day.people.map((person) => {
    const set = orders.findLast(({ body }) => body.technicianId === person.id)
    return personAt(person, stops, set?.body.siteIds ?? null, nowMin)
  })
  return { ...day, today, nowMin, stops, people }
}

const siteIn = ({ subjectKind, subjectId }: Entry, siteOf: (id: string) => string | undefined) =>
  subjectKind === 'site' ? subjectId : siteOf(subjectId)

/** Written of this visit, or of a visit there that nobody arranged. */
const isOf = (header: EntryOf<'visit'>, { visitId }: DayStop) =>
  visitId === undefined || header.visitId === undefined || header.visitId === visitId

function withHeader(
  stop: DayStop,
  { id, visitId, body, happenedAt }: EntryOf<'visit'>,
  isToday: boolean,
  minute: (instant: string) => number,
): DayStop {
  const { arrivedAt, leftAt } = body
  const { leftMin: _, ...rest } = stop
  return {
    ...rest,
    state: isToday && arrivedAt && !leftAt ? 'under way' : 'done',
    ...(visitId && { visitId }),
    header: { id, body },
    arrivedMin: minute(arrivedAt ?? happenedAt),
    isTimed: arrivedAt !== undefined,
    ...(leftAt && { leftMin: minute(leftAt) }),
  }
}

function withoutHeader({ header: _, arrivedMin: __, leftMin: ___, isTimed: ____, ...stop }: DayStop): DayStop {
  return { ...stop, state: 'agreed' }
}

/** A technician’s day from where they are now. */
function personAt(person: DayPerson, stops: DayStop[], siteIds: string[] | null, nowMin: number | null): DayPerson {
  const own = [...person.been, ...person.order]
  const been = own
    .filter((i) => stops[i]!.arrivedMin !== undefined)
    .sort((a, b) => stops[a]!.arrivedMin! - stops[b]!.arrivedMin!)
  const toCome = [...person.been, ...person.order].filter((i) => stops[i]!.arrivedMin === undefined)
  const place = (i: number) => siteIds!.indexOf(stops[i]!.siteId)
  const order = siteIds
    ? [
        ...toCome.filter((i) => place(i) >= 0).sort((a, b) => place(a) - place(b)),
        ...toCome.filter((i) => place(i) < 0),
      ]
    : toCome
  const last = been.at(-1)
  const { outing } = person
  const from = last === undefined ? outing.startMin : doneAt(stops[last]!)
  const isFree = last === undefined || stops[last]!.state === 'done'
  const startMin = nowMin !== null && isFree ? Math.max(from, nowMin) : from
  return {
    ...person,
    been,
    order,
    isSet: person.isSet || siteIds !== null,
    // What would be better was found for where they were.
    better: been.length === person.been.length && siteIds === null ? person.better : null,
    outing: { ...outing, start: last ?? outing.start, startMin, endMin: Math.max(outing.endMin, startMin) },
  }
}

const doneAt = ({ leftMin, arrivedMin, serviceMin }: DayStop): number => leftMin ?? arrivedMin! + serviceMin
