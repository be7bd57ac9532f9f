import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { cpus, tmpdir } from 'node:os'
import { join } from 'node:path'
import { type BrowserContext, type Page, chromium as playwright } from '@playwright/test'
import { startCluster } from '../scripts/cluster.ts'
import { bringUpToDate, privateDatabase } from '../scripts/database.ts'
import { chromium } from '../scripts/packages.ts'
import { openDatabase, withFirm } from '../src/records/database.ts'
import { reckonWaiting } from '../src/services/rebuild.ts'
import { serveUntilTold, tokenOf, withServer } from './a-server.ts'
import { makeManyMachines } from './many-machines.ts'
import { median, quantile } from './times.ts'

/**
 * `npm run bench:device [machines]`: a phone without network. It packs for the day of a firm of so many machines, the
 * browser is closed and the server stopped; then the browser is started anew, its processor six times slower, and pages
 * are opened from what is on the device. The service worker's own thread is not slowed: the browser cannot.
 */
const machines = Number(process.argv[2] ?? 3000) || 3000
const starts = 7
const slower = 6
const asked = 60

async function bench(): Promise<void> {
  const work = mkdtempSync(join(tmpdir(), 'evenshot-device-'))
  chmodSync(work, 0o755)
  console.log(`${cpus().length} cores (${cpus()[0]!.model}), Node.js ${process.version}, ${machines} machines\n`)
  const cluster = await startCluster(join(work, 'data'))
  try {
    const urls = await privateDatabase(cluster, join(work, 'data'), 'evenshot_device')
    await bringUpToDate(urls)
    const [owner, app] = [openDatabase(urls.ownerUrl, 2), openDatabase(urls.appUrl, 4)]
    try {
      const firmId = await makeManyMachines(owner, machines, '2026-11-26')
      await reckonWaiting(app, firmId)
      const machineIds: string[] = await withFirm(app, firmId, (trx) =>
        trx('machine').orderBy('id').limit(6).pluck('id'),
      )
      const profile = join(work, 'profile')
      let url = ''
      await withServer(urls.appUrl, async (served) => {
        url = served
        const token = await tokenOf(app, firmId)
        await withPhone(profile, served, (page) => packed(page, served, token, machineIds))
      })
      await withoutNetwork(profile, url, machineIds[0]!)
    } finally {
      await Promise.all([owner.destroy(), app.destroy()])
    }
  } finally {
    await cluster.stop()
    rmSync(work, { recursive: true, force: true })
  }
}

/** A browser with a profile that outlives it. */
async function withPhone<T>(profile: string, baseURL: string, work: (page: Page) => Promise<T>): Promise<T> {
  const context: BrowserContext = await playwright.launchPersistentContext(profile, {
    executablePath: chromium() ?? undefined!,
    args: ['--no-sandbox'],
    viewport: { width: 390, height: 844 },
    baseURL,
  })
  try {
    return await work(await context.newPage())
  } finally {
    await context.close()
  }
}

/** Signs in, opens some machines and packs. */
async function packed(page: Page, url: string, token: string, machineIds: string[]): Promise<void> {
  const { hostname } = new URL(url)
  const forAYear = Math.round(Date.now() / 1000) + 31_536_000
  await page
    .context()
    .addCookies([
      { name: 'evenshot_session', value: token, domain: hostname, path: '/', httpOnly: true, expires: forAYear },
    ])
  const start = performance.now()
  await page.goto('/round/day')
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  for (const id of machineIds) {
    await page.goto(`/machines/${id}`)
    await page.waitForLoadState('networkidle')
  }
  await page.goto('/waits')
  await page.getByText(/as of \d\d:\d\d on/).waitFor({ timeout: 120_000 })
  console.log(
    `Packed in ${((performance.now() - start) / 1000).toFixed(1)} s, the browser started and ${machineIds.length} machines opened`,
  )
  // Looked at once more, as in the morning: how they stand is kept once they have come to rest.
  for (const path of ['/round/day', `/machines/${machineIds[0]}`]) {
    await page.goto(path)
    await page.waitForFunction(isKeptAsItStands, path, { polling: 250 })
  }
  const { usage = 0 } = await page.evaluate(() => navigator.storage.estimate())
  console.log(`On the device, the application and all: ${(usage / 1e6).toFixed(1)} MB`)
}

