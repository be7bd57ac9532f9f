import type { LocalDay } from '../core/quantity/local-day.ts'
import { deviceDatabase } from './database.ts'
import { drawnAddress, drawnPages, pack, packedAnswer } from './packed.ts'

/** A page as it was drawn on this device: what a cheap phone shows while it is drawn anew. */
export interface Drawn {
  html: string
  /** Dates and what is due by now hold for that day alone. */
  on: LocalDay
  /** By the clock of this device, ms since 1970. */
  at: number
}

const most = { pages: 40, bytes: 600_000 }

const uuid = '[0-9a-f]{8}-[0-9a-f-]{27}'
/** Pages that are read. One that is filled in would show fields without what was typed in them. */
const read = new RegExp(`^/(round(/day|/weeks)?|machines(/${uuid})?|sites/${uuid}|softeners/${uuid}|visits/${uuid})/?$`)

/** Whether a page is shown as it stood while it is drawn anew. */
export const isDrawnAhead = ({ pathname, search }: { pathname: string; search: string }): boolean =>
  search === '' && read.test(pathname)

/** Keeps how a page was drawn; the oldest of more than forty goes. Where there is no room for it, it is not kept. */
export async function keepDrawn(path: string, drawn: Drawn): Promise<void> {
  if (drawn.html.length > most.bytes) return
  await pack(drawnAddress(path), drawn, { etag: null, why: 'opened', at: drawn.at, seq: 0 })
  const db = await deviceDatabase()
  const addresses = await db.getAllKeys('packed', drawnPages())
  if (addresses.length <= most.pages) return
  const items = await Promise.all(addresses.map((address) => db.get('packed', address)))
  const old = items.flatMap((item) => item ?? []).sort((a, b) => a.packedAt - b.packedAt)
  for (const { address } of old.slice(0, addresses.length - most.pages)) await db.delete('packed', address)
}

/** How a page was drawn on that day; null where it was not, or something was written since. */
export async function drawnOn(path: string, on: LocalDay): Promise<Drawn | null> {
  const drawn = (await packedAnswer(drawnAddress(path)))?.answer as Drawn | undefined
  return drawn?.on === on ? drawn : null
}
