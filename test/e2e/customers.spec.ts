import type { Browser, Page } from '@playwright/test'
import { reckonMachine } from '../../src/core/standing/reckon-machine.ts'
import { bundleOf } from './a-visit.ts'
import { looksRight } from './accessible.ts'
import { awake, expect, machineId, signedIn, test } from './pages.ts'
import { baseUrl } from './server-control.ts'

const phone = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true }

/** Somebody at the machine, with a phone that nobody signed in on. */
async function atTheMachine(browser: Browser, quiet: (page: Page) => void, script = true): Promise<Page> {
  const context = await browser.newContext({ baseURL: baseUrl(), locale: 'en-GB', javaScriptEnabled: script, ...phone })
  const page = await context.newPage()
  quiet(page)
  return page
}

/** Gives a machine its page as a technician does, and its place a word. */
async function givePage(page: Page, id: string, word: string): Promise<string> {
  const there = await (await page.request.get(`/api/machines/${id}/page`)).json()
  if (there.path && there.word === word) return there.path
  await page.goto(`/machines/${id}/care`)
  await awake(page)
  const part = page.getByRole('region', { name: 'Their own page' })
  await part.getByRole('button', { name: 'Give it a page' }).click()
  await expect(part.getByRole('link', { name: 'Print its label' })).toBeVisible()
  await part.getByRole('button', { name: /word/ }).click()
  await page.getByLabel('Four figures').fill(word)
  await page.getByRole('button', { name: 'Set the word' }).click()
  await expect(part.getByText(word)).toBeVisible()
  return (await (await page.request.get(`/api/machines/${id}/page`)).json()).path
}

/** Days between the early and the late end of the window of what its counter governs, each by its key. */
async function windows(page: Page, id: string): Promise<Map<string, number>> {
  const { standings } = reckonMachine((await bundleOf(page, id)).ledgers, { showWorking: false })!
  return new Map(
    standings.flatMap(({ key, due, governing }) =>
      due && governing === 'shots' ? [[key, (Date.parse(due.p90) - Date.parse(due.p10)) / 86_400_000] as const] : [],
    ),
  )
}

