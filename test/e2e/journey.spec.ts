import { awake, expect, machineId, signedIn, test } from './pages.ts'
import { startApplication, stopApplication } from './server-control.ts'

test.describe('a technician’s day', () => {
  test('turns away a wrong password in words, and shows the demo sign-in', async ({ page, quiet }) => {
    const { baseUrl } = await import('./server-control.ts')
    await page.goto(`${baseUrl()}/round`)
    await expect(page).toHaveURL(/sign-in\?next=%2Fround/)
    quiet(page)
    await expect(page.getByText('The demo world is loaded')).toBeVisible()
    await page.getByLabel('E-mail address').fill('odile@quillgate.example')
    await page.getByLabel('Password').fill('wrong')
    await page.getByRole('button', { name: 'Sign in', exact: true }).click()
    await expect(page.getByRole('alert')).toHaveText(/do not belong together/)
    await expect(page.getByLabel('E-mail address')).toHaveValue('odile@quillgate.example')
  })

  test('reads a messy spreadsheet in, row by row with its verdict', async ({ ines: page }) => {
    const response = await page.request.get('/api/machines?text=Clerks')
    const clerk = (await response.json()).rows[0]
    const last = clerk.counter.count as number
    await page.goto('/import/readings')
    await awake(page)
    const csv = [
      'When;Serial no.;Counter',
      `24.11.2026;${clerk.serial.toLowerCase()};${(last + 200).toLocaleString('de-DE')}`,
      `25.11.2026 08:15;${clerk.serial};${last + 230}`,
      `25.11.2026;${clerk.serial};${last + 230}`,
      `26.11.2026;${clerk.serial};${(last + 240) * 10}`,
      `31.11.2026;${clerk.serial};${last + 300}`,
      '25.11.2026;NOT-OURS;12',
      ';;',
    ].join('\r\n')
    await page.setInputFiles('input[type=file]', {
      name: 'autumn.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(csv, 'latin1'),
    })
    await expect(page.getByText('6 rows, 3 columns')).toBeVisible()
    await expect(page.getByLabel('Serial number')).toHaveValue('1')
    await page.getByRole('button', { name: 'Check the rows' }).click()
    await expect(page.getByText('Nothing has been written yet.')).toBeVisible()
    const verdicts = page.locator('tbody tr td:last-child b')
    await expect(verdicts).toHaveText([
      'taken',
      'taken',
      'there already',
      'impossible',
      'not readable',
      'unknown machine',
    ])

    await page.getByRole('button', { name: 'Write 2 readings' }).click()
    await page.waitForURL('**/imports/**')
    await awake(page)
    await expect(page.getByRole('status').first()).toHaveText('Written', { timeout: 20_000 })
    const download = page.waitForEvent('download')
    await page.getByRole('link', { name: 'The rows that were not written' }).click()
    const stream = await (await download).createReadStream()
    const text = Buffer.concat(await stream.toArray()).toString()
    expect(text).toContain('When;Serial no.;Counter;reason')
    expect(text).toContain('no machine has the serial number “NOT-OURS”')

    // What was written is reckoned a moment later, behind the scenes.
    const counter = async () => (await (await page.request.get('/api/machines?text=Clerks')).json()).rows[0].counter
    await expect.poll(counter, { timeout: 20_000 }).toMatchObject({ count: last + 230, on: '2026-11-25' })
  })

  test('enters a visit by keyboard alone, sees the date move before and after, corrects it, and finds it after a restart', async ({
    ines: page,
    browser,
  }) => {
    const id = await machineId(page, 'Canteen tram')
    const bundle = async () => (await page.request.get(`/api/machines/${id}/bundle`)).json()
    const readings = (await bundle()).ledgers.machine.filter((entry: { kind: string }) => entry.kind === 'reading')
    const last = readings.reduce((a: { happenedOn: string }, b: { happenedOn: string }) =>
      a.happenedOn > b.happenedOn ? a : b,
    )
    await page.goto(`/machines/${id}`)
    await awake(page)
    const regenerate = page.getByRole('row').filter({ hasText: 'Regenerate softener' })
    const before = await regenerate.getByRole('cell').nth(5).textContent()

    // From here on the keyboard does all.
    await page.keyboard.press('n')
    await page.waitForURL('**/entry')
    await awake(page)
    await expect(page.getByLabel(/^Shots/)).toBeFocused()
    await page.keyboard.type(String(last.body.count + 3500))
    await page.keyboard.press('Tab')
    await page.keyboard.press('Tab')
    for (let drop = 0; drop < 19; drop += 1) await page.keyboard.press('ArrowUp')
    await expect(page.getByLabel('Raw, total: drops')).toHaveValue('19')
    await page.getByRole('checkbox').first().focus()
    const letter = await page
      .locator('label')
      .filter({ hasText: 'Regenerate softener' })
      .locator('.mono')
      .first()
      .textContent()
    await page.keyboard.press(letter!.toLowerCase())
    await expect(page.getByRole('checkbox', { name: /Regenerate softener/ })).toBeChecked()
    const moves = page.getByRole('complementary', { name: 'What this moves' })
    await expect(moves).toContainText('Regenerate softener')
    await page.keyboard.press('Control+Enter')
    await page.waitForURL('**?saved')
    await awake(page)
    await expect(page.getByRole('status')).toHaveText(/Saved/)
    await expect(regenerate.getByRole('cell').nth(5)).not.toHaveText(before!)
    await expect(regenerate.getByRole('cell').nth(1)).toHaveText('26 Nov')

    await page.keyboard.press('5')
    const wrong = page.getByText(`Counter ${(last.body.count + 3500).toLocaleString('en-GB')} shots`)
    await expect(wrong).toBeVisible()
    await page
      .getByRole('button', { name: `Correct: Counter ${(last.body.count + 3500).toLocaleString('en-GB')} shots` })
      .click()
    await page
      .getByRole('dialog')
      .getByLabel('Counter')
      .fill(String(last.body.count + 3400))
    await page.getByRole('button', { name: 'Save the correction' }).click()
    await expect(
      page.getByText(`corrects “Counter ${(last.body.count + 3500).toLocaleString('en-GB')} shots”`),
    ).toBeVisible()

    await stopApplication()
    await startApplication()
    const again = await signedIn(browser)
    await again.goto(`/machines/${id}?lens=ledger`)
    await expect(again.getByText(`Counter ${(last.body.count + 3400).toLocaleString('en-GB')} shots`)).toBeVisible()
    const kept = (await (await again.request.get(`/api/machines/${id}/bundle`)).json()).ledgers.machine
    expect(
      kept.filter((entry: { body: { count?: number } }) => entry.body.count === last.body.count + 3500),
    ).toHaveLength(1)
    await again.context().close()
  })

  test('walks the Round by keys, with each row’s working, and narrows it in words', async ({ ines: page }) => {
    await page.goto('/round')
    await awake(page)
    const working = page.getByRole('complementary', { name: 'Working' })
    await expect(working.locator('ol li').first()).toBeVisible()
    await page.keyboard.press('j')
    await page.keyboard.press('j')
    await expect(page.locator('[data-row="2"]')).toHaveAttribute('aria-pressed', 'true')
    await page.keyboard.press('k')
    await expect(working.locator('ol li').first()).toBeVisible()
    // Two rows may ask for the same task: the row chosen and its working must be of one machine.
    const second = page.locator('[data-row="1"]')
    await expect(second).toHaveAttribute('aria-pressed', 'true')
    const title = (await working.getByRole('heading').textContent())!.replace(/^Working\s*/, '')
    await expect(second).toContainText(title)
    await page.getByLabel('Kind of machine').selectOption({ label: 'pod machine, locking head' })
    await expect(page).toHaveURL(/kind=pk/)
    await expect(page.getByText('Piercing needle').first()).toBeVisible()
    await expect(page.getByText('Group gasket')).toHaveCount(0)
    await page.getByLabel('Find in what is due').fill('hotel')
    await expect(page.locator('[data-row]').filter({ hasNotText: 'Kettle Lane hotel' })).toHaveCount(0)
    await page.keyboard.press('Escape')
    await page.getByLabel('Find in what is due').fill('nothing has these words')
    await expect(page.getByText('Nothing due matches these words')).toBeVisible()
    await page.getByRole('button', { name: 'Any site, kind and technician' }).click()
    await expect(page.locator('[data-row="0"]')).toBeVisible()
    await page.locator('[data-row="0"]').focus()
    await page.keyboard.press('n')
    await page.waitForURL('**/entry')
  })

  test('finds anything with Ctrl K, lists the keys with ?, and goes with g', async ({ ines: page }) => {
    await page.goto('/machines')
    await awake(page)
    await page.keyboard.press('Control+k')
    await page.keyboard.type('ferry crew')
    await expect(page.getByRole('option', { name: /Crew room/ })).toBeVisible()
    await page.keyboard.press('Enter')
    await page.waitForURL('**/machines/*')
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Crew room')
    await awake(page)
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog')).toContainText('Every key has a button as well.')
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toHaveCount(0)
    await page.keyboard.press('w')
    await expect(page.getByRole('dialog')).toContainText('Working:')
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toHaveCount(0)
    await page.keyboard.press('g')
    await page.keyboard.press('r')
    await page.waitForURL('**/round')
  })

  test('changes a default where its working shows it, and sees who set it', async ({ ines: page }) => {
    const id = await machineId(page, 'Reading bar')
    await page.goto(`/machines/${id}?task=steam-tip@1`)
    await awake(page)
    const working = page.getByRole('complementary', { name: 'Working' })
    await expect(working).toContainText('how early: usual, from memory')
    await working.getByRole('button', { name: 'Change' }).first().click()
    const sheet = page.getByRole('dialog')
    await sheet.getByRole('textbox').fill('0')
    await sheet.getByRole('button', { name: 'Save' }).click()
    await expect(sheet.getByRole('alert')).toHaveText('Type a number above 0.')
    await sheet.getByRole('textbox').fill('48')
    await sheet.getByRole('button', { name: 'Save' }).click()
    await expect(sheet).toHaveCount(0)
    await expect(working).toContainText('set for this machine')
    await expect(working).toContainText('48 months')
  })

  test('chooses how early to act, with its reasons', async ({ ines: page }) => {
    await page.goto(`/machines/${await machineId(page, 'Courtyard')}`)
    await awake(page)
    await page.getByRole('button', { name: 'How early: usual' }).click()
    await expect(page.getByRole('dialog')).toContainText('Change before anyone notices')
    await page.getByRole('radio', { name: /^cautious/ }).check()
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('button', { name: 'How early: cautious' })).toBeVisible()
    await expect(page.getByText('set for this machine', { exact: false }).first()).toBeVisible()
  })

  test('finds a list, a lens and a row as they were left', async ({ ines: page }) => {
    await page.goto('/machines')
    await awake(page)
    await page.getByLabel('Find among the machines').fill('Thistle')
    await expect(page.getByRole('link', { name: /Crew room/ })).toHaveCount(0)
    await page.getByRole('link', { name: /Left bar/ }).click()
    await page.waitForURL('**/machines/*-*')
    await awake(page)
    await page.getByRole('tab', { name: 'Work' }).click()
    // What is worked on stands in the first view: the path is a strip beside the lens switch.
    await expect(page.getByText('Worked on: 3-way valve')).toBeInViewport()
    await expect(page.getByRole('link', { name: 'Do it: Water backflush' })).toBeInViewport()
    await page.getByRole('link', { name: 'Do it: Water backflush' }).click()
    await page.waitForURL('**/run?procedure=water-backflush')
    await page.goBack()
    await awake(page)
    await expect(page.getByRole('tab', { name: 'Work' })).toHaveAttribute('aria-selected', 'true')
    await page.goBack()
    await awake(page)
    await expect(page.getByLabel('Find among the machines')).toHaveValue('Thistle')
    await expect(page.getByRole('link', { name: /Crew room/ })).toHaveCount(0)
  })

  test('adds a machine from the list: first where it stands, then what it is', async ({ ines: page }) => {
    await page.goto('/machines')
    await awake(page)
    await page.getByRole('button', { name: 'Add a machine' }).click()
    const where = page.getByRole('dialog')
    await expect(where.getByRole('button', { name: 'Go on' })).toBeDisabled()
    await where.getByLabel('Site', { exact: true }).fill('thistle')
    await where.getByRole('radio', { name: /Thistle & Rye/ }).check()
    await where.getByRole('button', { name: 'Go on' }).click()
    await page.waitForURL('**/sites/*?add=machine')
    await expect(page.getByRole('dialog')).toContainText('It stands at Thistle & Rye bakery')
  })

  test('signs out for good', async ({ browser }) => {
    const page = await signedIn(browser)
    await page.goto('/round')
    await awake(page)
    await page.getByRole('button', { name: /menu/ }).click()
    await page.getByRole('menuitem', { name: 'Sign out' }).click()
    await page.waitForURL('**/sign-in')
    await page.goto('/round')
    await expect(page).toHaveURL(/sign-in/)
    await page.context().close()
  })
})
