import { setTimeout as wait } from 'node:timers/promises'
import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible'
import type { Db } from '../../records/database.ts'
import { isKnownDevice } from '../../records/known-devices.ts'
import type { Holder } from '../../records/second-proofs.ts'
import type { Caller } from './caller.ts'
import { placeOf } from './place-of.ts'
import { digest } from './tokens.ts'

type Limiters = Record<'fromThere' | 'byAddress' | 'byEmail' | 'fromDevice' | 'second', RateLimiterPostgres>
const limiters = new WeakMap<Db, Limiters>()

/** Wrong tries for one account from wherever, before each further one is made to wait, and how long at most. */
const triesAtOnce = 30
const mostWaitMs = 8000

/**
 * In fifteen minutes ten wrong tries for an account from one place, fifty from one place for any, twenty from a device
 * its owner signed in with before; counted in the database. What comes from elsewhere shuts nobody out: it is only
 * slowed down, whoever guesses and from how many places.
 */
function limiter(db: Db): Limiters {
  let found = limiters.get(db)
  if (!found) {
    const shared = {
      storeClient: db,
      storeType: 'knex',
      tableName: 'sign_in_attempt',
      tableCreated: true,
      duration: 15 * 60,
    }
    found = {
      fromThere: new RateLimiterPostgres({ ...shared, keyPrefix: 'there', points: 10 }),
      byEmail: new RateLimiterPostgres({ ...shared, keyPrefix: 'email', points: 1_000_000 }),
      byAddress: new RateLimiterPostgres({ ...shared, keyPrefix: 'address', points: 50 }),
      fromDevice: new RateLimiterPostgres({ ...shared, keyPrefix: 'device', points: 20 }),
      second: new RateLimiterPostgres({ ...shared, keyPrefix: 'second', points: 20 }),
    }
    limiters.set(db, found)
  }
  return found
}

/** How long a try waits, by how many there were for the account: twice as long each time, to a bound. */
export const slowedMs = (tries: number): number =>
  tries <= triesAtOnce ? 0 : Math.min(mostWaitMs, 250 * 2 ** (tries - triesAtOnce - 1))

/** So many wait at a time in one process: they hold a place of those being answered, and may not take all. */
const mostWaiting = 12
let waiting = 0

export type Paced =
  | { ok: true /** Takes the try back: it was right. */; forgive(): Promise<unknown> }
  | {
      ok: false
      retryInS: number /** The first that was turned away: said once, not at every further try. */
      isFirst: boolean
    }

/** Turned away for now. */
class Refused extends Error {
  constructor(readonly answer: Extract<Paced, { ok: false }>) {
    super('refused')
  }
}

async function consume(limiter: RateLimiterPostgres, key: string): Promise<number> {
  try {
    return (await limiter.consume(key)).consumedPoints
  } catch (refused) {
    if (refused instanceof Error) throw refused
    const { msBeforeNext, consumedPoints } = refused as RateLimiterRes
    throw new Refused({
      ok: false,
      retryInS: Math.ceil(msBeforeNext / 1000),
      isFirst: consumedPoints === limiter.points + 1,
    })
  }
}

async function waitItsTime(ms: number): Promise<void> {
  if (ms === 0) return
  if (waiting >= mostWaiting) throw new Refused({ ok: false, retryInS: mostWaitMs / 1000, isFirst: false })
  waiting += 1
  await wait(ms).finally(() => {
    waiting -= 1
  })
}

const orRefused = (work: () => Promise<Paced>): Promise<Paced> =>
  work().catch((error) => {
    if (error instanceof Refused) return error.answer
    throw error
  })

/** What is counted is told apart and not written down: addresses of mail and of networks are nobody's business there. */
const countedAs = (text: string): string => digest(text).toString('base64url')

/** Counts a try before it is made, so that many at once are many, and lets it wait its time. */
export async function paced(db: Db, email: string, holder: Holder | null, caller: Caller): Promise<Paced> {
  const { fromThere, byAddress, byEmail, fromDevice } = limiter(db)
  const place = countedAs(placeOf(caller.address))
  const account = countedAs(email)
  const both = countedAs(`${place} ${account}`)
  const device = caller.knownToken && digest(caller.knownToken)
  return orRefused(async () => {
    // Who guesses does not hold what its owner's device holds: it is counted by itself.
    if (device && holder && (await isKnownDevice(db, device, holder))) {
      const key = device.toString('hex')
      await consume(fromDevice, key)
      return { ok: true, forgive: () => fromDevice.delete(key) }
    }
    await consume(byAddress, place)
    await consume(fromThere, both)
    await waitItsTime(slowedMs(await consume(byEmail, account)))
    return {
      ok: true,
      forgive: () => Promise.all([fromThere.delete(both), byAddress.reward(place), byEmail.reward(account)]),
    }
  })
}

/** The same for second proofs: who comes so far has the password. */
export function pacedSecond(db: Db, { technicianId }: Holder): Promise<Paced> {
  const { second } = limiter(db)
  return orRefused(async () => {
    await consume(second, technicianId)
    return { ok: true, forgive: () => second.reward(technicianId) }
  })
}
