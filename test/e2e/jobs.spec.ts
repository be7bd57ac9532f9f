import type { Page } from '@playwright/test'
import { toTheEnd } from './hands.ts'
import { awake, expect, machineId, test } from './pages.ts'

type Written = { id: string; kind: string; body: Record<string, unknown> }

const ledgersOf = async (page: Page, id: string): Promise<Record<string, Written[]>> =>
  (await (await page.request.get(`/api/machines/${id}/bundle`)).json()).ledgers

const newIn = (after: Written[], before: Written[]): Written[] => {
  const known = new Set(before.map(({ id }) => id))
  return after.filter(({ id }) => !known.has(id))
}

/** A whole job of each family, from its line under Work to the ledger; what it must leave there, and nothing besides. */
const jobs: {
  family: string
  on: (page: Page) => Promise<string>
  procedure: string
  leaves: [kind: string, body: Record<string, unknown>][]
  softener?: [kind: string][]
}[] = [
  {
    family: 'steam and milk',
    on: (page) => machineId(page, 'Right bar'),
    procedure: 'steam-tip',
    leaves: [['cleaned', { task: 'steam-tip-off' }]],
  },
  {
    family: 'water',
    on: (page) => machineId(page, 'Left bar'),
    procedure: 'regenerate-softener',
    leaves: [],
    softener: [['regenerated']],
  },
  {
    family: 'service and setting',
    on: async (page) => (await (await page.request.get('/api/machines?kind=dg')).json()).rows[0].id,
    procedure: 'grinder-calibration',
    leaves: [['cleaned', { task: 'hopper-wash' }]],
  },
  {
    family: 'place and standing',
    on: async (page) => (await (await page.request.get('/api/machines?kind=dv')).json()).rows[0].id,
    procedure: 'return-from-standstill',
    leaves: [['cleaned', { task: 'restart' }]],
  },
]

for (const { family, on, procedure, leaves, softener = [] } of jobs)
  test(`a whole job of the family “${family}”, from its line to the ledger`, async ({ ines: page }) => {
    const id = await on(page)
    const before = await ledgersOf(page, id)
    await page.clock.install()
    await page.goto(`/machines/${id}/run?procedure=${procedure}`)
    await awake(page)
    for (const box of await page.getByRole('group', { name: 'Before it starts' }).getByRole('checkbox').all())
      await box.check()
    await page.getByRole('button', { name: 'Start' }).click()
    await toTheEnd(page)
    await page.getByRole('button', { name: 'Save it' }).click()
    await page.waitForURL('**?lens=ledger&saved')

    const after = await ledgersOf(page, id)
    const newOf = (level: string) => newIn(after[level]!, before[level] ?? [])
    const written = newOf('machine')
    const run = written.find(({ kind }) => kind === 'run')!
    expect(run.body).toMatchObject({ procedure, ended: 'done' })
    // Every step of it is there, done once: nobody skipped and nothing was done again.
    const steps = run.body.steps as { how: string }[]
    expect(steps.length).toBeGreaterThan(4)
    expect(steps.filter(({ how }) => how !== 'done')).toEqual([])
    for (const [kind, body] of leaves)
      expect(written.filter((one) => one.kind === kind).map((one) => one.body)).toEqual([expect.objectContaining(body)])
    for (const [kind] of softener) expect(newOf('softener').map((one) => one.kind)).toContain(kind)
    expect(written.filter(({ kind }) => kind === 'held')).toEqual([])
  })

test('a job at one group alone is led there, and dates that group alone', async ({ ines: page }) => {
  const id = await machineId(page, 'Reading bar')
  const before = (await ledgersOf(page, id)).machine!
  await page.clock.install()
  await page.goto(`/machines/${id}/run?procedure=dispersion-block`)
  await awake(page)
  const at = page.getByRole('group', { name: 'At which groups' })
  await at.getByRole('checkbox', { name: 'group 1' }).uncheck()
  await at.getByRole('checkbox', { name: 'group 2' }).uncheck()
  await expect(page.getByRole('button', { name: 'Start' })).toBeDisabled()
  await expect(page.getByText('Choose at which group.')).toBeVisible()
  await at.getByRole('checkbox', { name: 'group 2' }).check()
  await page.getByRole('button', { name: 'Start' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('group 2')
  await toTheEnd(page)
  await page.getByRole('button', { name: 'Save it' }).click()
  await page.waitForURL('**?lens=ledger&saved')
  const cleaned = newIn((await ledgersOf(page, id)).machine!, before).filter(({ kind }) => kind === 'cleaned')
  expect(cleaned.map(({ body }) => [body.task, body.group])).toEqual([['dispersion-block-clean', 2]])
})
