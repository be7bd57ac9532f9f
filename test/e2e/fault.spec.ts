import type { Page } from '@playwright/test'
import { looksRight } from './accessible.ts'
import { checkAll } from './check-all.ts'
import { answerAs, next, repair } from './fault-hands.ts'
import { awake, expect, signedIn, test } from './pages.ts'

const machineOf = async (page: Page, kind: string, at = 0): Promise<string> =>
  (await (await page.request.get(`/api/machines?kind=${kind}`)).json()).rows[at].id

const ledgerOf = async (
  page: Page,
  id: string,
): Promise<{ id: string; kind: string; body: Record<string, unknown> }[]> =>
  (await (await page.request.get(`/api/machines/${id}/bundle`)).json()).ledgers.machine

/** The smallest picture there is. */
const onePixel = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

const cases = [
  { kind: 'c2', symptom: 'Handle kicks when it is loosened', fault: 'three-way-no-vent', part: 'three-way-valve' },
  { kind: 'sr', symptom: 'Cup short, water in the tray', fault: 'valve-leaks', part: 'multi-way-valve' },
  { kind: 'pk', symptom: 'Coffee is cold', fault: 'fuse-open', part: 'thermal-fuse' },
]
for (const { kind, symptom, fault, part } of cases)
  test(`a whole fault on a ${kind}: from the complaint to a passed test-out, on record with its cause`, async ({
    ines: page,
  }) => {
    const id = await machineOf(page, kind)
    await page.goto(`/machines/${id}`)
    await awake(page)
    await page.keyboard.press('4')
    await page.getByLabel('In any words').fill(symptom.split(' ').at(-1)!)
    await page.getByRole('button', { name: new RegExp(`^${symptom}`) }).click()
    await page.getByRole('button', { name: 'None of these: go on' }).click()
    await expect(next(page)).toBeVisible()
    await expect(page.getByText(/next test here/).first()).toBeVisible()
    const tried = await answerAs(page, kind, fault)
    expect(tried).toBeLessThan(14)
    // What it looked like is kept with the answer.
    const working = page.getByRole('region', { name: 'Working' })
    await working
      .getByLabel(/^A photo of/)
      .first()
      .setInputFiles({ name: 'seen.png', mimeType: 'image/png', buffer: onePixel })
    await expect(working.getByRole('img')).toBeVisible()
    await expect(working.getByRole('img')).toHaveAttribute('src', /^\/api\/photos\//)

    // What was seen is there after a reload.
    const seen = await page.getByRole('region', { name: 'Working' }).getByRole('listitem').count()
    await page.reload()
    await awake(page)
    await page.keyboard.press('4')
    await expect(repair(page)).toBeVisible()
    expect(await page.getByRole('region', { name: 'Working' }).getByRole('listitem').count()).toBe(seen)

    await repair(page).getByRole('button', { name: 'It is done: test out' }).click()
    const out = page.getByRole('region', { name: 'Test-out' })
    await expect(out.getByRole('button', { name: /Close it with the reason/ })).toBeDisabled()
    await checkAll(out)
    const first = out.getByRole('textbox').first()
    await first.fill('9999')
    await expect(out.getByRole('alert')).toContainText('Out of range')
    await first.fill('')
    await out.getByRole('button', { name: 'Passed: close it' }).click()
    await page.waitForURL('**?lens=ledger&saved')
    const ledger = await ledgerOf(page, id)
    const repaired = ledger.findLast((entry) => entry.kind === 'repaired')!
    expect(repaired.body).toMatchObject({ fault, cured: true, part })
    const report = repaired.body.report
    expect(ledger.findLast((entry) => entry.kind === 'tested-out')!.body).toMatchObject({ passed: true, report })
    expect(ledger.filter((entry) => entry.kind === 'test-seen' && entry.body.report === report)).toHaveLength(tried)
    const answers = ledger.filter((entry) => entry.kind === 'test-seen' && entry.body.report === report)
    const photo = ledger.findLast((entry) => entry.kind === 'pictured')!
    expect(answers.map((entry) => entry.id)).toContain(photo.body.of)
    await page.goto(`/machines/${id}?lens=fault`)
    await awake(page)
    await expect(page.getByText('What is complained of?')).toBeVisible()
  })

test('a repair that did not cure: the search goes on with the next suspect, and both are on record', async ({
  ines: page,
}) => {
  const id = await machineOf(page, 'sr', 1)
  await page.goto(`/machines/${id}?lens=fault`)
  await awake(page)
  await page.getByRole('button', { name: /^Cup short, water in the tray/ }).click()
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  await answerAs(page, 'sr', 'nozzle-seals')
  await repair(page).getByRole('button', { name: 'Done, still not right' }).click()
  await expect(repair(page).getByRole('heading', { name: 'Repair: Inlet nozzle seals perished' })).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'Suspects' })).toBeVisible()
  await answerAs(page, 'sr', 'unit-ring')
  await repair(page).getByRole('button', { name: 'It is done: test out' }).click()
  const out = page.getByRole('region', { name: 'Test-out' })
  await out.getByLabel(/why it is closed all the same/).fill('No tester with me: comes Monday')
  await out.getByRole('button', { name: 'Close it with the reason' }).click()
  await page.waitForURL('**?lens=ledger&saved')
  const ledger = await ledgerOf(page, id)
  const causes = ledger.filter(({ kind }) => kind === 'repaired').map(({ body }) => [body.fault, body.cured])
  expect(causes).toContainEqual(['nozzle-seals', false])
  expect(causes).toContainEqual(['unit-ring', true])
  await expect(page.getByText('Closed without a passed test-out: No tester with me: comes Monday')).toBeVisible()
})

