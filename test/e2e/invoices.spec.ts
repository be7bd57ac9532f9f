import type { Page } from '@playwright/test'
import { visited } from './a-visit.ts'
import { looksRight } from './accessible.ts'
import { awake, expect, signedIn, test } from './pages.ts'
import { baseUrl } from './server-control.ts'

/** Closes a visit as its end would have: the safety valve charged, the rest in the contract. */
async function closedVisit(page: Page) {
  const visit = await visited(page, 'Right bar')
  const line = { quantityMilli: 1000, unit: 'piece', of: 'part' }
  const closing = {
    id: crypto.randomUUID(),
    subjectKind: 'site',
    subjectId: visit.siteId,
    visitId: visit.visitId,
    kind: 'visit-closed',
    happenedAt: '2026-11-26T07:33:00Z',
    happenedOn: '2026-11-26',
    body: {
      v: 1,
      minutes: [{ subjectId: visit.machineId, minutes: 40 }],
      left: [{ subjectId: visit.machineId, what: 'counter', reason: 'its display is dark' }],
      currency: 'EUR',
      taxBp: 1900,
      lines: [
        { id: '1', name: 'Safety valve', priceMinor: 4100, pays: 'customer', ...line },
        { id: '2', name: 'Group gasket', priceMinor: 520, pays: 'contract', ...line },
        { id: '3', name: 'Drain hose', priceMinor: null, pays: 'customer', ...line },
        { id: '4', name: 'Control board', priceMinor: 18_000, pays: 'warranty', ...line },
      ],
      sentences: [{ of: 'done', text: 'I was shown what was done here today.' }],
      signed: { how: 'nobody', at: '2026-11-26T07:33:00Z' },
    },
  }
  const response = await page.request.post(`${baseUrl()}/api/entries`, {
    data: { entries: [closing] },
    headers: { origin: baseUrl() },
  })
  expect(response.status(), await response.text()).toBe(200)
  return visit
}

