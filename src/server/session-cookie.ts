import type { AstroCookies } from 'astro'
import type { OpenedSession } from '../services/sign-in.ts'
import { halfWayMs, handsInMs } from '../services/signing-in/limits.ts'
import { cookieName, sessionCookie } from './open-addresses.ts'
import { here } from './public-address.ts'

/** By which a device that signed in before is known. */
export const knownCookie = cookieName(here.isSecure, 'known')
/** What stands between a password and the second proof. */
export const halfWayCookie = cookieName(here.isSecure, 'half_way')

const knownForS = 400 * 86_400
const usual = { path: '/', httpOnly: true, sameSite: 'lax', secure: here.isSecure } as const

/** Gives the browser its session, and what it is known by; over TLS only where there is TLS. */
export function holdSession(cookies: AstroCookies, session: OpenedSession): void {
  // The cookie outlives the session: one that is over still hands in what was not sent.
  cookies.set(sessionCookie, session.token, { ...usual, expires: new Date(session.expiresAt.getTime() + handsInMs) })
  if (session.knownToken) cookies.set(knownCookie, session.knownToken, { ...usual, maxAge: knownForS })
  cookies.delete(halfWayCookie, usual)
}

export function holdHalfWay(cookies: AstroCookies, token: string): void {
  cookies.set(halfWayCookie, token, { ...usual, maxAge: halfWayMs / 1000 })
}

const systems: [RegExp, string][] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android.*Mobile/, 'Android phone'],
  [/Android/, 'Android tablet'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'Mac'],
  [/CrOS/, 'Chromebook'],
  [/Linux/, 'Linux'],
]
const browsers: [RegExp, string][] = [
  [/Firefox\//, 'Firefox'],
  [/Edg\//, 'Edge'],
  [/Chrome\//, 'Chrome'],
  [/Safari\//, 'Safari'],
]

/** What a session is listed by, as a person would say it. @example 'Firefox on Linux' */
export function deviceOf(request: Request): string {
  const agent = request.headers.get('user-agent') ?? ''
  const name = (table: [RegExp, string][]) => table.find(([pattern]) => pattern.test(agent))?.[1]
  const [browser, system] = [name(browsers), name(systems)]
  return [browser ?? 'a program', system].filter(Boolean).join(' on ')
}
