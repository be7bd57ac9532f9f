import type { FaultBook } from '../../../core/faults/fault.ts'
import type { Search } from '../../../core/faults/search.ts'
import { seenWords } from '../../../core/faults/seen-words.ts'
import { stopOf } from '../../../core/faults/stops.ts'
import type { Entry } from '../../../core/ledger/entry.ts'
import type { Body } from '../../../core/ledger/entry-kinds.ts'
import type { OfFirstShape } from '../../../core/ledger/jot.ts'
import type { CallEnd } from '../../../core/ledger/kinds/call.ts'
import type { SubjectKind } from '../../../core/ledger/subject.ts'
import type { Unversioned } from '../../../core/ledger/versions.ts'
import type { CallMoment } from '../../../views/call-page.ts'
import { makeEntry } from '../../make-entry.ts'
import { madeAt } from '../../new-id.ts'
import type { KeptCall } from './kept-call.ts'

interface Given {
  call: KeptCall
  idOf: (name: string) => string
  book: FaultBook | null
  firmId: string
  today: string
}

/** An entry by its name in the call: sent again after a lost answer it says the same, to the moment. */
function named<K extends OfFirstShape>(
  { idOf, today }: Given,
  name: string,
  about: readonly [SubjectKind, string],
  kind: K,
  body: Unversioned<Body<K>>,
  visitId?: string,
): Entry {
  const id = idOf(name)
  return makeEntry(...about, kind, body, today, { id, happenedAt: madeAt(id), ...(visitId && { visitId }) })
}

const machineOf = ({ machine }: KeptCall) => ['machine', machine!.machineId] as const

/**
 * What they said, as it stands in the ledger: their words, or the complaint they were taken for; whoever nobody knows,
 * as they were looked for.
 */
function saidIn({ call: { who, text, machine, search }, book }: Given): string {
  const words = text.trim() || (book?.symptoms.find(({ id }) => id === search?.symptom)?.name ?? '')
  return [machine ? '' : who.trim(), words].filter(Boolean).join(': ')
}

/** The fault as it was reported, once; none where nobody knows of which machine, or it was reported before. */
export function reportEntry(given: Given): Entry | null {
  const { call } = given
  const text = saidIn(given)
  if (!call.machine || !text || call.isReported) return null
  const symptom = call.search?.symptom
  return named(given, 'report', machineOf(call), 'fault-reported', { text, ...(symptom && { symptom }) })
}

/** What must stop, as it stands on every list until it is released; none where it stands there. */
export function heldEntry(given: Given): Entry | null {
  const { call } = given
  const stop = call.search?.stop
  if (!call.machine || !stop || stop === 'none' || call.isHeld) return null
  const { holds, only } = stopOf(stop)
  return named(given, 'held', machineOf(call), 'held', { why: holds, ...(only && { only }) })
}

/** What was told, each answer as it was asked. */
function answerEntries(given: Given): Entry[] {
  const { call, idOf, book } = given
  if (!call.machine || !call.search || !book) return []
  return call.search.seen.flatMap(({ test, outcome, value, words, times }, i) =>
    i < (call.onRecord ?? 0)
      ? []
      : named(given, `seen ${i}`, machineOf(call), 'test-seen', {
          test,
          outcome,
          words: seenWords(book, { test, outcome, ...(words && { words }) }),
          report: idOf('report'),
          said: true,
          ...(value !== undefined && { value }),
          ...(times && { times }),
        }),
  )
}

/** The call itself: about the machine, or about the firm where nobody knew of which. */
function callEntry(given: Given, end: CallEnd): Entry {
  const { call, idOf, firmId } = given
  const { machine, caller, phone, answers } = call
  const text = saidIn(given)
  return named(given, `call ${end}`, machine ? machineOf(call) : ['firm', firmId], 'call', {
    end,
    ...(text && { text }),
    ...(caller.trim() && { caller: caller.trim() }),
    ...(phone.trim() && { phone: phone.trim() }),
    ...((end === 'visit' || end === 'solved') && { report: idOf('report') }),
    ...(answers && { answers }),
  })
}

/** The fault with what was told of it, and what must stop. */
const faultEntries = (given: Given): Entry[] =>
  given.call.machine && saidIn(given)
    ? [reportEntry(given), heldEntry(given), ...answerEntries(given)].filter((entry) => entry !== null)
    : []

/** Out of use at once, while they are still on the line: the fault, and that nobody uses it. */
export const holdEntries = (given: Given): Entry[] =>
  [reportEntry(given), heldEntry(given)].filter((entry) => entry !== null)

/** To be rung back: what was said so far, so that nobody asks it twice. */
export const ringBackEntries = (given: Given): Entry[] => [
  ...(given.call.search ? faultEntries(given) : []),
  callEntry(given, 'ring-back'),
]

/** Rung, and nothing more to do. */
export const doneEntries = (given: Given): Entry[] => [callEntry(given, 'done')]

/** Solved on the telephone: what it was, where somebody knows. Of a machine that is known. */
export const solvedEntries = (given: Given, { cause, fault }: { cause: string; fault: string | null }): Entry[] => [
  ...faultEntries(given),
  named(given, `repaired ${fault}`, machineOf(given.call), 'repaired', {
    text: 'Put right by the customer, on the telephone',
    ...(cause && { cause }),
    ...(fault && { fault }),
    report: given.idOf('report'),
    cured: true,
  }),
  callEntry(given, 'solved'),
]

/** How a visit is put in. */
export interface PutIn {
  /** Of work for the fault. */
  minutes: number
  /** They are told a time; else the day alone. */
  promised: boolean
  step: 'agreed' | 'asked'
}

/** A visit agreed on the telephone: the fault, the order the day is driven in, the call, the visit. */
export function visitEntries(given: Given, moment: CallMoment, { minutes, promised, step }: PutIn): Entry[] {
  const { call, idOf, firmId } = given
  const { on, technicianId, siteIds, joins, stopMin } = moment
  const report = idOf('report')
  const from = joins?.promised ?? (promised ? moment.promise : undefined)
  // A visit that goes for a fault already goes for both; rung about again it is one.
  const before = joins?.repair && joins.repair.report !== report ? joins.repair.minutes : 0
  const again = joins?.repair?.report === report ? joins.repair.minutes : 0
  const body = {
    // What was agreed stays agreed.
    step: joins?.state === 'agreed' ? 'agreed' : step,
    on,
    technicianId,
    minutes: Math.round((joins?.minutes ?? stopMin) - again + minutes),
    tasks: joins?.tasks ?? [],
    repair: { report, minutes: before + minutes },
    ...(from && { from }),
  } as const
  const put = JSON.stringify([body.step, on, technicianId, body.minutes, from])
  return [
    ...faultEntries(given),
    named(given, `order ${on} ${technicianId} ${siteIds.join(' ')}`, ['firm', firmId], 'day-order', {
      on,
      technicianId,
      siteIds,
    }),
    callEntry(given, 'visit'),
    named(
      given,
      `appointment ${put}`,
      ['site', call.machine!.siteId],
      'appointment',
      body,
      joins?.visitId ?? idOf('visit'),
    ),
  ]
}

/** What the search goes on from at the machine: the answers stay told. */
export const searchToGoOn = ({ phone: _, stop: __, provedDead: ___, ...search }: Search): Search => search
