import { looksRight } from './accessible.ts'
import { awake, expect, machineId, signedIn, test } from './pages.ts'

const sizes = { desk: { width: 1280, height: 800 }, phone: { width: 390, height: 844 } }

const screens: Record<string, (id: string, site: string, treatments: string[]) => string> = {
  Round: () => '/round',
  'Weeks ahead': () => '/round/weeks',
  'A call': () => '/round/call',
  'The day': () => '/round/day',
  'The day, places': () => '/round/day?who=all',
  Machines: () => '/machines',
  'Machine, wear': (id) => `/machines/${id}`,
  'Machine, water': (id) => `/machines/${id}?lens=water`,
  'Machine, ledger': (id) => `/machines/${id}?lens=ledger`,
  'Machine, work': (id) => `/machines/${id}?lens=work`,
  'Machine, fault': (id) => `/machines/${id}?lens=fault`,
  'Care sheet': (id) => `/machines/${id}/care`,
  'Milk log': (id) => `/machines/${id}/milk-log`,
  'On the telephone': (id) => `/machines/${id}/triage?symptom=slow`,
  'Before a sheet': (id) => `/machines/${id}/strip-down`,
  'Before a run': (id) => `/machines/${id}/run?procedure=detergent-backflush`,
  Procedures: () => '/procedures',
  Procedure: () => '/procedures/detergent-backflush',
  'The bench': () => '/procedures/bench',
  'Procedure, made our own': () => '/procedures/descale/edit',
  'New entry': (id) => `/machines/${id}/entry`,
  'Water bench': () => '/water?gh=19x1dH&kh=15x1dH&ph=7.6&ec=640&t=14&w=cartridge',
  'Water bench of a site': (_, site) => `/water?site=${site}`,
  'Labels of a place': (_, site) => `/sites/${site}/labels`,
  'A year of water': (_, site) => `/sites/${site}/water`,
  'Papers of a place': (_, site) => `/sites/${site}/papers`,
  Kinds: () => '/kinds',
  Kind: () => '/kinds/c2',
  'What it was': () => '/kinds/c2/causes',
  'Kind, made our own': () => '/kinds/pk/edit',
  'What parts last': () => '/parts?kind=sr&part=piston-ring',
  Readings: () => '/import/readings',
  Sites: () => '/sites',
  Site: (_, site) => `/sites/${site}`,
  'Leaving, nobody there': (_, site) => `/sites/${site}/leaving`,
  Softener: (_, __, [softener]) => `/softeners/${softener}`,
  Membrane: (_, __, [, membrane]) => `/softeners/${membrane}`,
  Customers: () => '/customers',
  'Water zones': () => '/supplies',
  Visits: () => '/visits',
  Invoices: () => '/invoices',
  Letters: () => '/letters',
  Instruments: () => '/instruments',
  Firm: () => '/firm',
  'Figures from memory': () => '/figures',
  'Places and roads': () => '/places',
  'What waits': () => '/waits',
  'Data in and out': () => '/data',
  'Machines from a file': () => '/import/machines',
  'Customers from a file': () => '/import/customers',
  'Past work from a file': () => '/import/work',
}

/** Screens that are used with wet hands: looked at in every light and size. */
const inTheField = new Set([
  'Round',
  'Machine, wear',
  'Machine, water',
  'Machine, ledger',
  'Water bench',
  'New entry',
  'Machine, work',
  'Before a run',
])

const isOfMachine = (name: string) => screens[name]!('', '', []).startsWith('/machines/')

interface Look {
  what: string
  size: keyof typeof sizes
  theme: 'light' | 'dark'
  machine: string
  names: string[]
}

const desk = { size: 'desk', theme: 'light' } as const
/** Every screen once, a machine's for each family; what is used with wet hands in every light and size. */
const looks: Look[] = [
  ...['Left bar', 'Clerks', 'Night desk'].map((machine) => ({
    ...desk,
    what: `every screen of ${machine}`,
    machine,
    names: Object.keys(screens).filter(isOfMachine),
  })),
  {
    ...desk,
    what: 'every other screen',
    machine: 'Left bar',
    names: Object.keys(screens).filter((name) => !isOfMachine(name)),
  },
  {
    what: 'the screens of the field',
    size: 'phone',
    theme: 'light',
    machine: 'Left bar',
    names: [...inTheField],
  },
  {
    what: 'every screen',
    size: 'phone',
    theme: 'dark',
    machine: 'Left bar',
    names: Object.keys(screens),
  },
  { what: 'the screens of the field', size: 'desk', theme: 'dark', machine: 'Left bar', names: [...inTheField] },
]

