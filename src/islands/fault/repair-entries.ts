import { type Fault, type FaultBook, somethingElse } from '../../core/faults/fault.ts'
import { ownLooks } from '../../core/faults/own-looks.ts'
import type { Search } from '../../core/faults/search.ts'
import { seenWords } from '../../core/faults/seen-words.ts'
import { type Electrical, electricalIds } from '../../core/faults/test-out.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import type { Body } from '../../core/ledger/entry-kinds.ts'
import type { OfFirstShape } from '../../core/ledger/jot.ts'
import type { Unversioned } from '../../core/ledger/versions.ts'
import { fittingEntries } from '../../core/procedures/run-record.ts'
import type { FittedPart } from '../../core/procedures/run-state.ts'
import { sheetForFault } from '../../core/strip-down/sheet-for.ts'
import { figure } from '../../ui/format.ts'
import { makeEntry } from '../make-entry.ts'
import type { AnswerPhoto } from './kept-search.ts'

/** What a test-out came to. */
export interface TestedOut {
  passed: boolean
  reason?: string
  /** As left, by measure; of a group where it has groups. */
  readings: { measure: string; group?: number; value: number }[]
  /** What was looked at. */
  looks: string[]
  electrical?: Electrical & { instrument?: string }
}

interface Given {
  book: FaultBook
  fault: Fault
  text: string
  /** Parts that went in new, with what came out. */
  fitted?: FittedPart[]
  kind: Kind
  out: TestedOut
  search: Search
  photos?: AnswerPhoto[]
  /** The report is in the ledger, and so many of the answers. */
  onRecord?: number
  reportId: string
  idOf: (name: string) => string
  machineId: string
  today: string
  at: Date
  visitId?: string
}

/** What stands beside a station on a drawing, so long at most. */
const mostLetters = 16

/** What a test showed, as short as it stands beside a gauge. @example '9.1 bar' */
export function shownShort(
  book: FaultBook,
  { test, outcome, value }: Pick<Search['seen'][number], 'test' | 'outcome' | 'value'>,
): string {
  const tried = book.tests.find(({ id }) => id === test)
  if (tried?.reads && value !== undefined) return `${figure(value)} ${tried.reads.unit}`
  const words = (tried?.outcomes.find(({ id }) => id === outcome)?.words ?? 'something else').toLowerCase()
  if (words.length <= mostLetters) return words
  const cut = words.slice(0, mostLetters)
  return `${cut.slice(0, Math.max(cut.lastIndexOf(' '), 8)).replace(/[,;:]$/, '')} …`
}

/** What a search that ended in a repair leaves in the ledger: complaint, tests, repair with its cause, test-out. */
export function repairEntries(given: Given): Entry[] {
  const {
    book,
    fault,
    text,
    fitted = [],
    kind,
    out,
    search,
    photos = [],
    onRecord,
    reportId,
    idOf,
    machineId,
    today,
    at,
    visitId,
  } = given
  const more = { happenedAt: at.toISOString(), ...(visitId && { visitId }) }
  const make = <K extends OfFirstShape>(name: string, kind: K, body: Unversioned<Body<K>>): Entry =>
    makeEntry('machine', machineId, kind, body, today, { id: idOf(name), ...more })
  const symptom = book.symptoms.find(({ id }) => id === search.symptom)!
  const also = (search.also ?? []).map((said) => book.symptoms.find(({ id }) => id === said)!.name)
  const report = makeEntry(
    'machine',
    machineId,
    'fault-reported',
    { text: [search.words ?? symptom.name, ...also].join('; '), symptom: symptom.id },
    today,
    {
      id: reportId,
      ...more,
    },
  )
  return [
    ...(onRecord === undefined ? [report] : []),
    ...search.seen.flatMap(({ test, outcome, value, words, said, times }, i) =>
      i < (onRecord ?? 0)
        ? []
        : make(`seen ${i}`, 'test-seen', {
            test,
            outcome,
            words: seenWords(book, { test, outcome, ...(words && { words }) }),
            report: reportId,
            ...(value !== undefined && { value }),
            ...(said && { said }),
            ...(times && { times }),
          }),
    ),
    ...search.seen.flatMap((seen, i) =>
      photos.flatMap(({ id, of, name }) =>
        of === seen.at && name
          ? [
              make(`photo ${id}`, 'pictured', {
                photos: [name],
                of: idOf(`seen ${i}`),
                text: seenWords(book, seen),
              }),
            ]
          : [],
      ),
    ),
    ...search.notCured
      .filter((id) => id !== fault.id)
      .map((id) => {
        const one = book.faults.find((other) => other.id === id)!
        return make(`not cured ${id}`, 'repaired', {
          text: one.repair.say,
          cause: one.name,
          fault: id,
          report: reportId,
          // What it was stays cured, though something else was wrong as well.
          cured: search.cured?.includes(id) === true,
          ...(one.part && { part: one.part }),
        })
      }),
    ...(search.notCuredInWords ?? []).map(({ cause, text: done }, i) =>
      make(`not cured in words ${i}`, 'repaired', { text: done, cause, report: reportId, cured: false }),
    ),
    make('repaired', 'repaired', {
      text,
      cause: fault.name,
      // What is in no book has no name there: its words alone are kept.
      ...(fault.id !== somethingElse && { fault: fault.id }),
      report: reportId,
      cured: true,
      ...(fault.part && { part: fault.part }),
    }),
    ...fitted.flatMap((one, i) =>
      fittingEntries(one).map((draft) => make(`${draft.kind} ${i}`, draft.kind, draft.body)),
    ),
    ...tasksDone(fault, kind, fitted).map(({ doneBy, id }) => make(`task ${id}`, doneBy, { task: id })),
    ...out.readings.map(({ measure, group, value }) =>
      make(`left ${measure} ${group ?? ''}`, 'measured', {
        measure,
        state: 'left',
        value,
        ...(group !== undefined && { group }),
      }),
    ),
    make('tested out', 'tested-out', {
      passed: out.passed,
      report: reportId,
      ...(out.reason && { reason: out.reason }),
      ...(out.looks.length > 0 && { looks: out.looks }),
      ...(out.electrical && { electrical: out.electrical }),
    }),
    // Opened with a tool and not tested: the work is on record, the machine is not for use.
    ...(wasOpened(book, fault, search) && !tested(out) ? [make('held', 'held', { why: 'electrical' })] : []),
  ]
}

/** Whether live parts were bared on the way or by the repair. */
const wasOpened = (book: FaultBook, fault: Fault, search: Search): boolean =>
  sheetForFault(fault.id, book.kind)?.opens === true ||
  isMendedInside(book, fault) ||
  search.seen.some(({ test, said }) => !said && book.tests.find(({ id }) => id === test)?.needs.includes('open'))

/** Whether the fault itself is only to be seen, and mended, with the case open. */
function isMendedInside(book: FaultBook, fault: Fault): boolean {
  const own = ownLooks(book, fault).map((id) => book.tests.find((test) => test.id === id)!)
  return own.length > 0 && own.every(({ needs }) => needs.includes('open'))
}

/** Whether a tester said anything of earth, insulation or leakage. */
const tested = ({ electrical }: TestedOut): boolean =>
  electrical !== undefined && electricalIds.some((id) => electrical[id] !== undefined)

/** Upkeep that a repair without a new part is: a passage cleared is a passage cleaned. */
const tasksDone = (fault: Fault, kind: Kind, fitted: FittedPart[]): Kind['tasks'] =>
  fitted.length > 0 || !fault.part
    ? []
    : kind.tasks.filter(({ part, action, doneBy }) => part === fault.part && action === 'clean' && doneBy === 'cleaned')
