import type { EntriesAnswer } from '../views/entry-verdict.ts'
import { alone } from './alone.ts'
import { offBy } from './clock-of.ts'
import { knock, obeyShutOut } from './door.ts'
import { forgetDevice } from './forget-device.ts'
import { allUnsent, changeUnsent, dropUnsent, type Unsent, type UnsentIssue } from './unsent.ts'
import { photosOfEntries, sendPhotoOf, withServersNames } from './waiting-photos.ts'

/** How sending what waits came out. */
export interface Sending {
  /** Saves that are in the ledger now. */
  sent: number[]
  /** Saves that cannot be written as they are. */
  refused: number[]
  /** Why the rest still waits; null where nothing of this person's does. */
  stopped: 'no network' | 'busy' | 'signed out' | 'somebody else' | null
}

interface Given {
  /** Whoever is signed in: what another wrote here is not sent in their name. */
  by: string
  now: number
  /** Also what waits for a later moment. */
  atOnce?: boolean
  /** No answer is waited for longer, ms. */
  patience?: number
  /** In the browser the network itself. */
  ask?: typeof fetch
}

/** Of one request, bytes and entries: what a thin line brings through before it breaks. */
const mostBytes = 256 * 1024
const mostEntries = 200

/**
 * Sends what waits, in the order it was written, each visit whole, until all is in the ledger or something stands in the
 * way. Only one tab does it at a time; done twice it is done once, by the entries' ids.
 */
export const sendUnsent = (given: Given): Promise<Sending> => alone('evenshot-unsent', () => sendAll(given))

async function sendAll({ by, now, atOnce = false, patience = 45_000, ask = fetch }: Given): Promise<Sending> {
  const sending: Sending = { sent: [], refused: [], stopped: null }
  let most = mostEntries
  let isOpen = false
  let isLeaving = false
  for (;;) {
    const waiting = toSend(await allUnsent(), by)
    if (waiting.length === 0) {
      // What a colleague wrote on the same device still waits for them.
      if (isLeaving) await forgetDevice(by)
      return sending
    }
    const inMs = waiting[0]!.nextAt - now
    // Further off than any pause: the clock of this device was set back since.
    if (!atOnce && inMs > 0 && inMs <= longestPause) return { ...sending, stopped: 'busy' }
    if (!isOpen) {
      const door = await atTheDoor(waiting, by, now, patience, ask)
      if (typeof door === 'string') return { ...sending, stopped: door }
      isOpen = true
      isLeaving = door.isLeaving
      sending.refused.push(...door.refused)
      if (door.refused.length > 0) continue
    }
    const chunk = nextChunk(await withoutPhotosFirst(waiting), most)
    const orders = chunk.map(({ order }) => order)
    const photos = await sendPhotos(chunk, ask, patience)
    if (photos.refused) {
      await refuse(photos.refused.item, [photos.refused.issue])
      sending.refused.push(photos.refused.item.order)
      continue
    }
    const told = photos.stopped ?? (await post(chunk, by, patience, ask))
    if (typeof told === 'string') {
      await changeUnsent(orders, ({ tries }) => ({ tries: tries + 1, nextAt: now + pauseAfter(tries) }))
      return { ...sending, stopped: told }
    }
    if ('issues' in told) {
      // Something in it is not even read: whose it is comes out when each goes by itself.
      if (chunk.length > 1) {
        most = 1
        continue
      }
      await refuse(chunk[0]!, told.issues)
      sending.refused.push(chunk[0]!.order)
      continue
    }
    const came = await settle(chunk, told)
    sending.sent.push(...came.sent)
    sending.refused.push(...came.refused)
    if (came.sent.length === 0 && came.refused.length === 0) return { ...sending, stopped: 'busy' }
  }
}

/**
 * Before anything is sent: whether the line is there, who is signed in, and what time it is. A save whose times the
 * server's clock contradicts waits for somebody to say which is right.
 */
async function atTheDoor(
  waiting: Unsent[],
  by: string,
  now: number,
  patience: number,
  ask: typeof fetch,
): Promise<{ refused: number[]; isLeaving: boolean } | NonNullable<Sending['stopped']>> {
  const door = await knock(patience, ask)
  if (typeof door === 'string') {
    const orders = waiting.map(({ order }) => order)
    await changeUnsent(orders, ({ tries }) => ({ tries: tries + 1, nextAt: now + pauseAfter(tries) }))
    return door
  }
  if (door.technicianId !== by) return 'somebody else'
  // Whoever left is asked nothing any more: what they wrote goes as they wrote it.
  if (door.isLeaving) return { refused: [], isLeaving: true }
  const refused: number[] = []
  for (const item of waiting) {
    const off = item.clockSaid ? 0 : offBy(item, now, door.nowMs)
    if (off === 0) continue
    const message = 'The clock of this device did not go with the server’s: say which time is right.'
    await refuse(item, [{ path: 'happenedAt', code: 'clock', message }], off)
    refused.push(item.order)
  }
  return { refused, isLeaving: false }
}

/** Their own, in order; of a visit in which something was refused, nothing: it is written whole or not at all. */
export function toSend(unsent: Unsent[], by: string): Unsent[] {
  const own = unsent.filter((item) => item.by === by)
  const refused = new Set(own.flatMap((item) => (item.state === 'refused' ? item.visitIds : [])))
  return own.filter((item) => item.state === 'waits' && !item.visitIds.some((id) => refused.has(id)))
}

