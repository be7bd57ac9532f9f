import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { awake, expect, test, watched } from './pages.ts'
import { startEmptyApplication } from './server-control.ts'

test.describe
  .serial('a firm of one’s own', () => {
    let own: Awaited<ReturnType<typeof startEmptyApplication>>
    let page: Page
    test.beforeAll(async ({ browser }) => {
      own = await startEmptyApplication()
      const phone = { baseURL: own.url, viewport: { width: 390, height: 844 }, locale: 'en-GB' }
      page = watched(await browser.newPage(phone))
    })
    test.afterAll(async () => {
      await page.close()
      await own.stop()
    })

    test('gets from an empty database, on a phone, to its first due list', async ({ quiet }) => {
      quiet(page)
      await page.goto('/')
      await page.waitForURL('**/first-run')
      await awake(page)
      // Bringing a firm in asks for the same two further down.
      const start = page.locator('form', { hasText: 'Your firm' })
      await page.getByLabel('Your firm').fill('Brindle & Co')
      await page.getByLabel('Your name').fill('Wren Brindle')
      await start.getByLabel('E-mail address').fill('wren@brindle.example')
      await start.getByLabel('Password').fill('short')
      await page.getByLabel('Hardness in').selectOption('gpg')
      await page.getByLabel('Temperature in').selectOption('F')
      await page.getByLabel('Currency').fill('EUR')
      await page.getByLabel('Dates as').selectOption('dots')
      await page.getByLabel('When to act').selectOption('cautious')
      await page.getByRole('button', { name: 'Start the firm' }).click()
      await expect(page.getByRole('alert')).toContainText('Password')
      await start.getByLabel('Password').fill('a long password')
      await page.getByRole('button', { name: 'Start the firm' }).click()
      await page.waitForURL('**/first-steps')
      await awake(page)
      await page.getByLabel('Name of the place').fill('Weir café')
      await page.getByRole('button', { name: 'Next: the machine' }).click()
      await page.getByLabel('Kind of machine').selectOption('sr')
      await page.getByLabel(/^Called/).fill('Bar')
      await page.getByLabel('Maker').fill('Varnholt')
      await page.getByLabel('Serial number').fill('S4-7001')
      await page.getByLabel(/^Counter now/).fill('48200')
      await page.getByLabel(/^Hardness of the water/).fill('14')
      await page.getByRole('button', { name: 'Take it on' }).click()
      await page.getByRole('link', { name: 'See what is due' }).click()
      await page.waitForURL('**/round**')
      await awake(page)
      const first = page.locator('[data-row="0"]')
      await expect(first).toContainText('Weir café')
      // In the middle of its life: nothing that nobody knows is dated, one look stands for it.
      await expect(page.getByText(/First look, \d+ min: \d+ parts of unknown age/).first()).toBeVisible()
      // The firm writes its days with dots.
      await expect(first).toContainText(/\d\d\.\d\d\./)
      const spill = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      )
      expect(spill).toBeLessThanOrEqual(0)
      await page.setViewportSize({ width: 1280, height: 800 })
    })

    test('sees a closure move what is counted, and nothing that is dated', async ({ quiet }) => {
      quiet(page)
      interface Row {
        siteId: string
        standing: { key: string; governing: string; due: { p50: string } }
      }
      const rows = async (): Promise<Row[]> => (await (await page.request.get('/api/round?horizon=all')).json()).rows
      // Only what the closure lies before can be moved by it.
      const by = (list: Row[], ...clocks: string[]) =>
        list.filter(({ standing }) => clocks.includes(standing.governing) && standing.due.p50 > '2026-12-05')
      const named = (list: Row[], { standing }: Row) => list.find((row) => row.standing.key === standing.key)
      const [{ siteId }] = (await (await page.request.get('/api/machines')).json()).rows
      const said = { id: randomUUID(), scope: 'site', of: siteId, parts: 'good', on: '2026-11-20' }
      expect(await (await page.request.post('/api/ages', { data: said })).json()).toEqual({ machines: 1 })
      const all = await rows()
      const counted = by(all, 'shots', 'litres', 'detergentCycles')
      const [dated] = by(all, 'months')
      await page.goto(`/sites/${siteId}`)
      await awake(page)
      await page.getByRole('button', { name: 'Add a closure' }).click()
      await page.getByLabel('Why').fill('works')
      await page.getByLabel('First day closed').fill('2026-12-01')
      await page.getByLabel('Last day closed').fill('2026-11-01')
      await page.getByRole('button', { name: 'Add it' }).click()
      await expect(page.getByRole('alert')).toContainText('must not be before the first')
      await page.getByLabel('Last day closed').fill('2027-01-31')
      await page.getByRole('button', { name: 'Add it' }).click()
      await expect(page.getByText('01.12. to 31.01.2027')).toBeVisible()
      const day = ({ standing }: Row) => Date.parse(standing.due.p50) / 86_400_000
      // By as much as it lasts, where no age comes before.
      const moved = async () => {
        const now = await rows()
        return Math.max(...counted.map((row) => day(named(now, row) ?? row) - day(row)))
      }
      await expect.poll(moved, { timeout: 15_000 }).toBeGreaterThan(40)
      expect(named(await rows(), dated!)!.standing.due.p50).toBe(dated!.standing.due.p50)
    })

    test('moves a machine to another site, and its history goes with it', async ({ quiet }) => {
      quiet(page)
      await page.goto('/sites')
      await awake(page)
      await page.getByRole('button', { name: 'Add a site' }).click()
      await page.getByLabel('Name of the place').or(page.getByLabel(/^Name/)).first().fill('Mill office')
      await page.getByRole('button', { name: 'Add it' }).click()
      await page.waitForURL('**/sites/*-*')
      const machine = (await (await page.request.get('/api/machines')).json()).rows[0]
      const entries = async () =>
        (await (await page.request.get(`/api/machines/${machine.id}/bundle`)).json()).ledgers.machine.length
      const before = await entries()
      await page.goto(`/machines/${machine.id}`)
      await awake(page)
      await page.locator('main header').getByRole('button', { name: 'Change' }).click()
      await page.getByRole('menuitem', { name: /^Move/ }).click()
      await page.getByLabel('Find the site').fill('mill')
      await page.getByRole('radio', { name: /Mill office/ }).check()
      await page.getByLabel('Counter on moving').fill('48650')
      await page.getByRole('button', { name: 'Move it' }).click()
      await page.waitForURL('**?saved')
      await expect(page.getByRole('link', { name: 'Mill office' })).toBeVisible()
      expect(await entries()).toBe(before + 2)
      await page.goto(`/machines/${machine.id}?lens=ledger`)
      await expect(page.getByText(/Moved to another site/)).toBeVisible()
      await page.goto('/sites')
      await expect(page.getByRole('link', { name: /Mill office/ })).toContainText('1 machine')
      await expect(page.getByRole('link', { name: /Weir café/ })).not.toContainText('1 machine')
    })

    test('lets somebody join by a link that opens once, and ends their session', async ({ browser, quiet }) => {
      quiet(page)
      await page.goto('/firm')
      await awake(page)
      await page.getByRole('button', { name: 'Add a technician' }).click()
      await page.getByLabel('Name').fill('Perrin Oake')
      await page.getByLabel('Initials').fill('PO')
      await page.getByRole('button', { name: 'Add' }).last().click()
      await expect(page.getByText('cannot sign in yet')).toBeVisible()
      await awake(page)
      await page.getByRole('button', { name: 'Invite' }).click()
      const link = await page.getByLabel('One-time link').inputValue()
      const perrin = watched(await browser.newPage({ baseURL: own.url, locale: 'en-GB' }))
      quiet(perrin)
      await perrin.goto(link)
      await awake(perrin)
      await perrin.getByLabel('E-mail address').fill('perrin@brindle.example')
      await perrin.getByLabel('Password').fill('another long one')
      await perrin.getByRole('button').last().click()
      await perrin.waitForURL('**/round')
      const again = await browser.newPage()
      await again.goto(link)
      await expect(again.getByRole('button', { name: /join|password/i })).toHaveCount(0)
      await again.close()
      await page.goto('/firm')
      await awake(page)
      await page.getByRole('listitem').filter({ hasText: 'Perrin Oake, since' }).getByRole('button').click()
      await expect(page.getByText('Perrin Oake, since')).toHaveCount(0)
      await perrin.goto('/round')
      await perrin.waitForURL('**/sign-in**')
      await perrin.close()
    })

    test('takes everything out', async ({ quiet }) => {
      quiet(page)
      await page.goto('/data')
      await awake(page)
      const waiting = page.waitForEvent('download')
      await page.getByRole('link', { name: 'Everything but the photos' }).click()
      const file = JSON.parse(readFileSync(await (await waiting).path(), 'utf8'))
      expect(file).toMatchObject({ format: 'evenshot-firm', firm: { name: 'Brindle & Co' } })
      const csv = await page.request.get('/api/export/ledger.csv')
      expect(await csv.text()).toContain('S4-7001')
    })

    test('brings machines in from a spreadsheet, each row judged before anything is written', async ({ quiet }) => {
      quiet(page)
      await page.goto('/import/machines')
      await awake(page)
      const csv = [
        'Place;Customer;Name;Type;Make;Model;Serial;Installed;Drinks',
        'Mill office;;Hall;sr;Ostrel;S4;S4-9001;01.03.2025;12.400',
        'Ferry hut;Lantern Ferries;Counter;sr;Ostrel;S4;S4-9002;15.06.2025;800',
        'Ferry hut;Lantern Ferries;Crew;pk;Pellamy;P1;P1-9003;;',
        'Ferry hut;Lantern Ferries;Twin;sr;Ostrel;S4;S4-9002;15.06.2025;1',
        ';;Nowhere;sr;Ostrel;S4;S4-9004;;',
      ].join('\n')
      await page.setInputFiles('input[type=file]', {
        name: 'stock.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(csv),
      })
      await expect(page.getByLabel('pk means')).toHaveValue(/"pk"/)
      await page.getByRole('button', { name: 'Check the rows' }).click()
      await expect(page.getByText('Nothing has been written yet.')).toBeVisible()
      const machines = async () => (await (await page.request.get('/api/machines')).json()).all
      expect(await machines()).toBe(1)
      await page.getByRole('button', { name: 'Write 3 machines' }).click()
      await expect.poll(machines, { timeout: 15_000 }).toBe(4)
      const sites = (await (await page.request.get('/api/records/site')).json()).rows
      expect(sites.map(({ name }: { name: string }) => name)).toEqual(['Ferry hut', 'Mill office', 'Weir café'])
      expect(sites[0].holds.machines).toBe(2)
    })

    test('brings customers in from a spreadsheet, once', async ({ quiet }) => {
      quiet(page)
      const csv = 'Company,Contact person,Tel\nLantern Ferries,,\nOrchard Row,Ms Pip,0555 0114\n'
      const give = () =>
        page.setInputFiles('input[type=file]', { name: 'c.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
      await page.goto('/import/customers')
      await awake(page)
      await give()
      await page.getByRole('button', { name: 'Check the rows' }).click()
      await page.getByRole('button', { name: 'Write 1 customer' }).click()
      const named = async () => (await (await page.request.get('/api/records/customer?text=Orchard')).json()).rows
      await expect.poll(async () => (await named()).length).toBe(1)
      expect((await named())[0]).toMatchObject({ contact: 'Ms Pip', phone: '0555 0114' })
    })

    test('reads an old service record into the ledger, in words the machine knows', async ({ quiet }) => {
      quiet(page)
      await page.goto('/import/work')
      await awake(page)
      const csv = [
        'Serial,Date,Work done,Drinks',
        'S4-9001,2026-05-04,descaled,9000',
        'S4-9001,2026-05-04,"sang to it, and it ran",',
        'S4-0000,2026-05-04,descaled,',
        'S4-9001,2027-05-04,descaled,',
      ].join('\n')
      await page.setInputFiles('input[type=file]', { name: 'work.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
      await page.getByRole('button', { name: 'Check the rows' }).click()
      await page.getByRole('button', { name: 'Write 2 rows of work' }).click()
      const { rows } = await (await page.request.get('/api/machines?text=S4-9001')).json()
      const bundle = async () => (await page.request.get(`/api/machines/${rows[0].id}/bundle`)).json()
      const kinds = async () => (await bundle()).ledgers.machine.map(({ kind }: { kind: string }) => kind).sort()
      await expect.poll(kinds).toEqual(['commissioned', 'descaled', 'note', 'reading', 'reading', 'taken-over'])
      await page.goto(`/machines/${rows[0].id}?lens=ledger`)
      await expect(page.getByText('sang to it, and it ran')).toBeVisible()
      await expect(page.getByText('from a spreadsheet').first()).toBeVisible()
    })

    test('hands a machine on by its passport, and takes it twice without adding anything', async ({ quiet }) => {
      quiet(page)
      const { rows } = await (await page.request.get('/api/machines?text=S4-9001')).json()
      const passport = await (await page.request.get(`/api/machines/${rows[0].id}/passport.json`)).body()
      const entries = async () =>
        (await (await page.request.get(`/api/machines/${rows[0].id}/bundle`)).json()).ledgers.machine.length
      const before = await entries()
      await page.goto('/data')
      await awake(page)
      await page.getByRole('button', { name: /A machine's passport/ }).click()
      const give = (name: string, buffer: Buffer) =>
        page.setInputFiles('input[type=file]', { name, mimeType: 'application/json', buffer })
      await give('other.json', Buffer.from('{"format":"else"}'))
      await expect(page.getByRole('alert')).toContainText("is no machine's passport")
      await give('passport.json', passport)
      await page.getByRole('radio', { name: 'Ferry hut' }).check()
      await page.getByRole('button', { name: /^Take/ }).click()
      await page.waitForURL('**/machines/**lens=ledger')
      expect(await entries()).toBe(before)
    })

    test('goes in elsewhere as one zip, photos and all', async ({ browser }) => {
      const picture = await sharp({ create: { width: 50, height: 30, channels: 3, background: '#a53' } })
        .png()
        .toBuffer()
      const taken = await page.request.post('/api/photos', { data: { image: picture.toString('base64') } })
      const { name } = await taken.json()
      const zip = await (await page.request.get('/api/export/everything.zip')).body()
      const ledger = await (await page.request.get('/api/export/ledger.csv')).text()
      const elsewhere = await startEmptyApplication(1)
      const there = watched(await browser.newPage({ baseURL: elsewhere.url }))
      try {
        await there.goto('/first-run')
        await awake(there)
        const section = there.locator('section', { hasText: 'bring in a firm' })
        const give = (bytes: Buffer) =>
          section
            .locator('input[type=file]')
            .setInputFiles({ name: 'even-shot.zip', mimeType: 'application/zip', buffer: bytes })
        await give(zip.subarray(0, zip.length - 300))
        await section.getByLabel('E-mail address').fill('wren@brindle.example')
        await section.getByLabel('Password').fill('seven kettles in a lorry')
        await section.getByRole('button', { name: 'Bring it in' }).click()
        await expect(section.getByRole('alert')).toContainText('is damaged')
        await give(zip)
        await section.getByRole('button', { name: 'Bring it in' }).click()
        await there.waitForURL('**/round')
        expect(await (await there.request.get('/api/export/ledger.csv')).text()).toBe(ledger)
        expect((await there.request.get(`/api/photos/${name}`)).headers()['content-type']).toBe('image/jpeg')
      } finally {
        await there.close()
        await elsewhere.stop()
      }
    })

    test('prints all of it, and no buttons', async ({ quiet }) => {
      quiet(page)
      const { rows } = await (await page.request.get('/api/machines?text=S4-9001')).json()
      await page.goto(`/machines/${rows[0].id}`)
      await awake(page)
      const listed = page.locator('tbody tr')
      const onScreen = await listed.count()
      await page.emulateMedia({ media: 'print' })
      await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')))
      expect(await listed.count()).toBeGreaterThan(onScreen)
      await expect(page.getByText(/^printed .* by Wren Brindle$/)).toBeVisible()
      await expect(page.getByRole('link', { name: 'New entry' })).toBeHidden()
      await expect(page.getByRole('navigation', { name: 'Places' }).first()).toBeHidden()
      await page.evaluate(() => window.dispatchEvent(new Event('afterprint')))
      await page.emulateMedia({ media: 'screen' })
      expect(await listed.count()).toBe(onScreen)
    })
  })
