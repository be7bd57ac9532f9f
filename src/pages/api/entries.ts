import { array, number, object, string } from 'yup'
import { parseStrict } from '../../core/parse/parse-strict.ts'
import { actorOf, endpoint, json, readJson, refuse } from '../../server/api.ts'
import { entriesAfter } from '../../services/pull-entries.ts'
import { writeEntries } from '../../services/write-entries.ts'

const mostEntries = 500

const batch = object({
  entries: array().required().min(1).max(mostEntries, `must be at most ${mostEntries} entries: send several batches`),
  unlessSince: object({
    seq: number().integer().min(0).required(),
    subjectIds: array(string().max(40).required()).required().max(20),
  })
    .noUnknown()
    .default(undefined),
  /** Where the entries came from when nobody wrote them here. */
  origin: string().max(200),
  /** Who wrote them, where they waited on a device: somebody else may be signed in there by now. */
  by: string().max(40),
}).noUnknown()

/** The outbox: takes a batch of entries and says what became of each. Safe to send again. */
export const POST = endpoint(async ({ request, locals }, who) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(batch, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  const { entries, unlessSince, origin, by } = parsed.value
  if (by !== undefined && by !== who.technician.id)
    return refuse(409, [
      { path: 'by', code: 'somebody_else', message: `is somebody else: ${who.technician.name} is signed in here` },
    ])
  const answer = await writeEntries(locals.db, actorOf(who), entries, {
    now: locals.now,
    ...(unlessSince && { unlessSince }),
    ...(origin && { origin }),
  })
  const verdicts = new Set(answer.verdicts.map(({ verdict }) => verdict))
  const status = answer.writtenSince || verdicts.has('conflict') ? 409 : verdicts.has('refused') ? 422 : 200
  return json(answer, status)
})

const pageOfEntries = 500

/** Entries written since a cursor, oldest first: how a device catches up. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const since = Number(url.searchParams.get('since') ?? '0')
  if (!Number.isSafeInteger(since) || since < 0) {
    return refuse(400, [
      { path: 'since', code: 'cursor', message: 'must be a whole number ≥ 0', value: url.searchParams.get('since') },
    ])
  }
  return json(await entriesAfter(locals.db, firm.id, since, pageOfEntries))
})
