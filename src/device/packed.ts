import { decipher, encipher } from './cipher.ts'
import { deviceDatabase, type PackedItem, type PackedWhy } from './database.ts'
import { deviceKey } from './device-key.ts'

/** Asks for what is packed go to the network itself: nobody answers them from what is packed. */
export const packingHeader = 'x-evenshot-packing'

/** What is packed takes no more room than this, bytes; what waits to be sent is not counted. */
export const mostPackedBytes = 200 * 2 ** 20

/** What is known of something packed without opening it. */
export type PackedLine = Omit<PackedItem, 'answer'>

/** The large answer that was opened last, as long as it is the one that is packed. */
let lately: { address: string; opened: { answer: unknown; packedAt: number } } | null = null
const largeBytes = 20_000

/** An answer as it was packed; null where this device has none, or cannot read it. */
export async function packedAnswer(address: string): Promise<{ answer: unknown; packedAt: number } | null> {
  try {
    const [db, key] = await Promise.all([deviceDatabase(), deviceKey()])
    const item = await db.get('packed', address)
    if (lately?.address === address && lately.opened.packedAt === item?.packedAt) return lately.opened
    lately = null
    if (!item) return null
    const opened = { answer: await decipher(key, item.answer), packedAt: item.packedAt }
    // The list of all machines is asked at every key that is pressed.
    if (item.bytes > largeBytes) lately = { address, opened }
    return opened
  } catch (error) {
    console.info(`What is packed cannot be read: ${address}`, error)
    return null
  }
}

const drawnPrefix = 'drawn '

/** Where a page lies as it was drawn. */
export const drawnAddress = (path: string): string => drawnPrefix + path

/** All pages as they were drawn, among what is packed. */
export const drawnPages = (): IDBKeyRange => IDBKeyRange.bound(drawnPrefix, `${drawnPrefix}\uffff`)

/**
 * Whether an answer is another than the one that is packed: pages that were drawn from that do not show it. A colleague
 * may have taken a machine out of use since.
 */
async function isNews(address: string, answer: unknown, etag: string | null): Promise<boolean> {
  if (address.startsWith(drawnPrefix)) return false
  const before = await (await deviceDatabase()).get('packed', address)
  if (!before || (etag !== null && before.etag === etag)) return false
  return JSON.stringify((await packedAnswer(address))?.answer) !== JSON.stringify(answer)
}

/**
 * Keeps an answer; an older one of the same address goes, and where it said something else, all pages as they were drawn.
 * @throws where there is no room, or no store
 */
export async function pack(
  address: string,
  answer: unknown,
  { etag, why, at, seq }: { etag: string | null; why: PackedWhy; at: number; seq: number },
): Promise<void> {
  if (await isNews(address, answer, etag)) await forgetDrawn()
  const enciphered = await encipher(await deviceKey(), answer)
  const item: PackedItem = {
    address,
    answer: enciphered,
    etag,
    packedAt: at,
    usedAt: at,
    bytes: enciphered.bytes.length,
    seq,
    why,
  }
  const db = await deviceDatabase()
  try {
    await db.put('packed', item)
  } catch (error) {
    if ((error as DOMException).name !== 'QuotaExceededError') throw error
    // The browser gives less than we would take: half of what nobody asked for goes first.
    await makeRoom((await packedBytes()) / 2)
    await db.put('packed', item)
  }
}

/** Something was written, here or elsewhere: no page looks any more as it was drawn. */
export const forgetDrawn = async (): Promise<void> => (await deviceDatabase()).delete('packed', drawnPages())

/** Keeps an answer that was looked at: what it was packed for before it stays packed for. */
export async function packAgain(address: string, answer: unknown, { etag, at }: { etag: string | null; at: number }) {
  const before = await (await deviceDatabase()).get('packed', address)
  await pack(address, answer, { etag, why: before?.why ?? 'opened', at, seq: before?.seq ?? 0 })
}

/** It was looked at, or asked about and is still so. */
export async function touchPacked(
  address: string,
  now: Partial<Pick<PackedItem, 'usedAt' | 'packedAt' | 'seq' | 'why'>>,
) {
  const transaction = (await deviceDatabase()).transaction('packed', 'readwrite')
  const item = await transaction.store.get(address)
  if (item) await transaction.store.put({ ...item, ...now })
  await transaction.done
}

/** All that is packed, without opening it. */
export async function packedLines(): Promise<PackedLine[]> {
  const lines: PackedLine[] = []
  let cursor = await (await deviceDatabase()).transaction('packed').store.openCursor()
  while (cursor) {
    const { answer: _, ...line } = cursor.value
    lines.push(line)
    cursor = await cursor.continue()
  }
  return lines
}

const packedBytes = async () => (await packedLines()).reduce((sum, { bytes }) => sum + bytes, 0)

/** What goes first: what was only opened, the longest ago; then what was packed for days, then by hand. */
const staysLonger: Record<PackedWhy, number> = { opened: 0, day: 1, 'by-hand': 2, frame: 3 }

/** Lets go of the oldest until what is packed takes no more than that. @returns how many went */
export async function makeRoom(mostBytes = mostPackedBytes): Promise<number> {
  const lines = await packedLines()
  let bytes = lines.reduce((sum, line) => sum + line.bytes, 0)
  const order = lines.sort((a, b) => staysLonger[a.why] - staysLonger[b.why] || a.usedAt - b.usedAt)
  const go: string[] = []
  for (const line of order) {
    if (bytes <= mostBytes) break
    bytes -= line.bytes
    go.push(line.address)
  }
  const transaction = (await deviceDatabase()).transaction('packed', 'readwrite')
  await Promise.all([...go.map((address) => transaction.store.delete(address)), transaction.done])
  return go.length
}

/** Somebody else works on this device now: what was packed for another is not theirs to see. */
export async function unpackAll(): Promise<void> {
  await (await deviceDatabase()).clear('packed')
}
