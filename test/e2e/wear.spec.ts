import { readFileSync } from 'node:fs'
import { awake, expect, machineId, test } from './pages.ts'

test('every kind is listed, drawn and told: by option, by group, by station, on a phone too', async ({
  ines: page,
}) => {
  await page.goto('/kinds')
  await awake(page)
  const links = page.locator('main a[href^="/kinds/"]')
  const paths = await links.evaluateAll((all) => [...new Set(all.map((a) => a.getAttribute('href')!))])
  expect(paths.length).toBeGreaterThanOrEqual(14)
  for (const path of paths) {
    for (const width of [1280, 390]) {
      await page.setViewportSize({ width, height: 844 })
      await page.goto(path)
      await awake(page)
      await expect(page.getByRole('group', { name: /^Water path/ }), path).toBeVisible()
      const spill = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
      expect(spill, `${path} spills at ${width}`).toBeLessThanOrEqual(0)
    }
  }
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto('/kinds/c2')
  await awake(page)
  const drawing = page.getByRole('group', { name: /^Water path/ })
  const gaskets = drawing.getByRole('button', { name: /^Group gasket/ })
  const before = await gaskets.count()
  await page.getByRole('combobox').selectOption('4')
  await expect(page.getByRole('combobox')).toHaveValue('4')
  expect(await gaskets.count()).toBeGreaterThanOrEqual(before)
  await gaskets.first().focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Parts and tasks: Group gasket' })).toBeVisible()
})

test('a kind made our own: what moves is shown, a wrong figure is said, kept, chosen and put back', async ({
  ines: page,
}) => {
  await page.goto('/kinds/pk')
  await awake(page)
  await page.getByRole('link', { name: 'Make it our own' }).click()
  await page.waitForURL('**/kinds/pk/edit')
  await awake(page)
  await page.getByLabel('Called').fill('our pod heads')
  await page.getByLabel('Short name, in small letters').fill('our-pods')
  await page.getByLabel('Find a part or task').fill('head gasket')
  const usual = page.getByLabel('Head gasket, shots, usual')
  await usual.fill('soon')
  await expect(page.getByText('a number over 0')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled()
  await usual.fill('4200')
  await page.getByRole('button', { name: 'Show what moves' }).click()
  await expect(page.getByText(/dates at \d+ of \d+ machines move/)).toBeVisible({ timeout: 20_000 })
  // Out of order, it is refused at its row, and nothing typed is lost.
  await usual.fill('1')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Head gasket' })).toBeVisible()
  await expect(page.getByLabel('Called')).toHaveValue('our pod heads')
  await usual.fill('4200')

  // A station more in the drawing, a part of our own at it, both left out and taken back, a prompt.
  await page.getByRole('tab', { name: 'Path' }).click()
  const drawing = page.getByRole('group', { name: /^Water path/ })
  const supply = page.getByRole('region', { name: 'From supply to cup' })
  await supply.getByLabel('A station more').fill('Hose joint')
  await supply.getByRole('button', { name: 'Add it' }).click()
  await page.getByRole('tab', { name: 'Parts and tasks' }).click()
  await page.getByRole('button', { name: 'Add a part or task' }).click()
  const form = page.getByRole('group', { name: 'A part or task more' })
  await form.getByLabel('Its name').fill('Joint seal')
  await form.getByLabel(/^At/).selectOption('Hose joint')
  await form.getByRole('button', { name: 'Add it' }).click()
  await expect(form.getByText('need three numbers over 0')).toBeVisible()
  for (const [way, months] of Object.entries({ cautious: 12, usual: 24, 'long life': 48 }))
    await form.getByLabel(way).fill(String(months))
  await form.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByLabel('Joint seal, months, usual')).toBeVisible()
  await page.getByRole('tab', { name: 'Path' }).click()
  await expect(drawing).toContainText('Hose joint')
  await supply.getByRole('button', { name: 'Leave out Hose joint' }).click()
  await expect(drawing).not.toContainText('Hose joint')
  await page.getByRole('button', { name: 'Undo the last step' }).click()
  await expect(drawing).toContainText('Hose joint')
  await page.getByRole('tab', { name: 'What it shows' }).click()
  await page.getByRole('button', { name: 'Add a prompt' }).click()
  await page
    .getByLabel(/^Prompt \d+, means$/)
    .last()
    .fill('empty the drip tray')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await page.waitForURL('**/kinds/our-pods')
  await awake(page)
  await expect(page.getByText('Kept, and not in use')).toBeVisible()
  await page.getByRole('button', { name: /^Reckon \d+ machines by it/ }).click()
  await expect(page.getByText(/machines of the kind it comes from are reckoned by this version/)).toBeVisible()

  // Out as a file that comes in again, and one that does not hold together says where.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'As a file' }).click(),
  ])
  const file = JSON.parse(readFileSync(await download.path(), 'utf8'))
  expect(file).toMatchObject({ id: 'our-pods', basedOn: 'pk', name: 'our pod heads' })
  expect(file.parts).toContainEqual(expect.objectContaining({ name: 'Joint seal' }))
  expect(file.prompts).toContainEqual(expect.objectContaining({ means: 'empty the drip tray' }))
  await page.getByRole('link', { name: 'Change it' }).click()
  await awake(page)
  const bring = (kind: unknown) =>
    page.getByLabel(/^All of it from a file/).setInputFiles({
      name: 'kind.json',
      mimeType: 'application/json',
      buffer: Buffer.from(typeof kind === 'string' ? kind : JSON.stringify(kind)),
    })
  await bring('{"half')
  await expect(page.getByText('This file is not JSON.')).toBeVisible()
  await bring({ ...file, parts: [{ ...file.parts[0], station: 'nowhere' }, ...file.parts.slice(1)] })
  await expect(page.getByRole('alert').filter({ hasText: 'is no station of this kind' })).toBeVisible()
  await bring({ ...file, about: 'Pods as we know them.' })
  await expect(page.getByLabel('What it is')).toHaveValue('Pods as we know them.')

  await page.goto('/kinds/our-pods')
  await awake(page)
  await page.getByRole('button', { name: 'Back to the one that ships' }).click()
  await expect(page.getByText('Kept, and not in use')).toBeVisible()
})

