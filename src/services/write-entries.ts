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
import { issuesOfClosing } from './judge-closing.ts'
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
  /** How far the ledger was known where an entry was written, of those that were written without network, by id. */
  known?: ReadonlyMap<string, number>
  /** Ids of everything that was sent with it: what of it was written a moment ago surprises nobody. */
  sent?: ReadonlySet<unknown>
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
  const sent = new Set(inputs.map((input) => (input as { id?: unknown } | null)?.id))
  const write = async (group: unknown[]): Promise<EntriesAnswer> => {
    // Two that send the same id at once, about different machines: the second to come is told that it is taken.
    const once = () => withFirm(db, actor.firmId, (trx) => writeGroup(trx, actor, group, { ...options, sent }))
    const answer = await retrying(once, ['23505'])
    seq = answer.seq
    return answer
  }
  for (const { group, isWhole } of options.asOne ? [{ group: inputs, isWhole: true }] : inGroups(inputs)) {
    const answer = isWhole ? await write(group) : await writeApart(group, write)
    verdicts.push(...answer.verdicts)
    if (answer.writtenSince) return { verdicts, seq, writtenSince: answer.writtenSince }
  }
  return { verdicts, seq }
}

/**
 * Writes entries that stand alone, together as long as nobody is refused: each machine is reckoned once, not once an
 * entry. What only others held up goes again without them.
 */
async function writeApart(
  group: unknown[],
  write: (group: unknown[]) => Promise<EntriesAnswer>,
): Promise<EntriesAnswer> {
  const told = new Map<unknown, EntryVerdict>()
  let waiting = group
  let answer: EntriesAnswer
  do {
    answer = await write(waiting)
    const { verdicts } = answer
    for (const [i, input] of waiting.entries()) told.set(input, verdicts[i]!)
    const before = waiting.length
    waiting = answer.writtenSince ? [] : waiting.filter((_, i) => verdicts[i]!.verdict === 'held')
    if (waiting.length === before) break
  } while (waiting.length > 0)
  return { ...answer, verdicts: group.map((input) => told.get(input)!) }
}

/** So many machines and places are written about in one transaction of entries that stand alone. */
const mostSubjects = 20

interface Group {
  group: unknown[]
  /** Of one visit: all or nothing. */
  isWhole: boolean
}

/** Inputs in the order they came: those of one visit together, and those that stand alone as many as go together well. */
function inGroups(inputs: unknown[]): Group[] {
  const groups: Group[] = []
  const visits = new Map<string, Group>()
  let apart: (Group & { ids: Set<unknown>; subjects: Set<unknown> }) | null = null
  for (const input of inputs) {
    const { visitId, id, subjectId } = (input ?? {}) as { visitId?: unknown; id?: unknown; subjectId?: unknown }
    if (typeof visitId === 'string') {
      const there = visits.get(visitId)
      if (there) there.group.push(input)
      else {
        // What stands after a visit may name what was written in it.
        apart = null
        const visit = { group: [input], isWhole: true }
        visits.set(visitId, visit)
        groups.push(visit)
      }
      continue
    }
    // The same entry twice is told twice: the second time it is there already.
    const fits = apart && !apart.ids.has(id) && (apart.subjects.has(subjectId) || apart.subjects.size < mostSubjects)
    if (!apart || !fits) {
      apart = { group: [], isWhole: false, ids: new Set(), subjects: new Set() }
      groups.push(apart)
    }
    apart.group.push(input)
    apart.ids.add(id)
    apart.subjects.add(subjectId)
  }
  return groups
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
        // What was closed long ago, and comes in as history, is not judged by what is known today.
        ...(options.told || options.recordedAt
          ? []
          : await issuesOfClosing(trx, inTodaysWords(entry), beside, options.known?.get(entry.id))),
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
    const { subjectIds, seq: since } = options.unlessSince
    const newer = await writtenSince(trx, subjectIds, since, fresh, options.sent ?? new Set())
    if (newer.length > 0) {
      return { verdicts: verdicts.map(({ id }) => ({ id, verdict: 'held' })), seq, writtenSince: newer }
    }
  }
  const recorded = fresh.map((entry) => ({
    ...entry,
    ...knowing(options.known?.get(entry.id), seq),
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

/** Nobody knew more of the ledger than there is. */
const knowing = (knownSeq: number | undefined, seq: number) =>
  knownSeq === undefined ? {} : { knownSeq: Math.min(knownSeq, seq) }
