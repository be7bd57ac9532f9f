import { defineMiddleware } from 'astro:middleware'
import { AsyncLocalStorage } from 'node:async_hooks'
import { randomBytes } from 'node:crypto'
import { type Preferences, usualPreferences } from './core/firm/preferences.ts'
import { jsonOnce } from './server/api.ts'
import { log } from './server/log.ts'
import { isOpen, sessionCookie } from './server/open-addresses.ts'
import { asksForData, pageData } from './server/page-data.ts'
import { here } from './server/public-address.ts'
import { signedOut } from './server/signed-out.ts'
import { now } from './services/clock.ts'
import { connection, isBusy } from './services/connection.ts'
import { shutOutOf, whoHolds } from './services/sign-in.ts'
import { tellOutside } from './services/signing-in/tell.ts'
import { readPreferencesFrom } from './ui/preferences.ts'

/** Pages are drawn for one firm each: its way of writing figures goes with the request. */
const ofRequest = new AsyncLocalStorage<Preferences>()
readPreferencesFrom(() => ofRequest.getStore() ?? usualPreferences)

// Who came in is also said outside: a log that is kept elsewhere cannot be changed from here.
tellOutside((event) => log.info(event, 'security'))

const busyPath = '/503'

/** Where finished work is handed in; before that a device asks what time it is. */
const handsIn = new Set(['/api/entries', '/api/photos'])
/** What somebody may do who owes a second proof: add one, or go. */
const mendsSecond = (path: string) =>
  path === '/signing-in' ||
  path.startsWith('/api/signing-in/') ||
  path === '/api/sign-in/again' ||
  path === '/api/sign-out'

/** Who asks, whether they may, and which headers the answer wears. */
export const onRequest = defineMiddleware(async (context, next) => {
  const { request, url, locals, cookies } = context
  const isApi = url.pathname.startsWith('/api/')
  if (request.method !== 'GET' && request.method !== 'HEAD' && !sameOrigin(request)) {
    return answer(403, 'origin', 'This request came from another site.')
  }
  locals.db = connection(request.method === 'GET' || request.method === 'HEAD' ? 'looks' : 'writes')
  locals.now = now()
  locals.requestId = request.headers.get('x-request-id') ?? ''
  // A page that is handed on to another comes by here twice, and keeps its own.
  locals.nonce ??= randomBytes(16).toString('base64')
  /** What is busy is said as that; what is broken goes on, with the number that the error page shows beside its stack. */
  const failed = (error: unknown): Response | Promise<Response> => {
    if (!isBusy(error)) {
      log.error({ err: error, id: locals.requestId, path: url.pathname }, 'request failed')
      throw error
    }
    if (!isApi) return context.rewrite(busyPath)
    // The forms of signing in: somebody sits there and is shown a page, not what programs read.
    return request.headers.get('sec-fetch-mode') === 'navigate' ? context.redirect('/sign-in?why=busy', 303) : busy()
  }
  // The page that says it is asks nobody.
  const token = url.pathname === busyPath ? undefined : cookies.get(sessionCookie)?.value
  try {
    locals.signedIn = token ? await whoHolds(locals.db, token) : null
  } catch (error) {
    return failed(error)
  }
  const isHandingIn = url.pathname === '/api/clock' || (request.method === 'POST' && handsIn.has(url.pathname))
  // A session that is over shows nothing; what a device has not sent yet is taken all the same.
  if (locals.signedIn?.onlyHandsIn && !isHandingIn) locals.signedIn = null
  if (locals.signedIn?.owesSecond && !isHandingIn && !mendsSecond(url.pathname)) {
    if (isApi) return answer(403, 'second_owed', 'The firm asks for a second proof: add one under Signing in.')
    return context.redirect('/signing-in')
  }
  if (!locals.signedIn && !isOpen(url.pathname)) {
    if (isApi || asksForData(request)) return signedOut(token ? await shutOutOf(locals.db, token) : null)
    return context.redirect(`/sign-in?next=${encodeURIComponent(url.pathname + url.search)}`)
  }
  const preferences = locals.signedIn?.firm.preferences ?? usualPreferences
  let response: Response
  try {
    response = await ofRequest.run(preferences, () => next())
  } catch (error) {
    return failed(error)
  }
  if (!isApi && response.status === 200 && asksForData(request)) {
    const data = pageData(await response.text())
    return data ? jsonOnce(request, data) : answer(406, 'no_data', 'This page hands nothing over.')
  }
  const policy = response.headers.get('content-security-policy')
  // A page handed on to another comes by here twice.
  if (policy && !policy.includes('frame-ancestors')) {
    // A dialog holds the page behind it still by a style of its own, which it makes in the browser.
    const styles = policy.replace(/style-src[^;]*/, (sources) => `${sources} 'nonce-${locals.nonce}'`)
    response.headers.set(
      'content-security-policy',
      `${styles.replace(/;?\s*$/, '')}; default-src 'self'; img-src 'self' data:; font-src 'self' data:; connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'`,
    )
  }
  if (response.headers.get('content-type') === 'application/pdf') {
    // The browser's own reader is an object in an empty page.
    response.headers.set(
      'content-security-policy',
      "default-src 'none'; object-src 'self'; style-src 'unsafe-inline'; frame-ancestors 'none'",
    )
  }
  if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store')
  return response
})

/** A page of ours sends its own origin; a browser sends none only where no other site could be behind it. */
function sameOrigin(request: Request): boolean {
  const origin = request.headers.get('origin')
  const site = request.headers.get('sec-fetch-site')
  if (site && site !== 'same-origin' && site !== 'none') return false
  if (origin === null) return true
  try {
    return here.isOurs(new URL(origin), request)
  } catch {
    return false
  }
}

/** Programs and devices are told to come back. */
function busy(): Response {
  const response = answer(503, 'busy', 'The server is busy: nothing was saved. Try again in a moment.')
  response.headers.set('retry-after', '5')
  return response
}

function answer(status: number, code: string, message: string): Response {
  return Response.json({ issues: [{ path: '', code, message }] }, { status, headers: { 'cache-control': 'no-store' } })
}
