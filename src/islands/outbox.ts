import type { Entry } from '../core/ledger/entry.ts'
import { aboutDevice } from '../device/about-device.ts'
import { tellDeviceChanged } from '../device/device-changed.ts'
import type { Sending } from '../device/send-unsent.ts'
import { sendUnsent } from '../device/send-unsent.ts'
import { allUnsent, countUnsent, dropUnsent, putUnsent, type UnsentIssue } from '../device/unsent.ts'
import { photosOfEntries } from '../device/waiting-photos.ts'
import { browserNow } from '../ui/clock.ts'
import type { Sent } from './sent.ts'

/** Whoever works on this device; null where nobody was packed for, and nothing may wait. */
const whoWorks = async (): Promise<string | null> => (await aboutDevice())?.technician.id ?? null

/** Sends all that waits of whoever works here. */
export async function sendWaiting(atOnce = false): Promise<Sending | null> {
  const by = await whoWorks()
  if (!by || (await countUnsent()).entries === 0) return null
  const sending = await sendUnsent({ by, now: Date.now(), atOnce })
  if (sending.sent.length > 0 || sending.refused.length > 0) tellDeviceChanged()
  return sending
}

/**
 * Sends a save at once where nothing waits before it and it names no photo that waits; what cannot be sent waits.
 *
 * @param sendNow - sends it by itself
 * @param knownSeq - how far the ledger was known where the form was opened
 */
export async function sendOrWait(
  entries: Entry[],
  sendNow: () => Promise<Sent>,
  knownSeq: number | null,
  origin?: string,
): Promise<Sent> {
  let sent: Sent | null = null
  if (await goesAlone(entries)) {
    sent = await sendNow()
    if (sent.ok || sent.why === 'refused' || sent.why === 'written-since') return sent
  }
  const order = await letWait(entries, knownSeq, origin)
  if (order === null) return sent ?? noRoom
  // Behind what waits already, or behind its photos; where the line was dead a moment ago it is not asked again.
  const issues = sent === null && (await sendWaiting(true))?.refused.includes(order) ? await takeBack(order) : null
  return issues ? { ok: false, why: 'refused', issues } : { ok: true, waits: true }
}

const noRoom: Sent = {
  ok: false,
  why: 'offline',
  message:
    'No connection, and no room on this device to let it wait. What you typed stays here: save again in a moment.',
}

async function goesAlone(entries: Entry[]): Promise<boolean> {
  if ((await countUnsent()).entries > 0 && (await sendWaiting(true))?.stopped !== null) return false
  return (await photosOfEntries(entries)).length === 0
}

/** A save that was refused while its form is open goes back to it. @returns why it was refused */
async function takeBack(order: number): Promise<UnsentIssue[]> {
  const item = (await allUnsent()).find((one) => one.order === order)
  await dropUnsent([order])
  tellDeviceChanged()
  return item?.issues ?? []
}

/**
 * Lets a save wait on this device until there is network.
 *
 * @param knownSeq - how far the ledger was known where the form was opened
 * @returns its place in the order; null where it cannot wait: without room, or before anything was packed
 */
async function letWait(entries: Entry[], knownSeq: number | null, origin?: string): Promise<number | null> {
  const by = await whoWorks()
  if (!by) return null
  let order: number
  try {
    const known = knownSeq ?? (await aboutDevice())?.seq ?? null
    order = await putUnsent(entries, { by, knownSeq: known, origin, now: Date.now(), saidAt: browserNow().getTime() })
  } catch (error) {
    console.info('It cannot wait on this device', error)
    return null
  }
  tellDeviceChanged()
  // What waits is in no other place: the browser is asked not to make room with it.
  void navigator.storage?.persist?.().catch(() => false)
  // Where the browser can, it sends by itself when the network is back, the page being closed.
  const registration = await navigator.serviceWorker?.getRegistration().catch(() => undefined)
  await (registration as WithSync | undefined)?.sync?.register('unsent').catch(() => undefined)
  return order
}

type WithSync = ServiceWorkerRegistration & { sync?: { register(tag: string): Promise<void> } }