test('a sentence finds two complaints, a strange sight leads to something else, and its cause stands in words', async ({
  ines: page,
}) => {
  const id = await machineOf(page, 'sr', 2)
  await page.goto(`/machines/${id}?lens=fault`)
  await awake(page)
  await page.getByLabel('In any words').fill('The cup is only half full, and the frother does not pull up milk')
  const first = page.getByRole('button', { name: /^Cup short, water in the tray/ })
  await expect(first).toContainText('half')
  await first.click()
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  await expect(page.getByRole('button', { name: 'Not complained of: Milk foam coarse or none' })).toBeVisible()

  // What is seen is none of the answers, twice: nothing in the book explains it.
  for (const words of ['A crack in the piston’s sleeve', 'Water through the crack at each stroke']) {
    await next(page).getByRole('button', { name: 'Something else …' }).click()
    await next(page).getByLabel('What was seen instead').fill(words)
    await next(page).getByRole('button', { name: 'Note it' }).last().click()
    await expect(page.getByRole('region', { name: 'Working' }).getByRole('list').last()).toContainText(words)
  }
  const strange = page.getByRole('region', { name: 'Something else' })
  await expect(strange).toBeVisible()
  await expect(repair(page)).toHaveCount(0)
  await strange.getByLabel('What it is, in your words').fill('Sleeve of the brew unit cracked')
  await strange.getByRole('button', { name: 'I found it: repair it' }).click()
  await repair(page).getByRole('button', { name: 'It is done: test out' }).click()
  await repair(page).getByLabel('What was done').fill('New brew unit')
  const out = page.getByRole('region', { name: 'Test-out' })
  await out.getByLabel(/why it is closed all the same/).fill('No tester with me: comes Monday')
  await out.getByRole('button', { name: 'Close it with the reason' }).click()
  await page.waitForURL('**?lens=ledger&saved')
  const ledger = await ledgerOf(page, id)
  const mended = ledger.find(
    ({ kind, body }) => kind === 'repaired' && body.cause === 'Sleeve of the brew unit cracked',
  )!
  expect(mended.body.text).toBe('New brew unit')
  expect(mended.body.fault, 'a cause that is in no book has no name there').toBeUndefined()
  const report = ledger.find(({ kind, body }) => kind === 'fault-reported' && String(body.text).includes('Milk foam'))!
  expect(report.body.text).toBe('Cup short, water in the tray; Milk foam coarse or none')
  expect(ledger.some(({ kind, body }) => kind === 'test-seen' && String(body.words).includes('A crack in'))).toBe(true)
})

test('what no complaint is called goes on in its own words', async ({ ines: page }) => {
  const id = await machineOf(page, 'sr', 3)
  await page.goto(`/machines/${id}?lens=fault`)
  await awake(page)
  await page.getByLabel('In any words').fill('zebra xylophone quartz')
  await page.getByRole('button', { name: 'It is just that: search with these words' }).click()
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  await expect(next(page)).toBeVisible()
  await expect(page.getByLabel('Symptom')).toHaveValue('another')
  await expect(page.getByText('“zebra xylophone quartz”')).toBeVisible()
  // It is there after a reload, as it was said.
  await page.reload()
  await expect(next(page)).toBeVisible()
  await page.getByRole('button', { name: 'Begin anew' }).click()
  await expect(page.getByText('What is complained of?')).toBeVisible()
})

