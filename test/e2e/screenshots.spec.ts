import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { leavingUrl, sign, visited } from './a-visit.ts'
import { checkAll } from './check-all.ts'
import { onTo } from './hands.ts'
import { lineTo } from './line.ts'
import { awake, expect, machineId, signedIn, test } from './pages.ts'
import { baseUrl } from './server-control.ts'
import { lookAt, packedPhone, sendAll, writeNote } from './without-network.ts'

const folder = join(import.meta.dirname, '../../docs/screenshots')
const desk = { width: 1280, height: 800 }
const phone = { width: 390, height: 844 }

/** One current picture of each main view, for the README: `npm run screenshots`. */
test('@screenshots', async ({ browser }) => {
  test.setTimeout(480_000)
  const shoot = async (page: Page, name: string) => {
    await page.waitForTimeout(400)
    await page.screenshot({ path: join(folder, `${name}.png`) })
  }
  const at = async (page: Page, path: string) => {
    await page.goto(path)
    await awake(page)
  }
  /** A backflush in its fourth stroke. */
  const run = async (page: Page, id: string) => {
    await page.clock.install()
    await at(page, `/machines/${id}/run?procedure=detergent-backflush`)
    await page.getByRole('button', { name: 'Start' }).click()
    await onTo(page, /^Stroke 4 of/)
    await page.clock.runFor(2000)
  }
  const light = await signedIn(browser, { viewport: desk, colorScheme: 'light' })
  const leftBar = await machineId(light, 'Left bar')
  await at(light, '/round')
  await expect(light.getByRole('complementary', { name: 'Working' }).locator('ol li').first()).toBeVisible()
  await shoot(light, 'round')
  await at(light, `/machines/${leftBar}?task=group-gasket@1`)
  await shoot(light, 'machine-wear')
  await at(light, `/machines/${leftBar}?lens=water`)
  await shoot(light, 'machine-water')
  await at(light, '/water?gh=19x1dH&kh=15x1dH&out=2x1dH&ph=7.6&ec=640&t=14&w=cartridge&bypass=0.3')
  await shoot(light, 'water-bench')
  await at(light, '/round/weeks')
  await expect(light.getByText('Planned today.')).toBeVisible({ timeout: 60_000 })
  for (let row = 0; row < 5; row += 1) await light.keyboard.press('j')
  await expect(light.getByRole('complementary', { name: 'Working' }).getByText('This day costs')).toBeVisible()
  await shoot(light, 'weeks-ahead')
  await at(light, '/round/day')
  await expect(light.getByText('Being planned anew')).toBeHidden({ timeout: 60_000 })
  await light.keyboard.press('j')
  await shoot(light, 'day')
  await at(light, `/round/call?machine=${await machineId(light, 'Reading bar')}`)
  await light.getByRole('button', { name: 'They ring about that' }).click()
  await light.getByRole('button', { name: 'None of these: go on' }).click()
  await expect(light.getByText(/^Of \d+ days/)).toBeVisible({ timeout: 60_000 })
  await light.evaluate(() => window.scrollTo(0, 0))
  await shoot(light, 'call')
  await at(light, `/machines/${await machineId(light, 'Clerks')}?lens=fault`)
  await light
    .getByRole('button', { name: /^Cup short, water in the tray/ })
    .last()
    .click()
  await light.getByRole('button', { name: 'None of these: go on' }).click()
  await light.evaluate(() => window.scrollTo(0, 0))
  await shoot(light, 'machine-fault')
  await at(light, '/procedures/bench?kind=pk&case=7')
  await light.getByRole('button', { name: 'Break it' }).click()
  for (const name of [/^Read its lamp/, /^Run it without a capsule/])
    await light.getByRole('region', { name: 'Tests' }).getByRole('button', { name }).click()
  await light.evaluate(() => window.scrollTo(0, 0))
  await shoot(light, 'bench')
  await run(light, leftBar)
  await shoot(light, 'run')
  await at(light, `/machines/${await machineId(light, 'Clerks')}/strip-down?of=grinder-service`)
  await checkAll(light)
  await light.getByRole('button', { name: 'Open the sheet' }).click()
  for (let i = 0; i < 9; i += 1) await light.keyboard.press('Space')
  await light.getByRole('button', { name: 'Now back together' }).click()
  for (let i = 0; i < 6; i += 1) await light.keyboard.press('Space')
  await shoot(light, 'strip-down')
  await light.context().close()

  const dark = await signedIn(browser, { viewport: desk, colorScheme: 'dark' })
  // Closed and priced, its invoice not issued yet.
  const { rows } = await (await dark.request.get('/api/visits')).json()
  const closed = rows.find(({ siteName }: { siteName: string }) => siteName === 'Tram depot canteen')
  await at(dark, `/visits/${closed.visitId}/papers`)
  await expect(dark.getByText('Nothing of this visit was sent yet.')).toBeVisible()
  await shoot(dark, 'papers-dark')
  await dark.context().close()

  const pocket = await signedIn(browser, { viewport: phone, colorScheme: 'light', hasTouch: true, isMobile: true })
  await at(pocket, `/machines/${leftBar}/entry`)
  await shoot(pocket, 'phone-entry')
  await run(pocket, leftBar)
  await shoot(pocket, 'phone-run')
  await pocket.context().close()

  // In a cellar: what was written waits, and a colleague took the counter down meanwhile, two digits changed.
  const line = await lineTo(Number(new URL(baseUrl()).port))
  const cellar = await packedPhone(browser, line, { colorScheme: 'light', hasTouch: true, isMobile: true })
  const clerks = await machineId(cellar, 'Clerks')
  await lookAt(cellar, clerks)
  const { ledgers } = await (await cellar.request.get(`/api/machines/${clerks}/bundle`)).json()
  const counts = ledgers.machine.flatMap(
    ({ kind, body }: { kind: string; body: { counter?: string; count?: number } }) =>
      kind === 'reading' && body.counter === 'shots' ? [body.count!] : [],
  )
  line.cut()
  const readCounter = async (page: Page, count: number) => {
    await at(page, `/machines/${clerks}/entry`)
    await page.locator('input[name=counter]').fill(String(count))
    await page.getByRole('button', { name: /^Save/ }).click()
    await page.waitForURL(/\?saved/)
  }
  const last = Math.max(...counts)
  await readCounter(cellar, last + 930)
  await writeNote(cellar, clerks, 'Tray gasket is brittle: bring one')
  const odile = await signedIn(browser, {}, 'odile@quillgate.example')
  await readCounter(odile, last - 720)
  await odile.context().close()
  await at(cellar, '/round/day')
  await shoot(cellar, 'phone-day')
  line.mend()
  await sendAll(cellar)
  await at(cellar, `/machines/${clerks}`)
  await cellar.getByRole('button', { name: 'Compare' }).click()
  await expect(cellar.getByRole('radiogroup')).toBeVisible()
  await shoot(cellar, 'phone-compare')
  await cellar.context().close()
  await line.close()

  // A visit before it closes: a hose left cracked, a counter not read. Last of all: it changes the day.
  const leaves = await signedIn(browser, { viewport: desk, colorScheme: 'light' })
  const visit = await visited(leaves, 'Right bar')
  await at(leaves, leavingUrl(visit))
  await expect(leaves.getByRole('heading', { name: 'What comes next' })).toBeVisible()
  await leaves.getByLabel('waits until').first().fill('2026-12-17')
  await leaves.getByLabel('waits until').first().blur()
  await shoot(leaves, 'leaving')
  // On the counter, turned to whoever signs.
  const signs = await signedIn(browser, { viewport: phone, colorScheme: 'light', hasTouch: true, isMobile: true })
  await at(signs, leavingUrl(visit))
  await signs.getByRole('region', { name: 'Right bar' }).getByLabel('Or why it is left:').fill('its display is dark')
  await signs.getByRole('button', { name: 'Turn it to the customer' }).click()
  await sign(signs)
  await shoot(signs, 'phone-sign')
  await signs.context().close()
  // Whoever works at the machine, with a phone that nobody signed in on.
  const barista = await (
    await browser.newContext({ baseURL: baseUrl(), locale: 'en-GB', colorScheme: 'light', viewport: phone })
  ).newPage()
  const { path } = await (await leaves.request.get(`/api/machines/${await machineId(leaves, 'Bakehouse')}/page`)).json()
  await barista.goto(path)
  await shoot(barista, 'phone-care')
  await barista.context().close()
  await leaves.context().close()
})
