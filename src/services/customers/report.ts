import type { Reported } from '../../core/customers/sending.ts'
import { type TheyTold, toldThem } from '../../core/customers/their-fault.ts'
import { bookFor } from '../../core/faults/books.ts'
import type { FaultBook } from '../../core/faults/fault.ts'
import { priorFactors, priorReasons } from '../../core/faults/prior-factors.ts'
import { seenWords } from '../../core/faults/seen-words.ts'
import { inSentence, stopOf } from '../../core/faults/stops.ts'
import { kindById } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { faultEvidence } from '../../core/standing/fault-evidence.ts'
import { heldNow } from '../../core/standing/held-now.ts'
import { machineKind } from '../../core/standing/machine-kind.ts'
import { reckonMachine } from '../../core/standing/reckon-machine.ts'
import { openReport } from '../../core/visits/open-reports.ts'
import type { Db } from '../../records/database.ts'
import type { Answer } from '../answer.ts'
import { type SentHow, type ToWrite, writeSent } from './send.ts'
import type { There } from './there.ts'

/** What is known of a machine's faults where somebody stands at it. */
export interface KnownFaults {
  kind: Kind
  book: FaultBook | null
  /** What its records say of each fault. */
  factors: Record<string, number>
}

/** @returns null of a machine whose kind nobody knows */
export function faultsOf({ care, histories, today }: There): KnownFaults | null {
  const { machine, ledgers } = care.bundle
  const kind = machineKind(histories) ?? kindById(machine.kind)
  if (!kind) return null
  const book = bookFor(kind)
  if (!book) return { kind, book: null, factors: {} }
  const standings = reckonMachine(ledgers, { showWorking: false })?.standings ?? []
  return { kind, book, factors: priorFactors(priorReasons(book, faultEvidence(kind, histories, standings, today))) }
}

/**
 * Writes that something is wrong: a call that somebody rings back. Of whoever knows the word the fault stands on record
 * with their answers, and what must stop is held until it is released; of anybody else all of it is words.
 */
export function report(db: Db, there: There, reported: Reported, how: SentHow): Promise<Answer> {
  return writeSent(db, there, reportEntries(there, faultsOf(there), reported, how.id), how)
}

function reportEntries(there: There, known: KnownFaults | null, told: Reported, id: string): ToWrite[] {
  const { machineId, histories, knows } = there
  const about = (kind: string, body: object): ToWrite => ({ about: 'machine', aboutId: machineId, kind, body })
  const { stop } = known ? toldThem(known.kind, known.book, told, known.factors) : { stop: stopSaid(told) }
  const answers = known?.book ? told.seen.map((seen) => ({ ...seen, words: seenWords(known.book!, seen) })) : []
  const symptom = known?.book?.symptoms.find((one) => one.id === told.symptom)
  const isReported = openReport(histories.machine?.entries ?? []) !== undefined
  const stands = knows && !isReported
  const text = [
    told.words,
    ...(stop ? [`Must stop: ${inSentence(stop.name)}`] : []),
    ...(stands ? [] : [...(symptom ? [symptom.name] : []), ...answers.map(({ words }) => words)]),
  ]
    .join('. ')
    .slice(0, mostText)
  const caller = { ...(told.caller && { caller: told.caller }), ...(told.phone && { phone: told.phone }) }
  if (!stands) {
    const call = about('call', { text, ...caller, end: 'ring-back' })
    return [call, ...(knows ? holding(there, stop, about) : [])]
  }
  // The first has the id of the form: all else points at it.
  return [
    about('fault-reported', { text: told.words, ...(symptom && { symptom: symptom.id }) }),
    about('call', { text, ...caller, end: 'ring-back', report: id }),
    ...answers.map(({ test, outcome, words }) => about('test-seen', { test, outcome, words, said: true, report: id })),
    ...holding(there, stop, about),
  ]
}

/** No call takes more: what was said first matters most. */
const mostText = 2000

const stopSaid = ({ stop }: TheyTold) => (stop && stop !== 'none' ? stopOf(stop) : null)

/** What must stop stands on every list until it is released; once. */
function holding(
  { histories }: There,
  stop: ReturnType<typeof stopOf> | null,
  about: (kind: string, body: object) => ToWrite,
): ToWrite[] {
  if (!stop || heldNow(histories).some(({ body }) => body.why === stop.holds)) return []
  return [about('held', { why: stop.holds, ...(stop.only && { only: stop.only }) })]
}
