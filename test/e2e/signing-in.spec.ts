import type { Page } from '@playwright/test'
import { Secret, TOTP } from 'otpauth'
import { openDatabase, withFirm } from '../../src/records/database.ts'
import { looksRight } from './accessible.ts'
import { awake, expect, signedIn, test, watched } from './pages.ts'
import { baseUrl, databaseUrl } from './server-control.ts'

const owner = { email: 'ines@quillgate.example', password: 'harrowmere' }
const byName = () => baseUrl().replace('127.0.0.1', 'localhost')

/** Goes to a page and waits until it answers to hands. */
async function visit(page: Page, path: string) {
  await page.goto(path)
  await awake(page)
}

/** Fills in the sign-in page as it stands. */
async function signInAt(page: Page, at: string, password = owner.password) {
  await visit(page, `${at}/sign-in`)
  await page.getByLabel('E-mail address').fill(owner.email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
}

/** A phone that unlocks by a finger, as the browser knows it. */
async function withPhone(page: Page) {
  const client = await page.context().newCDPSession(page)
  await client.send('WebAuthn.enable')
  await client.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  })
}

/** Everybody's last proof an hour ago: what is asked again is asked. */
async function anHourLater() {
  const db = openDatabase(databaseUrl(), 1)
  await db('session').update({ shown_at: new Date(Date.now() - 3_600_000) })
  await db.destroy()
}

