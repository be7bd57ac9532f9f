import { type Browser, type BrowserContext, test as base, expect, type Page } from '@playwright/test'
import { baseUrl, startFresh, stopIfRunning } from './server-control.ts'

export { expect }

/** The file whose tests have touched this worker's world. */
let touchedBy: string | null = null

/** A browser signed in as Ines, that fails on any console error and on any request to another host. */
export const test = base.extend<{ world: undefined; ines: Page; quiet: (page: Page) => void }, { server: undefined }>({
  // The worker's server ends with it.
  server: [
    // biome-ignore lint/correctness/noEmptyPattern: the fixture needs no other
    async ({}, use) => {
      await use(undefined)
      await stopIfRunning()
    },
    { scope: 'worker', auto: true },
  ],
  // Each file begins in a demo world nobody has touched, whatever ran before it and beside it.
  world: [
    // biome-ignore lint/correctness/noEmptyPattern: the fixture needs no other
    async ({}, use, { file }) => {
      if (touchedBy !== file) {
        sessions.clear()
        await startFresh()
        touchedBy = file
      }
      await use(undefined)
    },
    { auto: true, timeout: 120_000 },
  ],
  // biome-ignore lint/correctness/noEmptyPattern: the fixture needs no other
  quiet: async ({}, use) => {
    const complaints: string[] = []
    await use((page) => {
      page.on('console', (message) => {
        // A refusal the page itself answers in words is no fault of the page.
        const refused = /status of 4(09|22)/.test(message.text()) && message.location().url.includes('/api/')
        if (message.type() === 'error' && !refused) complaints.push(`console: ${message.text()}`)
      })
      page.on('pageerror', (error) => complaints.push(`page: ${error.message}`))
      page.on('request', (request) => {
        const url = new URL(request.url())
        if (!['127.0.0.1', 'localhost'].includes(url.hostname) && !['data:', 'blob:'].includes(url.protocol))
          complaints.push(`left the machine: ${request.url()}`)
      })
    })
    expect(complaints).toEqual([])
  },
  ines: async ({ browser, quiet }, use) => {
    const page = await signedIn(browser, { viewport: { width: 1280, height: 800 } })
    quiet(page)
    await use(page)
    await page.context().close()
  },
})

type ContextOptions = Parameters<Browser['newContext']>[0]

/** Sessions opened by the form, by server and person: fifty sign-ins in a quarter of an hour are turned away. */
const sessions = new Map<string, Awaited<ReturnType<BrowserContext['cookies']>>>()

/** A new browser context, signed in: by the form the first time, by that session after, as long as it lasts. */
export async function signedIn(
  browser: Browser,
  options: ContextOptions = {},
  who = 'ines@quillgate.example',
  password = 'harrowmere',
): Promise<Page> {
  const context = await browser.newContext({ baseURL: baseUrl(), locale: 'en-GB', ...options })
  const page = await context.newPage()
  const key = `${baseUrl()} ${who}`
  const known = sessions.get(key)
  if (known) {
    await context.addCookies(known)
    await page.goto('/round')
    if (new URL(page.url()).pathname === '/round') return page
    await context.clearCookies()
  }
  await page.goto('/sign-in')
  await page.getByLabel('E-mail address').fill(who)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await page.waitForURL('**/round')
  sessions.set(
    key,
    (await context.cookies()).filter(({ httpOnly }) => httpOnly),
  )
  return page
}

/** Id of the first machine found by these words. */
export async function machineId(page: Page, words: string): Promise<string> {
  const response = await page.request.get(`/api/find?q=${encodeURIComponent(words)}`)
  const { rows } = await response.json()
  expect(rows.length, `a machine found by "${words}"`).toBeGreaterThan(0)
  return rows[0].id
}

/** Waits until the islands of a page answer to clicks and keys. */
export async function awake(page: Page): Promise<void> {
  await page.waitForLoadState('networkidle')
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0)
}
