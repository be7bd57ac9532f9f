import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import type { Db } from '../../records/database.ts'
import { placeOf } from '../signing-in/place-of.ts'
import { digest } from '../signing-in/tokens.ts'
import type { There } from './there.ts'

type Limiters = Record<'word' | 'known' | 'unknown' | 'network', RateLimiterPostgres>
const limiters = new WeakMap<Db, Limiters>()

const hourS = 3600
/**
 * How much is taken from one address: of those who know the word more than any place sends, of whoever does not, what a
 * prankster soon has used up. A word is tried thirty times a day at one place, from wherever: four figures hold out for
 * most of a year.
 */
function limiter(db: Db): Limiters {
  let found = limiters.get(db)
  if (!found) {
    const shared = { storeClient: db, storeType: 'knex', tableName: 'sign_in_attempt', tableCreated: true }
    found = {
      word: new RateLimiterPostgres({ ...shared, keyPrefix: 'word', points: 30, duration: 24 * hourS }),
      known: new RateLimiterPostgres({ ...shared, keyPrefix: 'known', points: 60, duration: 24 * hourS }),
      unknown: new RateLimiterPostgres({ ...shared, keyPrefix: 'unknown', points: 6, duration: 24 * hourS }),
      network: new RateLimiterPostgres({ ...shared, keyPrefix: 'pages', points: 40, duration: hourS }),
    }
    limiters.set(db, found)
  }
  return found
}

/** Whether one more may be taken now; what is counted of a network is its digest. */
async function takes(limiter: RateLimiterPostgres, key: string): Promise<boolean> {
  try {
    await limiter.consume(key)
    return true
  } catch (refused) {
    if (refused instanceof RateLimiterRes) return false
    throw refused
  }
}

const networkOf = (address: string): string => digest(placeOf(address)).toString('base64url')

/** Whether the word may be tried once more. */
export const mayTryWord = (db: Db, { siteId }: There): Promise<boolean> => takes(limiter(db).word, siteId)

/** A word that was right is not counted. */
export const forgiveWord = (db: Db, { siteId }: There): Promise<unknown> => limiter(db).word.reward(siteId)

/** Whether one more thing may be sent from a machine's page. @param address - of the network it comes from */
export async function maySend(db: Db, { token, knows }: There, address: string): Promise<boolean> {
  const { known, unknown, network } = limiter(db)
  const key = digest(token).toString('base64url')
  if (!(await takes(knows ? known : unknown, key))) return false
  return knows || takes(network, networkOf(address))
}
