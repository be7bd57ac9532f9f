import type { Browser, Page } from '@playwright/test'
import type { RecordedEntry } from '../../src/core/ledger/entry.ts'
import type { Standing } from '../../src/core/standing/standing.ts'
import { reckonBundle } from '../../src/islands/machine/reckon-bundle.ts'
import type { DayPage } from '../../src/views/day-page.ts'
import type { MachineBundle } from '../../src/views/machine-bundle.ts'
import { checkAll } from './check-all.ts'
import { answerAs, next } from './fault-hands.ts'
import { toTheEnd } from './hands.ts'
import { type Line, lineTo } from './line.ts'
import { awake, expect, signedIn, test } from './pages.ts'
import { baseUrl, startFresh } from './server-control.ts'

/** What a day is worked on, the same in every world. */
interface DaysWork {
  /** Two that are backflushed, one whose grinder comes apart, one with a fault, and others that are only read. */
  c2: string[]
  sr: string
  pk: string
  read: { id: string; count: number }[]
  /** Stops of the day that are begun and left. */
  stops: number
}

const photo = 'docs/screenshots/bench.png'

const machinesOf = async (page: Page, kind: string): Promise<string[]> =>
  (await (await page.request.get(`${baseUrl()}/api/machines?kind=${kind}`)).json()).rows.map(
    ({ id }: { id: string }) => id,
  )
const bundleOf = async (page: Page, id: string): Promise<MachineBundle> =>
  (await page.request.get(`${baseUrl()}/api/machines/${id}/bundle`)).json()
const dayOf = async (page: Page): Promise<DayPage> =>
  (await page.request.get(`${baseUrl()}/api/round/day?on=2026-11-26`)).json()

async function worksOf(page: Page): Promise<DaysWork> {
  const [c2, sr, pk] = await Promise.all(['c2', 'sr', 'pk'].map((kind) => machinesOf(page, kind)))
  const machines = [...c2!.slice(0, 4), ...sr!.slice(0, 3), ...pk!.slice(0, 2)]
  const read = await Promise.all(
    machines.map(async (id) => {
      const { counter } = reckonBundle(await bundleOf(page, id)).reckoning ?? {}
      return { id, count: counter ? counter.count + 400 : 0 }
    }),
  )
  return { c2: c2!.slice(0, 2), sr: sr![0]!, pk: pk![0]!, read: read.filter(({ count }) => count > 0), stops: 3 }
}

/** The day, by hand: whether the network is there or not makes no difference to it. */
async function workTheDay(page: Page, works: DaysWork): Promise<void> {
  for (let stop = 0; stop < works.stops; stop += 1) {
    await page.goto('/round/day?on=2026-11-26')
    await awake(page)
    const list = page.getByRole('region', { name: 'Stops in order' })
    const left = list.getByText(/^left \d\d:\d\d/)
    const before = await left.count()
    await list.locator('[data-stop]').nth(stop).click()
    await page.getByRole('button', { name: /^I am there/ }).click()
    await page.getByRole('button', { name: 'I leave now' }).click()
    await expect(left).toHaveCount(before + 1)
  }
  for (const { id, count } of works.read) {
    await page.goto(`/machines/${id}/entry`)
    await awake(page)
    await page.locator('input[name=counter]').first().fill(String(count))
    await page.getByRole('button', { name: /^Save/ }).click()
    await page.waitForURL(/\?saved/)
  }
  await stripDown(page, works.sr)
  await fault(page, works.pk)
  await call(page)
  for (const id of works.c2) {
    await page.goto(`/machines/${id}/run?procedure=detergent-backflush`)
    await awake(page)
    await page.getByRole('button', { name: 'Start' }).click()
    await toTheEnd(page)
    await page.getByRole('button', { name: 'Save it' }).click()
    await page.waitForURL('**?lens=ledger&saved')
  }
}

async function stripDown(page: Page, id: string): Promise<void> {
  await page.goto(`/machines/${id}/strip-down?of=grinder-service`)
  await awake(page)
  await checkAll(page)
  await page.getByRole('button', { name: 'Open the sheet' }).click()
  await page.getByRole('button', { name: /^Finger guard: off/ }).click()
  await page.getByRole('button', { name: /^Hopper, gasket: off/ }).click()
  for (let n = 1; n <= 6; n += 1) {
    await page.getByLabel('Photo', { exact: true }).setInputFiles(photo)
    await expect(page.getByRole('img', { name: `Hopper, gasket as it sat, ${n}` })).toBeVisible()
  }
  await page.getByRole('button', { name: 'Now back together' }).click()
  for (const things of [2, 1]) {
    await expect(page.getByRole('heading', { name: new RegExp(`^${things} things? still on the bench`) })).toBeVisible()
    await page.keyboard.press('Space')
  }
  await page.getByRole('button', { name: /^Close the sheet/ }).click()
  const tested = page.getByRole('dialog').getByRole('button', { name: /^Not tested now/ })
  if (await tested.isVisible()) await tested.click()
  await page.waitForURL('**?lens=ledger&saved')
}

