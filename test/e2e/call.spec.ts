import type { Page } from '@playwright/test'
import type { RecordedEntry } from '../../src/core/ledger/entry.ts'
import type { CallerMachine } from '../../src/core/visits/caller-machine.ts'
import type { DayPage } from '../../src/views/day-page.ts'
import { looksRight } from './accessible.ts'
import { awake, expect, signedIn, test } from './pages.ts'

const today = '2026-11-26'

const found = async (page: Page, words: string): Promise<CallerMachine> =>
  (await (await page.request.get(`/api/calls/who?q=${encodeURIComponent(words)}`)).json()).found[0]

const ledgerOf = async (page: Page, machineId: string): Promise<RecordedEntry[]> =>
  (await (await page.request.get(`/api/machines/${machineId}/bundle`)).json()).ledgers.machine

const dayOf = async (page: Page, on = today): Promise<DayPage> =>
  (await page.request.get(`/api/round/day?on=${on}`)).json()

const which = (page: Page) => page.getByRole('textbox', { name: 'Who, which machine' })
const said = (page: Page) => page.getByRole('textbox', { name: 'What they say' })
const moments = (page: Page) => page.getByRole('region', { name: 'When to go' })
const questions = (page: Page) => page.getByRole('region', { name: 'Next test' })

/** Tab until something is under the hands. */
async function tabTo(page: Page, name: string | RegExp): Promise<void> {
  const there = page.getByRole('button', { name })
  for (let i = 0; i < 60; i++) {
    if (await there.evaluate((one) => one === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab does not reach ${name}`)
}

test('a call in the morning becomes the second stop, by keys alone, and whoever drives goes on from it', async ({
  ines: page,
  browser,
}) => {
  await page.goto('/machines')
  await awake(page)
  await page.keyboard.press('c')
  await page.waitForURL('**/round/call')
  await awake(page)
  await expect(which(page)).toBeFocused()
  await looksRight(page, 'A call, empty')

  // A machine by words of its place and of itself.
  await page.keyboard.type('fernhill waiting')
  await expect(page.getByRole('list', { name: 'Machines found' }).getByRole('button')).toHaveCount(1)
  await page.keyboard.press('Enter')
  await expect(page.getByText('Waiting room')).toBeVisible()
  const machine = await found(page, 'fernhill waiting')
  const before = (await ledgerOf(page, machine.machineId)).length
  await said(page).focus()
  await page.keyboard.type('The pump runs and nothing comes')
  await expect(page.getByText('Pump runs, nothing comes', { exact: true })).toBeVisible()

  // Nothing is agreed before it was asked what must stop.
  await expect(page.getByRole('button', { name: /^Put it/ })).toHaveCount(0)
  await tabTo(page, 'None of these: go on')
  await page.keyboard.press('Enter')
  const first = await questions(page).getByRole('heading').first().textContent()
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('a')
  await expect(questions(page).getByRole('heading').first()).not.toHaveText(first ?? '')
  await page.keyboard.press('b')
  await expect(page.getByRole('list', { name: 'What they told' }).getByRole('listitem')).toHaveCount(2)

  // How urgent is said, and may be said otherwise.
  const urgency = page.getByRole('radiogroup', { name: 'How urgent' })
  await expect(urgency.getByRole('radio', { checked: true })).toHaveCount(1)
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(urgency.getByLabel('Trade stands still')).toBeChecked()
  await expect(moments(page).getByText(/^Of 5 days/)).toBeVisible({ timeout: 60_000 })
  const here = moments(page).getByRole('button', { name: /Today, between stop 1 and 2/ })
  // Each has its number: that key takes it.
  await expect(here).toBeVisible()
  await page.keyboard.press((await here.textContent())!.trim()[0]!)
  await expect(here).toHaveAttribute('aria-pressed', 'true')
  await looksRight(page, 'A call, when to go')
  const was = await dayOf(page)
  const mine = (day: DayPage) => day.people.find(({ name }) => name.startsWith('Ines'))!
  const names = (day: DayPage) => mine(day).order.map((i) => day.stops[i]!.siteId)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'What became of it' })).toContainText('Agreed: stop 2 of Ines')

  const day = await dayOf(page)
  expect(names(day)).toEqual([...names(was).slice(0, 1), machine.siteId, ...names(was).slice(1)])
  const stop = day.stops.find(({ siteId }) => siteId === machine.siteId)!
  expect(stop.state).toBe('agreed')
  expect(stop.repair!.minutes + 15).toBe(stop.serviceMin)
  const written = (await ledgerOf(page, machine.machineId)).slice(before)
  expect(written.map(({ kind }) => kind).sort()).toEqual(['call', 'fault-reported', 'test-seen', 'test-seen'])
  expect(written.find(({ kind }) => kind === 'fault-reported')!.body).toMatchObject({
    text: 'The pump runs and nothing comes',
    symptom: 'no-water',
  })

  // On another device, at the machine: nothing is asked twice.
  const other = await signedIn(browser)
  await other.goto(`/machines/${machine.machineId}?lens=fault`)
  await awake(other)
  const begun = other.getByRole('region', { name: 'Begun already' })
  await expect(begun).toContainText('told on the telephone')
  await begun.getByRole('button', { name: 'Go on from there' }).click()
  await other.getByRole('button', { name: 'None of these: go on' }).click()
  await expect(other.getByRole('combobox', { name: 'Symptom' })).toHaveValue('no-water')
  await expect(other.getByRole('button', { name: 'Take the last answer back' })).toBeEnabled()
  await other.close()
})

test('what must stop is on every list at once, while they are still on the line', async ({ ines: page }) => {
  const machine = await found(page, 'saltmarsh café')
  await page.goto(`/round/call?machine=${machine.machineId}`)
  await awake(page)
  await said(page).fill('It smells of burning and the plug is brown')
  const stop = page.getByRole('region', { name: 'Stop' })
  await expect(stop).toContainText('Say to them, in this order')
  await looksRight(page, 'A call that must stop first')
  // Nothing else is tried.
  await expect(questions(page)).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Solved on the telephone' })).toHaveCount(0)
  await stop.getByRole('button', { name: /Put it on record now/ }).click()
  await expect(stop.getByRole('status')).toContainText('not for use')
  const written = await ledgerOf(page, machine.machineId)
  expect(written.filter(({ kind }) => kind === 'held')).toHaveLength(1)

  // Whatever becomes of the call, it is reported once and held once.
  await page.reload()
  await awake(page)
  await expect(said(page)).toHaveValue('It smells of burning and the plug is brown')
  await page.getByRole('button', { name: 'Note it, ring back' }).click()
  await expect(page.getByRole('region', { name: 'What became of it' })).toContainText('Noted')
  const after = await ledgerOf(page, machine.machineId)
  expect(after.filter(({ kind }) => kind === 'held')).toHaveLength(1)
  expect(
    after.filter(({ kind, body }) => kind === 'fault-reported' && 'text' in body && body.text.startsWith('It smells')),
  ).toHaveLength(1)
})

test('who drives notes a call with one tap, and rings back later', async ({ ines: page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/round/call')
  await awake(page)
  await which(page).fill('Nobody we know')
  await expect(page.getByText('Nothing has all these words')).toBeVisible()
  await page.getByLabel('Number to ring back').fill('0555 0199')
  await page.getByRole('button', { name: 'Note it, ring back' }).click()
  await expect(page.getByRole('region', { name: 'What became of it' })).toContainText('Noted')
  await page.goto('/round')
  await awake(page)
  await page.getByRole('link', { name: /to ring back/ }).click()
  const list = page.getByRole('region', { name: 'To ring back' })
  const row = list.getByRole('listitem').filter({ hasText: '0555 0199' })
  await expect(row).toContainText('Nobody we know')
  await expect(row.getByRole('link', { name: '0555 0199' })).toHaveAttribute('href', 'tel:05550199')
  await looksRight(page, 'Calls to ring back')
  await row.getByRole('button', { name: 'Take it up' }).click()
  await awake(page)
  await expect(page.getByRole('heading', { level: 1, name: 'Ringing back' })).toBeVisible()
  await page.getByRole('button', { name: 'Rung, nothing more to do' }).click()
  await expect(page.getByRole('region', { name: 'What became of it' })).toContainText('Nothing more is open')
  const { calls } = await (await page.request.get('/api/calls')).json()
  expect(calls.filter(({ phone }: { phone: string }) => phone === '0555 0199')).toEqual([])
})

test('a fault that is open is not reported twice; what the customer puts right is solved', async ({ ines: page }) => {
  const machine = await found(page, 'paper lantern reading')
  const reports = async () =>
    (await ledgerOf(page, machine.machineId)).filter(({ kind }) => kind === 'fault-reported').length
  const before = await reports()
  await page.goto(`/round/call?machine=${machine.machineId}`)
  await awake(page)
  await page.getByRole('button', { name: 'They ring about that' }).click()
  await expect(said(page)).toHaveValue(/It growls/)
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  // It was told how it sounds: nobody runs it dry to hear it again.
  await expect(page.getByRole('list', { name: 'What they told' })).toContainText('Growls, starved')
  const meanwhile = page.getByRole('region', { name: 'Meanwhile' })
  await expect(meanwhile).toContainText('runs dry')
  await expect(meanwhile).toContainText('Serve from Back counter')
  const tap = meanwhile.getByRole('listitem').filter({ hasText: 'Open the tap behind the machine' })
  await tap.getByRole('button', { name: 'That was it' }).click()
  await expect(page.getByRole('region', { name: 'What became of it' })).toContainText('Solved on the telephone')
  expect(await reports()).toBe(before)
  const repaired = (await ledgerOf(page, machine.machineId)).findLast(({ kind }) => kind === 'repaired')!
  expect(repaired.body).toMatchObject({ fault: 'supply-shut', cured: true })
})
