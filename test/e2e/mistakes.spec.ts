import type { Page } from '@playwright/test'
import { looksRight } from './accessible.ts'
import { awake, expect, machineId, test } from './pages.ts'

const change = async (page: Page, item: RegExp) => {
  await page.getByRole('button', { name: 'Change', exact: true }).first().click()
  await page.getByRole('menuitem', { name: item }).click()
}
const recordOf = async (page: Page, kind: string, id: string) =>
  (await page.request.get(`/api/records/${kind}/${id}`)).json()

test('a machine entered as another kind: what that moves is shown, kept by an entry, and taken back', async ({
  ines: page,
}) => {
  const id = await machineId(page, 'Left bar')
  await page.goto(`/machines/${id}`)
  await awake(page)
  await change(page, /What it is/)
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByText('Nothing.')).toBeVisible()
  await sheet.getByLabel('Groups').selectOption('3')
  await expect(sheet.getByText(/^Group gasket.*group 3/)).toBeVisible()
  await sheet.getByLabel('Kind of machine').selectOption({ label: 'super-automatic, removable brew unit' })
  await expect(sheet.getByText(/dates more/)).toBeVisible()
  await looksRight(page, 'what a machine is')
  await sheet.getByRole('button', { name: 'It is so' }).click()
  await expect(sheet).toHaveCount(0)
  expect((await recordOf(page, 'machine', id)).kind).toBe('sr')
  // The ledger shows what stood there, and takes it all back.
  await page.goto(`/machines/${id}?lens=ledger`)
  await awake(page)
  await page.getByLabel('Find in the ledger').fill('Taken on')
  await page
    .locator('li li')
    .filter({ has: page.getByRole('button', { name: /^Correct: Taken on/ }) })
    .filter({ hasNotText: 'softener' })
    .getByRole('button')
    .last()
    .click()
  await page.getByRole('button', { name: /^Withdraw: / }).click()
  await page.getByRole('button', { name: 'Withdraw it all the same' }).click()
  await expect(page.getByText('Not taken on: nothing of it is dated.')).toBeVisible()
  await page.getByLabel('Find in the ledger').fill('Withdrawn')
  await page.getByRole('button', { name: /^Bring back: Taken on/ }).click()
  await expect(page.getByText('Not taken on:')).toHaveCount(0)
  await change(page, /What it is/)
  await page.getByRole('dialog').getByLabel('Kind of machine').selectOption({ label: 'commercial two-group' })
  await page.getByRole('dialog').getByRole('button', { name: 'It is so' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  expect((await recordOf(page, 'machine', id)).kind).toBe('c2')
})

test('a customer entered twice is made one, and two again from the log; one entered by mistake goes and comes back', async ({
  ines: page,
}) => {
  const customers = (await (await page.request.get('/api/records/customer')).json()).rows
  await page.goto('/customers')
  await awake(page)
  const add = async (name: string) => {
    await page.goto('/customers')
    await awake(page)
    await page.getByRole('button', { name: 'Add a customer' }).click()
    await page.getByRole('dialog').getByLabel('Name').fill(name)
    await page.getByRole('dialog').getByRole('button', { name: 'Add it' }).click()
    await page.waitForURL(/customers\/[0-9a-f-]+/)
    await awake(page)
  }
  await add('Twice entered')
  await page.getByRole('button', { name: 'Edit' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('button', { name: 'It is the same as another' }).click()
  await sheet.getByLabel('The other one').first().fill(customers[0].name)
  await sheet.getByRole('radio').first().check()
  await looksRight(page, 'two customers that are one')
  await sheet.getByRole('button', { name: /^Make them one/ }).click()
  await page.waitForURL(`**/customers/${customers[0].id}`)
  await page.goto('/firm')
  await awake(page)
  await page
    .getByRole('button', { name: /^Make them two again/ })
    .first()
    .click()
  await page.waitForLoadState('load')
  await awake(page)
  await expect(page.getByText(/brought back customer Twice entered/)).toBeVisible()
  // A site with machines does not go; the customer that has nothing does.
  await page.goto('/customers')
  await awake(page)
  await page.getByRole('link', { name: /Twice entered/ }).click()
  await page.waitForURL(/customers\/[0-9a-f-]+/)
  await awake(page)
  await page.getByRole('button', { name: 'Edit' }).click()
  await sheet.getByRole('button', { name: 'Remove it' }).click()
  await sheet.getByRole('button', { name: 'Remove Twice entered' }).click()
  await page.waitForURL('**/customers')
  await awake(page)
  await expect(page.getByRole('link', { name: /Twice entered/ })).toHaveCount(0)
  await page.goto('/firm')
  await awake(page)
  await page.getByRole('button', { name: 'Bring it back: Twice entered' }).click()
  await expect(page.getByText(/brought back customer Twice entered/)).toHaveCount(2)
  await page.goto('/customers')
  await awake(page)
  await expect(page.getByRole('link', { name: /Twice entered/ })).toHaveCount(1)
})

test('a machine is put behind a treatment from either side in one step; one out of service is listed and comes back', async ({
  ines: page,
}) => {
  const id = await machineId(page, 'Bakehouse')
  const { siteId } = await recordOf(page, 'machine', id)
  await page.goto(`/sites/${siteId}`)
  await awake(page)
  await page.getByRole('button', { name: /Back-room softener/ }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Bakehouse').check()
  // The page comes anew once it is saved.
  const anew = page.waitForEvent('load')
  await sheet.getByRole('button', { name: 'Save', exact: true }).click()
  await anew
  await expect.poll(async () => (await recordOf(page, 'machine', id)).softenerId).toBeTruthy()
  await page.goto(`/machines/${id}`)
  await awake(page)
  await change(page, /Move, or change/)
  await sheet.getByLabel('Behind').selectOption({ label: 'no softener' })
  await sheet.getByRole('button', { name: 'Change what it stands behind' }).click()
  await expect.poll(async () => (await recordOf(page, 'machine', id)).softenerId).toBeUndefined()
  await page.waitForURL(/\?saved/)

  await page.goto('/machines')
  await awake(page)
  await page.getByLabel('In service or not').selectOption('out of service')
  await page.getByRole('link', { name: /^Boardroom/ }).click()
  await page.waitForURL(/machines\/[0-9a-f-]+/)
  await awake(page)
  await expect(page.getByText(/^retired since/i)).toBeVisible()
  await change(page, /Stand still/)
  await sheet.getByRole('radio', { name: /^working/ }).check()
  await sheet.getByRole('button', { name: 'Save' }).first().click()
  await expect(page.getByText(/^retired since/i)).toHaveCount(0)
})

test('find: the first hit is chosen, arrows go on, commands are done; help opens on its own page and is found in', async ({
  ines: page,
}) => {
  await page.goto('/machines')
  await awake(page)
  await page.keyboard.press('Control+k')
  const box = page.getByRole('dialog', { name: /^Find a machine/ })
  await box.getByRole('combobox').fill('group gasket')
  await expect(box.getByRole('option', { name: /^Due Group gasket/ }).first()).toBeVisible()
  await expect(box.getByRole('option', { selected: true })).toHaveCount(1)
  await expect(box.getByRole('option').first()).toHaveAttribute('aria-selected', 'true')
  await looksRight(page, 'finding everything')
  await page.keyboard.press('Enter')
  await page.waitForURL(/\/round\?.*text=Group\+gasket/)
  await awake(page)
  await expect(page.getByText(/^Group gasket/).first()).toBeVisible()
  await page.keyboard.press('Control+k')
  await box.getByRole('combobox').fill('retired')
  await expect(box.getByRole('option', { name: /Machines out of service/ })).toHaveAttribute('aria-selected', 'true')
  await page.keyboard.press('Enter')
  await page.waitForURL('**/machines?stage=retired')
  await awake(page)

  await page.keyboard.press('?')
  const help = page.getByRole('dialog', { name: 'Help: Machines' })
  const find = help.getByLabel('Find in the help')
  await expect(find).toHaveValue('')
  await expect(help.getByText('Type part of a place', { exact: false })).toBeVisible()
  await looksRight(page, 'help on a page')
  await find.fill('carbonate')
  await expect(help.getByText('falls out as chalk', { exact: false })).toBeVisible()
  await find.fill('xyzzy')
  await expect(help.getByText('Nothing here has these words.', { exact: false })).toBeVisible()
})

test('an entry with something wrong on a phone: the field is named, unfolded, in the middle of the screen and in hand', async ({
  ines: page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`/machines/${await machineId(page, 'Right bar')}/entry`)
  await awake(page)
  await page.getByText(/measurements of this kind of machine$/).click()
  const field = page.getByLabel(/as found$/).first()
  const name = (await field.getAttribute('aria-label'))!
  await field.fill('seven')
  await page.getByText(/of \d+ measured$/).click()
  await expect(field).toBeHidden()
  await page.getByRole('button', { name: 'Save the entry' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'nothing was saved' })).toContainText(`The first: ${name}.`)
  await expect(field).toBeFocused()
  await expect(field).toBeInViewport()
  await page.setViewportSize({ width: 1280, height: 800 })
})
