import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import type { DayPage } from '../../src/views/day-page.ts'
import { looksRight } from './accessible.ts'
import { awake, expect, signedIn, test } from './pages.ts'

/** The day as the server has it: the first from today on which somebody has a stop. */
async function dayOf(page: Page, on: string): Promise<DayPage> {
  return (await page.request.get(`/api/round/day?on=${on}`)).json()
}

/** The day that was agreed with four places of Ines’. */
async function agreedDay(page: Page): Promise<DayPage> {
  const { rows } = await (await page.request.get('/api/round/weeks')).json()
  const visits = rows.flatMap((row: { visits: { on: string; state: string }[] }) => row.visits)
  const on = visits
    .filter(({ state }: { state: string }) => state === 'agreed')
    .map(({ on }: { on: string }) => on)
    .sort()[0]
  return dayOf(page, on)
}

const ines = (day: DayPage) => day.people.find(({ name }) => name.startsWith('Ines'))!
const namesOf = (day: DayPage, order: number[]) => order.map((i) => day.stops[i]!.name)
const list = (page: Page) => page.getByRole('region', { name: 'Stops in order' })
const load = (page: Page) => page.getByRole('region', { name: 'Load' })

test('a day by keys alone: its stops in order, another order that costs more, and back by what is proposed', async ({
  ines: page,
}) => {
  await page.goto('/round')
  await awake(page)
  await page.keyboard.press('3')
  await page.waitForURL('**/round/day')
  const day = await agreedDay(page)
  const { id, order } = ines(day)
  expect(order.length).toBeGreaterThan(2)
  await page.goto(`/round/day?on=${day.on}&who=${id}`)
  await awake(page)
  const buttons = list(page).locator('[data-stop]')
  await expect(buttons).toHaveCount(order.length + ines(day).left.length)
  for (const [n, name] of namesOf(day, order).entries()) await expect(buttons.nth(n)).toContainText(name)
  await looksRight(page, 'The day')

  // The first goes later: it is set, and what it costs is said.
  await page.keyboard.press('Shift+J')
  await expect.poll(async () => ines(await dayOf(page, day.on)).isSet).toBe(true)
  const set = await dayOf(page, day.on)
  expect(namesOf(set, ines(set).order).slice(0, 2)).toEqual(namesOf(day, order).slice(0, 2).reverse())
  await expect(buttons.nth(0)).toContainText(namesOf(day, order)[1]!)
  const better = ines(set).better!
  expect(better.order).toEqual(ines(day).order)
  const change = page.getByRole('region', { name: 'Best change' })
  await expect(change).toContainText(/saves \d+ min/)
  await looksRight(page, 'The day, a change')
  await page.keyboard.press('s')
  await expect(change).toBeHidden()
  await expect(buttons.nth(0)).toContainText(namesOf(day, order)[0]!)
  await page.keyboard.press('j')
  await expect(buttons.nth(1)).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('m')
  await expect(page.getByRole('img', { name: /places of the day/ })).toBeVisible()
  await looksRight(page, 'The day, places')
})

test('what the van needs is ticked, stays ticked on this device, and the day goes out as files and on one sheet', async ({
  ines: page,
}) => {
  const { on } = await agreedDay(page)
  // What is done comes with the plan, and with it what it takes.
  await expect.poll(async () => (await dayOf(page, on)).plan, { timeout: 100_000 }).toBe('made')
  const day = await dayOf(page, on)
  const { id, order } = ines(day)
  await page.goto(`/round/day?on=${on}&who=${id}`)
  await awake(page)
  const lines = day.carry[id]!
  expect(lines).not.toHaveLength(0)
  await page.keyboard.press('x')
  await expect(load(page).getByRole('checkbox').first()).toBeChecked()
  await expect(load(page)).toContainText(`1 of ${lines.length} in the van`)
  await page.reload()
  await awake(page)
  await expect(load(page).getByRole('checkbox').first()).toBeChecked()
  const [gpx] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Route, GPX' }).click(),
  ])
  expect(gpx.suggestedFilename()).toBe(`day-${day.on}.gpx`)
  // A reader of XML that is not ours: the browser’s.
  const names = await page.evaluate(
    (text) => {
      const read = new DOMParser().parseFromString(text, 'application/xml')
      const space = 'http://www.topografix.com/GPX/1/1'
      return read.querySelector('parsererror')
        ? null
        : [...read.getElementsByTagNameNS(space, 'rtept')].map(
            (one) => one.getElementsByTagNameNS(space, 'name')[0]!.textContent,
          )
    },
    readFileSync((await gpx.path())!, 'utf8'),
  )
  const known = order.filter((i) => day.stops[i]!.place)
  expect(names).toEqual(['Ines Quillgate', ...namesOf(day, known), 'Ines Quillgate'])
  const geo = await (await page.request.get(`/api/round/day-file?on=${day.on}&who=${id}&as=geojson`)).json()
  expect(geo.features.filter(({ geometry }: { geometry: { type: string } }) => geometry.type === 'Point')).toHaveLength(
    names!.length,
  )
  expect(JSON.stringify(geo)).not.toContain('0555')

  const paper = await page.pdf({ format: 'A4' })
  // One page: a page object a page.
  expect(paper.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1)
})

