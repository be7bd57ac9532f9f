import type { Page } from '@playwright/test'
import { benchOf } from '../../src/core/bench/benches.ts'
import { secretCase } from '../../src/core/bench/secret-case.ts'
import { bookOf } from '../../src/core/faults/books.ts'
import { looksRight } from './accessible.ts'
import { awake, expect, signedIn, test } from './pages.ts'

const seed = 7
const secretOf = (kind: string) => {
  const book = bookOf(kind)!
  const { fault } = secretCase(book, benchOf(kind)!, seed)
  return book.faults.find(({ id }) => id === fault)!
}
const tests = (page: Page) => page.getByRole('region', { name: 'Tests' })
const clock = (page: Page) => page.getByRole('region', { name: 'The case' }).getByRole('img', { name: /^Your clock/ })

test('a case at the bench: tests on the clock, a wrong repair, the right one, and the best way beside it', async ({
  ines: page,
}) => {
  await page.goto('/procedures')
  await awake(page)
  await page.getByRole('link', { name: 'Practise finding faults' }).click()
  await page.waitForURL('**/procedures/bench')
  await awake(page)
  await page.getByRole('radio', { name: /^super-automatic, removable/ }).check()
  await page.getByLabel(/^Case number/).fill('0')
  await expect(page.getByRole('button', { name: 'Break it' })).toBeDisabled()
  await page.getByLabel(/^Case number/).fill(String(seed))
  await page.getByLabel('With hints').check()
  await page.getByRole('button', { name: 'Break it' }).click()
  await expect(clock(page)).toHaveAttribute('aria-label', 'Your clock: 0 minutes')
  for (let i = 1; i <= 2; i += 1) {
    await tests(page).getByRole('button').filter({ hasText: 'best now' }).first().click()
    await expect(page.getByRole('complementary', { name: 'So far' }).getByRole('listitem')).toHaveCount(i)
  }
  const shown = await page.locator('[data-shown]').textContent()
  // The halo is hidden until it is paid for.
  await expect(page.getByText('100 %')).toHaveCount(0)
  const before = await clock(page).getAttribute('aria-label')
  await page.getByRole('button', { name: 'Show the halo, 5 min' }).click()
  await expect(clock(page)).not.toHaveAttribute('aria-label', before!)

  await page.reload()
  await awake(page)
  await expect(page.locator('[data-shown]')).toHaveText(shown!)
  const { name } = secretOf('sr')
  const wrong = name === 'Pump dead' ? 'Pump weak' : 'Pump dead'
  await page.getByLabel('I know what it is').selectOption(wrong)
  await page.getByRole('button', { name: 'Repair that' }).click()
  await expect(page.getByRole('alert')).toContainText(`Repaired, and it was not: ${wrong.toLowerCase()}`)
  await page.getByLabel('I know what it is').selectOption(name)
  await page.getByRole('button', { name: 'Repair that' }).click()
  const after = page.getByRole('region', { name: 'Afterwards' })
  await expect(after.getByRole('heading', { name: `Found: ${name.toLowerCase()}` })).toBeVisible()
  await expect(after.getByRole('region', { name: 'You', exact: true }).getByRole('listitem')).toHaveCount(2)
  await expect(after.getByRole('region', { name: 'The best next test' }).getByRole('img')).toBeVisible()
  await expect(after).toContainText('1 wrong repair.')

  // Its address sets the same case for somebody else.
  const address = (await after.getByRole('link', { name: 'its address' }).getAttribute('href'))!
  await page.getByRole('region', { name: 'Afterwards' }).getByRole('button', { name: 'Another case' }).click()
  await expect(page.getByText('1 of 1')).toBeVisible()
  await page.goto(address)
  await awake(page)
  await expect(page.getByLabel(/^Case number/)).toHaveValue(String(seed))
})

test('the bench on a phone: what a test showed stands above the tests, nothing spills, axe finds nothing serious', async ({
  browser,
  quiet,
}) => {
  const page = await signedIn(browser, { viewport: { width: 390, height: 844 } })
  quiet(page)
  await page.goto(`/procedures/bench?kind=pk&case=${seed}`)
  await awake(page)
  await page.getByRole('button', { name: 'Break it' }).click()
  await tests(page)
    .getByRole('button', { name: /^Read its lamp/ })
    .click()
  const look = (what: string) => looksRight(page, what)
  await look('a case')
  const [above, below] = await Promise.all([page.locator('[data-shown]').boundingBox(), tests(page).boundingBox()])
  expect(above!.y).toBeLessThan(below!.y)
  await page.getByRole('button', { name: 'Give up, show me' }).click()
  await expect(page.getByRole('heading', { name: `It was: ${secretOf('pk').name.toLowerCase()}` })).toBeVisible()
  await look('afterwards')
  await page.context().close()
})
