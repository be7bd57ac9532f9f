import type { Entry, RecordedEntry } from '../core/ledger/entry.ts'
import { parseEntry } from '../core/ledger/parse-entry.ts'
import { sameEntry } from '../core/ledger/same-body.ts'
import type { Issue } from '../core/parse/parse-strict.ts'
import { type Db, retrying, type Trx, withFirm } from '../records/database.ts'
import { theFirm } from '../records/firms.ts'
import { appendEntries, entriesById } from '../records/ledger.ts'
import { siteById } from '../records/places.ts'
import { lockSubjects, markStale, type Reckoned, reckonedBy, type Subject } from '../records/subjects.ts'
import type { EntriesAnswer, EntryVerdict } from '../views/entry-verdict.ts'
import { localDayIn } from './clock.ts'
import { reckonAndStore } from './reckon-subjects.ts'
import { writtenSince } from './written-since.ts'

export interface Actor {
  firmId: string
  technicianId: string
  role: 'owner' | 'technician'
}

export interface WriteOptions {
  now: Date
  /** When each entry was recorded; `now` unless history is being laid down. */
  recordedAt?: (entry: Entry) => string
  /** Write the whole batch in one transaction, whatever visits it holds. */
  asOne?: boolean
  /** The firm's cursor the writer last saw: if a named machine has newer entries, nothing is written. */
  unlessSince?: { seq: number; subjectIds: string[] }
}

/** A write that moves more than this marks them stale and leaves the reckoning to the worker. */
const mostReckonedAtOnce = 50

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
    const answer = await retrying(() => withFirm(db, actor.firmId, (trx) => writeGroup(trx, actor, group, options)))
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

async function writeGroup(trx: Trx, actor: Actor, inputs: unknown[], options: WriteOptions): Promise<EntriesAnswer> {
  const parsed = inputs.map((input) => parseEntry(input))
  const entries = parsed.flatMap((result) => (result.ok ? [result.value] : []))
  const about = new Map(entries.map((entry) => [entry.subjectId, entry.subjectKind]))
  const moved = new Map<string, Reckoned>()
  for (const [id, kind] of about) {
    for (const subject of await reckonedBy(trx, { id, kind } as Subject)) moved.set(subject.id, subject)
  }
  const few = moved.size <= mostReckonedAtOnce
  const locked = await lockSubjects(trx, [...about.keys(), ...(few ? moved.keys() : [])])
  const known = new Map(
    (
      await entriesById(
        trx,
        entries.map((entry) => entry.id),
      )
    ).map((entry) => [entry.id, entry]),
  )
  const zones = await timeZones(trx, locked, moved)

  const verdicts = parsed.map((result, i): EntryVerdict => {
    const id = String((inputs[i] as { id?: unknown } | null)?.id ?? '')
    if (!result.ok) return { id, verdict: 'refused', issues: result.issues }
    const entry = result.value
    const there = known.get(entry.id)
    if (there && sameEntry(there, entry)) return { id, verdict: 'already' }
    if (there) return { id, verdict: 'conflict', issues: [taken(entry)] }
    const issues = judge(entry, actor, locked, zones, options.now)
    return issues.length > 0 ? { id, verdict: 'refused', issues } : { id, verdict: 'saved' }
  })
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
  }))
  const pending = recorded.map((entry): RecordedEntry => ({ ...entry, seq: 0 }))
  if (few) await reckonAndStore(trx, actor.firmId, [...moved.values()], pending)
  else await markStale(trx, [...moved.keys()])
  await appendEntries(trx, actor.firmId, recorded)
  return { verdicts, seq: seq + recorded.length }
}

function judge(
  entry: Entry,
  actor: Actor,
  locked: Map<string, Subject>,
  zones: Map<string, string>,
  now: Date,
): Issue[] {
  const subject = locked.get(entry.subjectId)
  if (!subject || subject.kind !== entry.subjectKind) {
    return [
      {
        path: 'subjectId',
        code: 'unknown',
        message: `is no ${entry.subjectKind} of this firm`,
        value: entry.subjectId,
      },
    ]
  }
  // What moves every machine of the firm is the owner's to decide.
  if (entry.kind === 'setting' && entry.subjectKind === 'firm' && actor.role !== 'owner') {
    return [{ path: 'subjectKind', code: 'owner_only', message: 'is for the owner: set it for a machine or a site' }]
  }
  // Without a site there is no zone: the day that is already somewhere counts as today.
  const today = localDayIn(zones.get(entry.subjectId) ?? 'Pacific/Kiritimati', now)
  const issues: Issue[] = []
  if (entry.happenedOn > today) {
    issues.push({
      path: 'happenedOn',
      code: 'future',
      message: `is in the future: today is ${today} there`,
      value: entry.happenedOn,
    })
  }
  const minutesAhead = (Date.parse(entry.happenedAt) - now.getTime()) / 60_000
  if (minutesAhead > 24 * 60) {
    issues.push({
      path: 'happenedAt',
      code: 'future',
      message: 'is more than a day ahead',
      value: entry.happenedAt,
    })
  }
  return issues
}

const taken = (entry: Entry): Issue => ({
  path: 'id',
  code: 'taken',
  message: 'is already the id of another entry',
  value: entry.id,
})

function duplicateIds(entries: Entry[]): Set<string> {
  const seen = new Set<string>()
  return new Set(entries.map((entry) => entry.id).filter((id) => seen.has(id) || !seen.add(id)))
}

/** Time zone of each subject that has a site. */
async function timeZones(
  trx: Trx,
  locked: Map<string, Subject>,
  moved: Map<string, Reckoned>,
): Promise<Map<string, string>> {
  const zones = new Map<string, string>()
  const ofSite = new Map<string, string>()
  for (const { id, kind } of locked.values()) {
    const siteId = kind === 'site' ? id : moved.get(id)?.siteId
    if (!siteId) continue
    if (!ofSite.has(siteId)) ofSite.set(siteId, (await siteById(trx, siteId))?.timeZone ?? 'UTC')
    zones.set(id, ofSite.get(siteId)!)
  }
  return zones
}
