import type { FaultBook } from '../../../core/faults/fault.ts'
import type { Search } from '../../../core/faults/search.ts'
import { stopOf } from '../../../core/faults/stops.ts'
import type { Entry } from '../../../core/ledger/entry.ts'
import type { CallEnd } from '../../../core/ledger/kinds/call.ts'
import type { CallMoment } from '../../../views/call-page.ts'
import { seenWords } from '../../fault/repair-entries.ts'
import { makeEntry } from '../../make-entry.ts'
import type { KeptCall } from './kept-call.ts'

interface Given {
  call: KeptCall
  idOf: (name: string) => string
  book: FaultBook | null
  firmId: string
  today: string
}

/** What they said, as it stands in the ledger: their words, or the complaint they were taken for. */
const saidIn = ({ text, search }: Pick<KeptCall, 'text' | 'search'>, book: FaultBook | null): string =>
  text.trim() || (book?.symptoms.find(({ id }) => id === search?.symptom)?.name ?? '')

/** The fault as it was reported, once; none where nobody knows of which machine. */
export function reportEntry({ call, idOf, book, today }: Omit<Given, 'firmId'>): Entry | null {
  const text = saidIn(call, book)
  if (!call.machine || !text) return null
  const symptom = call.search?.symptom
  return makeEntry('machine', call.machine.machineId, 'fault-reported', { text, ...(symptom && { symptom }) }, today, {
    id: idOf('report'),
  })
}

/** What must stop, as it stands on every list until it is released. */
export function heldEntry({ call, idOf, today }: Omit<Given, 'book' | 'firmId'>): Entry | null {
  const stop = call.search?.stop
  if (!call.machine || !stop || stop === 'none') return null
  const { holds, only } = stopOf(stop)
  return makeEntry('machine', call.machine.machineId, 'held', { why: holds, ...(only && { only }) }, today, {
    id: idOf('held'),
  })
}

/** What was told, each answer as it was asked. */
function answerEntries({ call, idOf, book, today }: Omit<Given, 'firmId'>): Entry[] {
  const { machine, search } = call
  if (!machine || !search || !book) return []
  return search.seen.flatMap(({ test, outcome, value, words, times }, i) =>
    i < (call.onRecord ?? 0)
      ? []
      : makeEntry(
          'machine',
          machine.machineId,
          'test-seen',
          {
            test,
            outcome,
            words: seenWords(book, { test, outcome, ...(words && { words }) }),
            report: idOf('report'),
            said: true,
            ...(value !== undefined && { value }),
            ...(times && { times }),
          },
          today,
          { id: idOf(`seen ${i}`) },
        ),
  )
}

/** The call itself: about the machine, or about the firm where nobody knew of which. */
function callEntry({ call, idOf, book, firmId, today }: Given, end: CallEnd): Entry {
  const text = saidIn(call, book)
  const { machine, caller, phone, answers } = call
  const body = {
    end,
    ...(text && { text }),
    ...(caller.trim() && { caller: caller.trim() }),
    ...(phone.trim() && { phone: phone.trim() }),
    ...(machine && text && end !== 'ring-back' && end !== 'done' && { report: idOf('report') }),
    ...(answers && { answers }),
  }
  const id = idOf(`call ${end}`)
  return machine
    ? makeEntry('machine', machine.machineId, 'call', body, today, { id })
    : makeEntry('firm', firmId, 'call', body, today, { id })
}

/** The fault with what was told of it, and what must stop. */
const faultEntries = (given: Given): Entry[] => {
  const report = reportEntry(given)
  if (!report) return []
  const held = given.call.isHeld ? null : heldEntry(given)
  return [...(given.call.isReported ? [] : [report]), ...(held ? [held] : []), ...answerEntries(given)]
}

/** To be rung back: what was said so far, so that nobody asks it twice. */
export const ringBackEntries = (given: Given): Entry[] => [
  ...(given.call.search ? faultEntries(given) : []),
  callEntry(given, 'ring-back'),
]

/** Rung, and nothing more to do. */
export const doneEntries = (given: Given): Entry[] => [callEntry(given, 'done')]

/** Solved on the telephone: what it was, where somebody knows. */
export function solvedEntries(given: Given, { cause, fault }: { cause: string; fault: string | null }): Entry[] {
  const { call, idOf, today } = given
  const report = faultEntries(given)
  if (!call.machine) return [callEntry(given, 'solved')]
  return [
    ...report,
    makeEntry(
      'machine',
      call.machine.machineId,
      'repaired',
      {
        text: 'Put right by the customer, on the telephone',
        ...(cause && { cause }),
        ...(fault && { fault }),
        report: idOf('report'),
        cured: true,
      },
      today,
      { id: idOf('repaired') },
    ),
    callEntry(given, 'solved'),
  ]
}

/** A visit agreed on the telephone: the fault, the visit, the order it is driven in, the call. */
export function visitEntries(
  given: Given,
  moment: CallMoment,
  { minutes, promised, step }: { minutes: number; promised: boolean; step: 'agreed' | 'asked' },
): Entry[] {
  const { call, idOf, firmId, today } = given
  const { siteId } = call.machine!
  const { joins } = moment
  const from = joins?.promised ?? (promised ? moment.promise : undefined)
  return [
    ...faultEntries(given),
    makeEntry(
      'firm',
      firmId,
      'day-order',
      { on: moment.on, technicianId: moment.technicianId, siteIds: moment.siteIds },
      today,
      { id: idOf(`order ${moment.on} ${moment.technicianId} ${moment.siteIds.join(' ')}`) },
    ),
    callEntry(given, 'visit'),
    makeEntry(
      'site',
      siteId,
      'appointment',
      {
        step,
        on: moment.on,
        technicianId: moment.technicianId,
        minutes: Math.round((joins?.minutes ?? stopMinutes) + minutes),
        tasks: joins?.tasks ?? [],
        repair: { report: idOf('report'), minutes },
        ...(from && { from }),
      },
      today,
      { id: idOf(`appointment ${moment.on} ${moment.technicianId}`), visitId: joins?.visitId ?? idOf('visit') },
    ),
  ]
}

/** The stop itself, beside the work. */
const stopMinutes = 15

/** What the search goes on from at the machine: the answers stay told. */
export const searchToGoOn = ({ phone: _, stop: __, provedDead: ___, ...search }: Search): Search => search
