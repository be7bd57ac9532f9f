import { array, number, object, string } from 'yup'
import { parseStrict } from '../../core/parse/parse-strict.ts'
import { actorOf, endpoint, json, readJson, refuse } from '../../server/api.ts'
import { log } from '../../server/log.ts'
import { writeReportsAsked } from '../../services/letters/reports-asked.ts'
import { entriesAfter } from '../../services/pull-entries.ts'
import { writeEntries } from '../../services/write-entries.ts'
import { paperWords } from '../_paper-words.ts'

const mostEntries = 500
type Dated = { happenedOn?: unknown }

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
  /** How far the ledger was known where they were written, of those that waited without network. */
  known: array(object({ id: string().max(40).required(), seq: number().integer().min(0).required() }).noUnknown()).max(
    mostEntries,
  ),
}).noUnknown()

/** The outbox: takes a batch of entries and says what became of each. Safe to send again. */
export const POST = endpoint(async ({ request, locals }, who) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(batch, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  const { entries, unlessSince, origin, by, known } = parsed.value
  if (by !== undefined && by !== who.technician.id)
    return refuse(409, [
      { path: 'by', code: 'somebody_else', message: `is somebody else: ${who.technician.name} is signed in here` },
    ])
  // Who left hands in what they did until then.
  const { leftOn } = who.technician
  const late = leftOn && entries.find((entry) => String((entry as Dated).happenedOn) > leftOn)
  if (late)
    return refuse(422, [
      {
        path: 'happenedOn',
        code: 'left',
        message: `is after ${leftOn}, the day they left`,
        value: (late as Dated).happenedOn,
      },
    ])
  const answer = await writeEntries(locals.db, actorOf(who), entries, {
    now: locals.now,
    ...(unlessSince && { unlessSince }),
    ...(origin && { origin }),
    ...(known && { known: new Map(known.map(({ id, seq }) => [id, seq])) }),
  })
  // What was saved stays saved: a report that cannot be made is missing among the papers of its visit, and is sent there.
  await writeReportsAsked(locals.db, who.firm, actorOf(who), entries, answer, {
    now: locals.now,
    words: paperWords(who.firm.name),
  }).catch((error: unknown) => log.error({ err: error, id: locals.requestId }, 'report not sent'))
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