test('what a part lasted: curve, how sure, adopted and taken back, when to change it by cost', async ({
  ines: page,
}) => {
  await page.goto('/parts?kind=sr&part=piston-ring')
  await awake(page)
  const learned = page.getByRole('complementary', { name: 'What it lasted' })
  await expect(learned.getByText(/\d+ worn out or failed, \d+ changed while good or still in/)).toBeVisible()
  await expect(learned.locator('.recharts-surface')).toBeVisible()
  await learned.getByRole('button', { name: /^Adopt/ }).click()
  await expect(learned.getByText(/^Adopted:/)).toBeVisible()
  // A machine of this kind says whose figure it goes by.
  await learned.getByRole('button', { name: 'Back to the catalogue' }).click()
  await expect(learned.getByRole('button', { name: /^Adopt/ })).toBeVisible()

  const costs = page.getByRole('region', { name: 'When to change it' })
  const age = () => costs.locator('dl div', { hasText: 'Since you are there' }).locator('dd').textContent()
  const before = await age()
  await costs.getByLabel('A breakdown, all in').fill('900')
  await expect.poll(age).not.toBe(before)
  await costs.getByLabel('A breakdown, all in').fill('much')
  await expect(costs.getByRole('alert')).toHaveText('Costs are numbers, 0 or more.')
})

