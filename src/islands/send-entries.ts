import type { Entry } from '../core/ledger/entry.ts'
import type { Issue } from '../core/parse/parse-strict.ts'
import type { EntriesAnswer } from '../views/entry-verdict.ts'
import type { Sent } from './sent.ts'

/** A server that was full, or is just coming back, is asked again after these, ms: nobody has to press twice. */
const againAfter = [1000, 3000]
/** No answer is waited for longer: a line that is dead says nothing, ms. What can wait here does so sooner. */
const patience = 45_000
const patienceWhereItWaits = 8000

/** Posts entries until they are answered with something else than a breakdown. @throws where there is no connection */
async function post(body: string, waits: number[], most: number): Promise<Response> {
  const [wait, ...rest] = waits
  const response = await fetch('/api/entries', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
    signal: AbortSignal.timeout(most),
  })
  if (response.status < 500 || wait === undefined) return response
  await new Promise((resolve) => setTimeout(resolve, wait))
  return post(body, rest, most)
}

/**
 * Writes entries and says what became of them. Sending the same again is safe: ids make it one write. Where pages open
 * without network, what cannot be sent waits on this device, behind what was written before it.
 * @param from - where they came from when nobody wrote them here
 * @param waits - after which a server that could not take it is asked again, ms
 */
export async function sendEntries(
  entries: Entry[],
  unlessSince?: { seq: number; subjectIds: string[] },
  from: From = {},
  waits: number[] = againAfter,
): Promise<Sent> {
  if (!globalThis.navigator?.serviceWorker?.controller) return sendNow(entries, unlessSince, from, waits, patience)
  const { sendOrWait } = await import('./outbox.ts')
  const now = () => sendNow(entries, unlessSince, from, [], patienceWhereItWaits)
  return sendOrWait(entries, now, unlessSince?.seq ?? from.knownSeq ?? null, from.origin)
}

/** Where entries come from that nobody writes here and now. */
interface From {
  /** Said in the ledger. */
  origin?: string
  /** How far their writer knew the ledger. */
  knownSeq?: number
}

async function sendNow(
  entries: Entry[],
  unlessSince: Parameters<typeof sendEntries>[1],
  { origin, knownSeq }: From,
  waits: number[],
  most: number,
): Promise<Sent> {
  let response: Response
  // What is written here and now is held against what others wrote by the server itself.
  const known = origin !== undefined &&
    knownSeq !== undefined && { known: entries.map(({ id }) => ({ id, seq: knownSeq })) }
  try {
    const body = JSON.stringify({ entries, ...(unlessSince && { unlessSince }), ...(origin && { origin }), ...known })
    response = await post(body, waits, most)
  } catch {
    return {
      ok: false,
      why: 'offline',
      message: 'No connection. What you typed is kept on this device: save again when the network is back.',
    }
  }
  if (response.status === 401)
    return {
      ok: false,
      why: 'signed-out',
      message: 'You were signed out. What you typed is kept: sign in again, then save.',
    }
  if (response.status >= 500)
    return {
      ok: false,
      why: 'offline',
      message: 'The server could not take it just now. What you typed is kept on this device: save again in a moment.',
    }
  const answer = (await response.json()) as EntriesAnswer & { issues?: Issue[] }
  if (answer.issues)
    return { ok: false, why: 'refused', issues: answer.issues.map((issue) => ({ ...issue, entryId: '' })) }
  if (answer.writtenSince) return { ok: false, why: 'written-since', answer }
  const issues = answer.verdicts.flatMap((verdict) =>
    'issues' in verdict ? verdict.issues.map((issue) => ({ ...issue, entryId: verdict.id })) : [],
  )
  return issues.length > 0 ? { ok: false, why: 'refused', issues } : { ok: true, answer }
}
