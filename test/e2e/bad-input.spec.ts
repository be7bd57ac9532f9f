import { awake, expect, machineId, signedIn, test } from './pages.ts'

test.describe('bad input', () => {
  test('is answered at its field, and nothing is lost', async ({ ines: page }) => {
    const id = await machineId(page, 'Day room')
    await page.goto(`/machines/${id}/entry`)
    await awake(page)
    await page.getByLabel(/^Drinks/).fill('12')
    await expect(page.getByText(/below the last/)).toBeVisible()
    await expect(page.getByText(/typing error, or a new board/)).toBeVisible()

    await page.getByLabel('Raw, total: drops').fill('400')
    await page.getByRole('button', { name: 'Save the entry' }).click()
    await expect(page.getByText(/harder than any tap water .* decimal point/)).toBeVisible()
    await expect(page.getByLabel(/^Drinks/)).toHaveValue('12')

    await page.getByLabel('Raw, total: drops').fill('seven')
    await page.getByRole('button', { name: 'Save the entry' }).click()
    await expect(page.getByText('is not a number of drops')).toBeVisible()
    await page.getByLabel('Raw, total: drops').fill('')

    await page.getByLabel(/^Drinks/).fill('12,34')
    await page.getByRole('button', { name: 'Save the entry' }).click()
    await expect(page.getByText('is not a count: whole numbers, such as 184220')).toBeVisible()

    await page.evaluate(() => document.querySelector<HTMLInputElement>('input[type=date]')?.removeAttribute('max'))
    await page.getByLabel(/^Drinks/).fill('')
    await page.getByRole('textbox', { name: 'Note' }).fill('From tomorrow')
    await page.locator('input[type=date]').fill('2026-12-24')
    await page.getByRole('button', { name: 'Save the entry' }).click()
    await expect(page.getByText(/is in the future: today is 2026-11-26/)).toBeVisible()
    const ledger = await (await page.request.get(`/api/machines/${id}/bundle`)).json()
    expect(JSON.stringify(ledger)).not.toContain('From tomorrow')
    // Kept on the device by now; the next test finds none of it.
    await page.evaluate(() => indexedDB.deleteDatabase('evenshot'))
  })

  test('a low counter is kept and marked, never silently used', async ({ ines: page }) => {
    const id = await machineId(page, 'Curators')
    const uses = async () => (await (await page.request.get('/api/machines?text=Curators')).json()).rows[0].counter
    const before = await uses()
    await page.goto(`/machines/${id}/entry`)
    await awake(page)
    await page.getByLabel(/^Drinks/).fill(String(before.count * 10))
    await page.keyboard.press('Enter')
    await page.waitForURL('**?saved')
    expect(await uses()).toEqual(before)
    await page.goto(`/machines/${id}?lens=ledger`)
    // In its row, and under the chart once that is drawn.
    await expect(page.getByText(/far above what this machine makes: kept, not used/)).toHaveCount(2)
  })

  test('a draft survives a reload, and can be thrown away', async ({ ines: page }) => {
    const id = await machineId(page, 'Studio')
    await page.goto(`/machines/${id}/entry`)
    await awake(page)
    await page.getByRole('textbox', { name: 'Note' }).fill('Half a sentence about the tray')
    await page.getByLabel('Raw, carbonate: drops').fill('9')
    await page.reload()
    await awake(page)
    await expect(page.getByText('This draft was kept on this device.')).toBeVisible()
    await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('Half a sentence about the tray')
    await expect(page.getByLabel('Raw, carbonate: drops')).toHaveValue('9')
    await page.getByRole('button', { name: 'Throw it away' }).click()
    await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('')
    await page.reload()
    await awake(page)
    await expect(page.getByText('This draft was kept on this device.')).toHaveCount(0)
  })

  test('a lost network keeps the draft and says so; saving again saves once', async ({ browser }) => {
    const page = await signedIn(browser)
    const id = await machineId(page, 'Registry')
    await page.goto(`/machines/${id}/entry`)
    await awake(page)
    await page.getByRole('textbox', { name: 'Note' }).fill('Written in the cellar')
    // The answer is lost on its way back: the write itself went through.
    let dropped = false
    await page.route('**/api/entries', async (route) => {
      if (dropped) return route.continue()
      dropped = true
      await route.fetch()
      await route.abort('connectionreset')
    })
    await page.getByRole('button', { name: 'Save the entry' }).click()
    await expect(page.getByRole('alert')).toHaveText(/No connection/)
    await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('Written in the cellar')
    await page.getByRole('button', { name: 'Save the entry' }).click()
    await page.waitForURL('**?saved')
    const { ledgers } = await (await page.request.get(`/api/machines/${id}/bundle`)).json()
    expect(
      ledgers.machine.filter((entry: { body: { text?: string } }) => entry.body.text === 'Written in the cellar'),
    ).toHaveLength(1)
    await page.context().close()
  })

  test('two people at one machine hear of each other before the second saves', async ({ ines: page, browser }) => {
    const odile = await signedIn(browser, {}, 'odile@quillgate.example')
    const id = await machineId(page, 'Conference')
    for (const who of [page, odile]) {
      await who.goto(`/machines/${id}/entry`)
      await awake(who)
    }
    await odile.getByRole('textbox', { name: 'Note' }).fill('Odile was here')
    await odile.getByRole('button', { name: 'Save the entry' }).click()
    await odile.waitForURL('**?saved')
    await page.getByRole('textbox', { name: 'Note' }).fill('Ines was here too')
    const refused = page.waitForResponse('**/api/entries')
    await page.getByRole('button', { name: 'Save the entry' }).click()
    expect((await refused).status()).toBe(409)
    await expect(page.getByRole('alert')).toContainText('Odile Quillgate: note Odile was here')
    await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('Ines was here too')
    await page.getByRole('button', { name: 'Save mine as well' }).click()
    await page.waitForURL('**?saved')
    await odile.context().close()
  })

  test('what two change of one machine stands side by side, and where both changed the same it is shown at its field', async ({
    ines: page,
    browser,
  }) => {
    const odile = await signedIn(browser, {}, 'odile@quillgate.example')
    const id = await machineId(page, 'Boardroom')
    for (const who of [page, odile]) {
      await who.goto(`/machines/${id}`)
      await awake(who)
      await who.getByRole('button', { name: 'Change', exact: true }).click()
      await who.getByRole('menuitem', { name: 'Edit names and numbers' }).click()
    }
    await odile.getByLabel('Called').fill('Board room, north')
    await odile.getByRole('button', { name: 'Save' }).click()
    await expect(odile.getByRole('heading', { level: 1 })).toHaveText('Board room, north')
    await page.getByLabel('Called').fill('Board room, south')
    await page.getByLabel('Revision').fill('with valve')
    await page.getByRole('button', { name: 'Save' }).click()
    const sheet = page.getByRole('dialog')
    await expect(sheet.getByText(/Somebody else changed this meanwhile/)).toBeVisible()
    await expect(sheet.getByText(/is “Board room, north” now/)).toBeVisible()
    await expect(page.getByLabel('Called')).toHaveValue('Board room, south')
    // Seen, and meant: it is kept, and so is what nobody else touched.
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Board room, south')
    // Odile's page is older still; what she changes alone goes beside it.
    await odile.reload()
    await awake(odile)
    await expect(odile.getByRole('heading', { level: 1 })).toHaveText('Board room, south')
    await odile.context().close()
  })

  test('files that are no list are told apart in words', async ({ ines: page }) => {
    await page.goto('/import/readings')
    await awake(page)
    const give = (name: string, buffer: Buffer) =>
      page.setInputFiles('input[type=file]', { name, mimeType: 'text/csv', buffer })
    const says = async (words: RegExp) => expect(page.getByRole('alert')).toHaveText(words)
    await give('empty.csv', Buffer.alloc(0))
    await says(/is empty/)
    await give('picture.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 1, 2, 3]))
    await says(/neither a CSV nor a workbook/)
    await give('book.csv', Buffer.from('PK\u0003\u0004rest'))
    await says(/neither a CSV nor a workbook/)
    await give('head.csv', Buffer.from('serial,date,count\n'))
    await says(/no rows below a head/)
    await give('many.csv', Buffer.from(`serial,date,count\n${'A,2026-01-01,1\n'.repeat(5001)}`))
    await says(/up to 5000 are read at once/)
    await page.evaluate(() => {
      const big = new File([new Uint8Array(50_000_000)], 'big.csv', { type: 'text/csv' })
      const transfer = new DataTransfer()
      transfer.items.add(big)
      const input = document.querySelector<HTMLInputElement>('input[type=file]')!
      input.files = transfer.files
      input.dispatchEvent(new Event('change', { bubbles: true }))
    })
    await says(/50\.0 MB; such a file fits into 5 MB/)
    for (const [name, buffer, encoding] of [
      [
        'utf16.csv',
        Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('serial\tdate\tcount\nA\t2026-01-01\t1\n', 'utf16le')]),
        'UTF-16',
      ],
      ['old.csv', Buffer.from('serial;date;zähler\nA;2026-01-01;1\n', 'latin1'), 'Windows-1252'],
      ['new.csv', Buffer.from('serial,date,zähler\nA,2026-01-01,1\n'), 'UTF-8'],
    ] as const) {
      await give(name, buffer)
      await expect(page.getByText(encoding, { exact: false })).toBeVisible()
    }
  })

  test('an address that is none gets a page that helps', async ({ ines: page }) => {
    for (const path of ['/machines/00000000-0000-7000-8000-000000000000', '/machines/nonsense', '/nowhere']) {
      const response = await page.request.get(path)
      expect(response.status(), path).toBe(404)
      expect(await response.text()).toContain('There is nothing at this address')
    }
  })

  test('a search kept before a test was renamed is set aside with a word', async ({ ines: page }) => {
    const machine = `/machines/${await machineId(page, 'Left bar')}`
    await page.goto(machine)
    await page.evaluate((path) => {
      const search = {
        symptom: 'slow',
        seen: [{ test: 'a-name-of-before', outcome: 'yes', at: 1 }],
        cannot: [],
        gates: [],
        notCured: [],
        startedAt: 1,
      }
      const kept = { search, reportId: 'r', ids: {} }
      localStorage.setItem(`evenshot-search-${path.split('/').at(-1)}`, JSON.stringify(kept))
    }, machine)
    await page.goto(`${machine}?lens=fault`)
    await expect(page.getByText('what it calls a-name-of-before has another name now')).toBeVisible()
    await page.getByRole('button', { name: /^Coffee comes slowly/ }).click()
    await page.getByRole('button', { name: 'None of these: go on' }).click()
    await expect(page.getByLabel('Symptom')).toBeVisible()
    await page.reload()
    await expect(page.getByText('has another name now')).toHaveCount(0)
  })

  test('what breaks is said where it stood, and the way on is there', async ({ browser }) => {
    const page = await signedIn(browser)
    const path = `/machines/${await machineId(page, 'Left bar')}`
    await page.goto(`${path}/entry`)
    await awake(page)
    await page.getByLabel('Shots').fill('111700')
    await page.route(`**${path}/entry`, async (route) => {
      const response = await route.fetch()
      const body = (await response.text()).replace('"ledgers":{', '"ledgers":null,"was":{')
      await route.fulfill({ response, body })
    })
    await page.reload()
    const alert = page.getByRole('alert')
    await expect(alert).toContainText('What is in the ledger is safe')
    await page.unroute(`**${path}/entry`)
    await alert.getByRole('button', { name: 'Go on without what was kept' }).click()
    await expect(page.getByLabel('Shots')).toHaveValue('')
    await page.context().close()
  })
})