test('what cannot be done here is not asked again, an answer is taken back, another test is chosen', async ({
  ines: page,
}) => {
  const id = await machineOf(page, 'pk', 1)
  await page.goto(`/machines/${id}?lens=fault`)
  await awake(page)
  await page.getByRole('button', { name: /^Coffee only drips/ }).click()
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  const heading = next(page).getByRole('heading').first()
  const first = (await heading.textContent())!
  await next(page).getByRole('button', { name: 'Can’t do that here' }).click()
  await expect(heading).not.toHaveText(first)
  const second = (await heading.textContent())!
  await next(page).getByRole('listitem').first().getByRole('button').click()
  await expect(heading).not.toHaveText(second)
  await next(page).getByRole('button', { name: 'Take the last answer back' }).click()
  await expect(heading).toHaveText(second)
  await page.getByText(/^Another test/).click()
  await page.getByRole('button', { name: /^Resistance of the sensor, cold/ }).click()
  await expect(page.getByText('Chosen by you')).toBeVisible()
  await next(page)
    .getByLabel(/Reading, kΩ/)
    .fill('112')
  await expect(next(page).getByText(/this is “85 to 145”/)).toBeVisible()
  await next(page).getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByRole('region', { name: 'Working' })).toContainText('85 to 145 (112 kΩ)')
})

test('on the telephone before driving: questions, what the customer can safely do, taken along to the machine', async ({
  ines: page,
}) => {
  const id = await machineOf(page, 'sr', 2)
  await page.goto(`/machines/${id}?lens=fault`)
  await awake(page)
  await page.getByRole('button', { name: /^It says: empty grounds/ }).click()
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  await page.getByLabel('on the telephone, before driving').check()
  const call = page.getByRole('region', { name: 'On the telephone' })
  await expect(call.getByRole('heading', { name: 'Question 1 of 5' })).toBeVisible()
  await expect(next(page).getByRole('heading').first()).toHaveText(/^“.*”$/)
  await expect(call.getByRole('listitem').first()).toContainText('push all home, shut the door')
  await next(page).getByRole('listitem').first().getByRole('button').click()
  await expect(call.getByRole('heading', { name: 'Question 2 of 5' })).toBeVisible()
  await page.getByLabel('on the telephone, before driving').uncheck()
  await expect(page.getByRole('region', { name: 'Working' })).toContainText('(told)')
  await expect(next(page)).toContainText('Tools')
  await page.getByRole('button', { name: 'Begin anew' }).click()
})

test('the questions on a card: by the complaint, to be printed', async ({ ines: page }) => {
  const id = await machineOf(page, 'sr', 2)
  await page.goto(`/machines/${id}/triage?symptom=short-cup`)
  await awake(page)
  await expect(page.getByRole('heading', { name: '“Cup short, water in the tray”' })).toBeVisible()
  await expect(page.locator('ol > li')).toHaveCount(5)
  await page.getByRole('combobox').selectOption({ label: 'It says: empty grounds, tray or door' })
  await expect(page.getByRole('region', { name: 'The customer can safely' })).toContainText('push all home')
  await expect(page.getByRole('button', { name: 'Print' })).toBeVisible()
})

test('causes confirmed are adopted, count in the next search, and are given back', async ({ ines: page }) => {
  await page.goto('/kinds/sr/causes')
  await awake(page)
  const rows = page.getByRole('row')
  await expect(rows.nth(1)).toBeVisible()
  const before = await rows.nth(1).textContent()
  await rows.nth(1).getByRole('button').click()
  await expect(page.getByRole('link', { name: /,/ }).first()).toHaveAttribute('href', /lens=ledger/)
  await page.getByRole('button', { name: /^Adopt these \d+/ }).click()
  await expect(page.getByText(/confirmed causes adopted on/)).toBeVisible()
  expect(await rows.nth(1).textContent()).toBe(before)
  const id = await machineOf(page, 'sr', 3)
  await page.goto(`/machines/${id}?lens=fault`)
  await awake(page)
  await page.getByRole('button', { name: /^Cup short, water in the tray/ }).click()
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  await expect(page.getByRole('region', { name: 'Suspects' })).toContainText(/\d+ of \d+ causes this firm confirmed/)
  await page.getByRole('button', { name: 'Begin anew' }).click()
  await page.goto('/kinds/sr/causes')
  await awake(page)
  await page.getByRole('button', { name: 'Back to the book' }).click()
  await expect(page.getByRole('button', { name: /^Adopt these/ })).toBeVisible()
})

