import { randomUUID } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { scriptBytes } from '../../bench/script-bytes.ts'
import { asksAgain, may, roles } from '../../src/core/firm/rights.ts'
import { openDatabase, withFirm } from '../../src/records/database.ts'
import { openSession } from '../../src/services/sign-in.ts'
import { entryAbout, smallFirm } from '../records/a-database.ts'
import { endpoints } from './endpoints.ts'
import { awake, expect, machineId, signedIn, test } from './pages.ts'
import { baseUrl, databaseUrl } from './server-control.ts'

const built = join(import.meta.dirname, '../../dist')

const nobody = () => ({
  machine: randomUUID(),
  site: randomUUID(),
  technician: randomUUID(),
  session: randomUUID(),
})

test.describe('the server', () => {
  test('is known here with every endpoint it has', () => {
    const root = join(import.meta.dirname, '../../src/pages/api')
    const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.ts'))
    const known = new Set(endpoints(nobody()).map(({ route }) => route))
    expect(files.map((file) => file.replace(/\.ts$/, '')).filter((file) => !known.has(file))).toEqual([])
  })

  test('sends no page with more than it may carry: its scripts compressed, its HTML as it is', async ({ browser }) => {
    const page = await signedIn(browser)
    const id = await machineId(page, 'Left bar')
    const { site } = await (await page.request.get(`/api/machines/${id}/bundle`)).json()
    for (const [path, htmlKb, scriptKb] of [
      ['/round', 80, 96],
      [`/machines/${id}`, 165, 148],
      [`/machines/${id}/entry`, 505, 146],
      [`/machines/${id}/run`, 345, 250],
      [`/sites/${site.id}`, 245, 100],
      ['/water', 33, 120],
      ['/procedures', 52, 90],
      ['/firm', 16, 100],
    ] as const) {
      const html = await (await page.request.get(path)).text()
      const bytes = { html: html.length / 1000, script: scriptBytes(join(built, 'client'), html) / 1000 }
      expect.soft(bytes.script, `scripts of ${path}, kB`).toBeLessThanOrEqual(scriptKb)
      expect.soft(bytes.html, `HTML of ${path}, kB`).toBeLessThanOrEqual(htmlKb)
    }
  })

  test('lets nobody in without a session', async ({ request }) => {
    for (const { method, path, data } of endpoints(nobody()).filter(({ open }) => !open)) {
      const response = await request.fetch(baseUrl() + path, { method, ...(data !== undefined && { data }) })
      expect(response.status(), `${method} ${path}`).toBe(401)
      expect((await response.json()).issues[0].code).toBe('signed_out')
    }
    for (const path of ['/round', '/machines', '/import/readings', '/firm', '/data', `/sites/${randomUUID()}`]) {
      const response = await request.get(baseUrl() + path, { maxRedirects: 0 })
      expect(response.status(), path).toBe(302)
    }
  })

  test('keeps one firm from reading or writing another’s rows, forged ids or not', async ({ browser }) => {
    const db = openDatabase(databaseUrl(), 2)
    const theirs = await smallFirm(db, 'Rival & Sons')
    await db.destroy()
    const rival = await signedIn(browser, {}, theirs.email, 'a good password')
    const ines = await signedIn(browser)
    const machine = await machineId(ines, 'Left bar')
    const before = await (await ines.request.get(`/api/machines/${machine}/bundle`)).text()
    const bundle = JSON.parse(before)
    const subjects = {
      machine,
      site: bundle.site.id,
      technician: bundle.technicians[1].id,
      session: await sessionOf(ines),
    }
    for (const { method, path, data } of endpoints(subjects).filter(({ open }) => !open)) {
      const response = await rival.request.fetch(path, { method, ...(data !== undefined && { data }) })
      const text = await response.text()
      expect([200, 404, 422], `${method} ${path}`).toContain(response.status())
      expect(text, `${method} ${path}`).not.toContain('Thistle')
      expect(text, `${method} ${path}`).not.toContain(JSON.parse(before).machine.serial)
    }
    expect((await rival.goto(`/machines/${machine}`))!.status()).toBe(404)
    expect((await rival.goto(`/machines/${machine}/entry`))!.status()).toBe(404)
    expect((await ines.goto('/firm'))!.status(), 'her session is still open').toBe(200)
    const supersede = entryAbout(
      'machine',
      theirs.c2,
      'note',
      { text: 'x' },
      { supersedes: JSON.parse(before).ledgers.machine[0].id },
    )
    await rival.request.post('/api/entries', { data: { entries: [supersede] } })
    const asTheirs = { ...JSON.parse(before).ledgers.machine[0], subjectId: theirs.c2 }
    const { recordedAt: _at, recordedBy: _by, seq: _seq, ...copied } = asTheirs
    const reused = await rival.request.post('/api/entries', { data: { entries: [copied] } })
    expect([200, 422]).toContain(reused.status())
    expect(await (await ines.request.get(`/api/machines/${machine}/bundle`)).text()).toBe(before)
    expect((await (await rival.request.get('/api/machines')).json()).all).toBe(3)
    await rival.context().close()
    await ines.context().close()
  })

  test('lets each do what the table of rights says, asks again where it says so, and knows no id of another firm', async ({
    request,
  }) => {
    const db = openDatabase(databaseUrl(), 2)
    const [own, other] = [await smallFirm(db, 'Own & Daughter'), await smallFirm(db, 'Other & Sons')]
    const cookieOf = async (technicianId: string) =>
      `evenshot_session=${(await openSession(db, { firmId: own.firmId, technicianId }, 'a test')).token}`
    const people = { owner: await cookieOf(own.ines), technician: await cookieOf(own.odile) }
    // Somebody else's, who may be touched by none of it.
    const theirs = { machine: other.c2, site: other.siteId, technician: other.odile, session: randomUUID() }
    const ask = async ({ method, path, data }: ReturnType<typeof endpoints>[number], cookie: string) => {
      const answer = await request.fetch(baseUrl() + path, {
        method,
        headers: { cookie },
        ...(data !== undefined && { data }),
      })
      return { status: answer.status(), code: answer.status() === 403 ? (await answer.json()).issues[0].code : '' }
    }
    const guarded = endpoints(theirs).filter(({ open, route }) => !open && route !== 'sign-out')
    for (const one of guarded) {
      const { act = 'work' } = one
      for (const role of roles) {
        const { status, code } = await ask(one, people[role])
        const words = `${one.method} ${one.path} as ${role}`
        if (may(role, act)) expect(status, words).not.toBe(403)
        else expect({ status, code }, words).toEqual({ status: 403, code: 'owner_only' })
        expect(status, words).toBeLessThan(500)
      }
    }
    await db('session')
      .where({ firm_id: own.firmId })
      .update({ shown_at: new Date(Date.now() - 3_600_000) })
    for (const one of guarded.filter(({ act = 'work' }) => asksAgain(act)))
      expect(await ask(one, people.owner), `${one.method} ${one.path}, an hour later`).toEqual({
        status: 403,
        code: 'ask_again',
      })
    const rows = (table: string) => withFirm(db, other.firmId, (trx) => trx(table).select())
    expect(await rows('entry')).toEqual([])
    expect(await rows('change')).toEqual([])
    expect(await rows('security_event')).toEqual([])
    await db.destroy()
  })

  test('keeps what is the owner’s from a technician, in the ledger too', async ({ browser, ines }) => {
    const odile = await signedIn(browser, {}, 'odile@quillgate.example')
    const { site } = await (await ines.request.get(`/api/machines/${await machineId(ines, 'Left bar')}/bundle`)).json()
    const session = await sessionOf(ines)
    const ended = await odile.request.delete(`/api/sessions/${session}`)
    expect([403, 404]).toContain(ended.status())
    expect((await ines.request.get('/api/round')).status()).toBe(200)
    const way = entryAbout('firm', site.id, 'setting', { setting: 'policy', policy: 'cautious' })
    expect((await odile.request.post('/api/entries', { data: { entries: [way] } })).status()).toBe(422)
    await odile.context().close()
  })

  test('refuses what comes from another site, JSON or form', async ({ ines: page }) => {
    const foreign: Record<string, string>[] = [
      { origin: 'https://evil.example', 'content-type': 'application/json' },
      { origin: 'https://evil.example', 'content-type': 'application/x-www-form-urlencoded' },
      { origin: 'null' },
      { 'sec-fetch-site': 'cross-site' },
    ]
    for (const headers of foreign) {
      const response = await page.request.fetch('/api/entries', {
        method: 'POST',
        headers,
        data: '{}',
      })
      expect(response.status(), JSON.stringify(headers)).toBe(403)
    }
    const own = await page.request.fetch('/api/entries', { method: 'POST', headers: { origin: baseUrl() }, data: '{}' })
    expect(own.status()).toBe(400)
  })

  test('answers with headers that protect, and cookies no script can read', async ({ ines: page }) => {
    const response = await page.request.get('/round')
    const headers = response.headers()
    expect(headers['content-security-policy']).toMatch(/script-src 'self'/)
    expect(headers['content-security-policy']).toMatch(/frame-ancestors 'none'/)
    expect(headers['content-security-policy']).not.toMatch(/unsafe/)
    expect(headers['content-security-policy']).toMatch(/style-src [^;]*'nonce-[\w+/]{22}=='/)
    expect(headers['x-content-type-options']).toBe('nosniff')
    expect(headers['referrer-policy']).toBe('same-origin')
    expect(headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/)
    expect(headers['cache-control']).toBe('no-store')
    expect(headers['x-powered-by']).toBe(undefined)
    // What is no page may do nothing, wherever somebody opens it.
    for (const path of ['/api/round', '/healthz', '/api/nothing']) {
      const policy = (await page.request.get(path)).headers()['content-security-policy']
      expect(policy, path).toBe("default-src 'none'; frame-ancestors 'none'")
    }
    const cookie = (await page.context().cookies()).find(({ name }) => name === 'evenshot_session')
    expect(cookie).toMatchObject({ name: 'evenshot_session', httpOnly: true, sameSite: 'Lax' })
  })

  test('sends pages without styles of their own, and each with another word for those it makes', async ({
    ines: page,
  }) => {
    const { rows } = await (await page.request.get('/api/machines')).json()
    const { id, siteId } = rows[0]
    const nonces = new Set<string>()
    const paths = [
      ...[
        '/round',
        '/machines',
        '/sites',
        '/customers',
        '/visits',
        '/water',
        '/procedures',
        '/firm',
        '/data',
        '/nowhere',
      ],
      ...['', '?lens=water', '/entry', '/run', '/triage', '/strip-down'].map((path) => `/machines/${id}${path}`),
      `/sites/${siteId}`,
    ]
    for (const path of paths) {
      const response = await page.request.get(path)
      const html = await response.text()
      expect(html.match(/ style="[^"]*"/)?.[0], path).toBe(undefined)
      const nonce = /nonce="([^"]+)"/.exec(html)![1]!
      expect(response.headers()['content-security-policy'], path).toContain(`'nonce-${nonce}'`)
      nonces.add(nonce)
    }
    expect(nonces.size).toBe(paths.length)
    // A dialog's library keeps the page behind it still by a style that it makes.
    await page.goto('/firm')
    await awake(page)
    await page.getByRole('button', { name: 'Edit', exact: true }).click()
    await expect(page.getByRole('dialog')).toBeVisible()
    await expect(page.locator('body')).toHaveCSS('overflow', 'hidden')
  })

  test('compresses pages and lets browsers keep assets for long', async ({ ines: page }) => {
    const compressed = await page.request.get('/round', { headers: { 'accept-encoding': 'gzip' } })
    expect(compressed.headers()['content-encoding']).toBe('gzip')
    const asset = /\/_astro\/[^"]+\.js/.exec(await compressed.text())![0]
    const script = await page.request.get(asset)
    expect(script.headers()['cache-control']).toMatch(/max-age=31536000, immutable/)
  })

  test('sends a board and a machine once: asked again it says that nothing changed, until something has', async ({
    ines: page,
    playwright,
  }) => {
    const id = await machineId(page, 'Left bar')
    const other = await machineId(page, 'Floor 3')
    const note = (about: string) =>
      page.request.post('/api/entries', {
        data: { entries: [entryAbout('machine', about, 'note', { text: 'asked again' })] },
      })
    const ask = async (path: string, tag = '') => {
      const response = await page.request.get(path, { headers: tag ? { 'if-none-match': tag } : {} })
      return {
        status: response.status(),
        tag: response.headers().etag!,
        bytes: (await response.body()).length,
        response,
      }
    }
    const path = `/api/machines/${id}/bundle`
    const first = await ask(path)
    expect(first.response.headers()['cache-control']).toBe('private, no-cache')
    expect(await ask(path, first.tag)).toMatchObject({ status: 304, bytes: 0 })
    expect((await note(other)).ok()).toBe(true)
    expect((await ask(path, first.tag)).status, 'something was written elsewhere').toBe(304)
    expect((await note(id)).ok()).toBe(true)
    const second = await ask(path, first.tag)
    expect(second.status).toBe(200)
    expect(second.tag).not.toBe(first.tag)
    const board = await ask('/api/round')
    expect((await ask('/api/round', board.tag)).status).toBe(304)
    expect((await ask('/api/round?horizon=year', board.tag)).status).toBe(200)
    // Who signs out takes it along: another session, since this one is used again.
    const own = await playwright.request.newContext({ baseURL: baseUrl(), extraHTTPHeaders: { origin: baseUrl() } })
    await own.post('/api/sign-in', { form: { email: 'ines@quillgate.example', password: 'harrowmere' } })
    const ofOwn = (headers: Record<string, string>) => own.get(path, { headers, maxRedirects: 0 })
    expect((await ofOwn({ 'if-none-match': second.tag })).status()).toBe(304)
    const out = await own.post('/api/sign-out', { maxRedirects: 0 })
    expect(out.headers()['clear-site-data']).toBe('"cache"')
    expect((await ofOwn({ 'if-none-match': second.tag })).status()).toBe(401)
    await own.dispose()
  })

  test('limits what it reads, and says so', async ({ ines: page }) => {
    const big = await page.request.post('/api/entries', {
      data: 'x'.repeat(2_500_000),
      headers: { 'content-type': 'application/json' },
    })
    expect(big.status()).toBe(413)
    expect((await big.json()).issues[0].message).toContain('2 MB')
    const broken = await page.request.post('/api/entries', {
      data: '{"entries": [',
      headers: { 'content-type': 'application/json' },
    })
    expect(broken.status()).toBe(400)
    const many = Array.from({ length: 501 }, () => ({}))
    expect((await page.request.post('/api/entries', { data: { entries: many } })).status()).toBe(400)
    for (const query of ['horizon=never', 'siteId=1', `text=${'a'.repeat(300)}`, 'nonsense=1']) {
      expect((await page.request.get(`/api/round?${query}`)).status(), query).toBe(400)
    }
    expect((await page.request.get('/api/entries?since=-1')).status()).toBe(400)
  })

  test('answers what is misspelt at its field, and breaks over none of it', async ({ ines: page }) => {
    for (const path of ['/api/round?siteId=', '/api/round?technicianId=', '/api/machines?siteId='])
      expect((await page.request.get(`${path}${'-'.repeat(36)}`)).status(), path).toBe(400)
    const cursor = Buffer.from(JSON.stringify(['0000-01-01T00:00:00Z', randomUUID()])).toString('base64url')
    expect((await page.request.get(`/api/changes?cursor=${cursor}`)).status()).toBe(200)
    const deep = await page.request.post('/api/entries', {
      data: `{"entries":${'['.repeat(5000)}${']'.repeat(5000)}}`,
      headers: { 'content-type': 'application/json' },
    })
    expect(deep.status()).toBe(400)
    expect((await deep.json()).issues[0].code).toBe('too_deep')
    const many = await page.request.post('/api/entries', {
      data: `{"entries":[],"more":[${'0,'.repeat(300_000)}0]}`,
      headers: { 'content-type': 'application/json' },
    })
    expect(many.status()).toBe(400)
    expect((await many.json()).issues[0].code).toBe('too_many')
    const id = await machineId(page, 'Left bar')
    for (const happenedAt of ['2026-02-30T09:00:00Z', '0000-01-01T09:00:00Z', '2026-11-20T24:30:00Z']) {
      const entry = { ...entryAbout('machine', id, 'note', { text: 'never' }), happenedAt }
      const answer = await page.request.post('/api/entries', { data: { entries: [entry] } })
      expect(answer.status(), happenedAt).toBe(422)
      expect(JSON.stringify(await answer.json()), happenedAt).toContain('is not an instant')
    }
    const form = (fields: Record<string, string>) =>
      page.request.post('/api/sign-in', { form: fields, headers: { origin: baseUrl() }, maxRedirects: 0 })
    expect((await form({ email: 'a\0b@quillgate.example', password: 'x' })).status()).toBe(303)
    for (const next of ['/x\0', '/x€', '//evil.example', '/\\evil.example'])
      expect((await form({ email: 'a@quillgate.example', password: 'x', next })).headers().location).toContain(
        'next=%2Fround',
      )
  })

  test('tells whether it is well', async ({ request }) => {
    const response = await request.get(`${baseUrl()}/healthz`)
    expect(await response.json()).toEqual({ ok: true })
  })
})

/** Id of a session of hers, as her own page lists it. */
async function sessionOf(page: Page): Promise<string> {
  const text = (await (await page.request.get('/firm')).text()).replaceAll('&quot;', '"')
  return /"id":\[0,"([0-9a-f-]{36})"\],"technicianId"[^{}]*"own":\[0,true\]/.exec(text)![1]!
}
