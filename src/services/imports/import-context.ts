import { createHash } from 'node:crypto'
import { v7 } from 'uuid'
import { plainWords } from '../../core/files/guess-kind.ts'
import type { ImportSpec, WordMeaning } from '../../core/files/import-spec.ts'
import type { RecordKind } from '../../core/firm/records.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import type { Jotting } from '../../core/ledger/entry-kinds.ts'
import type { SubjectKind } from '../../core/ledger/subject.ts'
import { dayAt, instantAt } from '../../core/quantity/site-time.ts'
import { readDay, type TypedDay } from '../../core/typed/read-day.ts'
import type { Typed } from '../../core/typed/typed.ts'
import type { Judged } from '../../views/judged-row.ts'

/** Who brings which list in, how it is read, and when that was asked for. */
export interface ImportContext {
  importId: string
  firmId: string
  technicianId: string
  /** Of the firm: for places that are new. */
  timeZone: string
  askedAt: Date
  now: Date
  spec: ImportSpec
  /** Kinds of machine that ship and the firm's own. */
  kinds: Kind[]
}

/** The cells of one row by our columns, empty where the file has none; and which row of the file it is. */
export interface Cells {
  (column: string): string
  row: number
}

/** What a row writes: records that are new, records that are filled in, entries. */
export interface Plan {
  records: { kind: RecordKind; id: string; record: object }[]
  fills: { kind: RecordKind; id: string; before: object; after: object }[]
  entries: Entry[]
}

/** A row with what becomes of it. */
export interface Planned<R extends Judged> {
  row: R
  plan: Plan
}

export const nothing: Plan = { records: [], fills: [], entries: [] }

/** A row that writes nothing, and why. */
export const refused = <R extends Judged>(row: R): Planned<R> => ({ row, plan: nothing })

/**
 * The id of something that this list makes: the same list makes the same, however often it is read or begun anew.
 *
 * @param slot - what of the list it is: `site mill office`, `row 12 reading`
 */
export function idOf({ importId, askedAt }: Pick<ImportContext, 'importId' | 'askedAt'>, slot: string): string {
  const random = createHash('sha256').update(`${importId} ${slot}`).digest().subarray(0, 16)
  return v7({ msecs: askedAt.getTime(), random })
}

/** Something to be written about a subject on a day of its place: at noon, or now where noon is still to come. */
export function entryOn(
  context: Pick<ImportContext, 'importId' | 'askedAt' | 'now'>,
  slot: string,
  about: { kind: SubjectKind; id: string; timeZone: string },
  on: string,
  jotting: Jotting,
): Entry {
  const noon = instantAt(about.timeZone, on)
  return {
    id: idOf(context, slot),
    subjectKind: about.kind,
    subjectId: about.id,
    ...jotting,
    happenedAt: earlier(noon, context.now.toISOString()),
    happenedOn: on,
  }
}

/** Of two instants the one that comes first. */
export const earlier = (a: string, b: string): string => [a, b].sort()[0]!

/** Days before which no machine of a list was taken on or worked at. */
const firstDay = '1990-01-01'

/** A day of a place that is over or today; half a date reaches no further than today. */
export function dayOfCell(text: string, { spec, now }: ImportContext, timeZone: string): Typed<TypedDay> {
  const today = dayAt(timeZone, now)
  const read = readDay(text, spec.dateForm)
  if (read.is !== 'value') return read
  const { on, known } = read.value
  if (on < firstDay) return { is: 'wrong', why: 'is before 1990' }
  if (on <= today) return read
  const begun = known && on.slice(0, known === 'month' ? 7 : 4) === today.slice(0, known === 'month' ? 7 : 4)
  return begun ? { is: 'value', value: { on: today, known } } : { is: 'wrong', why: 'is in the future' }
}

/** Names as they are compared: capitals and blanks at the ends say nothing. */
export const plainName = (text: string): string => text.trim().replace(/\s+/g, ' ').toLowerCase()

/** What was said that a word of a column means; undefined where nobody said. */
export function meaningOf({ words }: ImportSpec, column: string, cell: string): WordMeaning | undefined {
  const said = words[column]
  const word = plainWords(cell)
  return said && Object.hasOwn(said, word) ? said[word] : undefined
}