test.describe
  .serial('signing in', () => {
    test('a code app is added, asked for, and stood in for by a code from paper', async ({ browser, quiet }) => {
      const page = await signedIn(browser)
      quiet(page)
      await visit(page, '/signing-in')
      await expect(page.getByText('password alone', { exact: true })).toBeVisible()
      await page.getByRole('button', { name: 'Add one: Code app' }).click()
      const secret = (await page.locator('.select-all').textContent())!.replaceAll(/\s/g, '')
      await expect(page.getByAltText(/for the phone's camera/)).toBeVisible()
      const shows = (ms = 0) => new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: Date.now() + ms })
      await page.getByLabel(/The code it shows now/).fill('000000')
      await page.getByRole('button', { name: 'Add it' }).click()
      await expect(page.getByRole('alert')).toContainText('is not the code of this half minute')
      await page.getByLabel(/The code it shows now/).fill(shows(-30_000))
      await page.getByRole('button', { name: 'Add it' }).click()
      const listed = page.getByRole('dialog', { name: 'Codes on paper' }).getByRole('listitem')
      await expect(listed).toHaveCount(10)
      const paper = await listed.allTextContents()
      // What goes on paper is the sheet, not the page under it.
      await page.emulateMedia({ media: 'print' })
      await expect(listed.first()).toBeVisible()
      await expect(page.getByText('What you show')).toBeHidden()
      await page.emulateMedia({ media: 'screen' })
      await looksRight(page, 'signing in')
      await page.getByRole('button', { name: 'I have them' }).click()
      await expect(page.getByText('10 left, each opens once')).toBeVisible()
      await looksRight(page, 'signing in')

      const other = watched(await (await browser.newContext({ serviceWorkers: 'block' })).newPage())
      await signInAt(other, baseUrl())
      await expect(other.getByRole('heading', { name: 'One more proof' })).toBeVisible()
      await looksRight(other, 'second proof')
      await other.getByLabel('Code', { exact: true }).fill('123456')
      await other.getByRole('button', { name: 'Sign in' }).click()
      await expect(other.getByRole('alert')).toContainText('That code is not right')
      expect((await other.request.get(`${baseUrl()}/api/round`)).status(), 'half-way in').toBe(401)
      await other.getByLabel('Code', { exact: true }).fill(shows())
      await other.getByRole('button', { name: 'Sign in' }).click()
      await expect(other).toHaveURL(/\/round/)
      await other.context().close()

      const lost = watched(await (await browser.newContext({ serviceWorkers: 'block' })).newPage())
      await signInAt(lost, baseUrl())
      await lost.getByLabel('Code from paper').fill(paper[0]!.toUpperCase())
      await lost.getByRole('button', { name: 'Use it' }).click()
      await expect(lost).toHaveURL(/\/round/)
      await lost.context().close()

      await page.reload()
      await awake(page)
      await expect(page.getByText('9 left, each opens once')).toBeVisible()
      await expect(page.getByRole('region', { name: 'Who came in' })).toContainText('signed in with a code from paper')
      await page.getByRole('button', { name: 'Take it away: Code app' }).click()
      await expect(page.getByText('password alone', { exact: true })).toBeVisible()
      await page.context().close()
    })

    test('who lost phone and paper is let in by the owner, and a link for a password is no way round the proof', async ({
      browser,
      quiet,
    }) => {
      const db = openDatabase(databaseUrl(), 1)
      const { firm_id, technician_id } = await db('account').where({ email: 'odile@quillgate.example' }).first()
      const secret = new Secret({ size: 20 }).base32
      await withFirm(db, firm_id, (trx) =>
        trx('code_app').insert({ firm_id, technician_id, secret, confirmed_at: new Date() }),
      )
      const page = await signedIn(browser)
      quiet(page)
      await visit(page, '/firm')
      await page
        .getByRole('listitem')
        .filter({ hasText: 'odile@' })
        .getByRole('button', { name: 'New password' })
        .click()
      const link = await page.getByLabel('One-time link').inputValue()
      const odile = watched(await (await browser.newContext({ serviceWorkers: 'block' })).newPage())
      await visit(odile, link)
      await odile.getByLabel('Password').fill('seven kettles in a lorry')
      await odile.getByRole('button', { name: 'Set the password' }).click()
      await expect(odile.getByRole('heading', { name: 'One more proof' })).toBeVisible()
      expect((await odile.request.get(`${baseUrl()}/api/round`)).status()).toBe(401)

      await visit(page, '/firm')
      await page.getByRole('button', { name: 'Phone lost: Odile Quillgate' }).click()
      await looksRight(page, 'phone lost')
      await page.getByRole('button', { name: 'Take them away' }).click()
      await expect(page.getByRole('button', { name: /^Phone lost/ })).toHaveCount(0)
      await visit(odile, `${baseUrl()}/sign-in`)
      await odile.getByLabel('E-mail address').fill('odile@quillgate.example')
      await odile.getByLabel('Password').fill('seven kettles in a lorry')
      await odile.getByRole('button', { name: 'Sign in', exact: true }).click()
      await expect(odile).toHaveURL(`${baseUrl()}/round`)
      await odile.context().close()
      await page.context().close()
      await db.destroy()
    })

    test('a passkey is made on a phone and opens without a password', async ({ browser }) => {
      const context = await browser.newContext({ serviceWorkers: 'block' })
      const page = watched(await context.newPage())
      await withPhone(page)
      await signInAt(page, byName())
      await expect(page).toHaveURL(/\/round/)
      await visit(page, `${byName()}/signing-in`)
      await page.getByRole('button', { name: 'Add one: Passkey' }).click()
      await page.getByLabel(/What you tell it by/).fill('the phone in the van')
      await page.getByRole('button', { name: 'Make it' }).click()
      await page.getByRole('button', { name: 'I have them' }).click()
      await expect(page.getByText('the phone in the van')).toBeVisible()

      await context.clearCookies()
      await visit(page, `${byName()}/sign-in?next=/machines`)
      await page.getByRole('button', { name: 'Use a passkey' }).click()
      await expect(page).toHaveURL(`${byName()}/machines`)
      await visit(page, `${byName()}/signing-in`)
      await expect(page.getByRole('region', { name: 'Who came in' })).toContainText('signed in with a passkey')

      // The password alone does not do any more.
      const other = watched(await (await browser.newContext({ serviceWorkers: 'block' })).newPage())
      await signInAt(other, byName())
      await expect(other.getByRole('heading', { name: 'One more proof' })).toBeVisible()
      await other.getByRole('button', { name: 'Use a passkey' }).click()
      await expect(other.getByRole('alert')).toContainText('No passkey was shown')
      await other.context().close()

      await page.getByRole('button', { name: 'Take it away: the phone in the van' }).click()
      await expect(page.getByText('password alone', { exact: true })).toBeVisible()
      await context.close()
    })

    test('keys and all data are handed out to whoever still knows the password', async ({ browser, quiet }) => {
      const page = await signedIn(browser)
      quiet(page)
      await anHourLater()
      await visit(page, '/data')
      await page.getByRole('link', { name: /^Everything records/ }).click()
      const sheet = page.getByRole('dialog', { name: 'Still you?' })
      await looksRight(page, 'signing in')
      await sheet.getByLabel('Your password').fill('not that one')
      await sheet.getByRole('button', { name: 'Go on' }).click()
      await expect(sheet.getByRole('alert')).toContainText('is not your password')
      const download = page.waitForEvent('download')
      await sheet.getByLabel('Your password').fill(owner.password)
      await sheet.getByRole('button', { name: 'Go on' }).click()
      expect((await download).suggestedFilename()).toMatch(/^even-shot-.*\.zip$/)
      await anHourLater()
      await visit(page, '/firm')
      await page
        .getByRole('button', { name: /^(Invite|New password)$/ })
        .first()
        .click()
      await expect(sheet).toBeVisible()
      await page.keyboard.press('Escape')
      await expect(page.getByText('Nothing was changed.')).toBeVisible()
      await page
        .getByRole('button', { name: /^(Invite|New password)$/ })
        .first()
        .click()
      await sheet.getByLabel('Your password').fill(owner.password)
      await sheet.getByRole('button', { name: 'Go on' }).click()
      await expect(page.getByLabel('One-time link')).toHaveValue(/\/join\//)
      await page.context().close()
    })

    test('a session that lay unused shows nothing and still takes the work of its device', async ({ browser }) => {
      const page = await signedIn(browser)
      const { rows } = await (await page.request.get('/api/machines')).json()
      const db = openDatabase(databaseUrl(), 1)
      await db('session').update({ seen_at: new Date(Date.now() - 20 * 86_400_000) })
      await db.destroy()
      expect((await page.request.get('/api/round')).status()).toBe(401)
      const { entryAbout } = await import('../records/a-database.ts')
      const entry = entryAbout('machine', rows[0].id, 'note', { text: 'written in the van' })
      const handed = await page.request.post('/api/entries', { data: { entries: [entry] } })
      expect(handed.status()).toBe(200)
      await visit(page, '/round')
      await expect(page).toHaveURL(/\/sign-in/)
      await page.context().close()
    })
  })
