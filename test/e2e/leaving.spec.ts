import type { Page } from '@playwright/test'
import type { RecordedEntry } from '../../src/core/ledger/entry.ts'
import { isKind } from '../../src/core/ledger/is-kind.ts'
import type { MachineBundle } from '../../src/views/machine-bundle.ts'
import { bundleOf, leavingUrl, sign, visited } from './a-visit.ts'
import { looksRight } from './accessible.ts'
import { lineTo } from './line.ts'
import { awake, expect, machineId, signedIn, test } from './pages.ts'
import { baseUrl } from './server-control.ts'
import { packedPhone, sendAll } from './without-network.ts'

const closedOf = ({ ledgers }: MachineBundle, of: string) =>
  (ledgers.site as RecordedEntry[]).filter(isKind('visit-closed')).filter(({ visitId }) => visitId === of)

/** The address of a machine's own page; made where it has none. */
async function pageOf(page: Page, id: string): Promise<string> {
  const url = `${baseUrl()}/api/machines/${id}/page`
  const path = async () => (await (await page.request.get(url)).json()).path
  if (!(await path())) await page.request.post(url, { headers: { origin: baseUrl() } })
  return path()
}

test('a visit is closed on a phone, machine by machine, with a signature', async ({ browser, quiet }) => {
  const page = await signedIn(browser, { viewport: { width: 390, height: 844 }, hasTouch: true })
  quiet(page)
  const visit = await visited(page, 'Right bar')
  await page.goto(leavingUrl(visit))
  await awake(page)
  await expect(page.getByRole('heading', { name: /^Leaving / })).toBeVisible()
  await looksRight(page, 'Leaving, on a phone')
  // What was done, found and left; who pays for what.
  const done = page.getByRole('region', { name: 'Right bar' })
  await expect(done.getByText('failed → new')).toBeVisible()
  await expect(done.getByText('left open')).toBeVisible()
  const money = page.getByRole('region', { name: 'Used here, and who pays' })
  await expect(money.getByRole('row', { name: /safety valve/i })).toContainText('€41.00')
  await expect(money.getByRole('row', { name: /safety valve/i })).toContainText('dearer than the contract takes')
  await expect(money.getByRole('row', { name: /^Together/ })).toContainText('€41.00')
  // The counter was not read: it closes with a word why, and not before.
  await expect(page.getByRole('button', { name: 'Turn it to the customer' })).toHaveCount(0)
  await expect(page.getByText('One thing first:')).toBeVisible()
  await done.getByLabel('Or why it is left:').fill('its display is dark')
  await page.getByLabel('waits until').first().fill('2026-12-17')
  // Nothing of it is lost by a reload.
  await page.reload()
  await expect(page.getByRole('region', { name: 'Right bar' }).getByLabel('Or why it is left:')).toHaveValue(
    'its display is dark',
  )
  await page.getByRole('button', { name: 'Turn it to the customer' }).click()
  await expect(
    page.getByText(/I was told of drain hose, cracked at Right bar and chose to wait until 17 Dec\./),
  ).toBeVisible()
  await looksRight(page, 'Signing, on a phone')
  // A field with nothing in it is no signature.
  await page.getByRole('button', { name: 'I sign these 3' }).click()
  await expect(page.getByText(/Nothing is signed yet/)).toBeVisible()
  await sign(page)
  await page.getByRole('button', { name: 'not so: strike it out' }).last().click()
  await page.getByRole('button', { name: 'I sign these 2' }).click()
  await expect(page.getByRole('heading', { name: /^Closed \d\d:\d\d/ })).toBeVisible()
  await expect(page.getByText('Signed by Bram Thistle, owner.')).toBeVisible()
  await expect(page.getByRole('img', { name: 'Signature of Bram Thistle' })).toBeVisible()
  const [closed] = closedOf(await bundleOf(page, visit.machineId), visit.visitId)
  expect(closed!.body.left).toEqual([{ subjectId: visit.machineId, what: 'counter', reason: 'its display is dark' }])
  expect(closed!.body.sentences.map(({ struck }) => struck ?? false)).toEqual([false, false, true])
  expect(closed!.body.open?.[0]).toMatchObject({ name: 'Drain hose, cracked', until: '2026-12-17' })
  expect(closed!.body.lines.filter(({ pays }) => pays === 'customer').map(({ priceMinor }) => priceMinor)).toEqual([
    4100,
  ])

  // What was forgotten comes to it later: closed anew, it is a revision of the first.
  await page.getByRole('button', { name: 'Put something right' }).click()
  await page.getByRole('button', { name: /safety valve/i }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Who pays').selectOption('nobody')
  await sheet.getByLabel('Why').fill('our own mistake')
  await sheet.getByRole('button', { name: 'Change it' }).click()
  await expect(page.getByRole('row', { name: /^Together/ })).toContainText('€0.00')
  await page.getByRole('button', { name: 'Turn it to the customer' }).click()
  await page.getByRole('button', { name: 'I do not sign' }).click()
  await page.getByRole('button', { name: 'Nobody is there to sign' }).click()
  await expect(page.getByRole('heading', { name: /a revision$/ })).toBeVisible()
  const all = closedOf(await bundleOf(page, visit.machineId), visit.visitId)
  expect(all.map(({ supersedes }) => supersedes ?? null)).toEqual([null, closed!.id])
  const paper = await page.request.get(`${baseUrl()}/api/visits/${visit.visitId}/report.pdf`)
  expect(paper.headers()['content-type']).toBe('application/pdf')
  expect((await paper.body()).subarray(0, 5).toString()).toBe('%PDF-')
  await page.context().close()
})

test('a machine that is not for use closes isolated and tagged, or not at all', async ({ ines: page }) => {
  const visit = await visited(page, 'Left bar', [{ why: 'electrical' }])
  await page.goto(leavingUrl(visit))
  await awake(page)
  const there = page.getByRole('region', { name: 'Left bar' })
  await there.getByLabel('Or why it is left:').fill('no access')
  await expect(page.getByText('One thing first').first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Turn it to the customer' })).toHaveCount(0)
  await there.getByLabel(/isolated and tagged/).fill('plug out and taped, tag on the front')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Turn it to the customer' }).click()
  await expect(page.getByText(/Left bar is isolated and tagged\. I was told that nobody may use it/)).toBeVisible()
  await looksRight(page, 'Signing')
  await page.getByRole('button', { name: 'I do not sign' }).click()
  await page.getByRole('button', { name: 'They do not want to sign' }).click()
  await expect(page.getByText('Isolated and tagged: plug out and taped, tag on the front.')).toBeVisible()
  const [closed] = closedOf(await bundleOf(page, visit.machineId), visit.visitId)
  expect(closed!.body.isolated).toMatchObject([
    { subjectId: visit.machineId, how: 'plug out and taped, tag on the front' },
  ])
})

test('rates and what a contract pays are said where they are missed', async ({ ines: page }) => {
  const id = await machineId(page, 'crew room')
  const { site } = await bundleOf(page, id)
  await page.goto(`/sites/${site.id}/leaving`)
  await expect(page.getByText('No visit of yours was begun here today.')).toBeVisible()
  const visit = await visited(page, 'Right bar')
  await page.goto(leavingUrl(visit))
  await awake(page)
  await page.getByRole('button', { name: 'Rates' }).click()
  await page.getByLabel(/^Work, an hour/).fill('80')
  await page.getByLabel(/^The call itself/).fill('29.90')
  await page.getByRole('button', { name: 'Save the rates' }).click()
  await expect(page.getByRole('row', { name: /^Work, €80\.00 an hour/ })).toBeVisible()
  await page.getByRole('button', { name: 'Contract', exact: true }).click()
  await page.getByLabel('There is a contract that pays').uncheck()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText(/No contract says what it pays/)).toBeVisible()
  await expect(page.getByRole('row', { name: /^The call/ })).toContainText('€29.90')
})

test('a visit is closed without network, and its signature arrives once', async ({ browser }) => {
  const line = await lineTo(Number(new URL(baseUrl()).port))
  try {
    const page = await packedPhone(browser, line)
    const visit = await visited(page, 'Right bar')
    // Looked at once with network the machine is on this device as it is now.
    await page.goto(leavingUrl(visit))
    await expect(page.getByRole('region', { name: 'Right bar' }).getByText('left open')).toBeVisible()
    const path = await pageOf(page, visit.machineId)
    line.cut()
    await page.goto(leavingUrl(visit))
    await expect(page.getByRole('heading', { name: /^Leaving / })).toBeVisible()
    // Meanwhile whoever works there says on the machine's page what is wrong: on this phone nobody knows.
    const words = 'The left group drips beside the cup'
    const them = await browser.newPage({ baseURL: baseUrl(), javaScriptEnabled: false })
    await them.goto(`${path}/wrong`)
    await them.getByLabel('In your words').fill(words)
    await them.getByRole('button', { name: 'Go on' }).click()
    while (!(await them.getByRole('button', { name: 'Send it' }).isVisible()))
      await them.locator('button.choice').first().click()
    await them.getByRole('button', { name: 'Send it' }).click()
    await expect(them.getByRole('status')).toContainText('Urgent? Ring')
    await them.context().close()
    await page.getByRole('region', { name: 'Right bar' }).getByLabel('Or why it is left:').fill('its display is dark')
    await page.getByRole('checkbox', { name: /send the report to \S+@/ }).check()
    await page.getByRole('button', { name: 'Turn it to the customer' }).click()
    await sign(page)
    await page.getByRole('button', { name: /^I sign these/ }).click()
    await expect(page.getByRole('heading', { name: /^Closed \d\d:\d\d/ })).toBeVisible()
    await expect(page.getByText('Its report was asked to go to them by e-mail')).toBeVisible()
    line.mend()
    await sendAll(page)
    const closed = closedOf(await bundleOf(page, visit.machineId), visit.visitId)
    expect(closed).toHaveLength(1)
    expect(closed[0]!.body.signed).toMatchObject({ how: 'signed', name: 'Bram Thistle' })
    // The report went out once by itself, made where the closing arrived.
    const { rows } = await (await page.request.get(`/api/visits/${visit.visitId}/letters`)).json()
    expect(rows).toHaveLength(1)
    expect(rows[0]).toMatchObject({ id: closed[0]!.id, subject: expect.stringContaining('Our visit of 26 Nov 2026') })
    // What they signed for says nothing of it, and nobody asks which of the two is right: it rings in the list.
    expect(JSON.stringify(closed[0]!.body)).not.toContain(words)
    await page.goto('/round/call')
    await awake(page)
    await expect(page.getByRole('region', { name: 'To ring back' }).getByText(words)).toBeVisible()
    await page.context().close()
  } finally {
    line.close()
  }
})

test('what was left open goes out as a quote, and what they said stands beside it', async ({ ines: page }) => {
  const visit = await visited(page, 'Right bar')
  await page.goto(leavingUrl(visit))
  await awake(page)
  await page.getByRole('button', { name: 'Rates' }).click()
  await page.getByLabel(/^The call itself/).fill('85')
  await page.getByRole('button', { name: 'Save the rates' }).click()
  // What waiting adds, by the next two visits, with the chance and what it multiplies.
  const open = page.getByRole('region', { name: 'Left open, and told' })
  await expect(open.getByText(/by 24 Dec \+ €\d+\.\d\d \(\d in 10\); by 21 Jan \+ €/)).toBeVisible()
  await expect(open.getByText(/the chance that it is due by then, times €85\.00 for a call of its own/)).toBeVisible()
  await page.getByRole('button', { name: 'Write a quote' }).click()
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByRole('checkbox', { name: /^Drain hose, cracked/ })).toBeChecked()
  await looksRight(page, 'Writing a quote')
  const price = sheet.getByLabel('Price, drain hose, cracked')
  await price.fill('')
  await sheet.getByRole('button', { name: 'Keep the quote' }).click()
  await expect(sheet.getByText('needs a price')).toBeVisible()
  await price.fill('16')
  await sheet.getByLabel('Minutes, drain hose, cracked').fill('20')
  await sheet.getByLabel('A line to them').fill('The hose is in the van.')
  await sheet.getByRole('button', { name: 'Keep the quote' }).click()
  await expect(sheet).toHaveCount(0)
  const quotes = page.getByRole('region', { name: 'Quotes' })
  const row = quotes.getByRole('listitem').filter({ hasText: 'Drain hose, cracked' })
  await expect(row).toContainText('waits for an answer')
  const href = await row.getByRole('link', { name: 'Quote, PDF' }).getAttribute('href')
  const paper = await page.request.get(`${baseUrl()}${href}`)
  expect((await paper.body()).subarray(0, 5).toString()).toBe('%PDF-')
  // It goes out without the visit being closed, from the papers of the place.
  await row.getByRole('link', { name: 'Send it' }).click()
  await awake(page)
  await expect(sheet.getByRole('checkbox', { checked: true })).toHaveCount(1)
  await expect(sheet.getByRole('checkbox', { name: /^Quote .* of 26 Nov 2026/, checked: true })).toBeVisible()
  await sheet.getByLabel('To').fill('bram@thistle.example')
  await sheet.getByRole('checkbox', { name: 'Water report' }).check()
  await sheet.getByRole('button', { name: 'Send', exact: true }).click()
  await expect(sheet).toHaveCount(0)
  const sent = page.getByRole('region', { name: 'By e-mail' }).getByRole('listitem').first()
  await expect(sent).toContainText(/with quote-[^,]+\.pdf, water-[^,]+\.pdf/)
  await expect(sent).toContainText(/in the mailbox since 26 Nov 2026/, { timeout: 30_000 })
  await page.goto(leavingUrl(visit))
  await awake(page)
  // An answer of before the quote is none.
  await row.getByRole('button', { name: 'What they said' }).click()
  await page.getByLabel('Day', { exact: true }).fill('2026-11-20')
  await page.getByLabel('Who said it').fill('Bram Thistle')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('is no day between the quote and today')).toBeVisible()
  await page.getByLabel('Day', { exact: true }).fill('2026-11-26')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(row).toContainText('they said yes: to be done, Bram Thistle')
  const { ledgers } = await bundleOf(page, visit.machineId)
  const written = (ledgers.site as RecordedEntry[])
    .filter(isKind('quoted'))
    .filter((one) => one.visitId === visit.visitId)
  expect(written.map(({ supersedes, body }) => [supersedes ?? null, body.answer?.said ?? null])).toEqual([
    [null, null],
    [written[0]!.id, 'yes'],
  ])
  expect(written[1]!.body.lines).toEqual(written[0]!.body.lines)
  expect(written[0]!.body.lines[0]).toMatchObject({ of: 'part', priceMinor: 1600 })
})
