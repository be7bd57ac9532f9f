import { v7 } from 'uuid'
import { bothSides } from '../core/firm/both-sides.ts'
import { actOfKeeping, fixedFields, type Kept, type RecordKind, recordSchemas } from '../core/firm/records.ts'
import { may } from '../core/firm/rights.ts'
import { canonical } from '../core/ledger/same-body.ts'
import { type Issue, parseStrict } from '../core/parse/parse-strict.ts'
import { addChange, recordBefore } from '../records/changes.ts'
import { type Db, retrying, type Trx, withFirm } from '../records/database.ts'
import { dropInvitations } from '../records/invitations.ts'
import { insertKept, type KeptRecord, keptById, updateKept } from '../records/kept.ts'
import { endSessions } from '../records/sessions.ts'
import { lockSubjects, reckonedBy } from '../records/subjects.ts'
import { type Actor, issuesOfRecordReferences } from './judge-entry.ts'
import { kindInFirm } from './own-kinds.ts'
import { reckonLater } from './rebuild.ts'
import { type Caller, nobody } from './signing-in/caller.ts'
import { tell } from './signing-in/tell.ts'
import { isWritten, writeGroup } from './write-entries.ts'

export type Keeping =
  | { ok: true; version: number }
  | { ok: false; why: 'refused' | 'stale' | 'unknown' | 'forbidden'; issues: Issue[] }

export interface KeepRequest {
  kind: RecordKind
  id: string
  /** The version the writer read; 0 for a new record. */
  version: number
  record: unknown
  /** Entries that belong to it: opening days, the day it was taken on. Written with it or not at all. */
  entries?: unknown[]
  /** The version whose fields whoever asks was shown beside theirs. */
  seen?: number
}

/** Breaks the transaction with its answer: nothing of it stays. */
class Refused extends Error {
  /** By which one who changes many can try again what only somebody else’s change stood in the way of. */
  readonly code: string
  constructor(readonly answer: Keeping) {
    super('refused')
    this.code = answer.ok ? '' : answer.why
  }
}

/**
 * Adds a record or changes one, with the entries that belong to it, in one transaction; what it was before
 * is written down. The same request again succeeds and changes nothing.
 */
export async function keepRecord(
  db: Db,
  actor: Actor,
  request: KeepRequest,
  now: Date,
  caller: Caller = nobody,
): Promise<Keeping> {
  const { kind } = request
  if (!may(actor.role, actOfKeeping(kind))) return forbidden
  const parsed = parseStrict(recordSchemas[kind], request.record)
  if (!parsed.ok) return { ok: false, why: 'refused', issues: parsed.issues }
  const record = parsed.value as Kept<RecordKind>
  try {
    return await retrying(() =>
      withFirm(db, actor.firmId, (trx) => keepInto(trx, actor, { ...request, record }, now, caller)),
    )
  } catch (error) {
    if (error instanceof Refused) return error.answer
    if ((error as { code?: string }).code !== '23505') throw error
    const value = (record as { serial?: string }).serial
    const issue = { path: 'serial', code: 'taken', message: 'is the serial number of another machine', value }
    return { ok: false, why: 'refused', issues: [issue] }
  }
}

/** The same inside the caller's transaction. @throws Refused to undo it */
export async function keepInto(
  trx: Trx,
  actor: Actor,
  request: KeepRequest & { record: Kept<RecordKind> },
  now: Date,
  caller: Caller,
): Promise<Keeping> {
  const { kind, id, version, record: asked, entries = [] } = request
  const issues = await judgeRecord(trx, actor, kind, id, asked)
  if (issues.length > 0) throw new Refused({ ok: false, why: 'refused', issues })
  const there = await keptById(trx, kind, id)
  if (!there && version !== 0) throw new Refused({ ok: false, why: 'unknown', issues: [] })
  const isKnown = there === null || there.version === version || sameRecord(there, asked)
  const record = isKnown ? asked : await withTheirs(trx, there, request)
  const same = there !== null && sameRecord(there, record)
  if (there && !same) {
    const fixed = (fixedFields[kind] ?? []).filter(
      (field) => canonical(of(there, field)) !== canonical(of(record, field)),
    )
    if (fixed.length > 0) {
      const message = 'is part of its history: move it, and the day is kept'
      const refused = fixed.map((path) => ({ path, code: 'fixed', message, value: of(record, path) }))
      throw new Refused({ ok: false, why: 'refused', issues: refused })
    }
  }
  if (!there) await insertKept(trx, actor.firmId, kind, id, record)
  let kept = there?.version ?? 1
  if (there && !same) {
    const next = await updateKept(trx, kind, id, there.version, record)
    if (next === null) throw new Refused(stale(version))
    kept = next
    await moveReckonings(trx, actor.firmId, kind, there, record)
    if (kind === 'technician') {
      if (of(there, 'role') !== of(record, 'role')) await tell(trx, actor, 'role-changed', caller, id)
      if (of(record, 'leftOn')) {
        await shutOut(trx, actor.firmId, id, now)
        await tell(trx, actor, 'left', caller, id)
      }
    }
  }
  if (!same) {
    const { id: _, version: __, ...before } = there ?? { id, version: 0 }
    await addChange(trx, actor.firmId, {
      id: v7(),
      at: now.toISOString(),
      technicianId: actor.technicianId,
      action: there ? 'changed' : 'added',
      aboutKind: kind,
      aboutId: id,
      ...(there && { before }),
      after: record,
    })
  }
  if (entries.length > 0) {
    const answer = await writeGroup(trx, actor, entries, { now })
    if (!isWritten(answer)) {
      const refused = answer.verdicts.flatMap((verdict) => ('issues' in verdict ? verdict.issues : []))
      throw new Refused({ ok: false, why: 'refused', issues: refused })
    }
  }
  return { ok: true, version: kept }
}

