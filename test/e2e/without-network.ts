import type { Browser, BrowserContextOptions, Page } from '@playwright/test'
import type { Line } from './line.ts'
import { awake, expect, signedIn } from './pages.ts'

/** A phone that has packed for the day. */
export async function packedPhone(
  browser: Browser,
  line: Line,
  how: BrowserContextOptions = {},
  who?: string,
): Promise<Page> {
  const viewport = { width: 390, height: 844 }
  const page = await signedIn(browser, { baseURL: line.url, serviceWorkers: 'allow', viewport, ...how }, who)
  await page.goto('/round/day')
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  // The first page was opened before there was anything between it and the network.
  await page.goto('/waits')
  await expect(page.getByText(/as of \d\d:\d\d on/)).toBeVisible({ timeout: 60_000 })
  return page
}

/** Looks at a machine until all of it is on the device. */
export async function lookAt(page: Page, id: string): Promise<void> {
  const whole = page.waitForResponse((response) => response.url().endsWith(`/api/machines/${id}/bundle`))
  await page.goto(`/machines/${id}`)
  await (await whole).finished()
  await awake(page)
}

/** Sends what waits, where it was not sent by itself a moment before. */
export async function sendAll(page: Page): Promise<void> {
  await page.goto('/waits')
  await awake(page)
  const none = page.getByText('Nothing waits: all that was written here is in the ledger.')
  const send = page.getByRole('button', { name: 'Send now' })
  await expect(none.or(send).first()).toBeVisible()
  if (await send.isVisible()) await send.click().catch(() => undefined)
  await expect(none).toBeVisible()
}

/** Writes a note at a machine and saves it. */
export async function writeNote(page: Page, id: string, text: string): Promise<void> {
  await page.goto(`/machines/${id}/entry`)
  await awake(page)
  await page.getByLabel(/^Note/).first().fill(text)
  await page.getByRole('button', { name: /^Save/ }).click()
  await page.waitForURL(/\?saved/)
}
