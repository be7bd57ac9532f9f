import {
  type AuthenticationResponseJSON,
  generateAuthenticationOptions,
  generateRegistrationOptions,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  type RegistrationResponseJSON,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server'
import { type Db, withFirm } from '../../records/database.ts'
import { technicianById } from '../../records/firms.ts'
import { beginHalfWay, endHalfWay, readHalfWay } from '../../records/half-ways.ts'
import { addPasskey, type Holder, passkeyById, passkeysOf, usePasskey } from '../../records/second-proofs.ts'
import type { Caller } from './caller.ts'
import { later } from './second.ts'
import { tell } from './tell.ts'
import { digest, newToken } from './tokens.ts'

/** Where passkeys hold: the name people reach the application by, and its whole origin. */
export interface Site {
  origin: string
  /** Host name alone: a passkey belongs to it, whatever the port. */
  name: string
}

export function siteOf(origin: string): Site {
  return { origin, name: new URL(origin).hostname }
}

/** Browsers make passkeys for names reached over TLS, and for this machine itself; never for a bare address. */
export const takesPasskeys = ({ origin, name }: Site): boolean =>
  name === 'localhost' || (origin.startsWith('https:') && !/^[\d.]+$|^\[/.test(name))

/** A device asks its holder for a finger, a face or a code: that is a second proof by itself. */
const userVerification = 'required' as const

/** Begins a new passkey. @returns what the browser is told, and what it holds meanwhile */
export async function beginPasskey(
  db: Db,
  holder: Holder,
  { email, name }: { email: string; name: string },
  site: Site,
): Promise<{ options: PublicKeyCredentialCreationOptionsJSON; halfWay: string }> {
  const there = await passkeysOf(db, holder)
  const options = await generateRegistrationOptions({
    rpName: 'Even Shot',
    rpID: site.name,
    userName: email,
    userDisplayName: name,
    userID: new TextEncoder().encode(holder.technicianId),
    attestationType: 'none',
    excludeCredentials: there.map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification },
  })
  const halfWay = newToken()
  const now = new Date()
  const { firmId, technicianId } = holder
  const begun = { what: 'passkey-added' as const, firmId, technicianId, challenge: options.challenge }
  await beginHalfWay(db, digest(halfWay), begun, now, later(now))
  return { options, halfWay }
}

/** Keeps a passkey the browser has made. @returns false when it is none, or not the one that was begun */
export async function finishPasskey(
  db: Db,
  holder: Holder,
  halfWay: string,
  { name, response }: { name: string; response: RegistrationResponseJSON },
  site: Site,
): Promise<boolean> {
  const now = new Date()
  const half = await readHalfWay(db, digest(halfWay), now)
  if (half?.what !== 'passkey-added' || half.technicianId !== holder.technicianId) return false
  if (!(await endHalfWay(db, digest(halfWay)))) return false
  const verified = await verifyRegistrationResponse({
    response,
    expectedChallenge: half.challenge!,
    expectedOrigin: site.origin,
    expectedRPID: site.name,
    requireUserVerification: true,
  }).catch(() => null)
  if (!verified?.verified) return false
  const { id, publicKey, counter, transports = [] } = verified.registrationInfo.credential
  if (await passkeyById(db, id)) return false
  const { firmId, technicianId } = holder
  await addPasskey(db, { id, firmId, technicianId, publicKey, counter, transports, name, createdAt: now.toISOString() })
  return true
}

/** Begins signing in by passkey: the device itself knows whose it is. */
export async function askForPasskey(
  db: Db,
  site: Site,
): Promise<{ options: PublicKeyCredentialRequestOptionsJSON; halfWay: string }> {
  const options = await generateAuthenticationOptions({ rpID: site.name, userVerification })
  const halfWay = newToken()
  const now = new Date()
  await beginHalfWay(db, digest(halfWay), { what: 'passkey-in', challenge: options.challenge }, now, later(now))
  return { options, halfWay }
}

/** @returns whose passkey it was; null when it opens nothing */
export async function showPasskey(
  db: Db,
  halfWay: string,
  response: AuthenticationResponseJSON,
  site: Site,
  caller: Caller,
): Promise<Holder | null> {
  const now = new Date()
  const half = await readHalfWay(db, digest(halfWay), now)
  if (half?.what !== 'passkey-in' || !(await endHalfWay(db, digest(halfWay)))) return null
  const passkey = typeof response.id === 'string' ? await passkeyById(db, response.id) : null
  if (!passkey) return null
  const { id, publicKey, counter, firmId, technicianId } = passkey
  const holder = { firmId, technicianId }
  const verified = await verifyAuthenticationResponse({
    response,
    expectedChallenge: half.challenge!,
    expectedOrigin: site.origin,
    expectedRPID: site.name,
    requireUserVerification: true,
    credential: { id, publicKey, counter },
  }).catch(() => null)
  const person = await withFirm(db, firmId, (trx) => technicianById(trx, technicianId))
  if (!verified?.verified || !person || person.leftOn) {
    await tell(db, holder, 'wrong-second-proof', caller)
    return null
  }
  await usePasskey(db, id, verified.authenticationInfo.newCounter, now)
  await tell(db, holder, 'signed-in-by-passkey', caller)
  return holder
}
