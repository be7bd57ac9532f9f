import { openDatabase } from '../../src/records/database.ts'
import { smallFirm } from '../records/a-database.ts'
import { endpoints } from './endpoints.ts'
import { oddRequests } from './odd-bodies.ts'
import { expect, signedIn, test } from './pages.ts'
import { baseUrl, databaseUrl } from './server-control.ts'

const bodies = 10_000
const atOnce = 8

test('ten thousand bodies of every shape get an answer in words, never a breakdown', async ({ browser }) => {
  test.setTimeout(600_000)
  const db = openDatabase(databaseUrl(), 2)
  const firm = await smallFirm(db, 'Patient & Sons')
  await db.destroy()
  const page = await signedIn(browser, {}, firm.email, 'a good password')
  const passport = await (await page.request.get(`/api/machines/${firm.c2}/passport.json`)).json()
  const cookie = (await page.context().cookies()).find(({ name }) => name === 'evenshot_session')
  const asked = endpoints({ machine: firm.c2, site: firm.siteId, technician: firm.odile, session: firm.ines })
    .filter(({ data }) => data !== undefined)
    .map((one) => (one.route === 'import/passport' ? { ...one, data: { siteId: firm.siteId, passport } } : one))
  const each = Math.ceil(bodies / asked.length)
  const requests = oddRequests(asked, each, 20_261_126)
  const broken: string[] = []
  const statuses = new Map<number, number>()
  const ask = async ({ method, path, body }: (typeof requests)[number]) => {
    const response = await fetch(baseUrl() + path, {
      method,
      body,
      headers: { 'content-type': 'application/json', cookie: `${cookie!.name}=${cookie!.value}` },
    })
    await response.arrayBuffer()
    statuses.set(response.status, (statuses.get(response.status) ?? 0) + 1)
    if (response.status >= 500) broken.push(`${path} ${response.status} ${body.slice(0, 160)}`)
  }
  const waiting = [...requests]
  await Promise.all(
    Array.from({ length: atOnce }, async () => {
      for (let next = waiting.pop(); next; next = waiting.pop()) await ask(next)
    }),
  )
  expect(broken).toEqual([])
  expect([...statuses.values()].reduce((sum, n) => sum + n, 0)).toBeGreaterThanOrEqual(bodies)
  // Not all refused at the door: some reach what lies behind.
  expect(statuses.get(200) ?? 0).toBeGreaterThan(50)
  expect(statuses.get(422) ?? 0).toBeGreaterThan(500)
  await page.context().close()
})