/** The first of what waits, as many as go in one request; all up to the last of each visit in it. */
export function nextChunk<T extends Pick<Unsent, 'visitIds' | 'entryIds' | 'bytes' | 'origin'>>(
  waiting: T[],
  most = mostEntries,
): T[] {
  // Where entries came from goes with a request, not with an entry.
  const other = waiting.findIndex(({ origin }) => origin !== waiting[0]!.origin)
  const alike = other < 0 ? waiting : waiting.slice(0, other)
  let end = 0
  let entries = 0
  let bytes = 0
  for (const item of alike) {
    entries += item.entryIds.length
    bytes += item.bytes
    if (end > 0 && (entries > most || bytes > mostBytes)) break
    end += 1
  }
  for (;;) {
    const visits = new Set(alike.slice(0, end).flatMap(({ visitIds }) => visitIds))
    const last = alike.findLastIndex(({ visitIds }) => visitIds.some((id) => visits.has(id)))
    if (last < end) return alike.slice(0, end)
    end = last + 1
  }
}

/**
 * What names photos that are not sent yet goes after what does not: words are light. What is of the same visit or about
 * the same thing as something that waits for a photo keeps its place behind it.
 */
async function withoutPhotosFirst(waiting: Unsent[]): Promise<Unsent[]> {
  const behind: Unsent[] = []
  const ahead: Unsent[] = []
  for (const item of waiting) {
    const photos = await photosOfEntries(item.entries)
    const isHeavy = photos.some(({ name }) => name === null)
    const follows = behind.some(
      (one) =>
        one.visitIds.some((id) => item.visitIds.includes(id)) ||
        one.subjectIds.some((id) => item.subjectIds.includes(id)),
    )
    if (isHeavy || follows) behind.push(item)
    else ahead.push(item)
  }
  // A visit that begins with words and goes on with a photo is sent whole, behind.
  const heavy = new Set(behind.flatMap(({ visitIds }) => visitIds))
  const light = ahead.filter(({ visitIds }) => !visitIds.some((id) => heavy.has(id)))
  return light.length > 0 ? light : waiting
}

/** Sends the photos of a request, one after another. */
async function sendPhotos(
  chunk: Unsent[],
  ask: typeof fetch,
  patience: number,
): Promise<{
  stopped?: 'no network' | 'busy' | 'signed out'
  refused?: { item: Unsent; issue: Omit<UnsentIssue, 'entryId'> }
}> {
  for (const item of chunk)
    for (const { ref, name } of await photosOfEntries(item.entries)) {
      if (name !== null) continue
      const came = await sendPhotoOf(ref, ask, patience)
      if ('stopped' in came) return { stopped: came.stopped }
      if ('refused' in came)
        return { refused: { item, issue: { path: 'photo', code: 'photo', message: `The photo ${came.refused}` } } }
    }
  return {}
}

async function post(
  chunk: Unsent[],
  by: string,
  patience: number,
  ask: typeof fetch,
): Promise<EntriesAnswer | { issues: UnsentIssue[] } | NonNullable<Sending['stopped']>> {
  let response: Response
  const entries = chunk.flatMap((item) => item.entries)
  const sent = withServersNames(entries, await photosOfEntries(entries))
  try {
    response = await ask('/api/entries', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        entries: sent,
        by,
        ...(chunk[0]!.origin && { origin: chunk[0]!.origin }),
        known: knownOf(chunk),
      }),
      signal: AbortSignal.timeout(patience),
    })
  } catch {
    return 'no network'
  }
  if (await obeyShutOut(response)) return 'signed out'
  // Whoever may not come in yet has something to show first; what was written is not at fault.
  if (response.status === 401 || response.status === 403) return 'signed out'
  if (response.status >= 500 || response.status === 429) return 'busy'
  try {
    const answer = (await response.json()) as EntriesAnswer & { issues?: UnsentIssue[] }
    if (!answer.issues) return answer
    if (answer.issues[0]?.code === 'somebody_else') return 'somebody else'
    return { issues: answer.issues }
  } catch {
    // The line broke in the middle of the answer, or something between us and the server answered in its place.
    return 'no network'
  }
}

/** What came of each save of a request. */
async function settle(chunk: Unsent[], { verdicts }: EntriesAnswer): Promise<{ sent: number[]; refused: number[] }> {
  const verdictOf = new Map(verdicts.map((verdict) => [verdict.id, verdict]))
  const sent: number[] = []
  const refused: number[] = []
  for (const item of chunk) {
    const own = item.entryIds.flatMap((id) => verdictOf.get(id) ?? [])
    const issues = own.flatMap((verdict) =>
      'issues' in verdict ? verdict.issues.map((issue) => ({ ...issue, entryId: verdict.id })) : [],
    )
    if (issues.length > 0) {
      await refuse(item, issues)
      refused.push(item.order)
    } else if (own.length === item.entryIds.length && own.every(({ verdict }) => verdict !== 'held'))
      sent.push(item.order)
  }
  await dropUnsent(sent)
  return { sent, refused }
}

/** How far each writer knew the ledger: what others wrote since then is laid beside it. */
const knownOf = (chunk: Unsent[]): { id: string; seq: number }[] =>
  chunk.flatMap(({ knownSeq, entryIds }) => (knownSeq === null ? [] : entryIds.map((id) => ({ id, seq: knownSeq }))))

const refuse = (item: Unsent, issues: Omit<UnsentIssue, 'entryId'>[], clockOffMs: number | null = null) =>
  changeUnsent([item.order], () => ({
    state: 'refused',
    clockOffMs,
    issues: issues.map((issue) => ({ entryId: '', ...issue })),
  }))

const usualLongest = 300_000
const longestPause = 1.5 * usualLongest

/** Longer each time, never the same for two devices: 2 s, 4 s, 8 s … 5 min, each more or less by half. */
export function pauseAfter(tries: number, dice: () => number = Math.random): number {
  return Math.min(2000 * 2 ** tries, usualLongest) * (0.5 + dice())
}
