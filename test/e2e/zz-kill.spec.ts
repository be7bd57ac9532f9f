import { spawn, spawnSync } from 'node:child_process'
import { entryAbout } from '../records/a-database.ts'
import { expect, machineId, signedIn, test } from './pages.ts'
import {
  baseUrl,
  clusterRuns,
  databaseUrl,
  killDatabase,
  killEverything,
  pinnedClock,
  startApplication,
  stopApplication,
  workFolder,
} from './server-control.ts'

/** A port that no worker's server has. */
const second = 4980

test.describe('power cuts and restarts', () => {
  test('every acknowledged entry is there after the server and the database were killed in mid-write', async ({
    browser,
  }) => {
    const page = await signedIn(browser)
    const machine = await machineId(page, 'Right bar')
    const acknowledged: string[] = []
    let writing = true
    const writer = async (n: number) => {
      for (let i = 0; writing; i += 1) {
        const entry = entryAbout('machine', machine, 'note', { text: `writer ${n}, note ${i}` })
        const response = await page.request.post('/api/entries', { data: { entries: [entry] } }).catch(() => null)
        if (response?.ok()) acknowledged.push(entry.id)
        else break
      }
    }
    const writers = [1, 2, 3, 4].map(writer)
    await expect.poll(() => acknowledged.length, { timeout: 60_000 }).toBeGreaterThan(25)
    await killEverything()
    writing = false
    await Promise.all(writers)
    const count = acknowledged.length

    await startApplication()
    const { ledgers } = await (await page.request.get(`${baseUrl()}/api/machines/${machine}/bundle`)).json()
    const kept = new Set(ledgers.machine.map((entry: { id: string }) => entry.id))
    expect(acknowledged.filter((id) => !kept.has(id))).toEqual([])
    expect(count).toBeGreaterThan(25)
    const seqs = ledgers.machine.map((entry: { seq: number }) => entry.seq)
    expect(new Set(seqs).size).toBe(seqs.length)
    await page.context().close()
  })

  test('a database that died comes back by itself, at the same address, and is written to again', async ({
    browser,
  }) => {
    const page = await signedIn(browser)
    const machine = await machineId(page, 'Right bar')
    const before = databaseUrl()
    killDatabase()
    const entry = entryAbout('machine', machine, 'note', { text: 'written after the cut' })
    const send = () => page.request.post('/api/entries', { data: { entries: [entry] } })
    const statuses: number[] = []
    await expect
      .poll(async () => statuses[statuses.push((await send()).status()) - 1], { timeout: 30_000, intervals: [100] })
      .toBe(200)
    expect(statuses.filter((status) => status !== 200 && status !== 503)).toEqual([])
    expect(databaseUrl()).toBe(before)
    await page.goto('/round')
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await page.context().close()
  })

  test('a second start beside the first says where it runs, and harms nothing', () => {
    const beside = spawnSync(process.execPath, ['scripts/start.mjs'], {
      encoding: 'utf8',
      env: { ...process.env, EVENSHOT_DATA: workFolder() },
      timeout: 60_000,
    })
    expect(beside.stdout).toContain(`Even Shot is running already: ${baseUrl()}`)
    expect(beside.status).toBe(0)
  })

  test('two starts at once do not fight: one serves, the other says where', async () => {
    await stopApplication('SIGINT')
    const env = {
      ...process.env,
      EVENSHOT_DATA: workFolder(),
      EVENSHOT_PORT: String(second),
      EVENSHOT_CLOCK: pinnedClock,
    }
    const start = () => {
      const child = spawn(process.execPath, ['scripts/start.mjs'], { env })
      let said = ''
      child.stdout.on('data', (data) => {
        said += data
      })
      child.stderr.on('data', (data) => {
        said += data
      })
      return { child, said: () => said }
    }
    const both = [start(), start()]
    await expect
      .poll(() => both.filter(({ said }) => said().includes('Even Shot is at')).length, { timeout: 60_000 })
      .toBe(1)
    await expect
      .poll(() => both.filter(({ said }) => said().includes('is running already')).length, { timeout: 60_000 })
      .toBe(1)
    const serving = both.find(({ said }) => said().includes('Even Shot is at'))!
    expect((await fetch(`http://127.0.0.1:${second}/healthz`)).ok).toBe(true)
    serving.child.kill('SIGINT')
    await expect.poll(() => serving.child.exitCode, { timeout: 30_000 }).toBe(0)
    expect(clusterRuns()).toBe(false)
    await startApplication()
  })

  test('Ctrl C stops all it started; the next start is quick and keeps the data', async ({ browser }) => {
    await stopApplication('SIGINT')
    expect(clusterRuns()).toBe(false)
    await startApplication()
    const page = await signedIn(browser)
    await machineId(page, 'Right bar')
    await page.context().close()
  })
})
