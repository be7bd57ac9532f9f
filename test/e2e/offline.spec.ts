import type { Page } from '@playwright/test'
import type { RecordedEntry } from '../../src/core/ledger/entry.ts'
import { looksRight } from './accessible.ts'
import { checkAll } from './check-all.ts'
import { type Line, lineTo } from './line.ts'
import { awake, expect, machineId, signedIn, test } from './pages.ts'
import { baseUrl } from './server-control.ts'
import { lookAt, packedPhone, sendAll, writeNote } from './without-network.ts'

let line: Line
test.beforeEach(async () => {
  line = await lineTo(Number(new URL(baseUrl()).port))
})
test.afterEach(() => line.close())

/** What the server has of a machine, asked past the line. */
async function ledgerOf(page: Page, id: string): Promise<RecordedEntry[]> {
  const bundle = await (await page.request.get(`${baseUrl()}/api/machines/${id}/bundle`)).json()
  return bundle.ledgers.machine
}
const notesOf = (entries: RecordedEntry[]) =>
  entries.flatMap((entry) => (entry.kind === 'note' ? [entry.body.text] : []))

test('a machine is looked after without network: it opens, what is written stands at once, and arrives once', async ({
  browser,
}) => {
  const page = await packedPhone(browser, line)
  const id = await machineId(page, 'crew room')
  const before = await ledgerOf(page, id)
  line.cut()
  for (const path of [
    '/round/day',
    '/round',
    '/round/weeks',
    '/machines',
    `/machines/${id}`,
    '/round/call',
    '/waits',
  ]) {
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

test('a page stands at once as it stood that day, until it is drawn anew; once something was written it does not', async ({
  browser,
}) => {
  const page = await packedPhone(browser, line)
  // What is shown first is gone soon: it is written down as it appears.
  await page.addInitScript(() => {
    const seen: { text: string; styles: number }[] = []
    Object.assign(window, { seen })
    new MutationObserver(() => {
      const shown = document.querySelector<HTMLElement>('#as-it-stood:not([hidden])')
      if (!shown || seen.length > 0) return
      const styled = [...shown.querySelectorAll<HTMLElement>('[data-style]')]
      seen.push({ text: shown.textContent!, styles: styled.filter((one) => one.style.cssText === '').length })
    }).observe(document, { childList: true, subtree: true, attributes: true })
  })
  const seen = () => page.evaluate(() => (window as unknown as { seen: { text: string; styles: number }[] }).seen)
  const isKept = (path: string) =>
    page.evaluate(
      (address) =>
        new Promise<boolean>((resolve) => {
          const opening = indexedDB.open('evenshot')
          opening.onsuccess = () => {
            const asking = opening.result.transaction('packed').objectStore('packed').count(address)
            asking.onsuccess = () => resolve(asking.result > 0)
            opening.result.close()
          }
        }),
      `drawn ${path}`,
    )
  const id = await machineId(page, 'crew room')
  for (const path of ['/round/day', `/machines/${id}`]) {
    await page.goto(path)
    await awake(page)
    expect(await seen(), 'with network it is drawn as ever').toEqual([])
    await expect.poll(() => isKept(path)).toBe(true)
  }
  line.cut()
  for (const path of ['/round/day', `/machines/${id}`]) {
    await page.goto(path)
    await awake(page)
    const [first] = await seen()
    const name = (await page.locator('main h1').textContent())!
    expect(first!.text).toMatch(/As it stood at \d\d:\d\d\. It is being opened …/)
    expect(first!.text).toContain(name)
    expect(first!.styles, 'styles that were lost on the way').toBe(0)
    await expect(page.getByText(/As it stood at/)).toHaveCount(0)
    await expect(page.locator('h1')).toHaveCount(1)
  }
  await writeNote(page, id, 'Drip tray cracked')
  await page.goto('/round/day')
  await awake(page)
  expect(await seen(), 'drawn before something was written').toEqual([])
  line.mend()
  await sendAll(page)
  await page.goto('/round/day')
  await awake(page)
  await expect.poll(() => isKept('/round/day')).toBe(true)
  await writeNote(page, id, 'A new tray is ordered')
  expect(await isKept('/round/day'), 'written with network').toBe(false)
  await page.context().close()
})

test('who signs out with work that was not sent is asked first; a file of it is read in by the firm', async ({
  browser,
}) => {
  const page = await packedPhone(browser, line, { viewport: { width: 1280, height: 800 } })
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

/** The last reading of a machine's counter that counts. */
const lastCount = (entries: RecordedEntry[]) =>
  entries
    .flatMap((entry) => (entry.kind === 'reading' && entry.body.counter === 'shots' ? [entry.body.count] : []))
    .at(-1)!

test('what two wrote without knowing of each other stands, and is compared once', async ({ browser }) => {
  const page = await packedPhone(browser, line)
  const id = await machineId(page, 'crew room')
  const last = lastCount(await ledgerOf(page, id))
  const mine = last + 30
  line.cut()
  await page.goto(`/machines/${id}/entry`)
  await awake(page)
  await page.locator('input[name=counter]').first().fill(String(mine))
  await page.getByRole('button', { name: /^Save/ }).click()
  await page.waitForURL(/\?saved/)
  // Meanwhile a colleague takes it down over the telephone, two digits changed.
  const odile = await signedIn(browser, {}, 'odile@quillgate.example')
  await odile.goto(`/machines/${id}/entry`)
  await awake(odile)
  await odile
    .locator('input[name=counter]')
    .first()
    .fill(String(last - 700))
  await odile.getByRole('button', { name: /^Save/ }).click()
  await odile.waitForURL(/\?saved/)
  line.mend()
  await sendAll(page)
  await page.reload()
  const listed = page.getByRole('region', { name: 'Two wrote of one thing' })
  await expect(listed).toContainText('1 line differs')
  await looksRight(page, 'what waits, with what two wrote')
  await listed.getByRole('link').first().click()
  await page.waitForURL(`**/machines/${id}`)
  await awake(page)
  await page.getByRole('button', { name: 'Compare' }).click()
  const sheet = page.getByRole('dialog')
  await expect(sheet).toContainText('without network; it was sent at')
  const yours = sheet.getByRole('radio', { name: /yours/ })
  if (!(await yours.isChecked()))
    await sheet
      .getByRole('radiogroup')
      .getByText(/^yours/)
      .click()
  await expect(yours).toBeChecked()
  await looksRight(page, 'two lines compared')
  await sheet.getByRole('button', { name: 'The chosen one counts' }).click()
  await expect(sheet).toBeHidden()
  await expect(page.getByRole('button', { name: 'Compare' })).toBeHidden()
  const after = await ledgerOf(page, id)
  const theirs = after.find((entry) => entry.kind === 'reading' && entry.body.count === last - 700)!
  const kept = after.find((entry) => entry.kind === 'reading' && entry.body.count === mine)!
  expect(kept.knownSeq).toBeLessThan(theirs.seq)
  expect(after.filter(({ kind }) => kind === 'compared').map(({ body }) => body)).toEqual([
    { v: 1, entries: [theirs.id, kept.id], counts: kept.id },
  ])
  expect(after.filter(({ supersedes }) => supersedes === theirs.id).map(({ kind }) => kind)).toEqual(['withdrawn'])
  await odile.context().close()
  await page.context().close()
})

test('a clock that went wrong is noticed before anything is sent', async ({ browser }) => {
  const page = await packedPhone(browser, line)
  const id = await machineId(page, 'crew room')
  const hour = 3_600_000
  line.cut()
  await page.clock.setSystemTime(Date.now() - 26 * hour)
  await writeNote(page, id, 'Hinge of the door is loose')
  line.mend()
  await page.goto('/waits')
  await awake(page)
  await page.getByRole('button', { name: 'Send now' }).click()
  const asks = page.getByRole('region', { name: 'The clock' })
  await expect(asks).toContainText(/1 day 2 h behind/)
  await looksRight(page, 'a clock that went wrong')
  expect(notesOf(await ledgerOf(page, id))).not.toContain('Hinge of the door is loose')
  await asks.getByRole('button', { name: /set it right$/ }).click()
  await expect(page.getByText('Nothing waits: all that was written here is in the ledger.')).toBeVisible()
  const written = (await ledgerOf(page, id)).find(
    (entry) => entry.kind === 'note' && entry.body.text === 'Hinge of the door is loose',
  )!
  expect(Math.abs(Date.parse(written.happenedAt) - Date.parse(written.recordedAt))).toBeLessThan(10 * 60_000)
  expect(written.happenedOn).toBe(written.recordedAt.slice(0, 10))
  await page.context().close()
})

test('a device that is signed out from elsewhere forgets all it keeps at its next word with the server', async ({
  browser,
}) => {
  const page = await packedPhone(browser, line, {}, 'odile@quillgate.example')
  const id = await machineId(page, 'crew room')
  // It is no place of her day: it is on the device because she looked at it.
  await lookAt(page, id)
  line.cut()
  await writeNote(page, id, 'Never to be read by who found it')
  // A session that is over: what waits is said where they sign in.
  const session = await page.context().cookies()
  await page.context().clearCookies()
  line.mend()
  await page.goto('/sign-in')
  await expect(page.getByRole('status')).toContainText(/waits? on this device, written by Odile Quillgate/)
  line.cut()
  await page.context().addCookies(session)
  const desk = await signedIn(browser, { viewport: { width: 1280, height: 800 } })
  await desk.goto('/firm')
  await awake(desk)
  const lines = desk.getByRole('button', { name: 'Sign out there' })
  for (let left = await lines.count(); left > 0; left -= 1) {
    await lines.first().click()
    await expect(lines).toHaveCount(left - 1)
  }
  line.mend()
  await page.goto(`/machines/${id}`)
  await page.waitForURL('**/sign-in**')
  const stored = () =>
    page.evaluate(
      () =>
        new Promise<number>((resolve, reject) => {
          const asked = indexedDB.open('evenshot')
          asked.onerror = () => reject(asked.error)
          asked.onsuccess = () => {
            const db = asked.result
            const stores = ['packed', 'unsent', 'photo', 'about', 'key', 'kept']
            const reading = db.transaction(stores)
            const counts = stores.map((name) => reading.objectStore(name).count())
            reading.oncomplete = () => {
              db.close()
              resolve(counts.reduce((sum, { result }) => sum + result, 0))
            }
          }
        }),
    )
  await expect.poll(stored).toBe(0)
  await desk.context().close()
  await page.context().close()
})

test('reloaded at every step of a run, a strip-down and an entry without network, all of it stands', async ({
  browser,
}) => {
  test.setTimeout(400_000)
  const page = await packedPhone(browser, line)
  const machineOf = async (kind: string): Promise<string> =>
    (await (await page.request.get(`${baseUrl()}/api/machines?kind=${kind}`)).json()).rows[0].id
  const [c2, sr] = [await machineOf('c2'), await machineOf('sr')]
  for (const id of [c2, sr]) await lookAt(page, id)
  await page.goto('/waits')
  await awake(page)
  line.cut()
  const reload = async () => {
    await page.reload()
    await awake(page)
  }

  await page.goto(`/machines/${c2}/entry`)
  await awake(page)
  const fields = {
    note: page.getByLabel(/^Note/).first(),
    count: page.locator('input[name=counter]').first(),
  }
  for (const [name, typed] of Object.entries({ note: 'Half a sentence', count: '184,9' })) {
    await fields[name as keyof typeof fields].fill(typed)
    await reload()
    for (const [known, value] of [['note', 'Half a sentence'], ...(name === 'count' ? [['count', '184,9']] : [])])
      await expect(fields[known as keyof typeof fields]).toHaveValue(value!)
  }

  await page.goto(`/machines/${sr}/strip-down?of=grinder-service`)
  await awake(page)
  await checkAll(page)
  await page.getByRole('button', { name: 'Open the sheet' }).click()
  for (const [thing, off] of [
    ['Finger guard', 1],
    ['Hopper, gasket', 2],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${thing}: off`) }).click()
    await reload()
    await expect(page.getByRole('heading', { name: new RegExp(`^${off} things? off`) })).toBeVisible()
  }
  await page.getByLabel('Photo', { exact: true }).setInputFiles('docs/screenshots/bench.png')
  const photo = page.getByRole('img', { name: 'Hopper, gasket as it sat, 1' })
  await expect(photo).toBeVisible()
  await reload()
  await expect
    .poll(() => photo.evaluate((img: HTMLImageElement) => img.complete && img.naturalWidth))
    .toBeGreaterThan(100)
  await page.getByRole('button', { name: 'Now back together' }).click()
  for (const left of [2, 1]) {
    await reload()
    await expect(page.getByRole('heading', { name: new RegExp(`^${left} things? still on the bench`) })).toBeVisible()
    await page.keyboard.press('Space')
  }
  await reload()
  await expect(page.getByRole('button', { name: /^Close the sheet/ })).toBeVisible()

  await page.goto(`/machines/${c2}/run?procedure=detergent-backflush`)
  await awake(page)
  await page.getByRole('button', { name: 'Start' }).click()
  const now = page.locator('[data-step]').first()
  const press = page.getByRole('button', { name: /^(Done|It is in|Seen|Started|Thrown away|Held|Pressed|Taken)/ })
  const passed = new Set<string>()
  for (let steps = 0; steps < 9; steps += 1) {
    // What counts strokes by itself goes on while it is loaded anew: only what waits for the hands is held against itself.
    if (!(await press.isVisible())) break
    const said = (await now.textContent())!
    passed.add(said)
    await reload()
    await expect(now).toHaveText(said)
    await press.click()
    // What counts by itself comes next, or another step.
    await expect.poll(async () => (await now.count()) > 0 && (await now.textContent())).not.toBe(said)
  }
  expect(passed.size).toBeGreaterThan(2)
  await page.context().close()
})
