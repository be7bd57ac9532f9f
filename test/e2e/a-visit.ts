import type { Page } from '@playwright/test'
import type { MachineBundle } from '../../src/views/machine-bundle.ts'
import { expect, machineId } from './pages.ts'
import { baseUrl } from './server-control.ts'

export const bundleOf = async (page: Page, id: string): Promise<MachineBundle> =>
  (await page.request.get(`${baseUrl()}/api/machines/${id}/bundle`)).json()

let n = Date.now()
/** An id that sorts after the one before it. */
function newId(): string {
  n += 1
  const time = n.toString(16).padStart(12, '0')
  const rest = () =>
    Math.floor(Math.random() * 4096)
      .toString(16)
      .padStart(3, '0')
  return `${time.slice(0, 8)}-${time.slice(8)}-7${rest()}-8${rest()}-${rest()}${rest()}${rest()}${rest()}`
}

export interface Visited {
  visitId: string
  siteId: string
  machineId: string
}

/** A visit with work on it, as three machines’ entries would have left it. */
export async function visited(page: Page, name: string, more: object[] = []): Promise<Visited> {
  const id = await machineId(page, name)
  const bundle = await bundleOf(page, id)
  const me = bundle.technicians.find(({ name: who }) => who.startsWith('Ines'))!.id
  const visitId = newId()
  let minute = 10
  const entry = (kind: string, body: object, subject: [kind: string, id: string] = ['machine', id], own = true) => ({
    id: newId(),
    subjectKind: subject[0],
    subjectId: subject[1],
    ...(own && { visitId }),
    kind,
    happenedAt: `2026-11-26T07:${String(minute++).padStart(2, '0')}:00Z`,
    happenedOn: '2026-11-26',
    body: { v: 1, ...body },
  })
  const firm: [string, string] = ['firm', bundle.firmId]
  const site: [string, string] = ['site', bundle.site.id]
  const rates = { setting: 'rates', currency: 'EUR', labourPerHourMinor: 6300, taxBp: 1900, taxName: 'VAT' }
  const cover = { setting: 'covers', name: 'of 2024', partsUpToMinor: 2500, labour: true, travel: true, used: true }
  const entries = [
    entry('setting', rates, firm, false),
    entry('setting', { setting: 'part-price', kind: 'c2', part: 'group-gasket', price: 5.2 }, firm, false),
    entry('setting', { setting: 'part-price', kind: 'c2', part: 'safety-valve', price: 41 }, firm, false),
    entry('setting', cover, site, false),
    entry('visit', { technicianIds: [me], arrivedAt: '2026-11-26T07:00:00Z', terms: 'contract' }, site),
    entry('removed', { part: 'group-gasket', group: 1, condition: 4 }),
    entry('fitted', { part: 'group-gasket', group: 1 }),
    entry('removed', { part: 'safety-valve', condition: 3 }),
    entry('fitted', { part: 'safety-valve' }),
    entry('inspected', { part: 'drain-hose', condition: 3 }),
    ...more.map((body) => entry('held', body)),
  ]
  const response = await page.request.post(`${baseUrl()}/api/entries`, {
    data: { entries },
    headers: { origin: baseUrl() },
  })
  expect(response.status(), await response.text()).toBe(200)
  return { visitId, siteId: bundle.site.id, machineId: id }
}

export const leavingUrl = ({ siteId, visitId }: Visited) => `/sites/${siteId}/leaving?visit=${visitId}`

/** Writes a name with a finger: along the screen, or down it where it is turned to the customer. */
export async function sign(page: Page): Promise<void> {
  await page.getByLabel('Name in letters').fill('Bram Thistle')
  await page.getByLabel('What they are there').fill('owner')
  const { x, y, width, height } = (await page.getByLabel('Field to sign in').boundingBox())!
  const isTurned = height > width
  const at = (along: number, across: number): [number, number] =>
    isTurned ? [x + width * (1 - across), y + height * along] : [x + width * along, y + height * across]
  for (const from of [0.1, 0.4]) {
    await page.mouse.move(...at(from, 0.4))
    await page.mouse.down()
    for (let i = 0; i <= 12; i += 1) await page.mouse.move(...at(from + i * 0.018, 0.5 + 0.2 * Math.sin(i)))
    await page.mouse.up()
  }
}
