import { createServer, get, type IncomingMessage, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { setTimeout as wait } from 'node:timers/promises'
import { expect } from 'chai'
import express from 'express'
import { type Db, openServing } from '../../src/records/database.ts'
import { crowd } from '../../src/server/crowd.ts'
import { alive, ready } from '../../src/server/health.ts'

const listening = async (app: express.Express): Promise<Server> => {
  const server = createServer(app)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return server
}
const at = (server: Server, path: string) => `http://127.0.0.1:${(server.address() as AddressInfo).port}${path}`

describe('a crowd', () => {
  let server: Server
  let letGo: (() => void)[] = []
  before(async () => {
    const app = express()
    app.use(
      crowd(() => '<!doctype html><h1>Busy just now</h1>', 2),
      (_, response) => void letGo.push(() => response.send('ok')),
    )
    server = await listening(app)
  })
  after(() => {
    server.closeAllConnections()
    server.close()
  })
  beforeEach(() => {
    letGo = []
  })

  it('is let in up to a number; who comes after is told at once to come again, as JSON or as a page', async () => {
    const inside = [fetch(at(server, '/round')), fetch(at(server, '/api/entries'))]
    while (letGo.length < 2) await wait(5)
    const program = await fetch(at(server, '/api/round'))
    expect(program.status).to.equal(503)
    expect(Number(program.headers.get('retry-after'))).to.be.greaterThan(0)
    expect(await program.json()).to.have.nested.property('issues[0].code', 'busy')
    const person = await fetch(at(server, '/round'))
    expect(person.status).to.equal(503)
    expect(person.headers.get('content-type')).to.contain('text/html')
    expect(await person.text()).to.contain('Busy just now')
    // As a browser says it that goes somewhere: fetch has a word of its own for that header.
    const form = await new Promise<IncomingMessage>((resolve) =>
      get(at(server, '/api/sign-in'), { headers: { 'sec-fetch-mode': 'navigate' } }, resolve),
    )
    form.resume()
    expect([form.statusCode, form.headers.location]).to.deep.equal([303, '/sign-in?why=busy'])
    for (const go of letGo) go()
    expect((await Promise.all(inside)).map(({ status }) => status)).to.deep.equal([200, 200])
  })

  it('makes room for whoever comes next, also where somebody hung up', async () => {
    const gone = new AbortController()
    const inside = [fetch(at(server, '/a'), { signal: gone.signal }).catch(() => null), fetch(at(server, '/b'))]
    while (letGo.length < 2) await wait(5)
    gone.abort()
    let again = fetch(at(server, '/c'))
    while (letGo.length < 3) {
      if ((await Promise.race([again, wait(30)]))?.status === 503) again = fetch(at(server, '/c'))
    }
    for (const go of letGo) go()
    expect((await again).status).to.equal(200)
    await Promise.all(inside)
  })
})

describe('health', () => {
  let db: Db
  let server: Server
  before(async () => {
    db = openServing(process.env.EVENSHOT_DATABASE_URL!, 1)
    const app = express()
    app.get('/livez', alive)
    app.get('/healthz', ready(db, '/nowhere'))
    server = await listening(app)
  })
  after(async () => {
    server.close()
    await db.destroy()
  })

  it('is told while all is well, with the backup where that is asked', async () => {
    expect((await fetch(at(server, '/livez'))).status).to.equal(200)
    expect(await (await fetch(at(server, '/healthz'))).json()).to.deep.equal({ ok: true })
    expect(await (await fetch(at(server, '/healthz?deep'))).json()).to.deep.equal({
      ok: true,
      backup: null,
      failedWork: 0,
    })
  })

  it('is told within a second while the database hangs: alive, not ready', async () => {
    await db.transaction(async () => {
      const began = Date.now()
      const answers = await Promise.all(['/livez', '/healthz', '/healthz'].map((path) => fetch(at(server, path))))
      expect(answers.map(({ status }) => status)).to.deep.equal([200, 503, 503])
      expect(Date.now() - began).to.be.lessThan(3000)
    })
    expect((await fetch(at(server, '/healthz'))).status).to.equal(200)
  })
})
