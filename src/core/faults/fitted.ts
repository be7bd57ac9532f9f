import type { Kind } from '../kinds/kind.ts'
import type { FaultBook } from './fault.ts'
import type { BookPart } from './modes.ts'

/** What a machine has of what its kind may have. */
interface Has {
  /** Whether a station is there; what is nowhere on the path is everywhere. */
  station(id: string | null): boolean
  /** Whether a part is there; what is no part of the kind is no part that falls away. */
  part(id: string | undefined): boolean
}

/** @param fitted - the kind as a machine has it, see `withOptions` */
function hasOf(kind: Kind, fitted: Kind): Has {
  const gone = (before: { id: string }[], now: { id: string }[]) => {
    const left = new Set(now.map(({ id }) => id))
    return new Set(before.map(({ id }) => id).filter((id) => !left.has(id)))
  }
  const [stations, parts] = [gone(kind.stations, fitted.stations), gone(kind.parts, fitted.parts)]
  return {
    station: (id) => id === null || !stations.has(id),
    part: (id) => id === undefined || !parts.has(id),
  }
}

/**
 * A book without what a machine has not: no fault of a tank where it is plumbed, no test of a valve that is not there.
 *
 * @param kind - with all that a machine of the kind may have
 * @param fitted - as this one has it
 */
export function fittedBook(
  book: FaultBook,
  parts: BookPart[],
  kind: Kind,
  fitted: Kind,
): { book: FaultBook; parts: BookPart[] } {
  const has = hasOf(kind, fitted)
  const faults = book.faults
    .filter(({ station }) => has.station(station))
    // Another part stands in its place: its age is not known by this name.
    .map(({ part, ...fault }) => (part !== undefined && has.part(part) ? { ...fault, part } : fault))
  const left = new Set(faults.map(({ id }) => id))
  // Where a station is gone, what is looked at there goes, unless it tells of something elsewhere alone.
  const tests = book.tests.filter(
    ({ station, sees }) => has.station(station) || Object.keys(sees).every((fault) => left.has(fault)),
  )
  return {
    book: {
      ...book,
      faults,
      // What nothing that is there is complained of, nobody complains of.
      symptoms: book.symptoms.filter(
        ({ id, station }) => has.station(station) || faults.some(({ complaints }) => complaints[id] !== undefined),
      ),
      customer: Object.fromEntries(
        Object.entries(book.customer).filter(
          ([fault]) => left.has(fault) || !book.faults.some(({ id }) => id === fault),
        ),
      ),
      phone: Object.fromEntries(Object.entries(book.phone).filter(([test]) => tests.some(({ id }) => id === test))),
      tests: tests
        .map((test) => ({
          ...test,
          sees: Object.fromEntries(Object.entries(test.sees).filter(([fault]) => left.has(fault))),
        }))
        .filter(({ sees }) => Object.keys(sees).length > 0),
    },
    parts: parts.filter(({ station, part }) => has.station(station) && has.part(part)),
  }
}