test.describe('the page of a machine', () => {
  test('is given by a technician, and read by whoever stands there: light, plain, without a word of ours', async ({
    ines: page,
    browser,
    quiet,
  }) => {
    const id = await machineId(page, 'Breakfast bar')
    const path = await givePage(page, id, '4711')
    await looksRight(page, 'care of a machine')
    const label = await page.request.get(`/api/machines/${id}/label.pdf?size=62x29`)
    expect(label.headers()['content-type']).toBe('application/pdf')

    const them = await atTheMachine(browser, quiet)
    let bytes = 0
    const styles: string[] = []
    const reading: Promise<unknown>[] = []
    them.on('response', (response) =>
      reading.push(
        (async () => {
          const { responseBodySize, responseHeadersSize } = await response.request().sizes()
          bytes += responseBodySize + responseHeadersSize
          if (response.headers()['content-type']?.includes('text/css')) styles.push(await response.text())
        })(),
      ),
    )
    await them.goto(path)
    await them.waitForLoadState('networkidle')
    await Promise.all(reading)
    expect(bytes, 'first load, bytes').toBeLessThanOrEqual(60 * 1024)
    const inline = await them.locator('style').allTextContents()
    // What a browser of 2016 does not know: layers, functions of colour, grids, nesting, selectors of later years.
    for (const css of [...styles, ...inline])
      expect(css).not.toMatch(/@layer|oklch|color-mix|light-dark|:is\(|:where\(|:has\(|display:grid|inset:|@container/)
    expect(styles.length + inline.length).toBeGreaterThan(0)
    await looksRight(them, 'page of a machine')
    await them.emulateMedia({ colorScheme: 'dark' })
    await looksRight(them, 'page of a machine in the dark')
    const text = (await them.locator('main').textContent()) ?? ''
    expect(text).toContain('Breakfast bar')
    expect(text).not.toMatch(/Ines|Odile|€|drinks a day/)
    expect(await them.locator('script').count()).toBe(0)
    // Whoever looks after it scans the same code, and is where they work.
    await page.goto(path)
    await expect(page).toHaveURL(new RegExp(`/machines/${id}$`))
  })

  test('takes a fault in their words with a photo, three questions at most, and rings in the firm’s list', async ({
    ines: page,
    browser,
    quiet,
  }) => {
    const id = await machineId(page, 'Left bar')
    const path = await givePage(page, id, '4711')
    const them = await atTheMachine(browser, quiet)
    await them.goto(path)
    await them.getByLabel('The four figures').fill('4711')
    await them.getByRole('button', { name: 'That is us' }).click()
    await expect(them.getByRole('status')).toContainText('known here now')
    await them.getByRole('link', { name: 'Something is wrong' }).click()
    await looksRight(them, 'something is wrong')
    const words = 'Left group only drips today, the cup takes forever'
    await them.getByLabel('In your words').fill(words)
    await them.getByRole('button', { name: 'Go on' }).click()
    let asked = 0
    while (!(await them.getByRole('button', { name: 'Send it' }).isVisible())) {
      await looksRight(them, 'a question')
      await them.locator('button.choice').first().click()
      asked += 1
      expect(asked).toBeLessThanOrEqual(3)
    }
    await expect(them.getByRole('region', { name: 'What you can do now' })).toBeVisible()
    await them.getByLabel(/Your name/).fill('Mo')
    await them.getByRole('button', { name: 'Send it' }).click()
    await expect(them.getByRole('status')).toContainText('Urgent? Ring')
    await them.getByLabel('The photo').setInputFiles('docs/screenshots/round.png')
    await them.getByRole('button', { name: 'Send the photo' }).click()
    await expect(them.getByRole('status')).toContainText('The photo is with us')

    await page.goto('/round/call')
    await awake(page)
    const call = page.getByRole('region', { name: 'To ring back' }).getByRole('listitem').filter({ hasText: words })
    await expect(call).toContainText('from the customer, on the machine’s page')
    await call.getByRole('button', { name: 'Take it up' }).click()
    await expect(page.getByText('Left bar').first()).toBeVisible()
    await page.goto(`/machines/${id}?lens=ledger`)
    await awake(page)
    await expect(page.getByText(`Fault reported: ${words}`)).toBeVisible()
  })

  test('takes a counter, without script too, which makes the days that follow from it surer; a far one is asked again', async ({
    ines: page,
    browser,
    quiet,
  }) => {
    const id = await machineId(page, 'Kiosk counter')
    const path = await givePage(page, id, '4711')
    const before = await windows(page, id)
    const them = await atTheMachine(browser, quiet, false)
    await them.goto(path)
    await them.getByLabel('The four figures').fill('4711')
    await them.getByRole('button', { name: 'That is us' }).click()
    const told = await them.getByRole('region', { name: 'The counter says' }).textContent()
    const likely = Number(/about ([\d,]+)/.exec(told ?? '')![1]!.replaceAll(',', ''))
    await them.getByLabel(/In all/).fill(String(likely * 10))
    await them.getByRole('button', { name: 'Send the counter' }).click()
    await expect(them.getByRole('alert')).toContainText('Read it once more')
    await them.getByLabel(/In all/).fill(String(likely))
    await them.getByRole('button', { name: 'Send the counter' }).click()
    await expect(them.getByRole('status')).toContainText('in the machine’s book')
    const after = await windows(page, id)
    const both = [...before.keys()].filter((key) => after.has(key))
    expect(both.length).toBeGreaterThan(2)
    const sum = (of: Map<string, number>) => both.reduce((all, key) => all + of.get(key)!, 0)
    expect(sum(after)).toBeLessThan(sum(before))
  })

  test('stops first where it is dangerous, and stands as from nobody known where nobody typed the word', async ({
    ines: page,
    browser,
    quiet,
  }) => {
    const id = await machineId(page, 'Crew room')
    const path = await givePage(page, id, '0815')
    const them = await atTheMachine(browser, quiet, false)
    await them.goto(`${path}/wrong`)
    await them.getByLabel('In your words').fill('It trips the fuse box each time')
    await them.getByLabel('It trips the breaker or blows the fuse').check()
    await them.getByRole('button', { name: 'Go on' }).click()
    await expect(them.getByRole('region', { name: 'Stop: do this now' })).toContainText('Leave the breaker down')
    await them.getByRole('button', { name: 'Send it' }).click()
    await expect(them.getByRole('status')).toContainText('Urgent? Ring')
    // Sent, it still says what to do: nobody remembers a list that is gone.
    await expect(them.getByRole('region', { name: 'Stop: do this now' })).toContainText('Leave the breaker down')
    expect(await them.getByLabel('The photo').count()).toBe(0)
    await page.goto('/round/call')
    await awake(page)
    await expect(page.getByRole('region', { name: 'To ring back' })).toContainText('from somebody unknown')
    const odile = await signedIn(browser, {}, 'odile@quillgate.example')
    await odile.goto(`/machines/${id}/care`)
    await awake(odile)
    const part = odile.getByRole('region', { name: 'Their own page' })
    await expect(part.getByRole('button', { name: 'Letterhead' })).toHaveCount(0)
    await part.getByRole('button', { name: 'Change or end it' }).click()
    await part.getByRole('button', { name: 'End the page' }).click()
    await expect(part.getByRole('status')).toContainText('opens nothing any more')
    const gone = await them.request.get(path)
    expect(gone.status()).toBe(404)
    expect(await gone.text()).toContain('opens nothing any more')
  })
})

test('labels of a whole place: each machine is given a page, all are printed, and one for the wall asks which', async ({
  ines: page,
  browser,
  quiet,
}) => {
  const { site, machine } = await bundleOf(page, await machineId(page, 'Second floor'))
  await page.goto(`/sites/${site.id}`)
  await awake(page)
  await page.getByRole('link', { name: 'Labels' }).click()
  await awake(page)
  const machines = page.getByRole('region', { name: 'Each machine' })
  const all = await machines.getByRole('listitem').count()
  await machines.getByRole('button', { name: /^Give/ }).click()
  await expect(machines.getByText('no page yet')).toHaveCount(0)
  await expect(machines.getByRole('link', { name: `Print ${all} labels` })).toBeVisible()
  const sheet = await page.request.get(`/api/sites/${site.id}/label.pdf?size=a4-21`)
  expect(sheet.status()).toBe(200)
  const wall = page.getByRole('region', { name: 'Their own page' })
  await wall.getByRole('button', { name: 'Give it a page' }).click()
  await expect(wall.getByRole('link', { name: 'Print its label' })).toBeVisible()
  await looksRight(page, 'labels of a place')
  const { path } = await (await page.request.get(`/api/sites/${site.id}/page`)).json()
  const them = await atTheMachine(browser, quiet)
  await them.goto(path)
  await looksRight(them, 'which machine')
  await them.getByRole('link', { name: new RegExp(machine.name) }).click()
  await expect(them.getByRole('heading', { name: machine.name })).toBeVisible()
  await them.getByRole('link', { name: 'Something is wrong' }).click()
  await expect(them.getByRole('link', { name: machine.name })).toBeVisible()
})
