import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { Request, RequestHandler, Response } from 'express'
import { addressByToken } from '../records/customer-addresses.ts'
import type { Db } from '../records/database.ts'
import { canStart } from '../services/start-firm.ts'
import { isOpen, sessionCookie } from './open-addresses.ts'

const methods = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'])

/** Answers before anything of the body is read, and lets the connection go. */
function refuse(response: Response, status: number, code: string, message: string): void {
  response.setHeader('connection', 'close')
  response.status(status).json({ issues: [{ path: '', code, message }] })
}

/** Methods no address takes. */
export const knownMethods: RequestHandler = (request, response, next) => {
  if (methods.has(request.method)) return next()
  refuse(response, 405, 'method', `${request.method} is not taken here`)
}

const hasBody = ({ headers }: Request) =>
  headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0

/** Whoever shows no session is told so before what they send is read; whether it is a good one is asked later. */
export const shownSession: RequestHandler = (request, response, next) => {
  if (!hasBody(request) || isOpen(request.path)) return next()
  const cookies = request.headers.cookie ?? ''
  if (cookies.split(';').some((cookie) => cookie.trim().startsWith(`${sessionCookie}=`))) return next()
  refuse(response, 401, 'signed_out', 'Please sign in again.')
}

/** A firm's whole data is taken where no firm stands, and one at a time: it is the one large body a stranger may send. */
export function emptyPlace(db: Db): RequestHandler {
  let isBusy = false
  return async (_request, response, next) => {
    try {
      if (isBusy) {
        response.setHeader('retry-after', '30')
        return refuse(response, 503, 'busy', 'Somebody else is reading a firm in: try again in half a minute.')
      }
      if (!(await canStart(db)))
        return refuse(response, 403, 'closed', 'A firm stands here already: data is read into an empty place.')
      // Asked again: another may have come by while the database was.
      if (isBusy)
        return refuse(response, 503, 'busy', 'Somebody else is reading a firm in: try again in half a minute.')
      isBusy = true
      response.once('close', () => {
        isBusy = false
      })
      next()
    } catch (error) {
      next(error)
    }
  }
}

/** What is sent to a machine's page is only read where the page opens something. */
export function standingAddress(db: Db): RequestHandler {
  return async (request, response, next) => {
    try {
      if (await addressByToken(db, String(request.params.token))) return next()
      refuse(response, 404, 'unknown', 'This address opens nothing any more.')
    } catch (error) {
      next(error)
    }
  }
}

/** Where the door says what it has put aside of a body that is no text. Nobody outside says so. */
export const arrivedHeader = 'x-evenshot-arrived'

export const nothingArrivedYet: RequestHandler = (request, _response, next) => {
  delete request.headers[arrivedHeader]
  next()
}

/**
 * Puts a large body aside as a file, which is gone when it was answered.
 * @param mostBytes - counted as it comes in
 */
export function putAside(folder: string, mostBytes: number): RequestHandler {
  return async (request, response, next) => {
    const path = join(folder, `${randomUUID()}.zip`)
    let bytes = 0
    const counted = new Transform({
      transform(piece: Buffer, _encoding, done) {
        bytes += piece.length
        done(bytes > mostBytes ? Object.assign(new Error('too large'), { status: 413 }) : null, piece)
      },
    })
    response.once('close', () => void rm(path, { force: true }))
    try {
      await mkdir(folder, { recursive: true, mode: 0o700 })
      await pipeline(request, counted, createWriteStream(path, { flags: 'wx', mode: 0o600 }))
      request.headers[arrivedHeader] = path
      // It was read: whoever comes next must not try again.
      request.body = 'put aside'
      next()
    } catch (error) {
      next(error)
    }
  }
}
