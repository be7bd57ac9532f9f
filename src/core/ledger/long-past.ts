import type { LocalDay } from '../quantity/local-day.ts'
import { inOrder } from './effective-history.ts'
import type { Entry, EntryOf } from './entry.ts'
import type { EntryKind } from './entry-kinds.ts'
import { isKind } from './is-kind.ts'

/** Which rule thins a long past; raised when it changes. */
export const pastRule = 1

/** So many of the newest entries are always read as they are, with the whole month of the oldest of them. */
export const readWhole = 400
/** Of work written in the very same words so often is the last, and no more of it is read. From memory. */
const sameWorkRead = 12

/** Kinds that no reckoning reads: what was said, and who was there. */
const onlyTold = new Set<EntryKind>(['note', 'visit'])
/** Work that is done again and again: the last of it starts a clock. */
const repeated = new Set<EntryKind>(['cleaned', 'greased', 'checked', 'serviced'])

/**
 * The day from which a ledger is read as it is; what lies before it is its long past.
 *
 * @param entries - all entries of one subject, in any order
 * @returns first of a month; null where all of it is read as it is
 */
export function pastBefore(entries: Entry[]): LocalDay | null {
  const days = entries.filter(({ kind }) => !onlyTold.has(kind)).map(({ happenedOn }) => happenedOn)
  if (days.length <= readWhole) return null
  days.sort()
  return `${days[days.length - readWhole]!.slice(0, 7)}-01`
}

/**
 * A ledger with its long past thinned to what a reckoning needs of it, so that a machine of fifteen years is reckoned
 * as quickly as one of two: of a counter the last reading of each month, and whatever stands beside a fall, a jump, a
 * part that was changed or a correction; of work in the same words the last dozen; no notes. Totals at any of these
 * days are the same as before; between them a month is straight.
 *
 * Thinning what was thinned, or what was thinned with newer entries added, gives what thinning all of it gives.
 *
 * @param entries - all entries of one subject, in any order
 * @returns the same list where there is no long past
 * @example longPastThinned(threeEntries) // threeEntries
 */
export function longPastThinned<E extends Entry>(entries: E[]): E[] {
  const before = pastBefore(entries)
  if (before === null) return entries
  const inPlace = [...entries].sort(inOrder)
  const corrected = inCorrections(entries)
  const left = new Set<E>()
  const stays = (entry: E) => entry.happenedOn >= before || corrected.has(entry.id)
  const sameWork = new Map<string, number>()
  for (const entry of inPlace.toReversed()) {
    if (stays(entry)) continue
    if (onlyTold.has(entry.kind)) left.add(entry)
    if (!repeated.has(entry.kind)) continue
    const words = `${entry.kind} ${JSON.stringify(entry.body)}`
    const seen = sameWork.get(words) ?? 0
    sameWork.set(words, seen + 1)
    if (seen >= sameWorkRead) left.add(entry)
  }
  for (const counter of ['shots', 'litres']) {
    const readings = inPlace.filter(isKind('reading')).filter(({ body }) => body.counter === counter)
    const others = inPlace.filter((entry) => entry.kind !== 'reading' && !left.has(entry))
    const asked = besideDays(
      readings,
      others.map(({ happenedOn }) => happenedOn),
    )
    for (const [i, reading] of readings.entries()) {
      const next = readings[i + 1]
      if (stays(reading) || asked.has(reading) || next?.happenedOn.slice(0, 7) !== reading.happenedOn.slice(0, 7))
        continue
      // A slip upwards shows by the fall after it: what stands before the slip says how far it leapt.
      if ([i - 1, i, i + 1].every((at) => goesOn(readings[at], readings[at + 1]))) left.add(reading)
    }
  }
  return inPlace.filter((entry) => !left.has(entry))
}

/** Kinds that say how a machine is: what it is, what is set about it, whether it is in service or held out of it. */
const saysHowItIs = new Set<EntryKind>([
  'commissioned',
  'taken-over',
  'setting',
  'own-kind',
  'stage',
  'moved',
  'held',
  'released',
])

/**
 * What of a ledger is needed to show what was reckoned from it, before the rest is asked for: what was said of how
 * things are, with what corrected that. Nothing can be reckoned from it.
 *
 * @param entries - all entries of one subject, in any order
 */
export function atFirstSight<E extends Entry>(entries: E[]): E[] {
  const byId = new Map(entries.map((entry) => [entry.id, entry]))
  const kept = new Set(entries.filter(({ kind }) => saysHowItIs.has(kind)))
  // A correction is known by what it corrects, at the end of however many corrections of corrections.
  const corrects = (entry: E, seen = new Set<string>()): boolean => {
    if (kept.has(entry)) return true
    const of = entry.supersedes && !seen.has(entry.id) && byId.get(entry.supersedes)
    return of ? corrects(of, seen.add(entry.id)) : false
  }
  return entries.filter((entry) => corrects(entry))
}

/** Ids of all that corrects or is corrected: who counts is found out among them all. */
function inCorrections(entries: Entry[]): Set<string> {
  const ids = new Set<string>()
  for (const { id, supersedes } of entries) if (supersedes) ids.add(id).add(supersedes)
  return ids
}

/** The readings before and after each of some days: a total on such a day is found between them. */
function besideDays<R extends Entry>(readings: R[], days: LocalDay[]): Set<R> {
  const beside = new Set<R>()
  for (const day of new Set(days)) {
    let [low, high] = [0, readings.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (readings[middle]!.happenedOn > day) high = middle
      else low = middle + 1
    }
    for (const reading of [readings[low - 1], readings[low]]) if (reading) beside.add(reading)
  }
  return beside
}

/** Whether all that a reading counts is counted on by the next one: nothing fell, nothing began or ended. */
function goesOn(one: EntryOf<'reading'> | undefined, other: EntryOf<'reading'> | undefined): boolean {
  if (!one || !other) return false
  const [from, to] = [apartOf(one.body), apartOf(other.body)]
  return (
    one.body.count <= other.body.count &&
    from.length === to.length &&
    from.every(([name, count], i) => isNoLess(to[i]!, name, count))
  )
}

const isNoLess = ([name, count]: [string, number], asName: string, asCount: number) =>
  name === asName && count >= asCount

/** What a reading counts apart, by name. */
const apartOf = ({ groups, drinks, rinses }: EntryOf<'reading'>['body']): [string, number][] => [
  ...(groups ?? []).map((count, i): [string, number] => [`group ${i + 1}`, count]),
  ...(drinks ?? []).map(({ name, count }): [string, number] => [name, count]),
  ...(rinses === undefined ? [] : [['rinses', rinses] as [string, number]]),
]
