import { kindById } from '../kinds/index.ts'
import { type Kind, withOptions } from '../kinds/kind.ts'
import { c2Parts } from '../trade/machines/commercial-two-group/fault-parts.ts'
import { c2Faults } from '../trade/machines/commercial-two-group/faults.ts'
import { dgParts } from '../trade/machines/domestic-built-in-grinder/fault-parts.ts'
import { dgFaults } from '../trade/machines/domestic-built-in-grinder/faults.ts'
import { dvParts } from '../trade/machines/domestic-three-way-valve/fault-parts.ts'
import { dvFaults } from '../trade/machines/domestic-three-way-valve/faults.ts'
import { dnParts } from '../trade/machines/domestic-without-valve/fault-parts.ts'
import { dnFaults } from '../trade/machines/domestic-without-valve/faults.ts'
import { plParts } from '../trade/machines/pod-loading-lever/fault-parts.ts'
import { plFaults } from '../trade/machines/pod-loading-lever/faults.ts'
import { pkParts } from '../trade/machines/pod-locking-head/fault-parts.ts'
import { pkFaults } from '../trade/machines/pod-locking-head/faults.ts'
import { lvParts } from '../trade/machines/prosumer-lever-group/fault-parts.ts'
import { lvFaults } from '../trade/machines/prosumer-lever-group/faults.ts'
import { ptParts } from '../trade/machines/prosumer-touch-menu/fault-parts.ts'
import { ptFaults } from '../trade/machines/prosumer-touch-menu/faults.ts'
import { pdParts } from '../trade/machines/pump-latte-machine/fault-parts.ts'
import { pdFaults } from '../trade/machines/pump-latte-machine/faults.ts'
import { grParts } from '../trade/machines/stand-alone-grinder/fault-parts.ts'
import { grFaults } from '../trade/machines/stand-alone-grinder/faults.ts'
import { stParts } from '../trade/machines/super-automatic-fixed-unit/fault-parts.ts'
import { stFaults } from '../trade/machines/super-automatic-fixed-unit/faults.ts'
import { spParts } from '../trade/machines/super-automatic-motor-group/fault-parts.ts'
import { spFaults } from '../trade/machines/super-automatic-motor-group/faults.ts'
import { srParts } from '../trade/machines/super-automatic-removable-unit/fault-parts.ts'
import { srFaults } from '../trade/machines/super-automatic-removable-unit/faults.ts'
import { btParts } from '../trade/machines/thermoblock-bean-to-cup/fault-parts.ts'
import { btFaults } from '../trade/machines/thermoblock-bean-to-cup/faults.ts'
import { withCircumstances } from './circumstances.ts'
import { withElementFigures } from './element-figures.ts'
import type { FaultBook } from './fault.ts'
import { withFirstShares } from './first-shares.ts'
import { fittedBook } from './fitted.ts'
import { withKindFigures } from './kind-figures.ts'
import { type BookPart, withModes } from './modes.ts'
import { withSwitchedOn } from './switched-on.ts'
import { withSymptomsOfAll } from './symptoms-of-all.ts'

const written: [FaultBook, BookPart[]][] = [
  [c2Faults, c2Parts],
  [lvFaults, lvParts],
  [ptFaults, ptParts],
  [dvFaults, dvParts],
  [dnFaults, dnParts],
  [dgFaults, dgParts],
  [btFaults, btParts],
  [srFaults, srParts],
  [stFaults, stParts],
  [spFaults, spParts],
  [pkFaults, pkParts],
  [plFaults, plParts],
  [pdFaults, pdParts],
  [grFaults, grParts],
]

/** A book whose readings are those of its own kind. */
function withOwnFigures(book: FaultBook): FaultBook {
  const kind = kindById(book.kind)!
  return withKindFigures(withElementFigures(book, kind), kind)
}

/** What is known of the faults of a machine as it is fitted: what is written of its kind, and what its parts’ sorts bring. */
function builtFor(
  written: FaultBook,
  all: BookPart[],
  kind: Kind,
  fitted: Kind,
): { book: FaultBook; parts: BookPart[] } {
  const { book, parts } = fittedBook(written, all, kind, fitted)
  const whole = withModes(withOwnFigures(withFirstShares(withSymptomsOfAll(book))), parts)
  return { book: withSwitchedOn(withCircumstances(whole, parts)), parts }
}

/** Of a kind nobody said more of: as it usually is, and with what it foams milk with, which half of them have. */
const usually = (kind: Kind): Kind => withOptions(kind, new Map([['milk', true]]))

const asUsual = written.map(([book, parts]) => {
  const kind = kindById(book.kind)!
  return builtFor(book, parts, kind, usually(kind))
})

/** What is known of each kind’s faults, by kind, as it usually is. */
export const faultBooks: FaultBook[] = asUsual.map(({ book }) => book)

/** What is written of a kind alone, and what it is made of by sort, as it usually is; null where nothing is. */
export function writtenOf(kind: string): { book: FaultBook; parts: BookPart[] } | null {
  const found = written.find(([book]) => book.kind === kind)
  if (!found) return null
  const whole = kindById(kind)!
  return fittedBook(found[0], found[1], whole, usually(whole))
}

/** Of a kind as it usually is. @returns null where no faults of a kind are written yet */
export const bookOf = (kind: string): FaultBook | null => faultBooks.find((book) => book.kind === kind) ?? null

/** Of a kind with all that its machines may have: what a firm confirmed on any of them is in it. @returns null where none is written */
export function bookWithAll(kind: string): FaultBook | null {
  const whole = kindById(kind)
  return whole ? bookFor(whole) : null
}

const fittedBooks = new Map<string, FaultBook>()

/**
 * Of a machine: without the faults and the tests of what it has not, with those of what it has.
 *
 * @param fitted - its kind as it has it, see `withOptions`
 * @returns null where no faults of its kind are written yet
 */
export function bookFor(fitted: Kind): FaultBook | null {
  const id = fitted.basedOn ?? fitted.id
  const found = written.find(([book]) => book.kind === id)
  if (!found) return null
  const key = JSON.stringify([id, fitted.stations.map((one) => one.id), fitted.parts.map((one) => one.id)])
  const there = fittedBooks.get(key)
  if (there) return there
  const { book } = builtFor(found[0], found[1], kindById(id)!, fitted)
  fittedBooks.set(key, book)
  return book
}