test('on the day somebody says that they are there, and that they leave: the rest of the day follows', async ({
  ines: page,
}) => {
  const { today, people } = await dayOf(page, '2026-12-01')
  const { id } = people.find(({ name }) => name.startsWith('Ines'))!
  const before = await dayOf(page, today)
  const stop = ines(before).order[0]
  expect(stop).toBeDefined()
  await page.goto(`/round/day?on=${today}&who=${id}`)
  await awake(page)
  const name = before.stops[stop!]!.name
  await page.locator('body').press('Enter')
  await expect(list(page).getByText('somebody is there').first()).toBeVisible()
  const during = await dayOf(page, today)
  expect(namesOf(during, ines(during).been)).toEqual([name])
  expect(ines(during).outing.start).toBe(ines(during).been[0])
  // Pressed too soon: it does not count, and the visit is still to come.
  await list(page).locator('[data-stop]').first().click()
  await page.getByRole('button', { name: 'Not there after all' }).click()
  await expect(list(page).getByText('somebody is there')).toHaveCount(0)
  expect(namesOf(await dayOf(page, today), ines(await dayOf(page, today)).been)).toEqual([])

  await list(page).locator('[data-stop]').first().click()
  await page.getByRole('button', { name: /^I am there/ }).click()
  await page.getByRole('button', { name: 'I leave now' }).click()
  await expect(
    list(page)
      .getByText(/^left \d\d:\d\d/)
      .first(),
  ).toBeAttached()
  expect((await dayOf(page, today)).stops.find((one) => one.name === name)!.state).toBe('done')
})

