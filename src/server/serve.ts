import { randomUUID } from 'node:crypto'
import { createServer, type Server } from 'node:http'
import { join, sep } from 'node:path'
import { pathToFileURL } from 'node:url'
import compression from 'compression'
import express, { type ErrorRequestHandler, type RequestHandler, type Response } from 'express'
import { openServing, refusePrivileged } from '../records/database.ts'
import { crowd } from './crowd.ts'
import { emptyPlace, knownMethods, nothingArrivedYet, putAside, shownSession, standingAddress } from './door.ts'
import { alive, ready } from './health.ts'
import { log } from './log.ts'
import { isOpen } from './open-addresses.ts'
import { doorServers, type PhonesDoor } from './phones-door.ts'
import { here } from './public-address.ts'

export interface Running {
  url: string
  /** Lets requests under way finish, then lets go of everything. */
  stop(): Promise<void>
}

const bodyLimit = '2mb'
/** What whoever has no session may say: an address, a password, a passkey's signature. */
const strangersLimit = '64kb'
/** As a telephone takes it; where there is script it is made smaller before it is sent. */
const pagePhotoLimit = 15 * 2 ** 20
/** A firm's whole data, read back into an empty place; larger ones come by backup and restore. */
const firmDataLimit = '100mb'
/** The same with all its photos. */
/** A machine's history with its photos. */
const passportLimit = 200 * 2 ** 20
const everythingLimit = 20 * 2 ** 30
/**
 * Serves the built application.
 * @param root - the project's folder, with `dist` in it
 * @param dataDir - where files are kept
 * @param phones - where phones come in over TLS; then the origin is that address
 * @throws Error when the database role is one that row-level security does not bind
 */
export async function serve(
  root: string,
  databaseUrl: string,
  dataDir: string,
  host: string,
  port: number,
  phones?: PhonesDoor,
): Promise<Running> {
  const db = openServing(databaseUrl, 2)
  await refusePrivileged(db)
  process.env.EVENSHOT_DATABASE_URL = databaseUrl
  process.env.EVENSHOT_DATA = dataDir
  process.env.EVENSHOT_PICTURE_CHILD = join(root, 'dist/server/picture-child.mjs')
  // Before the pages load React: its development build renders at a third of the speed.
  process.env.NODE_ENV ??= 'production'
  const { handler } = (await import(pathToFileURL(join(root, 'dist/server/entry.mjs')).href)) as {
    handler: RequestHandler
  }

  const app = express()
  app.disable('x-powered-by')
  app.use(observe, headers, knownMethods, nothingArrivedYet)
  app.get('/livez', alive)
  app.get('/healthz', ready(db, dataDir))
  app.use(compression())
  app.use('/_astro', express.static(join(root, 'dist/client/_astro'), { immutable: true, maxAge: '1y' }))
  app.get('/sw.js', (_request, response, next) => {
    // What it fetches goes by its own policy. Browsers ask for a newer one whenever they open a page.
    response.setHeader('content-security-policy', "default-src 'self'; frame-ancestors 'none'")
    next()
  })
  app.use(express.static(join(root, 'dist/client'), { maxAge: '1h', setHeaders: ownHeaders }))
  app.use(shownSession)
  const empty = emptyPlace(db)
  app.use('/api/first-run-everything', empty, putAside(join(dataDir, 'incoming'), everythingLimit))
  app.use(
    '/api/first-run-data',
    empty,
    express.text({ type: () => true, limit: firmDataLimit, defaultCharset: 'utf-8' }),
  )
  app.use('/api/import/passport.zip', putAside(join(dataDir, 'incoming'), passportLimit))
  app.use('/care/:token/photo', standingAddress(db), putAside(join(dataDir, 'incoming'), pagePhotoLimit))
  app.use(
    ['/api/import/passport', '/api/imports'],
    express.text({ type: () => true, limit: '20mb', defaultCharset: 'utf-8' }),
  )
  app.use(
    bodyOf(strangersLimit, isOpen),
    bodyOf(bodyLimit, () => true),
  )
  let busyPage = ''
  // Only now: whoever sends a letter a second keeps nobody from being answered.
  app.use(crowd(() => busyPage))
  app.use(handler)
  app.use(unknown(handler))
  app.use(failed)

  const server = createServer(app)
  patient(server)
  await listen(server, host, port)
  const doors = phones ? doorServers(phones, app) : []
  for (const door of doors) {
    patient(door.server)
    await listen(door.server, phones!.host, door.port)
  }
  const address = server.address()
  const actual = typeof address === 'object' && address ? address.port : port
  const url = `http://${host.includes(':') ? `[${host}]` : host}:${actual}`
  // Drawn once: there is no time for it when it is needed.
  busyPage = await fetch(`${url}/503`).then((page) => page.text())
  return {
    url,
    async stop() {
      const all = [server, ...doors.map((door) => door.server)]
      const closed = Promise.all(all.map((one) => new Promise((resolve) => one.close(resolve))))
      for (const one of all) one.closeIdleConnections()
      const late = setTimeout(() => {
        for (const one of all) one.closeAllConnections()
      }, 10_000)
      await closed
      clearTimeout(late)
      await db.destroy()
    },
  }
}

