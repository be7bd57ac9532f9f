import { type BrowserContext, type Page, chromium as playwright } from '@playwright/test'
import fc from 'fast-check'
import { chromium } from '../../scripts/packages.ts'
import type { RecordedEntry } from '../../src/core/ledger/entry.ts'
import { type Line, lineTo } from '../e2e/line.ts'
import { entryAbout } from '../records/a-database.ts'
import { firmIn, startApplication } from './application.ts'
import { addCounts, type Counts, countsSoFar, roundsAsked } from './figures.ts'

// `npm run drill:offline-browser [-- schedules]`: the whole application in a browser, its line cut, mended and robbed of its
// answers, the page reloaded or closed at any moment, two tabs sending at once. At the end every note that the form said
// was saved is in the ledger once.
const schedules = roundsAsked(10)
const already = countsSoFar('offline-browser').schedules ?? 0

const step = fc.oneof(
  { weight: 4, arbitrary: fc.record({ do: fc.constant('write' as const), closes: fc.boolean() }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constantFrom('cut', 'mend', 'swallow') }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constantFrom('send', 'send in two tabs', 'reload') }) },
)

const application = await startApplication(['--own'])
const counts: Counts = { schedules: 0, notes: 0, cuts: 0, closed: 0, lost: 0, doubled: 0 }
const browser = await playwright.launch({ executablePath: chromium() ?? undefined!, args: ['--no-sandbox'] })
try {
  const { firm, headers } = await firmIn(application)
  const db = application.openDb()
  const day = new Date().toISOString().slice(0, 10)
  await fetch(`${application.url}/api/entries`, {
    method: 'POST',
    headers,
    body: JSON.stringify({
      entries: [
        entryAbout('machine', firm.c2, 'commissioned', { kind: 'c2', kindVersion: 1, partsNew: true }, { on: day }),
      ],
    }),
  })
  const notes = async (): Promise<string[]> => {
    const bundle = await (await fetch(`${application.url}/api/machines/${firm.c2}/bundle`, { headers })).json()
    return (bundle.ledgers.machine as RecordedEntry[]).flatMap((entry) =>
      entry.kind === 'note' ? [entry.body.text] : [],
    )
  }
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 9 }), async (steps) => {
      const line = await lineTo(Number(new URL(application.url).port))
      const context = await browser.newContext({ baseURL: line.url, viewport: { width: 390, height: 844 } })
      try {
        await context.addCookies([
          { name: 'evenshot_session', value: headers.cookie!.split('=')[1]!, url: line.url, httpOnly: true },
        ])
        const said = await worked(context, line, steps)
        const there = await notes()
        counts.notes! += said.length
        counts.lost! += said.filter((text) => !there.includes(text)).length
        counts.doubled! += said.filter((text) => there.filter((one) => one === text).length > 1).length
        if (counts.lost! + counts.doubled! > 0) throw new Error('The ledger is not what was written')
        counts.schedules! += 1
      } finally {
        await context.close()
        await line.close()
      }
    }),
    { numRuns: schedules, seed: 20_261_201 + already, endOnFailure: true },
  )
  await db.destroy()

  /** Works through a schedule, then sends all. @returns what the form said was saved */
  async function worked(
    context: BrowserContext,
    line: Line,
    steps: { do: string; closes?: boolean }[],
  ): Promise<string[]> {
    let page = await context.newPage()
    await page.goto(`/machines/${firm.c2}`)
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
    await page.goto('/waits')
    await page.getByText(/as of \d\d:\d\d on/).waitFor({ timeout: 120_000 })
    // The first page was opened before there was anything between it and the network: nothing of it is here yet.
    const whole = page.waitForResponse((response) => response.url().endsWith(`/api/machines/${firm.c2}/bundle`))
    await page.goto(`/machines/${firm.c2}`)
    await (await whole).finished()
    await page.waitForLoadState('networkidle')
    const said: string[] = []
    for (const one of steps) {
      if (one.do === 'cut') line.cut()
      else if (one.do === 'mend') line.mend()
      else if (one.do === 'swallow') line.swallowAnswers()
      else if (one.do === 'reload') await page.reload()
      else if (one.do === 'send') await sendNow(page)
      else if (one.do === 'send in two tabs') {
        const other = await context.newPage()
        await Promise.all([sendNow(page), sendNow(other)])
        await other.close()
      } else {
        const text = `note ${already + counts.schedules!} ${said.length} ${Math.round(performance.now())}`
        await page.goto(`/machines/${firm.c2}/entry`)
        await page.getByLabel(/^Note/).first().fill(text)
        await page.getByRole('button', { name: /^Save/ }).click()
        await page.waitForURL(/\?saved/, { timeout: 120_000 })
        said.push(text)
        if (one.closes) {
          // At whatever the page was about to do next.
          await page.close()
          page = await context.newPage()
          counts.closed! += 1
        }
      }
      if (one.do === 'cut' || one.do === 'swallow') counts.cuts! += 1
    }
    line.mend()
    const nothing = page.getByText('Nothing waits: all that was written here is in the ledger.')
    for (let i = 0; i < 20; i += 1) {
      await sendNow(page)
      if (await nothing.isVisible()) return said
    }
    throw new Error('Not all was sent')
  }

  async function sendNow(page: Page): Promise<void> {
    await page.goto('/waits')
    const nothing = page.getByText('Nothing waits: all that was written here is in the ledger.')
    const send = page.getByRole('button', { name: 'Send now' })
    await nothing.or(send).first().waitFor({ timeout: 60_000 })
    if (await nothing.isVisible()) return
    // It may be sent by itself at the same moment.
    await send.click({ timeout: 10_000 }).catch(() => undefined)
    await nothing.or(page.getByRole('status')).first().waitFor({ timeout: 60_000 })
  }
} finally {
  console.log(`In this run: ${JSON.stringify(counts)}`)
  console.log(`In all: ${JSON.stringify(addCounts('offline-browser', counts))}`)
  await browser.close()
  await application.stop()
}
process.exit()
