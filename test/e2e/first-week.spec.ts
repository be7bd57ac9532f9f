import { join } from 'node:path'
import type { Locator, Page } from '@playwright/test'
import { looksRight } from './accessible.ts'
import { awake, expect, test, watched } from './pages.ts'
import { startEmptyApplication } from './server-control.ts'

const lists = join(import.meta.dirname, '../lists')

/** A hand whose actions are counted: what it presses, types, chooses. */
class Hand {
  actions = 0
  async #act(done: Promise<unknown>): Promise<void> {
    this.actions += 1
    await done
  }
  press = (what: Locator) => this.#act(what.click())
  type = (what: Locator, text: string) => this.#act(what.fill(text))
  choose = (what: Locator, words: string) => this.#act(what.selectOption({ label: words }))
  give = (what: Locator, file: string) => this.#act(what.setInputFiles(join(lists, file)))
}

interface Row {
  siteName: string
  standing: { key: string; name: string; due?: { p50: string }; caution?: string }
}

test.describe
  .serial('a firm’s first evening', () => {
    let own: Awaited<ReturnType<typeof startEmptyApplication>>
    let page: Page
    const hand = new Hand()
    const button = (name: string | RegExp) => page.getByRole('button', { name })
    const board = async (): Promise<Row[]> =>
      (await (await page.request.get('/api/round?horizon=all')).json()).rows as Row[]
    test.beforeAll(async ({ browser }) => {
      own = await startEmptyApplication(2)
      page = watched(
        await browser.newPage({ baseURL: own.url, viewport: { width: 1280, height: 800 }, locale: 'en-GB' }),
      )
    })
    test.afterAll(async () => {
      await page.close()
      await own.stop()
    })

    test('from an empty place and a German list of 60 to a due list that a technician believes, in sixty actions', async ({
      quiet,
    }) => {
      quiet(page)
      await page.goto('/')
      await page.waitForURL('**/first-run')
      await awake(page)
      const start = page.locator('form', { hasText: 'Your firm' })
      await hand.type(page.getByLabel('Your firm'), 'Hollgau Kaffeetechnik')
      await hand.type(page.getByLabel('Your name'), 'Jutta Roth')
      await hand.type(start.getByLabel('E-mail address'), 'jutta@hollgau.example')
      await hand.type(start.getByLabel('Password'), 'sieben Kessel im Wagen')
      await hand.press(button('Start the firm'))
      await page.waitForURL('**/first-steps')
      await awake(page)
      await hand.press(page.getByRole('link', { name: /spreadsheet/ }))
      await page.waitForURL('**/import/machines')
      await awake(page)
      await hand.give(page.locator('input[type=file]'), 'german-machines.csv')
      await expect(page.getByText('61 rows, 19 columns')).toBeVisible()
      await expect(page.getByText('Left in the file, not brought in: Miete.')).toBeVisible()
      // What is called so in one way only stands there; what could be several things is asked.
      await expect(page.getByLabel('Mühle means', { exact: true })).toHaveValue(/"gr"/)
      await expect(page.getByLabel('Vollautomat means')).toHaveValue('')
      await hand.choose(page.getByLabel('Vollautomat means'), 'super-automatic, removable brew unit')
      await hand.choose(page.getByLabel('Kapsel means'), 'pod machine, locking head')
      // What no kind here is becomes one in place, and the word means it from now on.
      await hand.choose(page.getByLabel('Eiswürfelbereiter means'), 'a kind of our own …')
      const sheet = page.getByRole('dialog')
      await expect(sheet.getByLabel('Called')).toHaveValue('Eiswürfelbereiter')
      await hand.type(sheet.getByLabel('Task 2', { exact: true }), 'Cleaned inside')
      await hand.press(sheet.getByRole('button', { name: 'Make this kind' }))
      await expect(sheet.getByText('Task “Cleaned inside”: how often is missing')).toBeVisible()
      await hand.type(sheet.getByLabel('Cleaned inside: Every, months'), '3')
      await looksRight(page, 'a kind of the firm’s own')
      await hand.press(sheet.getByRole('button', { name: 'Make this kind' }))
      await expect(sheet).toHaveCount(0)
      await expect(page.getByLabel('Eiswürfelbereiter means')).toHaveValue(/"eiswurfelbereiter"/)
      await expect(page.getByText('every word has its meaning')).toHaveCount(2)
      await looksRight(page, 'a list and its words')
      await hand.press(button('Check the rows'))
      await expect(page.getByText('60 taken')).toBeVisible()
      await expect(page.locator('tbody tr').first()).toContainText('85,790 shots, 30 Oct 2026')
      await looksRight(page, 'a list and its rows')
      await hand.press(button('Write 60 machines'))
      await page.waitForURL('**/imports/**')
      await awake(page)
      await expect(page.getByRole('status').first()).toHaveText('Written', { timeout: 30_000 })
      await looksRight(page, 'a list that is written')
      await hand.press(page.getByRole('link', { name: 'See what is due' }))
      await page.waitForURL('**/round/sites')
      await expect(page.getByRole('heading', { name: 'First: danger and hygiene' })).toBeVisible()
      expect(hand.actions, 'actions to the first due list').toBeLessThanOrEqual(60)

      await expect
        .poll(async () => (await (await page.request.get('/api/round?horizon=all')).json()).counts.waiting, {
          timeout: 60_000,
        })
        .toBe(0)
      const rows = await board()
      const { counts } = await (await page.request.get('/api/round?horizon=all')).json()
      expect(counts.machines).toBe(60)
      // Nothing that nobody knows is overdue; what guards comes first, one line a machine.
      expect(counts.overdue).toBe(0)
      const first = rows.slice(0, 10)
      // Known water is dated as ever; of everything else the look at what guards comes first.
      const others = first.filter(({ standing }) => !['descale', 'outlet-test', 'regenerate'].includes(standing.key))
      expect(others.map(({ standing }) => standing.key)).toEqual(others.map(() => 'first-look'))
      expect(others.length, first.map(({ standing }) => standing.key).join()).toBeGreaterThanOrEqual(5)
      expect(others.every(({ standing }) => ['pressure', 'mains', 'milk'].includes(standing.caution ?? ''))).toBe(true)
      expect(rows.filter(({ standing }) => standing.key === 'first-look').length).toBeGreaterThan(50)
    })

    test('says of a whole site what is known, with one answer', async ({ quiet }) => {
      quiet(page)
      const rows = await board()
      const machine = (await (await page.request.get('/api/machines?text=HG-1001')).json()).rows[0]
      const waiting = (list: Row[]) =>
        list.filter((row) => row.siteName === 'Bäckerei Sommer' && row.standing.key === 'first-look')
      const before = waiting(rows)
      expect(before.length).toBeGreaterThan(4)
      await page.goto(`/machines/${machine.id}`)
      await awake(page)
      await button('Say what is known').click()
      const sheet = page.getByRole('dialog')
      // What it is not said of is marked on the drawing, by hand or by key.
      await sheet.getByRole('button', { name: /^Pump:/ }).press('Enter')
      await expect(sheet.getByText('not this')).toBeVisible()
      await expect(sheet.getByText(/Never covered: .*boiler safety valve/)).toBeVisible()
      await looksRight(page, 'what is known of its ages')
      await sheet.getByRole('radio', { name: /every machine at Bäckerei Sommer/ }).check()
      await sheet.getByRole('radio', { name: /A full service was done/ }).check()
      await sheet.getByLabel('Day of the full service').fill('2026-11-03')
      await sheet.getByRole('button', { name: 'Say so' }).click()
      await expect(sheet).toHaveCount(0)
      const parts = (list: Row[]) =>
        list.map(({ standing }) => Number(/(\d+) part/.exec(standing.name)![1])).reduce((a, b) => a + b, 0)
      // What guards still waits to be seen by itself; the rest does not.
      await expect.poll(async () => parts(waiting(await board())), { timeout: 30_000 }).toBeLessThan(parts(before) / 3)
      const gasket = await page.request.get(`/api/standings/${machine.id}?key=group-gasket@1`)
      expect(await gasket.json()).toMatchObject({ since: '2026-11-03', sinceKnown: true })
    })

    test('takes past work in, one meaning for all rows of a text', async ({ quiet }) => {
      quiet(page)
      await page.goto('/import/work')
      await awake(page)
      await page.setInputFiles('input[type=file]', join(lists, 'german-past-work.csv'))
      await button('Check the rows').click()
      await expect(page.getByText('2 note only')).toBeVisible()
      await page.getByLabel('Dichtung means').selectOption({ label: 'perhaps: Group gasket: changed' })
      await button('Check the rows again').click()
      await expect(page.getByText('1 note only')).toBeVisible()
      await looksRight(page, 'past work and its texts')
      await button('Write 7 rows of work').click()
      await page.waitForURL('**/imports/**')
      await awake(page)
      await expect(page.getByRole('status').first()).toHaveText('Written', { timeout: 30_000 })
    })

    test('takes the list of machines back: what was built upon stays and is named, the rest is gone', async ({
      quiet,
    }) => {
      quiet(page)
      await page.goto('/imports')
      await awake(page)
      await page.getByRole('link', { name: /german-machines/ }).click()
      await page.waitForURL('**/imports/**')
      await awake(page)
      await button('Take it all back').click()
      const sheet = page.getByRole('dialog')
      await expect(sheet.getByText(/have been built upon since/)).toBeVisible()
      await looksRight(page, 'taking a list back')
      await sheet.getByRole('button', { name: 'Take back 61 rows' }).click()
      await expect(page.getByRole('status').first()).toContainText('Taken back by Jutta Roth', { timeout: 30_000 })
      const { all } = await (await page.request.get('/api/machines')).json()
      expect(all).toBeGreaterThan(0)
      expect(all).toBeLessThan(10)
    })
  })
