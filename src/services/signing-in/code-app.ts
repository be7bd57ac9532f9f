import { randomBytes } from 'node:crypto'
import { Secret, TOTP } from 'otpauth'
import { toString as drawQr } from 'qrcode'
import type { Trx } from '../../records/database.ts'
import {
  beginCodeApp,
  codeAppOf,
  type Holder,
  setRecoveryCodes,
  takeRecoveryCode,
  takeStep,
} from '../../records/second-proofs.ts'
import { digest } from './tokens.ts'

/** RFC 6238 as every app of the sort reads it: SHA-1, six digits, half a minute. */
const periodS = 30
const codes = (secret: string, label = '') =>
  new TOTP({
    issuer: 'Even Shot',
    label,
    secret: Secret.fromBase32(secret),
    algorithm: 'SHA1',
    digits: 6,
    period: periodS,
  })

/** What an app reads to begin: the secret as text, and drawn. Nothing counts until a first code was right. */
export async function newCodeApp(
  trx: Trx,
  holder: Holder,
  email: string,
): Promise<{ secret: string; qrSvg: string } | null> {
  if ((await codeAppOf(trx, holder))?.isConfirmed) return null
  // 160 bits, as RFC 4226 recommends.
  const secret = new Secret({ size: 20 }).base32
  await beginCodeApp(trx, holder, secret)
  const qrSvg = await drawQr(codes(secret, email).toString(), { type: 'svg', margin: 2, errorCorrectionLevel: 'M' })
  return { secret, qrSvg }
}

/**
 * Takes a code, once: of this half minute or of the ones beside it, since no two clocks agree.
 * @param confirms - whether it is the first one, which the app's set-up waits for
 */
export async function takeCode(trx: Trx, holder: Holder, code: string, now: Date, confirms = false): Promise<boolean> {
  const app = await codeAppOf(trx, holder)
  if (!app || app.isConfirmed === confirms) return false
  const token = code.replace(/\s/g, '')
  if (!/^\d{6}$/.test(token)) return false
  const delta = codes(app.secret).validate({ token, timestamp: now.getTime(), window: 1 })
  if (delta === null) return false
  const step = Math.floor(now.getTime() / 1000 / periodS) + delta
  return takeStep(trx, holder, step, confirms ? now : undefined)
}

const howMany = 10
/** Without letters and figures that are taken for each other: a code is copied from paper by hand. */
const letters = 'abcdefghjkmnpqrstuvwxyz23456789'

/** Codes on paper, each for one time; the ones before open nothing any more. @example 'k7pm-x4fh-2wqd' */
export async function newRecoveryCodes(trx: Trx, holder: Holder): Promise<string[]> {
  const fresh = Array.from({ length: howMany }, newCode)
  await setRecoveryCodes(
    trx,
    holder,
    fresh.map((code) => digest(plain(code))),
  )
  return fresh
}

/** 31¹² codes: 59 bits. */
function newCode(): string {
  let code = ''
  while (code.length < 12) {
    // Bytes past the last whole round of letters are thrown away: each letter is as likely.
    for (const byte of randomBytes(24)) if (byte < 248 && code.length < 12) code += letters[byte % letters.length]
  }
  return code.replace(/(.{4})(?=.)/g, '$1-')
}

const plain = (code: string) => code.toLowerCase().replace(/[^a-z0-9]/g, '')

export const spendRecoveryCode = (trx: Trx, holder: Holder, code: string): Promise<boolean> =>
  takeRecoveryCode(trx, holder, digest(plain(code)))