test('somebody is away: the day says so, and takes it back', async ({ ines: page }) => {
  const { today } = await dayOf(page, '2026-12-01')
  const on = new Date(`${today}T12:00:00Z`)
  do on.setUTCDate(on.getUTCDate() + 1)
  while (on.getUTCDay() !== 2)
  const day = on.toISOString().slice(0, 10)
  const odile = (await dayOf(page, day)).people.find(({ name }) => name.startsWith('Odile'))!
  await page.goto(`/round/day?on=${day}&who=${odile.id}`)
  await awake(page)
  await page.getByRole('button', { name: 'Away …' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Why').fill('course')
  await sheet.getByRole('button', { name: 'Away then' }).click()
  await expect(sheet).toBeHidden()
  await expect.poll(async () => (await dayOf(page, day)).people.find(({ id }) => id === odile.id)!.away).toBe('course')
  await page.getByRole('button', { name: 'Away …' }).click()
  await sheet.getByRole('button', { name: 'Take back' }).click()
  await expect(sheet).toBeHidden()
  await expect.poll(async () => (await dayOf(page, day)).people.find(({ id }) => id === odile.id)!.away).toBe(null)
})

test('when somebody may come is said on the site, and a place is pasted from a map', async ({ ines: page }) => {
  const day = await agreedDay(page)
  const { siteId, place } = day.stops[ines(day).order[0]!]!
  await page.goto(`/sites/${siteId}`)
  await awake(page)
  const about = page.getByRole('complementary')
  await about
    .locator('section, div')
    .filter({ hasText: /^When we may come/ })
    .getByRole('button', { name: 'Change' })
    .first()
    .click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel(/^Hours/).fill('mornings')
  await sheet.getByRole('button', { name: 'Save' }).click()
  await expect(sheet.getByText(/is not hours such as/)).toBeVisible()
  await sheet.getByLabel(/^Hours/).fill('7 to 11:30, 2 to 5 pm')
  await sheet.getByLabel(/^Why/).fill('Bar free then')
  await sheet.getByRole('button', { name: 'Save' }).click()
  await expect(about.getByText('07:00 to 11:30, 14:00 to 17:00')).toBeVisible()

  await about.getByRole('heading', { name: 'Place' }).locator('..').getByRole('button').click()
  await sheet.getByLabel(/^Link of a map/).fill('the corner')
  await sheet.getByRole('button', { name: 'It is there' }).click()
  await expect(sheet.getByText(/no latitude and longitude/)).toBeVisible()
  await sheet.getByLabel(/^Link of a map/).fill(`geo:${place!.latitude + 0.01},${place!.longitude}`)
  await sheet.getByRole('button', { name: 'It is there' }).click()
  await expect(
    about.getByRole('link', { name: new RegExp(`^${String(place!.latitude + 0.01).slice(0, 6)}`) }),
  ).toBeVisible()
  const stop = (await dayOf(page, day.on)).stops.find((one) => one.siteId === siteId)!
  expect(stop.place!.latitude).toBeCloseTo(place!.latitude + 0.01, 6)
  expect(stop.hours).toHaveLength(2)
})

test('on a phone: one stop after another, thumbs reach all of it', async ({ browser }) => {
  const page = await signedIn(browser, { viewport: { width: 390, height: 844 } })
  const day = await agreedDay(page)
  await page.goto(`/round/day?on=${day.on}&who=${ines(day).id}`)
  await awake(page)
  await looksRight(page, 'The day on a phone')
  await list(page).locator('[data-stop]').nth(1).click()
  const way = page.getByRole('link', { name: 'Way there' })
  await expect(way).toHaveAttribute('href', /^geo:-?\d+\.\d+,-?\d+\.\d+$/)
  expect((await way.boundingBox())!.height).toBeGreaterThanOrEqual(44)
  await page.context().close()
})

test('everybody’s day: each by themselves, and a stop of one is moved within their own order', async ({
  ines: page,
}) => {
  const day = await agreedDay(page)
  const odile = (from: DayPage) => from.people.find(({ name }) => name.startsWith('Odile'))!
  const before = odile(day).order
  expect(before.length).toBeGreaterThan(1)
  await page.goto(`/round/day?on=${day.on}&who=all`)
  await awake(page)
  for (const { name } of day.people) await expect(page.getByRole('heading', { name, exact: true })).toBeVisible()
  await page.locator(`[data-stop="${day.stops[before[0]!]!.siteId}"]`).click()
  await page.getByRole('button', { name: 'Later' }).click()
  await expect.poll(async () => odile(await dayOf(page, day.on)).isSet).toBe(true)
  const after = await dayOf(page, day.on)
  expect(namesOf(after, odile(after).order).slice(0, 2)).toEqual(namesOf(day, before).slice(0, 2).reverse())
})

test('what was agreed with whoever is ill goes to a colleague, who is named to the customer', async ({
  ines: page,
}) => {
  const { on } = await agreedDay(page)
  const own = ines(await dayOf(page, on))
  await page.goto(`/round/day?on=${on}&who=${own.id}`)
  await awake(page)
  await page.getByRole('button', { name: 'Away …' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Why').fill('ill')
  await sheet.getByRole('button', { name: 'Away then' }).click()
  await expect(sheet).toBeHidden()
  const offer = page.getByRole('region', { name: 'Better by somebody else' })
  await expect(offer).toContainText('to Odile, who has room. Ines: ill.', { timeout: 60_000 })
  await expect(offer).toContainText('Promised already: tell')
  await looksRight(page, 'The day, somebody else')
  const day = await dayOf(page, on)
  const { siteId, visitId } = day.stops[day.handOver!.moves[0]!.stop]!
  await offer.getByRole('button', { name: 'Give it to Odile' }).click()
  const odile = day.people.find(({ name }) => name.startsWith('Odile'))!
  await expect
    .poll(async () => (await dayOf(page, on)).stops.find((stop) => stop.siteId === siteId))
    .toMatchObject({ technicianId: odile.id, visitId, state: 'agreed' })
})
