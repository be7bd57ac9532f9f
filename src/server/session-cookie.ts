import type { AstroCookies } from 'astro'
import { sessionCookie } from './open-addresses.ts'
import { here } from './public-address.ts'

/** Gives the browser its session; over TLS only where there is TLS. */
export function holdSession(cookies: AstroCookies, session: { token: string; expiresAt: Date }): void {
  cookies.set(sessionCookie, session.token, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    secure: here.isSecure,
    expires: session.expiresAt,
  })
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
