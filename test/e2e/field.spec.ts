import { awake, expect, machineId, signedIn, test } from './pages.ts'

const phone = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true }

test.describe('in the field, on a phone', () => {
  test('the path folds to what matters, unfolds on a tap, and the working is a sheet', async ({ browser, quiet }) => {
    const page = await signedIn(browser, phone)
    quiet(page)
    await page.goto(`/machines/${await machineId(page, 'Left bar')}`)
    await awake(page)
    const pleat = page.getByRole('button', { name: /stations are fine: show them/ }).first()
    await expect(pleat).toBeVisible()
    await expect(page.getByRole('button', { name: /^Flow meter:/ })).toBeHidden()
    await pleat.tap()
    await expect(page.getByRole('button', { name: /^Flow meter:/ }).first()).toBeVisible()

    await page.getByRole('listitem').filter({ hasText: 'Group gasket, rubber, group 1' }).getByRole('button').tap()
    await page.getByRole('button', { name: /^Working/ }).tap()
    const sheet = page.getByRole('dialog')
    await expect(sheet).toContainText('Group gasket, rubber, group 1')
    await expect(sheet.locator('ol li').first()).toBeVisible()
    // What stands beside it on a desk stands below it here: how early, and the sheets the part comes off on.
    await expect(sheet.getByRole('button', { name: /how early/i })).toBeVisible()
    await expect(sheet.getByRole('link', { name: /^Strip-down sheet/ }).first()).toBeVisible()
    await sheet.getByRole('button', { name: 'Close' }).tap()
    await expect(sheet).toHaveCount(0)
    await page.context().close()
  })

  test('a visit is entered with the thumb, and the Round shows it', async ({ browser, quiet }) => {
    const page = await signedIn(browser, phone)
    quiet(page)
    const id = await machineId(page, 'Suite 1')
    await page.goto('/round?text=suite 1&horizon=all')
    await awake(page)
    const row = page.locator('[data-row]').filter({ hasText: 'Suite 1' }).first()
    await row.tap()
    await page.getByRole('dialog').getByRole('link', { name: 'New entry' }).tap()
    await page.waitForURL(`**/machines/${id}/entry`)
    await awake(page)
    await page.getByLabel('Raw, carbonate: drops').fill('15')
    await expect(page.getByText('14 to 15')).toBeVisible()
    await page.getByRole('button', { name: 'by strip' }).last().tap()
    await page.getByRole('checkbox').first().check()
    await page.getByText('cracked').first().tap()
    await page.getByRole('checkbox', { name: 'changed' }).first().check()
    await page.getByRole('textbox', { name: 'Note' }).fill('Guest still asleep: came back at eleven.')
    await page.getByRole('button', { name: 'Save the entry' }).tap()
    await page.waitForURL('**?saved')
    const { ledgers } = await (await page.request.get(`/api/machines/${id}/bundle`)).json()
    const mine = ledgers.machine.filter((entry: { happenedOn: string }) => entry.happenedOn === '2026-11-26')
    const kinds = mine.map((entry: { kind: string }) => entry.kind)
    expect(kinds).toEqual(expect.arrayContaining(['removed', 'fitted', 'note']))
    expect(new Set(mine.map((entry: { visitId: string }) => entry.visitId)).size).toBe(1)
    const removed = mine.find((entry: { kind: string }) => entry.kind === 'removed')
    expect(removed.body.condition).toBe(3)
    expect(
      ledgers.site.some(
        (entry: { body: { quantity?: string; drops?: number } }) =>
          entry.body.quantity === 'carbonate' && entry.body.drops === 15,
      ),
    ).toBe(true)
    await page.context().close()
  })

  test('a withdrawn entry stays to be seen, struck through', async ({ browser, quiet }) => {
    const page = await signedIn(browser, phone)
    quiet(page)
    const id = await machineId(page, 'Suite 2')
    await page.goto(`/machines/${id}/entry`)
    await awake(page)
    await page.getByRole('textbox', { name: 'Note' }).fill('Wrong machine')
    await page.getByRole('button', { name: 'Save the entry' }).tap()
    await page.waitForURL('**?saved')
    await page.goto(`/machines/${id}?lens=ledger`)
    await awake(page)
    await page.getByRole('button', { name: 'Correct: Wrong machine' }).tap()
    await page.getByRole('button', { name: 'Withdraw: it did not happen' }).tap()
    await expect(page.getByRole('dialog')).toHaveCount(0)
    const row = page.getByRole('listitem').filter({ hasText: /^Wrong machine/ })
    await expect(row).toContainText('withdrawn')
    await expect(row.locator('.line-through')).toHaveText('Wrong machine')
    await page.context().close()
  })

  test('the Round keeps its list when the network goes, and says so', async ({ browser }) => {
    const page = await signedIn(browser, phone)
    await page.goto('/round')
    await awake(page)
    const first = await page.locator('[data-row="0"]').textContent()
    await page.context().setOffline(true)
    await page.getByLabel('Find in what is due').fill('bakery')
    await expect(page.getByRole('alert')).toHaveText('No connection: the list is as it was.')
    expect(await page.locator('[data-row="0"]').textContent()).toBe(first)
    await page.context().setOffline(false)
    await page.getByLabel('Find in what is due').fill('bakery ')
    await expect(page.getByRole('alert')).toHaveCount(0)
    await expect(page.locator('[data-row="0"]')).toContainText('bakery')
    await page.context().close()
  })
})

test.describe('the ledger of a machine', () => {
  test('shows who corrected what, rivals flagged, and narrows to a station', async ({ ines: page }) => {
    await page.goto(`/machines/${await machineId(page, 'Planning')}?lens=ledger`)
    await awake(page)
    await page.getByLabel('Find in the ledger').fill('counter')
    await expect(page.getByText('two corrections of one entry').first()).toBeVisible()
    await expect(page.getByText(/corrects “Counter/).first()).toBeVisible()
    await page.getByLabel('Find in the ledger').fill('')
    const path = page.getByRole('group', { name: /^Water path/ })
    await path.getByText('Nozzle seals', { exact: true }).click()
    await expect(page.getByText(/touched: Nozzle seals/)).toBeVisible()
    const entries = page.getByRole('region', { name: 'Ledger' }).locator('ol ul li')
    expect(await entries.count()).toBeGreaterThan(0)
    for (const text of await entries.allTextContents()) expect(text).toMatch(/nozzle/i)
    await expect(page.getByRole('img', { name: /^Counter from/ })).toBeVisible()
  })

  test('tells a board swap from a typing error on the machine itself', async ({ ines: page }) => {
    const id = await machineId(page, 'tram Workshop')
    const { reckoned } = await page.evaluate(async (machine) => {
      const bundle = await (await fetch(`/api/machines/${machine}/bundle`)).json()
      return { reckoned: bundle.ledgers.machine.filter((entry: { kind: string }) => entry.kind === 'reading').length }
    }, id)
    expect(reckoned).toBeGreaterThan(8)
    await page.goto(`/machines/${id}?lens=ledger`)
    await awake(page)
    await page.getByLabel('Find in the ledger').fill('counter')
    await expect(page.getByText('lower than before: taken as a board swap').first()).toBeVisible()
    await page.getByLabel('Find in the ledger').fill('board swapped')
    await expect(page.getByText('Board swapped after a surge', { exact: false })).toBeVisible()
  })
})
