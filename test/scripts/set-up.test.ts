import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { clusterSettings, freePort } from '../../scripts/cluster.ts'
import { givenDatabase } from '../../scripts/database.ts'
import { locked, root } from '../../scripts/install.mjs'
import { installPackage, postgresBin } from '../../scripts/packages.ts'

describe('set-up', () => {
  const lock = (name: string) => join(root, 'data', `${name}.lock`)

  it('lets one in at a time, and frees the lock behind it', async () => {
    const name = `test-${process.pid}-a`
    let inside = 0
    let most = 0
    const work = async () => {
      inside += 1
      most = Math.max(most, inside)
      await new Promise((resolve) => setTimeout(resolve, 20))
      inside -= 1
    }
    await Promise.all([locked(name, work), locked(name, work), locked(name, work)])
    expect(most).to.equal(1)
    expect(existsSync(lock(name))).to.equal(false)
  })

  it('takes over the lock of a process that was killed', async () => {
    const name = `test-${process.pid}-b`
    const dead = spawnSync(process.execPath, ['-e', '0'])
    writeFileSync(lock(name), String(dead.pid))
    expect(await locked(name, async () => 'mine')).to.equal('mine')
  })

  it('waits for one that lives', async () => {
    const name = `test-${process.pid}-c`
    const holder = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 60000)'])
    await new Promise((resolve) => holder.once('spawn', resolve))
    writeFileSync(lock(name), String(holder.pid))
    let entered = false
    const waiting = locked(name, async () => {
      entered = true
    })
    await new Promise((resolve) => setTimeout(resolve, 500))
    expect(entered).to.equal(false)
    holder.kill('SIGKILL')
    await waiting
    expect(entered).to.equal(true)
  })

  it('frees the lock when the work fails', async () => {
    const name = `test-${process.pid}-d`
    const failed = await locked(name, async () => {
      throw new Error('no')
    }).catch((error: Error) => error.message)
    expect(failed).to.equal('no')
    expect(existsSync(lock(name))).to.equal(false)
  })

  it('keeps its passwords to itself and does not change them', () => {
    const folder = mkdtempSync(join(tmpdir(), 'evenshot-settings-'))
    const first = clusterSettings(folder)
    expect(clusterSettings(folder)).to.deep.equal(first)
    expect(new Set([first.adminPassword, first.ownerPassword, first.appPassword]).size).to.equal(3)
    expect(first.appPassword).to.match(/^[0-9a-f]{48}$/)
    expect(statSync(join(folder, 'settings.json')).mode & 0o077).to.equal(0)
    rmSync(folder, { recursive: true })
  })

  it('finds a port nobody listens on', async () => {
    const port = await freePort()
    const server = createServer()
    await new Promise<void>((resolve, reject) => server.once('error', reject).listen(port, '127.0.0.1', resolve))
    expect(await freePort()).not.to.equal(port)
    server.close()
  })

  it('wants both URLs of an outside database, or none', () => {
    const { EVENSHOT_OWNER_URL: owner, EVENSHOT_DATABASE_URL: app } = process.env
    try {
      process.env.EVENSHOT_OWNER_URL = 'postgres://owner@host/db'
      delete process.env.EVENSHOT_DATABASE_URL
      expect(() => givenDatabase()).to.throw('two URLs')
      process.env.EVENSHOT_DATABASE_URL = 'postgres://app@host/db'
      expect(givenDatabase()).to.deep.equal({ ownerUrl: 'postgres://owner@host/db', appUrl: 'postgres://app@host/db' })
      delete process.env.EVENSHOT_OWNER_URL
      delete process.env.EVENSHOT_DATABASE_URL
      expect(givenDatabase()).to.equal(null)
    } finally {
      if (owner) process.env.EVENSHOT_OWNER_URL = owner
      if (app) process.env.EVENSHOT_DATABASE_URL = app
    }
  })

  it('says in one line what to install where it may not', () => {
    expect(postgresBin()).to.match(/^\/usr\/lib\/postgresql\/\d+\/bin$/)
    const real = process.getuid
    const path = process.env.PATH
    try {
      process.getuid = () => 1234
      // Without sudo on the path nothing may be installed.
      process.env.PATH = '/nonexistent'
      expect(() => installPackage('postgresql')).to.throw('Please install it first: sudo apt-get install postgresql')
    } finally {
      process.getuid = real!
      process.env.PATH = path
    }
  })
})