async function judgeRecord(
  trx: Trx,
  actor: Actor,
  kind: RecordKind,
  id: string,
  record: Kept<RecordKind>,
): Promise<Issue[]> {
  const issues = await issuesOfRecordReferences(trx, kind, record)
  if (kind === 'firm' && id !== actor.firmId) issues.push({ path: 'id', code: 'unknown', message: 'is another firm' })
  if (kind === 'machine' && !(await kindInFirm(trx, (record as Kept<'machine'>).kind)))
    issues.push({
      path: 'kind',
      code: 'unknown',
      message: 'is no kind we know',
      value: (record as Kept<'machine'>).kind,
    })
  if (kind === 'technician' && id === actor.technicianId) {
    const own = record as Kept<'technician'>
    // Whoever locks the last door must not stand outside.
    if (own.role !== 'owner' || own.leftOn)
      issues.push({
        path: own.leftOn ? 'leftOn' : 'role',
        code: 'self',
        message: 'is your own: another owner must do that',
      })
  }
  return issues
}

/** Who has left is signed in nowhere and follows no link, for good: coming back means signing in anew. */
async function shutOut(trx: Trx, firmId: string, technicianId: string, now: Date): Promise<void> {
  await endSessions(trx, firmId, { technicianId }, { why: 'left', at: now })
  await dropInvitations(trx, firmId, technicianId)
}

/** Another water zone or customer gives a site's machines other defaults. */
async function moveReckonings(
  trx: Trx,
  firmId: string,
  kind: RecordKind,
  before: KeptRecord,
  after: Kept<RecordKind>,
): Promise<void> {
  if (kind !== 'site') return
  const moved = ['supplyId', 'customerId'].some((field) => of(before, field) !== of(after, field))
  if (!moved) return
  const subjects = await reckonedBy(trx, [{ id: before.id, kind: 'site' }])
  const ids = subjects.map((subject) => subject.id)
  await lockSubjects(trx, ids)
  await reckonLater(trx, firmId, ids)
}

const of = (record: object, field: string) => (record as Record<string, unknown>)[field]

function sameRecord({ id: _, version: __, ...fields }: KeptRecord, record: Kept<RecordKind>): boolean {
  return canonical(fields) === canonical(record)
}

/**
 * The record with what others changed since this one was read; where both changed the same field it is refused, field by
 * field, until whoever asks has seen it.
 * @throws Refused
 */
async function withTheirs(
  trx: Trx,
  there: KeptRecord,
  { id, version, seen, record }: KeepRequest & { record: Kept<RecordKind> },
): Promise<Kept<RecordKind>> {
  const { id: _, version: now, ...theirs } = there
  const base = version > 0 && version < now ? await recordBefore(trx, id, now - version, theirs) : null
  if (!base) throw new Refused(stale(version))
  const { merged, differs } = bothSides(base, theirs, record)
  if (differs.length > 0 && seen !== now) throw new Refused(changedSince(theirs, differs, now))
  return merged as unknown as Kept<RecordKind>
}

/** What somebody else put where this one was to be changed. */
function changedSince(theirs: object, fields: string[], version: number): Keeping {
  const message =
    'Somebody else changed this meanwhile: what they put stands at its field. Save again, and yours is kept.'
  return {
    ok: false,
    why: 'stale',
    issues: [
      { path: '', code: 'changed_since', message, value: version },
      ...fields.map((path) => {
        const value = of(theirs, path)
        const words = typeof value === 'string' || typeof value === 'number' ? `“${value}”` : 'something else'
        return {
          path,
          code: 'theirs',
          message: `is ${value === '' ? 'empty' : words} now: somebody else put it so`,
          value,
        }
      }),
    ],
  }
}

const forbidden: Keeping = {
  ok: false,
  why: 'forbidden',
  issues: [{ path: '', code: 'owner_only', message: 'Only the owner may do that.' }],
}

const stale = (version: number): Keeping => ({
  ok: false,
  why: 'stale',
  issues: [
    {
      // Of the whole record: it names no field that anybody typed.
      path: '',
      code: 'stale',
      message: 'This was changed by somebody else meanwhile: reload to see it, then change it again.',
      value: version,
    },
  ],
})
