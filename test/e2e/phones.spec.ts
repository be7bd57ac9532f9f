import { execFileSync } from 'node:child_process'
import { createHash, X509Certificate } from 'node:crypto'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { get } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import config from '../../playwright.config.ts'
import { awake, expect, test, watched } from './pages.ts'
import { startEmptyApplication } from './server-control.ts'

const { executablePath, args = [] } = config.use!.launchOptions!

/** What a client says that trusts one authority, or none but the public ones. */
const asked = (url: string, ca?: Buffer): Promise<string> =>
  new Promise((resolve) => {
    get(url, { ...(ca && { ca }), agent: false }, (answer) => {
      answer.resume()
      resolve(String(answer.statusCode))
    }).on('error', (error) => resolve((error as { code?: string }).code ?? error.message))
  })

test.describe
  .serial('phones of the workshop, without an administrator', () => {
    let own: Awaited<ReturnType<typeof startEmptyApplication>>
    let authority: Buffer
    let secureUrl: string
    let welcomeUrl: string
    test.beforeAll(async () => {
      own = await startEmptyApplication(3, '--phones=127.0.0.1')
      authority = readFileSync(join(own.folder, 'phones/authority.pem'))
      await expect.poll(own.log, { timeout: 20_000 }).toContain('Ctrl C stops it')
      const said = own.log()
      secureUrl = /phones in the same network: (\S+)/.exec(said)![1]!
      welcomeUrl = /(http:\/\/127\.0\.0\.1:\d+\/)\n/.exec(said)![1]!
    })
    test.afterAll(() => own.stop())

    test('the terminal says where, by what fingerprint, and what it opens', () => {
      const said = own.log()
      const { fingerprint256 } = new X509Certificate(authority)
      expect(said.replace(/\s/g, '')).toContain(fingerprint256)
      // A code to be read by a camera, of half blocks.
      expect(said).toMatch(/[▀▄█]{10}/)
      expect(said).toContain('Guests belong in another network')
    })

    test('the page that hands out the certificate has it, its fingerprint, and nothing else', async ({ request }) => {
      const page = await (await request.get(welcomeUrl)).text()
      expect(page).toContain(new X509Certificate(authority).fingerprint256)
      expect(page).toContain(`${secureUrl}/`)
      const file = await request.get(`${welcomeUrl}even-shot.crt`)
      expect(file.headers()['content-type']).toBe('application/x-x509-ca-cert')
      expect(await file.body()).toEqual(authority)
      for (const path of ['api/find?q=a', 'round', '../phones/authority.key', 'healthz'])
        expect((await request.get(`${welcomeUrl}${path}`)).status(), path).toBe(404)
    })

    test('who trusts the authority gets in, who does not is stopped; it vouches for nothing on the internet', async () => {
      expect(await asked(`${secureUrl}/livez`, authority)).toBe('200')
      expect(await asked(`${secureUrl}/livez`)).toMatch(/SELF_SIGNED|UNABLE_TO/)
      // A certificate that the same authority was made to sign for an address of the internet is believed by nobody.
      const folder = mkdtempSync(join(tmpdir(), 'evenshot-phones-'))
      const file = (name: string) => join(folder, name)
      const phones = (name: string) => join(own.folder, 'phones', name)
      const signed = (address: string) => {
        writeFileSync(file('ext'), `subjectAltName = IP:${address}\n`)
        const made = ['-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes', '-subj', '/CN=x']
        execFileSync('openssl', ['req', '-new', ...made, '-keyout', file('key'), '-out', file('csr')], {
          stdio: 'ignore',
        })
        const by = ['-CA', phones('authority.pem'), '-CAkey', phones('authority.key'), '-CAserial', file('serial')]
        const sign = ['x509', '-req', '-in', file('csr'), ...by, '-CAcreateserial', '-extfile', file('ext')]
        execFileSync('openssl', [...sign, '-out', file('pem')], { stdio: 'ignore' })
        try {
          return execFileSync('openssl', ['verify', '-CAfile', phones('authority.pem'), file('pem')], {
            stdio: 'pipe',
          }).toString()
        } catch (error) {
          return (error as { stderr: Buffer }).stderr.toString()
        }
      }
      expect(signed('192.168.7.20')).toContain('OK')
      expect(signed('203.0.113.9')).toContain('permitted subtree violation')
    })

    test('a browser that trusts it starts a firm, signs in with cookies that go over TLS alone; another is turned away', async () => {
      const key = new X509Certificate(authority).publicKey.export({ type: 'spki', format: 'der' })
      const trusted = createHash('sha256').update(key).digest('base64')
      const launch = (more: string[]) =>
        chromium.launch({ ...(executablePath && { executablePath }), args: [...args, ...more] })
      const stranger = await launch([])
      const turnedAway = await (await stranger.newPage()).goto(secureUrl).catch((error: Error) => error.message)
      expect(turnedAway).toContain('ERR_CERT_AUTHORITY_INVALID')
      await stranger.close()

      const browser = await launch([`--ignore-certificate-errors-spki-list=${trusted}`])
      const context = await browser.newContext({
        serviceWorkers: 'block',
        baseURL: secureUrl,
        viewport: { width: 390, height: 844 },
      })
      const page = watched(await context.newPage())
      await page.goto('/')
      await page.waitForURL('**/first-run')
      await awake(page)
      const start = page.locator('form', { hasText: 'Your firm' })
      await page.getByLabel('Your firm').fill('Phones & Daughter')
      await page.getByLabel('Your name').fill('Ines Phone')
      await start.getByLabel('E-mail address').fill('ines@phones.example')
      await start.getByLabel('Password').fill('a kettle on the third shelf')
      await page.getByRole('button', { name: 'Start the firm' }).click()
      await page.waitForURL('**/first-steps')
      const cookies = await context.cookies()
      expect(
        cookies.filter(({ httpOnly }) => httpOnly).map(({ name, secure }) => [name.slice(0, 7), secure]),
      ).toContainEqual(['__Host-', true])
      await browser.close()
    })
  })
