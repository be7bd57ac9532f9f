import { array, number, object } from 'yup'
import { actOfKeeping, type RecordKind, recordKinds } from '../../../../core/firm/records.ts'
import { parseStrict } from '../../../../core/parse/parse-strict.ts'
import { actorOf, answerOf, endpoint, json, notFound, readJson, refuse, refusedAct } from '../../../../server/api.ts'
import { callerOf } from '../../../../server/caller.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { keepRecord } from '../../../../services/keep-record.ts'
import { recordById } from '../../../../services/records.ts'
import { isRemovable, removeRecord } from '../../../../services/removing.ts'

const request = object({
  version: number().integer().min(0).required(),
  seen: number().integer().min(1),
  record: object().required(),
  entries: array().max(50, 'must be at most 50 entries').default([]),
}).noUnknown()

const status = { refused: 422, stale: 409, unknown: 404, forbidden: 403 } as const

/** Adds a record (version 0) or changes the one that has this version. Safe to send again. */
export const PUT = endpoint(async (context, who) => {
  const { params, request: sent, locals } = context
  const kind = kindOf(params.kind)
  const id = params.id ?? ''
  if (!kind || !isUuid(id)) return notFound()
  const refused = refusedAct(who, actOfKeeping(kind))
  if (refused) return refused
  const read = await readJson(sent)
  if (!read.ok) return read.response
  const parsed = parseStrict(request, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  const { version, seen, entries } = parsed.value
  const { record } = read.body as { record: unknown }
  const kept = await keepRecord(
    locals.db,
    actorOf(who),
    { kind, id, version, record, entries, ...(seen !== undefined && { seen }) },
    locals.now,
    callerOf(context),
  )
  return kept.ok ? json({ version: kept.version }) : refuse(status[kept.why], kept.issues)
})

/** One record with its version. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const kind = kindOf(params.kind)
  const id = params.id ?? ''
  const record = kind && isUuid(id) ? await recordById(locals.db, firm.id, kind, id) : null
  return record ? json(record) : notFound()
})

/** Removes one that nothing hangs on. */
export const DELETE = endpoint(async ({ params, locals }, who) => {
  const { kind, id = '' } = params
  if (!isRemovable(kind) || !isUuid(id)) return notFound()
  return answerOf(await removeRecord(locals.db, actorOf(who), kind, id, locals.now))
})

const kindOf = (text: string | undefined): RecordKind | undefined => recordKinds.find((kind) => kind === text)
