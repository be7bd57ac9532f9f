import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { Backoff } from '../../scripts/backoff.ts'
import { freePortFrom, serverCount } from '../../scripts/keep-servers.ts'
import { isRunning, sayRunning } from '../../scripts/running.ts'

describe('keeping what serves', () => {
  it('waits longer after each death that follows at once, to a bound, and shortly after a long life', () => {
    const backoff = new Backoff({ firstMs: 100, mostMs: 1000, longLifeMs: 5000 })
    expect([0, 10, 20, 30, 40, 50].map((lived) => backoff.next(lived))).to.deep.equal([100, 200, 400, 800, 1000, 1000])
    expect(backoff.next(5000)).to.equal(100)
    expect(backoff.next(4999)).to.equal(200)
  })

  it('takes as many processes as are said, and no nonsense', () => {
    expect(serverCount('3')).to.equal(3)
    expect(serverCount('')).to.be.within(1, 4)
    for (const said of ['0', '17', '1.5', 'two']) expect(() => serverCount(said)).to.throw('EVENSHOT_SERVERS')
  })

  it('goes on to the next port where somebody else has the wanted one', async () => {
    const other = createServer()
    other.listen(0, '127.0.0.1')
    await once(other, 'listening')
    const taken = (other.address() as { port: number }).port
    const found = await freePortFrom('127.0.0.1', taken)
    expect(found).to.be.within(taken + 1, taken + 50)
    other.close()
  })
})

describe('one application a data folder', () => {
  let folder: string
  let health: Server
  let status = 200
  let url: string
  let child: ChildProcess | null = null

  before(async () => {
    folder = mkdtempSync(join(tmpdir(), 'evenshot-there-'))
    health = createServer((_, response) => response.writeHead(status).end('{}'))
    health.listen(0, '127.0.0.1')
    await once(health, 'listening')
    url = `http://127.0.0.1:${(health.address() as { port: number }).port}`
  })
  after(() => {
    health.close()
    child?.kill('SIGKILL')
    rmSync(folder, { recursive: true })
  })
  beforeEach(() => {
    status = 200
  })

  const file = () => join(folder, 'running.json')

  it('is found where it says it is, and not any more when it took that back', async () => {
    expect(await isRunning(folder, 0)).to.equal(null)
    const takeBack = sayRunning(folder, url)
    expect(await isRunning(folder, 0)).to.deep.equal({ pid: process.pid, url, answers: true })
    takeBack()
    expect(await isRunning(folder, 0)).to.equal(null)
  })

  it('is there although it is sick: nobody starts a second one beside it', async () => {
    const takeBack = sayRunning(folder, url)
    status = 503
    expect(await isRunning(folder, 0)).to.deep.equal({ pid: process.pid, url, answers: false })
    takeBack()
  })

  it('is given time to mend itself', async () => {
    const takeBack = sayRunning(folder, url)
    status = 503
    setTimeout(() => {
      status = 200
    }, 700)
    expect((await isRunning(folder, 20_000))?.answers).to.equal(true)
    takeBack()
  })

  it('is not taken for another program that has its number by now, nor for one that was killed', async () => {
    child = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 60000)'], { stdio: 'ignore' })
    await once(child, 'spawn')
    const said = { pid: child.pid!, url, since: '1' }
    writeFileSync(file(), JSON.stringify(said))
    expect(await isRunning(folder, 0)).to.equal(null)
    const since = readFileSync(`/proc/${child.pid}/stat`, 'utf8').split(') ').at(-1)!.split(' ')[19]
    writeFileSync(file(), JSON.stringify({ ...said, since }))
    expect((await isRunning(folder, 0))?.pid).to.equal(child.pid)
    child.kill('SIGKILL')
    await once(child, 'exit')
    expect(await isRunning(folder, 0)).to.equal(null)
  })
})
