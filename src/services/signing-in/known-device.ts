import type { Db } from '../../records/database.ts'
import { knowDevice } from '../../records/known-devices.ts'
import type { Holder } from '../../records/second-proofs.ts'
import type { Caller } from './caller.ts'
import { digest, newToken } from './tokens.ts'

/** Knows the device from now on: guesses made elsewhere do not slow it down. @returns what it is to hold */
export async function rememberDevice(db: Db, holder: Holder, { knownToken }: Caller, now: Date): Promise<string> {
  const token = knownToken && knownToken.length === newToken().length ? knownToken : newToken()
  await knowDevice(db, digest(token), holder, now)
  return token
}
