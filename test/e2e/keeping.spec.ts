import type { Page } from '@playwright/test'
import { firmIds } from '../../src/records/accounts.ts'
import { openDatabase, withFirm } from '../../src/records/database.ts'
import { theFirm } from '../../src/records/firms.ts'
import { looksRight } from './accessible.ts'
import { awake, expect, test } from './pages.ts'
import { databaseUrl } from './server-control.ts'

async function visit(page: Page, path: string) {
  await page.goto(path)
  await awake(page)
}

test.describe('what a firm keeps of people', () => {
  test('is said in days and years, and what cannot be is said at its field', async ({ ines: page }) => {
    await visit(page, '/firm')
    await page.getByRole('button', { name: 'Edit', exact: true }).click()
    const days = page.getByLabel('Keep who signed in, days')
    await expect(days).toHaveValue('365')
    await days.fill('20')
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByRole('dialog')).toContainText('must be at least 30')
    await days.fill('90')
    await page.getByLabel('Keep photos, years').fill('5')
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
    await awake(page)
    await page.getByRole('button', { name: 'Edit', exact: true }).click()
    await expect(days).toHaveValue('90')
    await expect(page.getByLabel('Keep photos, years')).toHaveValue('5')
  })

  test('goes when somebody who has left is forgotten: what they did stays, done by nobody named', async ({
    ines: page,
  }) => {
    await visit(page, '/firm')
    await expect(page.getByRole('button', { name: /^Forget/ })).toHaveCount(0)
    await page.getByRole('button', { name: 'Edit Odile Quillgate' }).click()
    await page.getByLabel('Left the firm on').fill('2026-11-20')
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await page.getByRole('button', { name: 'Forget Odile Quillgate' }).click()
    const sheet = page.getByRole('dialog')
    await expect(sheet).toContainText('cannot be taken back')
    await looksRight(page, 'forgetting somebody')
    await sheet.getByRole('button', { name: 'Keep as it is' }).click()
    await expect(page.getByText('Odile Quillgate').first()).toBeVisible()
    await page.getByRole('button', { name: 'Forget Odile Quillgate' }).click()
    await sheet.getByRole('button', { name: 'Forget Odile Quillgate' }).click()
    await expect(sheet).toContainText('Odile Quillgate is forgotten')
    await looksRight(page, 'somebody forgotten')
    await sheet.getByRole('button', { name: 'Close' }).last().click()
    await awake(page)
    await expect(page.getByText('Somebody who left').first()).toBeVisible()
    await expect(page.locator('main')).not.toContainText('Odile')
    await visit(page, '/visits')
    await expect(page.locator('main')).toContainText('Somebody')
    await expect(page.locator('main')).not.toContainText('Odile')
  })

  test('work that failed in the background is laid before the owner, who asks for it again', async ({ ines: page }) => {
    const db = openDatabase(databaseUrl(), 1)
    const [firmId] = await firmIds(db)
    expect(await withFirm(db, firmId!, theFirm)).not.toBe(null)
    const jobs = () => db.withSchema('job_queue').from('job')
    await jobs().insert({
      name: 'failed',
      data: JSON.stringify({ firmId, what: 'tidy' }),
      output: JSON.stringify({ message: 'no space left on the disk' }),
    })
    await visit(page, '/data')
    const work = page.getByRole('region', { name: 'Background work' })
    await expect(work).toContainText('no space left on the disk')
    await looksRight(page, 'background work')
    await work.getByRole('button', { name: 'Try again' }).click()
    await expect(work).toContainText('Nothing failed')
    expect(await jobs().where({ name: 'failed' })).toHaveLength(0)
    expect(await jobs().where({ name: 'tidy' })).toHaveLength(1)
    await db.destroy()
  })
})