// Each looks for itself and changes nothing: they share the workers out.
test.describe.configure({ mode: 'parallel' })

for (const { what, size, theme, machine, names } of looks)
  test(`${what} on a ${size}, ${theme}: nothing spills, axe finds nothing serious`, async ({ browser, quiet }) => {
    const page = await signedIn(browser, {
      viewport: sizes[size],
      colorScheme: theme,
      hasTouch: size === 'phone',
      isMobile: size === 'phone',
    })
    quiet(page)
    const { site } = await (await page.request.get(`/api/machines/${await machineId(page, 'Left bar')}/bundle`)).json()
    const id = await machineId(page, machine)
    const treatments = await Promise.all(
      ['Back-room', 'membrane'].map(async (text) => {
        const { rows } = await (await page.request.get(`/api/records/softener?text=${text}`)).json()
        return rows[0].id as string
      }),
    )
    for (const name of names) {
      await page.goto(screens[name]!(id, site.id, treatments))
      await awake(page)
      await looksRight(page, name)
    }
    await page.context().close()
  })

test('what a thumb presses is big enough on a phone', async ({ browser }) => {
  const page = await signedIn(browser, { viewport: sizes.phone, hasTouch: true, isMobile: true })
  const id = await machineId(page, 'Left bar')
  const { softener, site } = await (await page.request.get(`/api/machines/${id}/bundle`)).json()
  for (const path of [
    '/round',
    `/machines/${id}/entry`,
    '/machines',
    `/machines/${id}?lens=water`,
    '/water?gh=19x1dH&kh=15x1dH&w=softener',
    `/softeners/${softener.id}`,
    `/sites/${site.id}/water`,
    '/kinds/c2',
    '/parts?kind=sr&part=piston-ring',
  ]) {
    await page.goto(path)
    await awake(page)
    const small = await page.evaluate(() =>
      [
        ...document.querySelectorAll<HTMLElement>(
          'button, select, input:not([type=checkbox]):not([type=radio]):not([type=file]), nav a, a.act, a.plain',
        ),
      ]
        .filter((element) => element.offsetParent !== null && !element.closest('[aria-hidden=true]'))
        .map((element) => ({ height: element.getBoundingClientRect().height, text: element.outerHTML.slice(0, 120) }))
        .filter(({ height }) => height > 0 && height < 43.5),
    )
    expect(small, path).toEqual([])
  }
  await page.context().close()
})

test('the water path is drawn for every kind, and each station tells its own', async ({ ines: page }) => {
  for (const [words, stations] of [
    ['Left bar', ['Softener', 'Group gasket', '3-way valve', 'Level probe', 'Steam valves']],
    ['Crew room', ['Nozzle seals', 'Thermoblock', 'Burrs, chute', 'Unit drive']],
    ['Night desk', ['Head, cage', 'Needle', 'Lock linkage']],
  ] as const) {
    await page.goto(`/machines/${await machineId(page, words)}`)
    await awake(page)
    const path = page.getByRole('group', { name: /^Water path/ })
    for (const station of stations)
      await expect(path.getByRole('button', { name: new RegExp(`^${station}:`) }), station).toBeVisible()
    const last = path.getByRole('button', { name: new RegExp(`^${stations.at(-1)}:`) })
    await last.focus()
    await page.keyboard.press('Enter')
    await expect(last).toHaveAttribute('aria-pressed', 'true')
  }
})

test('the theme is kept, and the server draws it at once', async ({ browser }) => {
  const page = await signedIn(browser)
  await page.goto('/round')
  await awake(page)
  await page.getByRole('button', { name: /menu/ }).click()
  await page.getByRole('menuitemradio', { name: 'Dark, for back rooms' }).click()
  expect(await (await page.request.get('/round')).text()).toContain('data-theme="dark"')
  await page.context().close()
})