/**
 * How long a connection may take and may rest. It rests longer than a proxy before it keeps one (a minute as a
 * rule): whoever closes first must be the one who asks, or a request is sent into a line that is just being closed.
 */
function patient(server: Server): void {
  server.requestTimeout = 60_000
  server.headersTimeout = 15_000
  server.keepAliveTimeout = 75_000
}

/** Whoever reads the log must not be able to open what a link opens. */
const loggedPath = (path: string): string => path.replace(/^\/((?:api\/)?join|calendar|care)\/.+$/, '/$1/…')

/** Reads the body of those addresses, as text, to a limit counted after it is unpacked. */
function bodyOf(limit: string, isOf: (path: string) => boolean): RequestHandler {
  const read = express.text({ type: () => true, limit, defaultCharset: 'utf-8' })
  return (request, response, next) => (isOf(request.path) ? read(request, response, next) : next())
}

const listen = (server: Server, host: string, port: number) =>
  new Promise<void>((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, host, () => resolve())
  })

/** Asked by machines, every few seconds or once a start: not worth a line. */
const quiet = new Set(['/livez', '/healthz', '/503'])

/** Gives every request an id and one line in the log when it is answered. */
const observe: RequestHandler = (request, response, next) => {
  const id = randomUUID()
  const started = performance.now()
  request.headers['x-request-id'] = id
  response.setHeader('x-request-id', id)
  response.on('finish', () => {
    if (request.path.startsWith('/_astro') || quiet.has(request.path)) return
    const ms = Math.round(performance.now() - started)
    log.info({ id, method: request.method, path: loggedPath(request.path), status: response.statusCode, ms })
  })
  next()
}

const headers: RequestHandler = (_request, response, next) => {
  response.setHeader('x-content-type-options', 'nosniff')
  response.setHeader('referrer-policy', 'same-origin')
  response.setHeader('x-frame-options', 'DENY')
  // Pages have one of their own; what is no page may do nothing, wherever somebody opens it.
  response.setHeader('content-security-policy', "default-src 'none'; frame-ancestors 'none'")
  if (here.isSecure) response.setHeader('strict-transport-security', 'max-age=31536000')
  response.setHeader('cross-origin-opener-policy', 'same-origin')
  response.setHeader('permissions-policy', 'camera=(self), microphone=(), geolocation=()')
  next()
}

/** The program that opens pages without network is asked for anew each time. */
const ownHeaders = (response: Response, path: string) => {
  if (path.endsWith(`${sep}sw.js`)) response.setHeader('cache-control', 'no-cache')
}

/** Addresses no page answers to: JSON for programs, the page that helps for people. */
const unknown =
  (pages: RequestHandler): RequestHandler =>
  (request, response, next) => {
    if (request.path.startsWith('/api/')) {
      response.status(404).json({ issues: [{ path: '', code: 'unknown', message: 'is not here' }] })
      return
    }
    request.url = '/404'
    request.originalUrl = '/404'
    pages(request, response, next)
  }

/** What express itself refuses: a body too large or in an encoding it does not know. */
const failed: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) return next(error)
  const status = typeof error.status === 'number' ? error.status : 500
  if (status >= 500) log.error({ err: error, id: request.headers['x-request-id'] }, 'request failed')
  // Sent by hand from a machine's page: said there, to people.
  if (status === 413 && /^\/care\/[^/]+\/photo$/.test(request.path)) {
    return response.redirect(303, `${request.path.replace(/photo$/, '')}?said=large`)
  }
  const message =
    status === 413 ? 'is larger than this address takes (2 MB, most of them): send less at once' : 'could not be read'
  response.status(status).json({ issues: [{ path: '', code: status === 413 ? 'too_large' : 'unreadable', message }] })
}
