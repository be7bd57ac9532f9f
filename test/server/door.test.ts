import { createServer, type IncomingMessage, request, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect } from 'chai'
import express from 'express'
import type { Db } from '../../src/records/database.ts'
import { emptyPlace, knownMethods, shownSession } from '../../src/server/door.ts'
import { appDatabase, smallFirm } from '../records/a-database.ts'

describe('the door', () => {
  let db: Db
  let server: Server
  let read: string[]

  before(async () => {
    db = appDatabase()
    await smallFirm(db)
    const app = express()
    app.use(knownMethods, shownSession)
    app.use('/api/first-run-data', emptyPlace(db))
    app.use(express.text({ type: () => true, limit: '1mb' }), (incoming, response) => {
      read.push(`${incoming.method} ${incoming.path}`)
      response.json({ ok: true })
    })
    server = createServer(app)
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  })
  after(async () => {
    server.closeAllConnections()
    await new Promise((resolve) => server.close(resolve))
    await db.destroy()
  })
  beforeEach(() => {
    read = []
  })

  /** Says how much is coming and sends none of it: who waits for the body never answers. */
  const announced = (method: string, path: string, headers: Record<string, string> = {}, body?: string) =>
    new Promise<{ status: number; code: string }>((resolve, reject) => {
      const { port } = server.address() as AddressInfo
      const length = body === undefined ? '290000000' : String(body.length)
      const sent = request({ port, method, path, headers: { 'content-length': length, ...headers } })
      sent.setTimeout(3000, () => sent.destroy(new Error('it waited for the body')))
      sent.once('error', reject)
      sent.once('response', (answer: IncomingMessage) => {
        let text = ''
        answer.on('data', (data) => (text += data))
        answer.on('end', () => resolve({ status: answer.statusCode!, code: JSON.parse(text).issues?.[0].code ?? '' }))
      })
      if (body === undefined) sent.flushHeaders()
      else sent.end(body)
    })

  it('asks who speaks before what is said', async () => {
    expect(await announced('POST', '/api/entries')).to.deep.equal({ status: 401, code: 'signed_out' })
    expect(await announced('POST', '/api/photos', { cookie: 'other=1; evenshot=2' })).to.include({ status: 401 })
    expect(read).to.deep.equal([])
  })

  it('reads what comes with a session, and what a stranger may send', async () => {
    const mine = { cookie: 'other=1; evenshot_session=abc' }
    expect((await announced('POST', '/api/entries', mine, '{}')).status).to.equal(200)
    expect((await announced('POST', '/api/sign-in', {}, 'email=a')).status).to.equal(200)
    expect((await announced('POST', '/api/join/abc', {}, '{}')).status).to.equal(200)
    expect((await announced('GET', '/round', { 'content-length': '0' }, '')).status).to.equal(200)
    expect(read).to.have.length(4)
  })

  it('takes a firm’s data where no firm stands, and says so before it reads it', async () => {
    expect(await announced('POST', '/api/first-run-data')).to.deep.equal({ status: 403, code: 'closed' })
    expect(read).to.deep.equal([])
  })

  it('takes no method that nothing here is for', async () => {
    expect(await announced('TRACE', '/round', { 'content-length': '0' }, '')).to.deep.equal({
      status: 405,
      code: 'method',
    })
  })
})
