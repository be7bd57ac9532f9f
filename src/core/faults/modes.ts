import type { Fault, FaultBook, Test } from './fault.ts'
import { ownLooks } from './own-looks.ts'
import { type SortId, sorts } from './sorts/index.ts'
import type { Mode } from './sorts/sort.ts'

/** What a failure does to a machine where no fault of its book does quite the same. */
export interface Does {
  /** The fault whose calls it shares; it shows what that shows, unless it stands alone. */
  like: string
  alone?: true
  /** What tests of the book show of it, before what they show of `like`. */
  shows?: Record<string, Record<string, number>>
  /** What is complained of, instead of what is of `like`. */
  complaints?: Record<string, number>
}

/** A part of a machine, by its sort: what its failures do there. */
export interface BookPart {
  id: string
  sort: SortId
  /** As it is called, with a small letter where it is no name. */
  name: string
  station: string
  /** The kind's part whose age speaks for it. */
  part?: string
  /** By what a failure does: the fault of the book that does the same to the machine, or what it does instead. */
  does: Record<string, string | Does>
  /** Failures that the book has itself, by mode. */
  is?: Record<string, string>
  /** Failures it cannot have, or that are no fault of their own there, with the reason. */
  without?: Record<string, string>
  /** By a failure, what tests of the book show of it where that is not what they show of those that do the same. */
  shows?: Record<string, Record<string, Record<string, number>>>
  /** Looks of its sort that the book has itself, by its test: it shows the part's other failures as well. */
  lookedBy?: Record<string, string>
  /** Looks of its sort that cannot be done there, or that the book needs no more of, with the reason. */
  notLooked?: Record<string, string>
}

/** What a mode of a part is called in a book. @example faultOf({ id: 'fill' }, { id: 'coil-open' }) // 'fill-coil-open' */
export const modeFault = ({ id }: Pick<BookPart, 'id'>, mode: Pick<Mode, 'id'>): string => `${id}-${mode.id}`

/** Modes of a part that its book does not have by itself. */
export function ownModes(part: BookPart): Mode[] {
  return sorts[part.sort].modes.filter(({ id }) => !part.is?.[id] && !part.without?.[id])
}

/**
 * A book with every failure its parts can have: each does to the machine what a fault of the book does, is complained of
 * as that is, and is told from it by the looks at the part itself. The calls of that fault are shared out among them.
 *
 * @throws where a part names a fault the book does not have, or says nothing of what a failure does
 */
export function withModes(book: FaultBook, parts: BookPart[]): FaultBook {
  const added = parts.flatMap((part) => ownModes(part).map((mode) => derived(book, part, mode)))
  const shared = new Map<string, number>()
  for (const { like, mode } of added) shared.set(like.id, (shared.get(like.id) ?? 0) + mode.share)
  const whole = ({ id, per100 }: Fault) => per100 / (1 + (shared.get(id) ?? 0))
  const faults = [
    ...book.faults.map((fault) => ({ ...fault, per100: whole(fault) })),
    ...added.map(({ fault, like, mode }) => ({ ...fault, per100: whole(like) * mode.share })),
  ]
  const looks = parts.flatMap((part) => looksAt(book, part))
  return {
    ...book,
    faults,
    tests: [
      ...book.tests.map((test) => {
        const seen = { ...test, sees: { ...test.sees, ...seenOf(test, added) } }
        return looks.filter(({ by }) => by === test.id).reduce((merged, { look }) => withLook(merged, look), seen)
      }),
      ...looks.flatMap(({ by, look }) => (by === undefined ? [look] : [])),
    ],
  }
}

/** What a failure does, with what tests show of it in particular. */
export function doesOf(part: BookPart, mode: Mode, given = part.does[mode.does]): Does {
  const does: Does = typeof given === 'object' ? given : { like: given ?? '' }
  const shows = part.shows?.[mode.id]
  return shows ? { ...does, shows: { ...does.shows, ...shows } } : does
}

interface Derived {
  fault: Fault
  like: Fault
  mode: Mode
  does: Does
  /** Tests that look at what it is like, and find that sound. */
  own: Set<string>
}

