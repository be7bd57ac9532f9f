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
    visits: { on: string; technicianId: string; tasks: number; minutes: number; state: string; visitId?: string }[]
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
  const other = working(page)
    .getByRole('listitem')
    .getByRole('button', { name: /^[A-Z][a-z]{2} \d/ })
    .first()
  const on = (await other.textContent())!.match(/\d+ [A-Z][a-z]{2}/)![0]
  await other.click()
  await expect(head).toContainText(on)
  await page.locator('body').press('Enter')
  await page.waitForURL(`**/sites/${rows[1]!.siteId}`)
})

test('a visit is asked for, agreed, moved and called off: each step on record, and nothing else moves what is agreed', async ({
  ines: page,
}) => {
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
  await planned(page)
  const before = await weeksOf(page)
  const odile = before.technicians.find(({ name }) => name.startsWith('Odile'))!
  expect(odile.days.some(({ on }) => weekdayOf(on) !== 4)).toBe(true)
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
  expect(days.filter((on) => weekdayOf(on) !== 4 && !promised.has(on))).toEqual([])
})

test('on a phone: a site, its day, and what the day costs as a sheet', async ({ browser }) => {
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

test('rows are gathered by visit, chosen by x and put on a visit that stands, by keys alone', async ({
  ines: page,
}) => {
  await page.goto('/round?gather=visit')
  await awake(page)
  const rows = async (gather = '') =>
    (await (await page.request.get(`/api/round?horizon=quarter${gather}`)).json()).rows as {
      siteId: string
      siteName: string
      subjectId: string
      standing: { key: string }
      goes: { on: string; state: string; tasks: number } | null
    }[]
  const [first] = await rows('&gather=visit')
  await expect(page.getByRole('heading', { name: first!.siteName }).first()).toBeVisible()
  // Round the ways to gather, until it is by date again.
  for (let press = 0; press < 4; press++) await page.keyboard.press('g')
  await expect(page).toHaveURL(/gather=visit/)
  await page.keyboard.press('g')
  await expect(page).not.toHaveURL(/gather/)
  await expect(page.getByRole('heading', { name: first!.siteName })).toHaveCount(0)

  const before = await rows()
  const at = before.findIndex(({ goes }) => goes?.state === 'proposed')
  const { siteId, siteName, subjectId, standing, goes } = before[at]!
  for (let row = 0; row < at; row++) await page.keyboard.press('j')
  await expect(page.locator(`[data-row="${at}"]`)).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('x')
  await expect(page.getByText('1 task chosen')).toBeVisible()
  await looksRight(page, 'Coming due, one chosen')
  await page.keyboard.press('v')
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByRole('radio').first()).toBeChecked()
  await looksRight(page, 'Coming due, put on a visit')
  // A day of its own, the day after tomorrow.
  await sheet.getByRole('radio', { name: /another day/ }).check()
  await sheet.getByLabel('Day', { exact: true }).fill('2026-11-20')
  await sheet.getByRole('button', { name: 'Put it there' }).click()
  await expect(sheet.getByRole('alert')).toContainText('a day that is still to come')
  await sheet.getByLabel('Day', { exact: true }).fill('2026-11-28')
  await sheet.getByRole('button', { name: 'Put it there' }).click()
  await expect(sheet).toBeHidden()
  await expect(page.getByRole('status').filter({ hasText: siteName })).toBeVisible()
  await expect(page.getByText('1 task chosen')).toBeHidden()
  const after = (await rows()).find((row) => row.subjectId === subjectId && row.standing.key === standing.key)!
  expect(after).toMatchObject({ siteId, goes: { on: '2026-11-28', state: 'taken', tasks: 1 } })
  expect(goes!.on).not.toBe('2026-11-28')
  await expect(page.locator(`[data-row="${at}"]`)).toContainText('28 Nov')
})

test('a task waits for a part: said on the board, planned for no day before it, and taken back', async ({
  ines: page,
}) => {
  await page.goto('/round')
  await awake(page)
  const rowsNow = async () =>
    (await (await page.request.get('/api/round?horizon=quarter')).json()).rows as {
      goes: { on: string; state: string } | null
    }[]
  // One that nobody has put on a visit by hand.
  const at = (await rowsNow()).findIndex(({ goes }) => goes?.state === 'proposed')
  for (let press = 0; press < at; press++) await page.keyboard.press('j')
  await expect(page.locator(`[data-row="${at}"]`)).toHaveAttribute('aria-pressed', 'true')
  const when = working(page).getByRole('region', { name: 'When it is done' })
  await when.getByRole('button', { name: 'It waits for something' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('It waits for').selectOption({ label: 'a part' })
  await sheet.getByLabel('Until').fill('2027-01-19')
  await sheet.getByLabel('Note').fill('Ordered with the springs')
  await looksRight(page, 'A task waits')
  await sheet.getByRole('button', { name: 'It waits', exact: true }).click()
  await expect(sheet).toBeHidden()
  const row = page.locator(`[data-row="${at}"]`)
  await expect(row).toContainText('waits for a part until 19 Jan')
  await expect(when).toContainText('Ordered with the springs')
  await planned(page)
  await page.goto('/round')
  await awake(page)
  for (let press = 0; press < at; press++) await page.keyboard.press('j')
  const then = (await rowsNow())[at]!.goes
  expect(then === null || then.on >= '2027-01-19', `goes ${then?.on}`).toBe(true)
  await when.getByRole('button', { name: 'What it waits for' }).click()
  await sheet.getByRole('button', { name: 'It waits no longer' }).click()
  await expect(sheet).toBeHidden()
  await expect(row).not.toContainText('waits for')
})

test('what visits are planned by is the firm’s to set, and costs are shown as money where a minute has its price', async ({
  ines: page,
}) => {
  await planned(page)
  await working(page).getByRole('button', { name: 'Change what it is weighed by' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Each stop beside its tasks').fill('500')
  await sheet.getByRole('button', { name: 'Plan by these' }).click()
  await expect(sheet.getByRole('alert')).toBeVisible()
  await sheet.getByLabel('Each stop beside its tasks').fill('25')
  await looksRight(page, 'What visits are planned by')
  // What was agreed stays where it is, whatever the plan does along with it.
  const agreedAt = async () => {
    const row = (await weeksOf(page)).rows.find(({ visits }) => visits.some(({ state }) => state === 'agreed'))!
    const { on } = row.visits.find(({ state }) => state === 'agreed')!
    const answer = await page.request.get(`/api/round/valley?siteId=${row.siteId}&on=${on}`)
    return (await answer.json()).valley as { stopMin: number }
  }
  expect((await agreedAt()).stopMin).toBe(15)
  await sheet.getByRole('button', { name: 'Plan by these' }).click()
  await expect(sheet).toBeHidden()
  await planned(page)
  expect((await agreedAt()).stopMin).toBe(25)
})

test('places and roads come from a file: what it would set is said first, and what nobody knows', async ({
  ines: page,
}) => {
  await page.goto('/places')
  await awake(page)
  const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  const choose = page.getByLabel('CSV or GeoJSON')
  await choose.setInputFiles(file('p.csv', 'Name;Latitude;Longitude\nTHISTLE & RYE BAKERY;44,51;-31,21\nThe moon;1;2'))
  const says = page.getByRole('region', { name: 'What the file says' })
  await expect(says).toContainText('1 site gets its place')
  await expect(says).toContainText('The moon')
  await looksRight(page, 'Places and roads, a file')
  await says.getByRole('button', { name: 'Keep it' }).click()
  await expect(says).toBeHidden()
  await awake(page)
  await choose.setInputFiles(file('p.csv', 'Name;Latitude;Longitude\nThistle & Rye bakery;44,51;-31,21'))
  await expect(says).toContainText('Nothing in it that is not known already')
  await choose.setInputFiles(file('r.csv', 'from,to,minutes\nThistle & Rye bakery,Ines Quillgate,17'))
  await expect(says).toContainText('1 road')
  await says.getByRole('button', { name: 'Keep it' }).click()
  await expect(says).toBeHidden()
})

test('a visit loses a task and is asked for so: before and after are said, the rest is arranged', async ({
  ines: page,
}) => {
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
