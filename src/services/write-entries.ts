import type { ReceivedEntry, RecordedEntry } from '../core/ledger/entry.ts'
import { parseEntry } from '../core/ledger/parse-entry.ts'
import { sameEntry } from '../core/ledger/same-body.ts'
import { inTodaysWords } from '../core/ledger/upcast.ts'
import { type Db, retrying, type Trx, withFirm } from '../records/database.ts'
import { theFirm } from '../records/firms.ts'
import { appendEntries, entriesById } from '../records/ledger.ts'
import { lockSubjects } from '../records/subjects.ts'
import type { EntriesAnswer, EntryVerdict } from '../views/entry-verdict.ts'
import { affectedBy } from './affected-by.ts'
import { type Actor, duplicateIds, judgeEntry, taken, timeZones } from './judge-entry.ts'
import { issuesOfReferences } from './judge-references.ts'
import { isReckonedAtOnce, projections, type Written } from './projections.ts'
import { writtenSince } from './written-since.ts'

export interface WriteOptions {
  now: Date
  /** When each entry was recorded; `now` unless history is being laid down. */
  recordedAt?: (entry: ReceivedEntry) => string
  /** Where entries came from that nobody here wrote: another firm's passport, a spreadsheet. */
  origin?: string
  /** Write the whole batch in one transaction, whatever visits it holds. */
  asOne?: boolean
  /** The firm's cursor the writer last saw: if a named machine has newer entries, nothing is written. */
  unlessSince?: { seq: number; subjectIds: string[] }
  /** Another firm tells this: instruments, sites and people in it are not ours, and need not be. */
  told?: boolean
  /** Leave the reckoning to the worker, however few are moved: for imports. */
  reckonLater?: boolean
}

/**
 * Writes a batch to the ledger and says what became of each entry. A visit is written whole or not at
 * all, in one transaction with the standings it moves; entries without a visit stand alone. Writing the
 * same batch again changes nothing and succeeds.
 */
export async function writeEntries(
  db: Db,
  actor: Actor,
  inputs: unknown[],
  options: WriteOptions,
): Promise<EntriesAnswer> {
  const verdicts: EntryVerdict[] = []
  let seq = 0
  for (const group of options.asOne ? [inputs] : byVisit(inputs)) {
    // Two that send the same id at once, about different machines: the second to come is told that it is taken.
    const answer = await retrying(
      () => withFirm(db, actor.firmId, (trx) => writeGroup(trx, actor, group, options)),
      ['23505'],
    )
    verdicts.push(...answer.verdicts)
    seq = answer.seq
    if (answer.writtenSince) return { verdicts, seq, writtenSince: answer.writtenSince }
  }
  return { verdicts, seq }
}

/** Inputs in the order they came, those of one visit together. */
function byVisit(inputs: unknown[]): unknown[][] {
  const groups = new Map<unknown, unknown[]>()
  for (const input of inputs) {
    const visitId = (input as { visitId?: unknown } | null)?.visitId
    const key = typeof visitId === 'string' ? visitId : Symbol('alone')
    groups.set(key, [...(groups.get(key) ?? []), input])
  }
  return [...groups.values()]
}

/** Whether every entry of a batch is in the ledger now. */
export const isWritten = (answer: EntriesAnswer): boolean =>
  !answer.writtenSince && answer.verdicts.every(({ verdict }) => verdict === 'saved' || verdict === 'already')

/** One batch, whole or not at all, in the caller's transaction: a refusal has written nothing. */
export async function writeGroup(
  trx: Trx,
  actor: Actor,
  inputs: unknown[],
  options: WriteOptions,
): Promise<EntriesAnswer> {
  const parsed = inputs.map((input) => parseEntry(input))
  const entries = parsed.flatMap((result) => (result.ok ? [result.value] : []))
  const beside = entries.map(inTodaysWords)
  const about = new Map(entries.map((entry) => [entry.subjectId, entry.subjectKind]))
  const affected = await affectedBy(trx, beside)
  const atOnce = isReckonedAtOnce({ affected, later: options.reckonLater ?? false })
  const locked = await lockSubjects(trx, [...about.keys(), ...(atOnce ? affected.keys() : [])])
  const known = new Map(
    (
      await entriesById(
        trx,
        entries.map((entry) => entry.id),
      )
    ).map((entry) => [entry.id, entry]),
  )
  const zones = await timeZones(trx, locked, affected)
  const pointing = options.told ? [] : await issuesOfReferences(trx, actor.firmId, beside)

  const verdicts: EntryVerdict[] = []
  for (const [i, result] of parsed.entries()) {
    const id = String((inputs[i] as { id?: unknown } | null)?.id ?? '')
    if (!result.ok) {
      verdicts.push({ id, verdict: 'refused', issues: result.issues })
      continue
    }
    const entry = result.value
    const there = known.get(entry.id)
    if (there && sameEntry(there, entry)) verdicts.push({ id, verdict: 'already' })
    else if (there) verdicts.push({ id, verdict: 'conflict', issues: [taken(entry)] })
    else {
      const issues = [
        ...(await judgeEntry(trx, inTodaysWords(entry), actor, locked, zones, { ...options, beside })),
        ...(pointing[entries.indexOf(entry)] ?? []),
      ]
      verdicts.push(issues.length > 0 ? { id, verdict: 'refused', issues } : { id, verdict: 'saved' })
    }
  }
  const twice = duplicateIds(entries)
  for (const verdict of verdicts) {
    if (twice.has(verdict.id) && verdict.verdict === 'saved') {
      Object.assign(verdict, {
        verdict: 'refused',
        issues: [{ path: 'id', code: 'twice', message: 'stands twice in one batch', value: verdict.id }],
      })
    }
  }
  const seq = (await theFirm(trx))?.seq ?? 0
  if (verdicts.some((verdict) => verdict.verdict === 'refused' || verdict.verdict === 'conflict')) {
    return {
      verdicts: verdicts.map((verdict) =>
        verdict.verdict === 'saved' ? { id: verdict.id, verdict: 'held' } : verdict,
      ),
      seq,
    }
  }
  const fresh = entries.filter((entry) => !known.has(entry.id))
  if (fresh.length === 0) return { verdicts, seq }
  if (options.unlessSince) {
    const newer = await writtenSince(trx, options.unlessSince.subjectIds, options.unlessSince.seq, fresh)
    if (newer.length > 0) {
      return { verdicts: verdicts.map(({ id }) => ({ id, verdict: 'held' })), seq, writtenSince: newer }
    }
  }
  const recorded = fresh.map((entry) => ({
    ...entry,
    recordedAt: options.recordedAt?.(entry) ?? options.now.toISOString(),
    recordedBy: actor.technicianId,
    ...(options.origin && { origin: options.origin }),
  }))
  const written: Written = {
    firmId: actor.firmId,
    entries: recorded.map((entry): RecordedEntry => inTodaysWords({ ...entry, seq: 0 })),
    affected,
    later: options.reckonLater ?? false,
  }
  for (const projection of projections) await projection.atOnce(trx, written)
  await appendEntries(trx, actor.firmId, recorded)
  return { verdicts, seq: seq + recorded.length }
}