test('a part’s price and a tester out of date: both are weighed, neither is lost', async ({ ines: page }) => {
  const id = await machineOf(page, 'sr', 4)
  await page.goto(`/machines/${id}?lens=fault`)
  await awake(page)
  await page.getByRole('button', { name: /^Cup short, water in the tray/ }).click()
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  await answerAs(page, 'sr', 'nozzle-seals')
  await repair(page)
    .getByLabel(/^Inlet nozzle seals, pair costs/)
    .fill('4,50')
  await repair(page).getByRole('button', { name: 'Keep the price' }).click()
  await expect(repair(page).getByRole('status').first()).toContainText('€4.50')
  await repair(page).getByRole('button', { name: 'It is done: test out' }).click()
  const out = page.getByRole('region', { name: 'Test-out' })
  await checkAll(out)
  await expect(out.getByRole('button', { name: 'Passed: close it' })).toBeEnabled()
  await out.getByLabel('Protective earth, plug to case, Ω').fill('0.8')
  await expect(out.getByRole('alert')).toContainText('Not safe: protective earth')
  await expect(out.getByRole('button', { name: 'Close it with the reason' })).toBeDisabled()
  await out.getByLabel('Protective earth, plug to case, Ω').fill('0.12')
  await out.getByLabel('Insulation at 500 V, cold, MΩ').fill('60')
  await out.getByRole('button', { name: 'Passed: close it' }).click()
  await page.waitForURL('**?lens=ledger&saved')
  const tested = (await ledgerOf(page, id)).findLast((entry) => entry.kind === 'tested-out')!
  expect(tested.body).toMatchObject({ passed: true, electrical: { earthOhm: 0.12, insulationMOhm: 60 } })
  await expect(page.getByText('Tested out: all right; earth 0.12 Ω, insulation 60 MΩ').first()).toBeVisible()
})

for (const [size, viewport] of [
  ['desk', { width: 1280, height: 800 }],
  ['phone', { width: 390, height: 844 }],
] as const)
  test(`a fault on a ${size}: nothing spills, answers for a thumb, axe finds nothing serious`, async ({
    browser,
    quiet,
  }) => {
    const page = await signedIn(browser, { viewport })
    quiet(page)
    await page.goto(`/machines/${await machineOf(page, 'c2', 2)}?lens=fault`)
    await awake(page)
    const look = (what: string) => looksRight(page, what)
    await look('the complaint')
    await page.getByRole('button', { name: /^Coffee comes slowly/ }).click()
    await page.getByRole('button', { name: 'None of these: go on' }).click()
    await look('the next test')
    const small = await next(page)
      .getByRole('listitem')
      .getByRole('button')
      .evaluateAll((buttons) => buttons.map((button) => button.getBoundingClientRect().height).filter((h) => h < 44))
    expect(small).toEqual([])
    await answerAs(page, 'c2', 'jet-blocked')
    await look('the repair')
    await repair(page).getByRole('button', { name: 'It is done: test out' }).click()
    await look('the test-out')
    await page.context().close()
  })

for (const { kind, said, name, proof } of [
  {
    kind: 'c2',
    said: 'It trips the breaker when it heats',
    name: 'it trips the breaker',
    proof: 'Tested and passed: release it',
  },
  {
    kind: 'sr',
    said: 'the milk has gone sour in the cooler',
    name: 'milk is warm or spoilt',
    proof: 'Clean and cold: release it',
  },
  {
    kind: 'gr',
    said: 'it smells of burning plastic',
    name: 'it smells of burning',
    proof: 'Tested and passed: release it',
  },
])
  test(`a dangerous complaint on a ${kind} stops first, stands on every list, and is released by its proof`, async ({
    ines: page,
  }) => {
    const id = await machineOf(page, kind, 1)
    await page.goto(`/machines/${id}?lens=fault`)
    await awake(page)
    await page.getByLabel('In any words').fill(said)
    await page.getByRole('list', { name: 'What must stop first' }).getByRole('button').first().click()
    const stop = page.getByRole('region', { name: 'Stop' })
    await expect(stop.getByRole('heading')).toContainText(`Stop: ${name}`)
    await expect(stop.getByRole('listitem').first()).toBeVisible()
    await looksRight(page, `a stop on a ${kind}`)
    if (kind !== 'sr') {
      await expect(next(page)).toHaveCount(0)
      await stop.getByRole('checkbox').check()
      await expect(page.getByRole('region', { name: 'Suspects' })).toBeVisible()
      // On the telephone nobody tests anything of it.
      await page.getByLabel('on the telephone, before driving').check()
      await expect(page.getByRole('region', { name: 'Suspects' })).toHaveCount(0)
      await expect(stop.getByText('Say to the customer, in this order:')).toBeVisible()
    }
    await stop.getByRole('button', { name: /^Put it on record/ }).click()
    const band = page.getByRole('region', { name: 'Do not use' })
    await expect(band.getByRole('alert')).toBeVisible()
    await expect(stop.getByText('It is on record: not for use.')).toBeVisible()
    const round = await (await page.request.get('/api/round?horizon=fortnight')).json()
    expect(JSON.stringify(round.rows.slice(0, 20))).toContain('Do not use')
    await band.getByRole('button', { name: proof }).click()
    await expect(band).toHaveCount(0)
  })

