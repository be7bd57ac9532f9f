import type { Page } from '@playwright/test'
import { looksRight } from './accessible.ts'
import { awake, expect, signedIn, test } from './pages.ts'

/** Until the plan has been made of all that is known. */
async function planned(page: Page): Promise<void> {
  await page.goto('/round/weeks')
  await awake(page)
  await expect(page.getByText('Planned today.')).toBeVisible({ timeout: 90_000 })
}

const working = (page: Page) => page.getByRole('complementary', { name: 'Working' })

interface Weeks {
  rows: {
    name: string
    siteId: string
    visits: { on: string; technicianId: string; tasks: number; state: string; visitId?: string }[]
  }[]
  technicians: {
    id: string
    name: string
    days: { on: string; roadMin: number; workMin: number; hoursMin: number }[]
  }[]
}
const weeksOf = async (page: Page): Promise<Weeks> => (await page.request.get('/api/round/weeks')).json()

/** Monday 1 … Sunday 7. */
const weekdayOf = (on: string) => new Date(`${on}T12:00:00Z`).getUTCDay() || 7

test('from what is due to who goes where: by keys alone, a day slid along what it would cost', async ({
  ines: page,
}) => {
  test.setTimeout(150_000)
  await page.goto('/round')
  await awake(page)
  await page.keyboard.press('2')
  await page.waitForURL('**/round/weeks')
  await planned(page)
  const { rows } = await weeksOf(page)
  const days = rows.flatMap(({ visits }) => visits.slice(0, 1).map(({ on }) => on))
  expect([...days].sort()).toEqual(days)

  await expect(working(page).getByText('This day costs')).toBeVisible()
  const head = working(page).getByRole('heading', { level: 2 })
  const first = await head.textContent()
  await page.keyboard.press('ArrowRight')
  await expect(head).not.toHaveText(first!)
  await expect(working(page).getByText(/than the day proposed/)).toBeVisible()
  await page.keyboard.press('ArrowLeft')
  await expect(head).toHaveText(first!)
  await page.keyboard.press('j')
  await expect(page.locator('[data-row="1"]')).toHaveAttribute('aria-pressed', 'true')
  await expect(working(page).getByText(rows[1]!.name).first()).toBeVisible()
  await looksRight(page, 'Weeks ahead')
  // Another of the days it names is looked at by its button.
  const other = working(page).getByRole('listitem').getByRole('button').first()
  const on = (await other.textContent())!.match(/\d+ [A-Z][a-z]{2}/)![0]
  await other.click()
  await expect(head).toContainText(on)
  await page.locator('body').press('Enter')
  await page.waitForURL(`**/sites/${rows[1]!.siteId}`)
})

test('a visit is asked for, agreed, moved and called off: each step on record, and nothing else moves what is agreed', async ({
  ines: page,
}) => {
  test.setTimeout(300_000)
  await planned(page)
  const { rows } = await weeksOf(page)
  // Some are agreed already: here one that is only proposed.
  const at = rows.findIndex(({ visits }) => visits[0]?.state === 'proposed')
  const { siteId, visits, name } = rows[at]!
  const steps = async () => {
    const site = await page.request.get(`/api/round/weeks`)
    return ((await site.json()) as Weeks).rows
      .find((row) => row.siteId === siteId)!
      .visits.find(({ visitId }) => visitId)
  }
  for (let row = 0; row < at; row++) await page.keyboard.press('j')
  await expect(page.locator(`[data-row="${at}"]`)).toHaveAttribute('aria-pressed', 'true')
  await expect(working(page).getByText(name).first()).toBeVisible()
  const withThem = working(page).getByRole('region', { name: 'With the customer' })
  await expect(withThem).toContainText('Proposed by the plan.')
  await page.keyboard.press('a')
  await expect(withThem).toContainText('Asked, no answer yet.')
  expect(await steps()).toMatchObject({ state: 'asked', on: visits[0]!.on })
  await page.keyboard.press('a')
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('textbox', { name: /^At / }).fill('half past ten')
  await sheet.getByRole('button', { name: 'Agreed' }).click()
  await expect(sheet.getByText(/is not a time/)).toBeVisible()
  await sheet.getByRole('textbox', { name: /^At / }).fill('10:30')
  await sheet.getByRole('button', { name: 'Agreed' }).click()
  await expect(sheet).toBeHidden()
  await expect(withThem).toContainText('Agreed.')
  await expect(page.locator(`[data-row="${at}"]`)).toContainText('agreed, 10:30')
  const { visitId } = (await steps())!

  // Planned anew it stands where it was, under the id it has.
  await planned(page)
  expect(await steps()).toMatchObject({ state: 'agreed', on: visits[0]!.on, visitId })

  // Moved: the same visit on another day, agreed anew.
  await page
    .locator('[data-row]')
    .filter({ has: page.getByText(name, { exact: true }) })
    .click()
  await expect(working(page).getByText(name).first()).toBeVisible()
  await expect(withThem).toContainText('Agreed.')
  await expect(withThem.getByRole('button', { name: 'Agreed on this day' })).toBeHidden()
  await page.keyboard.press('ArrowRight')
  await withThem.getByRole('button', { name: 'Agreed on this day' }).click()
  await sheet.getByRole('button', { name: 'Agreed' }).click()
  await expect(sheet).toBeHidden()
  const moved = (await steps())!
  expect(moved).toMatchObject({ state: 'agreed', visitId })
  expect(moved.on).not.toBe(visits[0]!.on)
  await expect(withThem).toContainText('Agreed.')

  await withThem.getByRole('button', { name: 'Call it off' }).click()
  await sheet.getByRole('button', { name: 'Called off' }).click()
  await expect(sheet.getByText('say why')).toBeVisible()
  await sheet.getByLabel('Why').fill('They are closed that week')
  await sheet.getByRole('button', { name: 'Called off' }).click()
  await expect(sheet).toBeHidden()
  expect(await steps()).toBe(undefined)
})