async function fault(page: Page, id: string): Promise<void> {
  await page.goto(`/machines/${id}?lens=fault`)
  await awake(page)
  await page.getByLabel('In any words').fill('cold')
  await page.getByRole('button', { name: /^Coffee is cold/ }).click()
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  await expect(next(page)).toBeVisible()
  await answerAs(page, 'pk', 'fuse-open')
  const repair = page.getByRole('region', { name: 'Repair' })
  await repair.getByRole('button', { name: 'It is done: test out' }).click()
  const out = page.getByRole('region', { name: 'Test-out' })
  await checkAll(out)
  await out.getByRole('button', { name: 'Passed: close it' }).click()
  await page.waitForURL('**?lens=ledger&saved')
}

async function call(page: Page): Promise<void> {
  await page.goto('/round/call')
  await awake(page)
  await page.getByRole('textbox', { name: 'Who, which machine' }).fill('fernhill waiting')
  await page.getByRole('list', { name: 'Machines found' }).getByRole('button').first().click()
  await page.getByRole('textbox', { name: 'What they say' }).fill('It drips under the counter')
  await page.getByRole('button', { name: 'Note it, ring back' }).click()
  await expect(page.getByRole('region', { name: 'What became of it' })).toBeVisible()
}

/** What is there at the end of the day: what was written, in words without ids and clocks, and all that is reckoned. */
async function atTheEnd(page: Page, works: DaysWork) {
  const machines = [...new Set([...works.c2, works.sr, works.pk, ...works.read.map(({ id }) => id)])]
  const bundles = await Promise.all(machines.map((id) => bundleOf(page, id)))
  const day = await dayOf(page)
  return {
    written: bundles.map(({ ledgers }) => (ledgers.machine ?? []).map(said).sort()),
    reckoned: bundles.map((bundle) => {
      const { reckoning, softener } = reckonBundle(bundle)
      return [reckoning, softener].map(
        (one) => one && { ...one, flags: one.flags.length, standings: one.standings.map(withoutIds) },
      )
    }),
    visits: day.stops.filter(({ state }) => state === 'done').map(({ name }) => name),
    calls: (await (await page.request.get(`${baseUrl()}/api/entries?since=0`)).json()).entries.length > 0,
  }
}

const withoutIds = (standing: Standing): unknown => JSON.parse(masked(standing))
/** Ids are another's in every world, and what a clock counted is another's every time. */
const masked = (value: unknown): string =>
  JSON.stringify(value, (key, one) =>
    /^(inS|offS|onS|doneInS|atS|s|seconds|minutes|startedAt|at)$/.test(key) ? undefined : one,
  ).replaceAll(/[0-9a-f]{8}-[0-9a-f-]{27}/g, 'id')
const said = ({ kind, body, happenedOn }: RecordedEntry): string => `${happenedOn} ${kind} ${masked(body)}`

test('a whole day without network, sent in the evening, is the day that would have been written on the line', async ({
  browser,
}) => {
  test.setTimeout(1_500_000)
  let line: Line | null = null
  const open = async (of: Browser, offline: boolean): Promise<Page> => {
    if (!offline) return signedIn(of, { viewport: { width: 390, height: 844 } })
    line = await lineTo(Number(new URL(baseUrl()).port))
    const page = await signedIn(of, {
      baseURL: line.url,
      serviceWorkers: 'allow',
      viewport: { width: 390, height: 844 },
    })
    await page.goto('/round/day')
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
    return page
  }
  const ends: unknown[] = []
  for (const offline of [true, false]) {
    if (!offline) await startFresh()
    const page = await open(browser, offline)
    const works = await worksOf(page)
    if (offline) {
      // What is not at a place of the day is on the device because it was looked at.
      for (const id of [...works.c2, works.sr, works.pk, ...works.read.map((one) => one.id)]) {
        const whole = page.waitForResponse((response) => response.url().endsWith(`/api/machines/${id}/bundle`))
        await page.goto(`/machines/${id}`)
        await (await whole).finished()
        await awake(page)
      }
      await page.goto('/waits')
      await expect(page.getByText(/as of \d\d:\d\d on/)).toBeVisible({ timeout: 60_000 })
      line!.cut()
    }
    // One step that cannot be done is said at once, not when the whole day is over.
    page.setDefaultTimeout(45_000)
    await page.clock.install()
    await workTheDay(page, works)
    if (offline) {
      line!.mend()
      await page.goto('/waits')
      await awake(page)
      const none = page.getByText('Nothing waits: all that was written here is in the ledger.')
      const clock = page.getByRole('region', { name: 'The clock' })
      for (let i = 0; i < 10 && !(await none.isVisible()); i += 1) {
        const send = page.getByRole('button', { name: 'Send now' })
        if (await send.isVisible()) await send.click().catch(() => undefined)
        await page.clock.runFor(1000)
        await expect(none.or(clock).first()).toBeVisible({ timeout: 60_000 })
        // The clock of this page was wound on while water ran.
        const asWritten = clock.getByRole('button', { name: /send as written$/ })
        // All of them may be said by the first press already.
        if (await clock.isVisible()) await asWritten.click({ timeout: 5000 }).catch(() => undefined)
      }
      await expect(none).toBeVisible()
      await expect(page.getByRole('list', { name: 'What waits' })).toHaveCount(0)
    }
    ends.push(await atTheEnd(page, works))
    await page.context().close()
  }
  await line!.close()
  expect(ends[0]).toEqual(ends[1])
})