function derived(book: FaultBook, part: BookPart, mode: Mode): Derived {
  const given = part.does[mode.does]
  const does = doesOf(part, mode, given)
  const like = book.faults.find(({ id }) => id === does.like)
  if (!like) throw new Error(`withModes: ${book.kind} ${part.id} says nothing of ${mode.id}, which does: ${mode.does}`)
  const said = inPlace(part)
  const known = new Set(book.symptoms.map((symptom) => symptom.id))
  const ofBook = (said: Record<string, number>) =>
    Object.fromEntries(Object.entries(said).filter(([symptom]) => known.has(symptom)))
  return {
    mode,
    like,
    does,
    own: new Set(ownLooks(book, like)),
    fault: {
      id: modeFault(part, mode),
      name: said(mode.name),
      station: part.station,
      per100: 0,
      complaints: {
        ...(mode.instead ? {} : ofBook(does.complaints ?? like.complaints)),
        ...ofBook(mode.complaints ?? {}),
      },
      ...(mode.traits && { traits: mode.traits }),
      ...(part.part && !mode.beside && { part: part.part }),
      repair: { ...mode.repair, say: said(mode.repair.say) },
    },
  }
}

/** What a test of the book shows of failures that were added: what it shows of those that do the same. */
const seenOf = (test: Test, added: Derived[]): Test['sees'] =>
  Object.fromEntries(
    added.flatMap(({ fault, like, own, does }) => {
      const sees = does.shows?.[test.id] ?? (does.alone || own.has(test.id) ? undefined : test.sees[like.id])
      return sees ? [[fault.id, sees]] : []
    }),
  )

/** The sort's looks at a part, with what each shows of its failures, the book's own among them. */
function looksAt(book: FaultBook, part: BookPart): { by: string | undefined; look: Test }[] {
  const sort = sorts[part.sort]
  const said = inPlace(part)
  return sort.looks
    .filter(({ id }) => !part.notLooked?.[id])
    .flatMap((look) => {
      const sees = Object.fromEntries(
        sort.modes.flatMap((mode) => {
          const shows = mode.shows[look.id]
          const fault = part.is?.[mode.id] ?? (part.without?.[mode.id] ? undefined : modeFault(part, mode))
          const there =
            fault !== undefined && (part.is?.[mode.id] === undefined || book.faults.some(({ id }) => id === fault))
          return shows && there ? [[fault, shows]] : []
        }),
      )
      // A look that tells of nothing here is none.
      if (Object.keys(sees).length === 0) return []
      const there = {
        ...look,
        id: `${part.id}-${look.id}`,
        say: said(look.say),
        station: stationOf(book, part, sees),
        sees,
      }
      return [{ by: part.lookedBy?.[look.id], look: there }]
    })
}

/** Where a look is: at its part; where all it tells of sits elsewhere, there. */
function stationOf(book: FaultBook, part: BookPart, sees: Test['sees']): string {
  const stations = new Set(
    Object.keys(sees).map((fault) => book.faults.find(({ id }) => id === fault)?.station ?? part.station),
  )
  const [only] = stations
  return stations.size === 1 ? only! : part.station
}

/** A test of the book that is a look at a part: with what else that can show, and of which failures. */
function withLook(test: Test, look: Test): Test {
  const more = look.outcomes.filter(({ id }) => !test.outcomes.some((one) => one.id === id))
  const usual = Object.entries(look.normal).sort((a, b) => b[1] - a[1])[0]![0]
  const added = more.filter(({ id }) => id !== usual)
  const odd = Math.min(...Object.values(test.normal))
  return {
    ...test,
    outcomes: [...test.outcomes, ...added],
    normal: { ...test.normal, ...Object.fromEntries(added.map(({ id }) => [id, odd])) },
    sees: { ...look.sees, ...test.sees },
  }
}

/** A text with the part in its place, at the beginning with a capital. */
const inPlace =
  ({ name }: BookPart) =>
  (text: string): string => {
    const said = text.replaceAll('{part}', name)
    return said.charAt(0).toUpperCase() + said.slice(1)
  }