test('what it shows is looked up in two taps and noted; what it has, and how it is used, move what is dated', async ({
  ines: page,
}) => {
  await page.goto(`/machines/${await machineId(page, 'Crew room')}`)
  await awake(page)
  await page.getByRole('button', { name: 'It shows …' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('button', { name: /clean/ }).first().click()
  await expect(sheet.getByText(/put in an oil-removal tablet/)).toBeVisible()
  await sheet.getByRole('button', { name: 'Note that it asks' }).click()
  await expect(sheet.getByRole('status')).toHaveText(/Noted/)
  await page.keyboard.press('Escape')

  const change = async (item: string) => {
    await page.getByRole('button', { name: 'Change', exact: true }).first().click()
    await page.getByRole('menuitem', { name: item }).click()
  }
  await change('How it is used')
  const habits = page.getByRole('dialog')
  await habits.getByLabel(/Hot on an open day/).fill('lukewarm')
  await habits.getByRole('button', { name: 'Save' }).click()
  await expect(habits.getByRole('alert').getByText('is no number')).toBeVisible()
  await habits.getByLabel(/Hot on an open day/).fill('11')
  await habits.getByRole('button', { name: 'Save' }).click()
  await expect(habits).toBeHidden()

  await change('What it has, by revision')
  const options = page.getByRole('dialog')
  const first = options.getByRole('group').first()
  const has = first.getByRole('radio', { name: /^has it(,|$)/ })
  const not = first.getByRole('radio', { name: /^has it not/ })
  const was = await has.isChecked()
  await (was ? not : has).check()
  await options.getByRole('button', { name: 'Save' }).click()
  await expect(options).toBeHidden()
  await change('What it has, by revision')
  await expect(was ? not : has).toBeChecked()
  await (was ? has : not).check()
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
  await page.goto(`${page.url().split('?')[0]}?lens=ledger`)
  await awake(page)
  await expect(page.getByRole('region', { name: 'Ledger' }).getByText(/^Hot 11 h on an open day/)).toBeVisible()
})

test('a reading in doubt stands under the counter’s line, and is judged there', async ({ ines: page }) => {
  // A slip of the pen that nobody has put right yet.
  await page.goto(`/machines/${await machineId(page, 'Council bar')}?lens=ledger`)
  await awake(page)
  const chart = page.getByRole('complementary', { name: 'Counter' })
  const doubt = chart.getByRole('list', { name: 'Readings in doubt' }).getByRole('listitem')
  await expect(doubt).toHaveCount(1)
  await expect(doubt).toContainText('A typing error?')
  await expect(chart.getByText(/eight times in ten between/)).toBeVisible()
  await doubt.getByRole('button', { name: 'Put it right' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('button', { name: 'Withdraw: it did not happen' }).click()
  await expect(sheet).toBeHidden()
  await expect(doubt).toHaveCount(0)
})

test('what a counter counts apart is entered whole, and moves what each group wears', async ({ ines: page }) => {
  const id = await machineId(page, 'Left bar')
  await page.goto(`/machines/${id}/entry`)
  await awake(page)
  // Noted before, it stands open with what it showed last.
  const groups = [1, 2].map((n) => page.getByLabel(`Group ${n}, counted apart`))
  await expect(groups[0]!).toBeVisible()
  const last = await page.getByText(/^last [\d,]+$/).allTextContents()
  const [first, second] = last.slice(0, 2).map((words) => Number(words.replace(/\D/g, '')))
  const counter = page.locator('input[name=counter]')
  await counter.fill(String(first! + second! + 4000))
  await groups[0]!.fill(String(first! + 3500))
  await page.getByRole('button', { name: /^Save/ }).click()
  await expect(page.getByText('is missing: shares need all of them')).toBeVisible()
  await groups[1]!.fill(String(second! + 500))
  await page.getByRole('button', { name: /^Save/ }).click()
  await page.waitForURL((url) => url.pathname === `/machines/${id}`)
  await page.goto(`/machines/${id}?lens=ledger`)
  await awake(page)
  await expect(page.getByText(/; groups [\d,]+, [\d,]+/).first()).toBeVisible()
})

test('busy months are taken from the counters, and dates follow', async ({ ines: page }) => {
  const id = await machineId(page, 'Kiosk counter')
  const { machine } = await (await page.request.get(`/api/machines/${id}/bundle`)).json()
  const due = async () => {
    const { rows } = await (await page.request.get('/api/round?horizon=all')).json()
    return JSON.stringify(rows.filter((row: { machineId: string }) => row.machineId === id))
  }
  const before = await due()
  await page.goto(`/sites/${machine.siteId}`)
  await awake(page)
  await expect(page.getByText(/^Months count alike; its counters run from ×/)).toBeVisible()
  await page.getByRole('button', { name: 'Busy months' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('button', { name: 'Take these' }).click()
  await expect(sheet.getByLabel('Jan')).not.toHaveValue('1')
  await sheet.getByLabel('Aug').fill('twice')
  await sheet.getByRole('button', { name: 'Save' }).click()
  await expect(sheet.getByText('Aug is no number')).toBeVisible()
  await sheet.getByLabel('Aug').fill('1,8')
  await sheet.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(/Busy months: .*Aug ×1.8/)).toBeVisible()
  await expect.poll(due).not.toBe(before)
})