test('two faults in one visit: the first is cured, the test-out shows the second, and both stand as cured', async ({
  ines: page,
}) => {
  const id = await machineOf(page, 'c2', 1)
  await page.goto(`/machines/${id}?lens=fault`)
  await awake(page)
  await page.getByRole('button', { name: /^Water runs round the handle/ }).click()
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  await answerAs(page, 'c2', 'gasket-hard')
  await repair(page).getByRole('button', { name: 'It is done: test out' }).click()
  const out = page.getByRole('region', { name: 'Test-out' })
  await out
    .getByRole('textbox', { name: /^Blind basket/ })
    .first()
    .fill('6.5')
  await expect(out.getByRole('alert')).toContainText('blind basket')
  await out.getByRole('button', { name: 'This is right, something else is not: search on' }).click()

  // The reading is an answer of the search now; what the first fault explained is set aside.
  const done = page.getByRole('region', { name: 'Working' }).getByRole('list').last()
  await expect(done).toContainText('(6.5 bar)')
  await expect(done).toContainText('set aside: what was repaired explains it')
  await answerAs(page, 'c2', 'bypass-low')
  await repair(page).getByRole('button', { name: 'It is done: test out' }).click()
  await out.getByLabel(/why it is closed all the same/).fill('No tester with me: comes Monday')
  await out.getByRole('button', { name: 'Close it with the reason' }).click()
  await page.waitForURL('**?lens=ledger&saved')
  const ledger = await ledgerOf(page, id)
  const causes = ledger.filter(({ kind }) => kind === 'repaired').map(({ body }) => [body.fault, body.cured])
  expect(causes).toContainEqual(['gasket-hard', true])
  expect(causes).toContainEqual(['bypass-low', true])
})

test('what is told of how it comes goes on as told, and what is seen now and then is counted', async ({
  ines: page,
}) => {
  const id = await machineOf(page, 'c2', 2)
  await page.goto(`/machines/${id}?lens=fault`)
  await awake(page)
  await page.getByLabel('In any words').fill('It leaks at the handle now and then, since you changed the gasket')
  const lately = page.getByRole('button', { name: 'Not told: Worked on lately' })
  await expect(lately).toBeVisible()
  await expect(page.getByRole('button', { name: 'Not told: Now and then' })).toBeVisible()
  await lately.click()
  await expect(lately).toHaveCount(0)
  await page.getByRole('button', { name: /^Water runs round the handle/ }).click()
  await page.getByRole('button', { name: 'None of these: go on' }).click()
  const done = page.getByRole('region', { name: 'Working' }).getByRole('list').last()
  await expect(done).toContainText('Now and then (told)')
  await expect(done).not.toContainText('Worked on lately')

  const answer = async (n: string, of: string) => {
    const form = next(page).getByRole('form', { name: 'Not each time' })
    if (!(await form.isVisible())) await next(page).getByRole('button', { name: 'Not each time …' }).click()
    await form.getByLabel('times', { exact: true }).fill(n)
    await form.getByLabel('of how many').fill(of)
    return form
  }
  const wrong = await answer('5', '5')
  await expect(wrong.getByRole('alert')).toContainText('As often as it was tried is each time')
  await expect(wrong.getByRole('button', { name: 'Note it' })).toBeDisabled()
  await (await answer('2', '5')).getByRole('button', { name: 'Note it' }).click()
  await expect(done).toContainText('2 of 5 times')
  await looksRight(page, 'a search with what comes and goes')
})