test('the firm’s logo: a drawing is drawn anew and stands on paper, a broken one is said at its field', async ({
  ines: page,
  browser,
}) => {
  const visit = await closedVisit(page)
  const reportSize = async () =>
    (await (await page.request.get(`${baseUrl()}/api/visits/${visit.visitId}/report.pdf`)).body()).length
  const without = await reportSize()
  await page.goto('/invoices')
  await awake(page)
  await page.getByRole('button', { name: 'Letterhead and logo' }).click()
  const sheet = page.getByRole('dialog')
  const file = sheet.getByLabel(/^Logo/)
  const drawing = (inner: string) =>
    Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 20">${inner}</svg>`)
  await file.setInputFiles({ name: 'mark.svg', mimeType: 'image/svg+xml', buffer: drawing('<rect').subarray(0, 40) })
  await expect(sheet.getByRole('alert')).toContainText('is no logo that can be drawn')
  await expect(sheet.getByRole('img', { name: 'The logo' })).toHaveCount(0)
  await file.setInputFiles({ name: 'large.png', mimeType: 'image/png', buffer: Buffer.alloc(1_500_000) })
  await expect(sheet.getByRole('alert')).toContainText('too large: 1.5 MB of 1.4')
  await file.setInputFiles({
    name: 'mark.svg',
    mimeType: 'image/svg+xml',
    buffer: drawing('<circle cx="10" cy="10" r="9" fill="#0b4f59"/>'),
  })
  const logo = sheet.getByRole('img', { name: 'The logo' })
  await expect(logo).toBeVisible()
  expect(await logo.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(1000)
  await expect(sheet.getByRole('alert')).toHaveCount(0)
  await looksRight(page, 'the letterhead with its logo')
  await sheet.getByRole('button', { name: 'Save the letterhead' }).click()
  await expect(sheet).toHaveCount(0)
  expect(await reportSize()).toBeGreaterThan(without + 5000)
  const odile = await signedIn(browser, {}, 'odile@quillgate.example')
  await odile.goto('/invoices')
  await awake(odile)
  await expect(odile.getByRole('button', { name: 'Letterhead and logo' })).toHaveCount(0)
  await odile.context().close()

  // Taken off, papers begin with the name again.
  await awake(page)
  await page.getByRole('button', { name: 'Letterhead and logo' }).click()
  await sheet.getByRole('button', { name: 'Take it off' }).click()
  await sheet.getByRole('button', { name: 'Save the letterhead' }).click()
  await expect(sheet).toHaveCount(0)
  expect(await reportSize()).toBeLessThan(without + 5000)
})

test('the invoice of a closed visit: what it lacks is said and mended in place, issued, taken back, issued anew', async ({
  ines: page,
  browser,
}) => {
  const visit = await closedVisit(page)
  await page.goto(`/sites/${visit.siteId}/leaving?visit=${visit.visitId}`)
  await awake(page)
  await page.getByRole('link', { name: 'Papers and invoice' }).click()
  await page.waitForURL('**/papers')
  await awake(page)
  const paper = page.getByRole('article', { name: /^Invoice/ })
  await expect(paper.getByRole('row', { name: /Safety valve/ })).toContainText('€41.00')
  await expect(paper.getByRole('row', { name: /Group gasket/ })).toHaveCount(0)
  await expect(paper.getByRole('row', { name: 'To pay' })).toContainText('€48.79')
  await expect(page.getByText('Not in it, since nobody said a price: Drain hose.')).toBeVisible()

  // Who pays no tax says by which rule, and the paper follows.
  await page.getByRole('button', { name: 'Where their bills go' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Country').fill('qx')
  await sheet.getByRole('combobox', { name: 'Tax' }).selectOption('they owe it themselves')
  await sheet.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(sheet.getByRole('alert').first()).toContainText('must be said')
  await sheet.getByLabel('By which rule').fill('article 196')
  await sheet.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(sheet.getByRole('alert').first()).toContainText('is not a country')
  await sheet.getByLabel('Country').fill('nl')
  await sheet.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(sheet).toHaveCount(0)
  await expect(page.getByText(/The customer owes the tax: their VAT number is not said/)).toBeVisible()
  await expect(page.getByRole('button', { name: /^Issue invoice/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Where their bills go' }).click()
  await sheet.getByLabel('Their tax number').fill('NL123456789B01')
  await sheet.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(sheet).toHaveCount(0)
  await expect(paper.getByRole('row', { name: 'To pay' })).toContainText('€41.00')
  await looksRight(page, 'Papers of a visit')

  await page.getByRole('button', { name: /^Issue invoice/ }).click()
  await expect(page.getByRole('status').filter({ hasText: 'is issued' })).toBeVisible()
  const issued = page.getByRole('region', { name: 'Issued' })
  const number = /Invoice (\S+) is issued/.exec(
    (await page.getByRole('status').filter({ hasText: 'is issued' }).textContent())!,
  )![1]!
  await expect(issued.getByText(`Invoice ${number}`)).toBeVisible()
  await expect(page.getByRole('button', { name: /^Issue invoice/ })).toHaveCount(0)
  const pdf = await page.request.get(
    `${baseUrl()}${await issued.getByRole('link', { name: 'PDF' }).getAttribute('href')}`,
  )
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
  const file = issued.getByRole('link', { name: 'E-invoice file' })
  const xml = await (await page.request.get(`${baseUrl()}${await file.getAttribute('href')}`)).text()
  expect(xml).toContain(`<cbc:ID>${number}</cbc:ID>`)
  expect(xml).toMatch(/<cac:TaxCategory>\s*<cbc:ID>AE<\/cbc:ID>/)

  // Sent, it goes over the line into the mailbox that ships with the application.
  await page.getByRole('button', { name: 'Send papers' }).click()
  await sheet.getByLabel('To').fill('bram')
  await sheet.getByRole('button', { name: 'Send', exact: true }).click()
  await expect(sheet.getByRole('alert').first()).toContainText('is not an e-mail address')
  await sheet.getByLabel('To').fill('bram@thistle.example')
  await sheet.getByLabel('Subject').fill(`Papers ${number}`)
  await sheet.getByRole('button', { name: 'Send', exact: true }).click()
  await expect(sheet).toHaveCount(0)
  const sent = page.getByRole('region', { name: 'By e-mail' })
  await expect(sent.getByText(/in the mailbox since 26 Nov 2026/)).toBeVisible({ timeout: 30_000 })
  await page.goto('/letters')
  await awake(page)
  const inbox = page
    .getByRole('region', { name: 'In the mailbox' })
    .getByRole('listitem')
    .filter({ hasText: `Papers ${number}` })
  await expect(inbox).toContainText('to bram@thistle.example')
  await expect(inbox.getByRole('link', { name: /^report-.*\.pdf/ })).toBeVisible()
  const kept = await inbox.getByRole('link', { name: `invoice-${number}.pdf` }).getAttribute('href')
  const same = await page.request.get(`${baseUrl()}${kept}`)
  expect((await same.body()).subarray(0, 5).toString()).toBe('%PDF-')
  await page.goto(`/visits/${visit.visitId}/papers`)
  await awake(page)

  // Who only drives sees it, and neither issues nor takes it back.
  const odile = await signedIn(browser, {}, 'odile@quillgate.example')
  await odile.goto(`/visits/${visit.visitId}/papers`)
  await awake(odile)
  await expect(odile.getByRole('region', { name: 'Issued' }).getByText(`Invoice ${number}`)).toBeVisible()
  await expect(odile.getByRole('button', { name: 'Take it back' })).toHaveCount(0)
  await odile.context().close()

  await issued.getByRole('button', { name: 'Take it back' }).click()
  await sheet.getByRole('button', { name: 'Issue the credit note' }).click()
  await expect(sheet.getByRole('alert').first()).toContainText('must be said')
  await sheet.getByLabel('Why').fill('it was in the contract')
  await sheet.getByRole('button', { name: 'Issue the credit note' }).click()
  await expect(sheet).toHaveCount(0)
  await expect(issued.getByText(/; taken back by C2026-\d{4}/)).toBeVisible()
  await page.getByRole('button', { name: /^Issue invoice/ }).click()
  await expect(issued.getByRole('listitem')).toHaveCount(3)

  await page.goto('/invoices')
  await awake(page)
  await expect(page.getByRole('link', { name: new RegExp(number) }).first()).toBeVisible()
  await expect(page.getByText(`credit note, takes back ${number}`)).toBeVisible()
  const books = await page.request.get(`${baseUrl()}/api/export/invoices.csv?from=2026-01-01&to=2026-12-31`)
  expect(await books.text()).toContain(`${number},invoice,2026-11-26`)
})

test('what a warranty pays is claimed: the old part kept, sent back, paid for', async ({ ines: page }) => {
  await closedVisit(page)
  await page.goto('/invoices')
  await awake(page)
  const claims = page.getByRole('region', { name: 'Warranty claims' })
  const row = claims.getByRole('listitem').filter({ hasText: 'Control board' }).first()
  await expect(row).toContainText('Not claimed yet')
  await expect(row).toContainText('€180.00')
  await row.getByRole('button', { name: 'What came of it' }).click()
  await looksRight(page, 'A warranty claim')
  await page.getByLabel('How far it is').selectOption('credited')
  await page.getByLabel('Who stands by it').fill('the maker')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('is missing: how much they paid')).toBeVisible()
  await page.getByLabel('They paid, before tax').fill('150')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(claims.getByText(/They paid, €150\.00, the maker/)).toBeVisible()
})
