import type { Browser, Page } from '@playwright/test'
import type { RecordedEntry } from '../../src/core/ledger/entry.ts'
import { looksRight } from './accessible.ts'
import { type Line, lineTo } from './line.ts'
import { awake, expect, machineId, signedIn, test } from './pages.ts'
import { baseUrl } from './server-control.ts'

let line: Line
test.beforeEach(async () => {
  line = await lineTo(Number(new URL(baseUrl()).port))
})
test.afterEach(() => line.close())

/** A phone that has packed for the day. */
async function packedPhone(browser: Browser, size = { width: 390, height: 844 }): Promise<Page> {
  const page = await signedIn(browser, { baseURL: line.url, serviceWorkers: 'allow', viewport: size })
  await page.goto('/round/day')
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  // The first page was opened before there was anything between it and the network.
  await page.goto('/waits')
  await expect(page.getByText(/as of \d\d:\d\d on/)).toBeVisible({ timeout: 60_000 })
  return page
}

/** What the server has of a machine, asked past the line. */
async function ledgerOf(page: Page, id: string): Promise<RecordedEntry[]> {
  const bundle = await (await page.request.get(`${baseUrl()}/api/machines/${id}/bundle`)).json()
  return bundle.ledgers.machine
}
const notesOf = (entries: RecordedEntry[]) =>
  entries.flatMap((entry) => (entry.kind === 'note' ? [entry.body.text] : []))

/** Writes a note at a machine and saves it. */
async function writeNote(page: Page, id: string, text: string): Promise<void> {
  await page.goto(`/machines/${id}/entry`)
  await awake(page)
  await page.getByLabel(/^Note/).first().fill(text)
  await page.getByRole('button', { name: /^Save/ }).click()
  await page.waitForURL(/\?saved/)
}

test('a machine is looked after without network: it opens, what is written stands at once, and arrives once', async ({
  browser,
}) => {
  test.setTimeout(240_000)
  const page = await packedPhone(browser)
  const id = await machineId(page, 'crew room')
  const before = await ledgerOf(page, id)
  line.cut()
  for (const path of ['/round/day', '/round', '/machines', `/machines/${id}`, '/round/call', '/waits']) {
    await page.goto(path)
    await awake(page)
    await expect(page.getByRole('heading', { level: 1 }).first(), path).toBeVisible()
    await expect(page.getByText('This needs the network')).toBeHidden()
    await looksRight(page, `${path} without network`)
  }
  for (const path of [`/machines/${id}?lens=work`, `/machines/${id}/strip-down`, `/machines/${id}/triage`]) {
    await page.goto(path)
    await awake(page)
    await expect(page.getByText('This needs the network')).toBeHidden()
  }
  // What the server alone draws says so, and where to go instead.
  await page.goto('/kinds')
  await expect(page.getByRole('heading', { name: 'This needs the network' })).toBeVisible()
  await page.getByRole('link', { name: 'My day' }).click()
  await page.waitForURL('**/round/day')

  await writeNote(page, id, 'Steam tap drips, told the crew')
  // A photo has a name of its own here, and is seen before anybody else has it.
  await page.goto(`/machines/${id}/entry`)
  await awake(page)
  await page.locator('input[type=file]').setInputFiles('docs/screenshots/bench.png')
  await page.getByLabel('What is seen in photo 1').fill('drip at the tap')
  await page.getByRole('button', { name: /^Save/ }).click()
  await page.waitForURL(/\?saved/)
  await page.goto(`/machines/${id}?lens=ledger`)
  await awake(page)
  const photo = page.getByRole('img', { name: 'drip at the tap' })
  await expect
    .poll(() => photo.first().evaluate((img: HTMLImageElement) => img.complete && img.naturalWidth))
    .toBeGreaterThan(100)
  await looksRight(page, 'a ledger with what waits')
  const row = page.getByRole('listitem').filter({ hasText: 'Steam tap drips' }).last()
  await expect(row).toContainText('waits to be sent')
  await page.goto('/waits')
  await awake(page)
  const waiting = page.getByRole('list', { name: 'What waits' })
  await expect(waiting).toContainText('Steam tap drips')
  await page.getByRole('button', { name: 'Send now' }).click()
  await expect(page.getByText('No network: it is sent when it is back')).toBeVisible()
  expect(notesOf(await ledgerOf(page, id))).toEqual(notesOf(before))
  await expect(waiting).toContainText('Photo')

  // The line is back, but its first answer is lost: the photo has arrived, and nothing of its visit is in the ledger yet.
  line.mend()
  line.swallowAnswers()
  await page.getByRole('button', { name: 'Send now' }).click()
  await expect(page.getByText('No network: it is sent when it is back')).toBeVisible()
  expect(notesOf(await ledgerOf(page, id))).toEqual(notesOf(before))
  line.mend()
  await page.getByRole('button', { name: 'Send now' }).click()
  await expect(page.getByText('Nothing waits: all that was written here is in the ledger.')).toBeVisible()
  const after = await ledgerOf(page, id)
  expect(notesOf(after)).toEqual([...notesOf(before), 'Steam tap drips, told the crew'])
  const [pictured] = after.filter((entry) => entry.kind === 'pictured' && entry.body.text === 'drip at the tap')
  const [name] = pictured!.kind === 'pictured' ? pictured!.body.photos : []
  expect((await page.request.get(`${baseUrl()}/api/photos/${name}`)).headers()['content-type']).toBe('image/jpeg')
  await page.context().close()
})

test('who signs out with work that was not sent is asked first; a file of it is read in by the firm', async ({
  browser,
}) => {
  test.setTimeout(240_000)
  const page = await packedPhone(browser, { width: 1280, height: 800 })
  const id = await machineId(page, 'crew room')
  const before = notesOf(await ledgerOf(page, id))
  line.cut()
  await writeNote(page, id, 'Left the drip tray with the crew')
  await page.goto('/waits')
  await awake(page)
  await page.getByRole('button', { name: 'Ines Quillgate: menu' }).click()
  await page.getByRole('menuitem', { name: 'Sign out' }).click()
  const sheet = page.getByRole('dialog', { name: /not sent yet/ })
  await expect(sheet).toBeVisible()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    sheet.getByRole('button', { name: 'Write it to a file' }).click(),
  ])
  await looksRight(page, 'Signing out with what waits')
  await sheet.getByRole('button', { name: 'The file is safe: sign out' }).click()
  // Nothing of the firm is on this device any more.
  await page.waitForURL('**/round')
  await expect(page.getByRole('heading', { name: 'Nothing is on this device yet' })).toBeVisible()
  line.mend()
  const desk = await signedIn(browser, { viewport: { width: 1280, height: 800 } })
  for (const told of ['in the ledger', 'in the ledger']) {
    await desk.goto('/data')
    await awake(desk)
    await desk.getByRole('button', { name: /What a device could not send/ }).click()
    await desk.getByLabel('Choose the file').setInputFiles(await file.path())
    await desk.getByRole('button', { name: 'Read it in' }).click()
    await expect(desk.getByRole('dialog').getByRole('status')).toContainText(told)
  }
  expect(notesOf(await ledgerOf(desk, id)), 'read in twice it is written once').toEqual([
    ...before,
    'Left the drip tray with the crew',
  ])
  await desk.context().close()
  await page.context().close()
})