/** In the page: whether how it stands is kept on the device. */
const isKeptAsItStands = (path: string): Promise<boolean> =>
  new Promise((resolve, reject) => {
    const opening = indexedDB.open('evenshot')
    opening.onerror = () => reject(opening.error)
    opening.onsuccess = () => {
      const asking = opening.result.transaction('packed').objectStore('packed').count(`drawn ${path}`)
      asking.onerror = () => reject(asking.error)
      asking.onsuccess = () => {
        opening.result.close()
        resolve(asking.result > 0)
      }
    }
  })

/**
 * In the page: marks the moments at which something is painted, as it stood or anew, and at which it is drawn anew. Asking
 * from outside would itself be six times slower.
 */
function tellWhenSeen(selector: string): void {
  const marks: [name: string, selector: string][] = [
    ['seen', `#as-it-stood:not([hidden]) ${selector}, main ${selector}`],
    ['drawn', `main ${selector}`],
  ]
  const look = new MutationObserver(() => {
    while (marks[0] && document.querySelector(marks[0][1])) {
      const [name] = marks.shift()!
      requestAnimationFrame(() => requestAnimationFrame(() => performance.mark(name)))
    }
    if (marks.length === 0) look.disconnect()
  })
  look.observe(document, { childList: true, subtree: true, attributes: true })
}

async function withoutNetwork(profile: string, url: string, machineId: string): Promise<void> {
  for (const [name, path, seen] of [
    ['The day', '/round/day', 'h1'],
    ['A machine', `/machines/${machineId}`, 'svg[width]:not([width="0"])'],
    ['What waits', '/waits', 'h1'],
  ] as const) {
    const seenAt: number[] = []
    const drawnAt: number[] = []
    for (let i = 0; i < starts; i += 1) {
      const at = await withPhone(profile, url, async (page) => {
        const devtools = await page.context().newCDPSession(page)
        await devtools.send('Emulation.setCPUThrottlingRate', { rate: slower })
        await page.addInitScript(tellWhenSeen, seen)
        await page.goto(path, { waitUntil: 'commit' })
        const marked = await page.waitForFunction(
          () => {
            const [seenMark, drawnMark] = ['seen', 'drawn'].map(
              (one) => performance.getEntriesByName(one)[0]?.startTime,
            )
            return seenMark && drawnMark ? [seenMark, drawnMark] : null
          },
          undefined,
          { polling: 250 },
        )
        return (await marked.jsonValue()) as [number, number]
      })
      seenAt.push(at[0])
      drawnAt.push(at[1])
    }
    for (const one of [seenAt, drawnAt]) one.sort((a, b) => a - b)
    console.log(
      `${name}, browser started anew, no network, processor ${slower} times slower: seen ${said(seenAt)} (reach ≤ 2,000 ms), drawn anew ${said(drawnAt)}`,
    )
  }
  await withPhone(profile, url, async (page) => {
    await page.goto('/machines')
    await page.locator('main h1').first().waitFor()
    const taken = await page.evaluate(
      async ({ asked, machines }) => {
        const times: number[] = []
        for (let i = 0; i < asked; i += 1) {
          const start = performance.now()
          const answer = await fetch(`/api/find?q=MM-${1 + ((i * 37) % machines)}`)
          if ((await answer.json()).rows.length === 0) throw new Error('nothing found')
          times.push(performance.now() - start)
        }
        return times.sort((a, b) => a - b)
      },
      { asked, machines },
    )
    console.log(`Found among ${machines} machines: ${said(taken)} (reach ≤ 50 ms)`)
  })
}

const said = (sorted: number[]) => `p50 ${median(sorted).toFixed(0)} ms, p95 ${quantile(sorted, 0.95).toFixed(0)} ms`

if (process.argv[2] === '--serve') await serveUntilTold(process.argv[3]!, Number(process.argv[4]))
else await bench()
