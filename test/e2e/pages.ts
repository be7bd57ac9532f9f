import { setTimeout as wait } from 'node:timers/promises'
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
    { auto: true, timeout: 240_000 },
  ],
  // biome-ignore lint/correctness/noEmptyPattern: the fixture needs no other
  quiet: async ({}, use) => {
    const complaints: string[] = []
    await use((page) => {
      page.on('console', (message) => {
        // A refusal the page itself answers in words is no fault of the page.
        const refused = /status of (4(03|09|22)|507)/.test(message.text()) && message.location().url.includes('/api/')
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
  // Once the world stands: before that nothing has an address.
  baseURL: async ({ world }, use) => {
    void world
    await use(baseUrl())
  },
  // The browser's own page, used again by the next test, which finds it empty: scripts and fonts stay read.
  ines: async ({ page, quiet }, use) => {
    watched(page)
    await signIn(page)
    quiet(page)
    await use(page)
  },
})

type ContextOptions = Parameters<Browser['newContext']>[0]

/** Sessions opened by the form, by server and person: fifty sign-ins in a quarter of an hour are turned away. */
const sessions = new Map<string, Awaited<ReturnType<BrowserContext['cookies']>>>()

/** A new browser context, signed in. Its page is empty until it goes somewhere. */
export async function signedIn(
  browser: Browser,
  options: ContextOptions = {},
  who = 'ines@quillgate.example',
  password = 'harrowmere',
): Promise<Page> {
  const context = await browser.newContext({
    baseURL: baseUrl(),
    locale: 'en-GB',
    serviceWorkers: 'block',
    ...options,
  })
  const page = watched(await context.newPage())
  await signIn(page, who, password)
  return page
}

/** By the form the first time, by that session after, as long as it lasts. */
async function signIn(page: Page, who = 'ines@quillgate.example', password = 'harrowmere'): Promise<void> {
  const context = page.context()
  const key = `${baseUrl()} ${who}`
  const known = sessions.get(key)
  if (known) {
    await context.addCookies(known)
    if ((await context.request.get('/api/find?q=-')).ok()) return
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
}

/** Id of the first machine found by these words. */
export async function machineId(page: Page, words: string): Promise<string> {
  const response = await page.request.get(`/api/find?q=${encodeURIComponent(words)}`)
  const { rows } = await response.json()
  expect(rows.length, `a machine found by "${words}"`).toBeGreaterThan(0)
  return rows[0].id
}

/** What each page has asked for and not been answered yet. */
const asking = new WeakMap<Page, Set<unknown>>()

/** A page whose requests are counted: what `awake` needs. */
export function watched(page: Page): Page {
  const open = new Set<unknown>()
  asking.set(page, open)
  page.on('request', (request) => open.add(request))
  page.on('requestfinished', (request) => open.delete(request))
  page.on('requestfailed', (request) => open.delete(request))
  page.on('framenavigated', (frame) => frame === page.mainFrame() && open.clear())
  return page
}

/** Every island is drawn by its own code: React has taken what the server drew for its own. */
const isDrawn = (): boolean =>
  document.readyState === 'complete' &&
  // A device that draws by itself shows first how the page stood.
  !document.getElementById('as-it-stood') &&
  [...document.querySelectorAll('astro-island')].every((island) => {
    const first = [...island.children].filter((child) => !['TEMPLATE', 'SCRIPT', 'LINK'].includes(child.tagName))
    const taken =
      first.length === 0 || first.some((child) => Object.keys(child).some((key) => /^__reactFiber/.test(key)))
    return taken && !island.hasAttribute('ssr')
  })

/** Looks a page must be calm in a row, each so many milliseconds after the one before. */
const calmLooks = 3
const lookMs = 40

/** Waits until the islands of a page answer to clicks and keys, and all they asked for has come. */
export async function awake(page: Page): Promise<void> {
  const open = asking.get(page)
  if (!open) throw new Error('awake: a page that signedIn did not open')
  const until = Date.now() + 25_000
  for (let calm = 0; calm < calmLooks; ) {
    if (Date.now() > until) throw new Error(`${page.url()} never came to rest: ${open.size} requests open`)
    await wait(lookMs)
    calm = open.size === 0 && (await page.evaluate(isDrawn).catch(() => false)) ? calm + 1 : 0
  }
}
