import type { PackingLine, PackingList } from '../views/packing-list.ts'
import { aboutDevice, keepAboutDevice } from './about-device.ts'
import { alone } from './alone.ts'
import { obeyShutOut } from './door.ts'
import { makeRoom, type PackedLine, pack, packedLines, packingHeader, touchPacked, unpackAll } from './packed.ts'

/** How packing came out. */
export interface PackedUp {
  list: PackingList | null
  /** Lines that are here now, of all that are asked for. */
  here: number
  of: number
  /** Why it stopped before the end; what is here stays, and the next time goes on from there. */
  stopped: 'no network' | 'signed out' | 'no room' | 'told to' | null
}

interface Given {
  now: number
  /** Places that are kept on this device by hand. */
  keptSites?: string[]
  onLine?: (here: number, of: number) => void
  signal?: AbortSignal
  ask?: typeof fetch
}

/** What was asked for so lately is not asked for again, where nobody wrote since, ms. */
const freshFor = 30 * 60_000
/** So many machines that were only looked at are kept as they are now. */
const mostOpened = 20
const patience = 30_000

/**
 * Takes along what the server says that this device should have, one thing at a time: what is here already and has not
 * changed is not sent again, and whatever breaks it off, the next time goes on from there.
 */
export const packUp = (given: Given): Promise<PackedUp> => alone('evenshot-packing', () => packAll(given))

async function packAll({ now, keptSites = [], onLine, signal, ask = fetch }: Given): Promise<PackedUp> {
  const before = new Map((await packedLines()).map((line) => [line.address, line]))
  const opened = [...before.values()]
    .filter(({ why }) => why === 'opened')
    .flatMap(({ address }) => machineIn(address) ?? [])
  const query = new URLSearchParams({
    sites: keptSites.join(','),
    machines: [...new Set(opened)].slice(0, mostOpened).join(','),
  })
  const asked = await get(`/api/packing-list?${query}`, null, false, ask)
  if (typeof asked === 'string') return { list: null, here: 0, of: 0, stopped: asked }
  const list = asked.body as PackingList
  if (await isSomebodyElse(list)) {
    await unpackAll()
    before.clear()
  }
  const about = { technician: list.technician, firm: list.firm, aheadMs: Date.parse(list.now) - now }
  const known = await aboutDevice()
  await keepAboutDevice({ ...about, packedAt: known?.packedAt ?? null, seq: known?.seq ?? 0 })
  const up = { list, here: 0, of: list.lines.length }
  for (const line of list.lines) {
    if (signal?.aborted) return { ...up, stopped: 'told to' }
    const why = await packLine(line, before.get(line.address) ?? null, list.seq, now, ask)
    if (why) return { ...up, stopped: why }
    up.here += 1
    onLine?.(up.here, up.of)
  }
  await makeRoom()
  await keepAboutDevice({ ...about, packedAt: now, seq: list.seq })
  return { ...up, stopped: null }
}

/** @returns why it could not be packed; null where it is here, or is no more */
async function packLine(
  { address, why, isPage = false }: PackingLine,
  there: PackedLine | null,
  seq: number,
  now: number,
  ask: typeof fetch,
): Promise<PackedUp['stopped']> {
  if (there && there.seq === seq && now - there.packedAt < freshFor && there.packedAt <= now) {
    if (there.why !== why) await touchPacked(address, { why })
    return null
  }
  const told = await get(address, there?.etag ?? null, isPage, ask)
  if (typeof told === 'string') return told
  if (told.status === 304) await touchPacked(address, { packedAt: now, seq, why })
  // What is gone meanwhile is said by the page that looks for it.
  else if (told.status === 200) {
    try {
      await pack(address, told.body, { etag: told.etag, why, at: now, seq })
    } catch (error) {
      console.info(`No room for ${address}`, error)
      return 'no room'
    }
  }
  return null
}

type Got = { status: number; etag: string | null; body: unknown }

async function get(
  address: string,
  etag: string | null,
  isPage: boolean,
  ask: typeof fetch,
): Promise<Got | 'no network' | 'signed out'> {
  try {
    const response = await ask(address, {
      headers: {
        [packingHeader]: '1',
        ...(isPage && { accept: 'application/json' }),
        ...(etag && { 'if-none-match': etag }),
      },
      // The browser's own store would answer in the place of the server, and say nothing of it.
      cache: 'no-store',
      signal: AbortSignal.timeout(patience),
    })
    if ((await obeyShutOut(response)) || response.status === 401) return 'signed out'
    if (response.status >= 500) return 'no network'
    const body = response.status === 200 ? await response.json() : null
    return { status: response.status, etag: response.headers.get('etag'), body }
  } catch {
    return 'no network'
  }
}

async function isSomebodyElse({ technician, firm }: PackingList): Promise<boolean> {
  const about = await aboutDevice()
  return about !== null && (about.technician.id !== technician.id || about.firm.id !== firm.id)
}

/** @example machineIn('/api/machines/0193…/bundle') // '0193…' */
const machineIn = (address: string): string | undefined => /^\/api\/machines\/([0-9a-f-]{36})\//.exec(address)?.[1]