test('a technician who works other days is planned on those, and says where the day begins', async ({ ines: page }) => {
  test.setTimeout(200_000)
  await planned(page)
  const before = await weeksOf(page)
  const odile = before.technicians.find(({ name }) => name.startsWith('Odile'))!
  expect(odile.days.some(({ on }) => weekdayOf(on) !== 3)).toBe(true)
  for (const { roadMin, workMin } of odile.days) expect(roadMin + workMin).toBeGreaterThan(0)

  await page.goto('/firm')
  await awake(page)
  await page.getByRole('button', { name: 'Edit Odile Quillgate' }).click()
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByLabel('It begins where: latitude')).toHaveValue('44.5')
  for (const day of ['Mon', 'Tue', 'Fri']) await sheet.getByRole('checkbox', { name: day }).uncheck()
  await sheet.getByLabel('and is over at').fill('7:00')
  await sheet.getByRole('button', { name: 'Save' }).click()
  await expect(sheet.getByText(/is not a time|must be after/).first()).toBeVisible()
  await sheet.getByLabel('and is over at').fill('15:00')
  await sheet.getByRole('button', { name: 'Save' }).click()
  await expect(sheet).toBeHidden()

  await planned(page)
  const after = await weeksOf(page)
  const days = after.technicians.find(({ id }) => id === odile.id)!.days.map(({ on }) => on)
  // What was agreed stands, whoever works when.
  const promised = new Set(
    after.rows.flatMap(({ visits }) => visits.filter(({ state }) => state === 'agreed').map(({ on }) => on)),
  )
  expect(days.filter((on) => weekdayOf(on) !== 3 && !promised.has(on))).toEqual([])
})

test('on a phone: a site, its day, and what the day costs as a sheet', async ({ browser }) => {
  test.setTimeout(150_000)
  const page = await signedIn(browser, { viewport: { width: 390, height: 844 } })
  await planned(page)
  await looksRight(page, 'Weeks ahead on a phone')
  await page.locator('[data-row="2"]').click()
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByText('This day costs')).toBeVisible()
  await looksRight(page, 'Weeks ahead on a phone, a site')
  await page.context().close()
})

test('who goes to a machine and comes back finds the list as it was narrowed, at the row they left', async ({
  ines: page,
}) => {
  await page.goto('/round?horizon=all')
  await awake(page)
  for (let row = 0; row < 7; row++) await page.keyboard.press('j')
  const row = page.locator('[data-row="7"]')
  await expect(row).toHaveAttribute('aria-pressed', 'true')
  const words = await row.textContent()
  await page.locator('body').press('Enter')
  await page.waitForURL('**/machines/**')
  await page.goBack()
  await awake(page)
  await expect(page).toHaveURL(/horizon=all/)
  await expect(row).toHaveAttribute('aria-pressed', 'true')
  expect(await row.textContent()).toBe(words)
})

test('a visit loses a task and is asked for so: before and after are said, the rest is arranged', async ({
  ines: page,
}) => {
  test.setTimeout(200_000)
  await planned(page)
  const { rows } = await weeksOf(page)
  const at = rows.findIndex(({ visits }) => visits[0]?.state === 'proposed' && visits[0].tasks > 1)
  const { siteId, visits } = rows[at]!
  const valleyOf = async (on: string) =>
    (await (await page.request.get(`/api/round/valley?siteId=${siteId}&on=${on}`)).json()).valley
  const before = await valleyOf(visits[0]!.on)
  for (let row = 0; row < at; row++) await page.keyboard.press('j')
  const boxes = working(page).getByRole('checkbox')
  await expect(boxes.first()).toBeChecked()
  await boxes.first().uncheck()
  await expect(working(page).getByText(/^The visit takes \d+ min instead of \d+\./)).toBeVisible()
  await working(page)
    .getByRole('button', { name: /^Asked for this day/ })
    .click()
  await expect(working(page).getByRole('region', { name: 'With the customer' })).toContainText('Asked, no answer yet.')
  const asked = (await valleyOf(visits[0]!.on)) as { tasks: { besides: boolean }[] }
  expect(asked.tasks.filter(({ besides }) => !besides)).toHaveLength(before.tasks.length - 1)
})
