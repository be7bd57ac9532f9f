import { execFileSync } from 'node:child_process'
import { X509Certificate } from 'node:crypto'
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { isIPv4 } from 'node:net'
import { hostname, networkInterfaces } from 'node:os'
import { join } from 'node:path'
import QRCode from 'qrcode'
import type { PhonesDoor } from '../src/server/phones-door.ts'
import { freePortFrom } from './keep-servers.ts'

/** How long a phone believes one certificate: browsers take none for longer. */
const certificateDays = 397
/** A certificate that runs out sooner is made anew at the next start. */
const renewedDays = 45
const authorityDays = 3650

/** `--phones`, or `--phones=192.168.1.20`: the address asked for, an empty one for whichever there is; null without. */
export function askedPhones(words: string[]): string | null {
  const word = words.find((one) => one === '--phones' || one.startsWith('--phones='))
  return word === undefined ? null : (word.split('=')[1] ?? '')
}

/** Addresses of this computer in the network of the workshop. */
export const workshopAddresses = (interfaces = networkInterfaces()): string[] =>
  Object.values(interfaces)
    .flatMap((list) => list ?? [])
    .filter(({ family, internal, address }) => family === 'IPv4' && !internal && isPrivate(address))
    .map(({ address }) => address)

/** Whether an address is of a network of one's own: never one of the internet. RFC 1918, and loopback. */
export const isPrivate = (address: string): boolean =>
  isIPv4(address) && /^(10|127)\.|^192\.168\.|^172\.(1[6-9]|2\d|3[01])\./.test(address)

/**
 * A door for phones: an authority of this firm's own and a certificate for one address of the workshop's network, kept
 * in the data folder and made once.
 *
 * @throws Error in words, where there is no such address, or Debian's openssl is not installed
 */
export async function phonesDoor(dataDir: string, asked: string, appPort: number): Promise<PhonesDoor> {
  const there = workshopAddresses()
  const host = asked || there[0]
  if (!host)
    throw new Error(
      'This computer has no address in a network of the workshop. Connect it, or say which: --phones=192.168.1.20',
    )
  if (!isPrivate(host))
    throw new Error(
      `${host} is no address of a network of one's own (10.…, 172.16 to 172.31, 192.168.…): the internet needs a proxy, see docs/operations.md`,
    )
  const folder = join(dataDir, 'phones')
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const authority = join(folder, 'authority.pem')
  if (!existsSync(authority)) makeAuthority(folder)
  const certificate = join(folder, 'server.pem')
  if (!holds(certificate, authority, host)) makeCertificate(folder, host)
  const port = await freePortFrom(host, appPort + 1)
  return {
    host,
    port,
    welcomePort: await freePortFrom(host, port + 1),
    keyFile: join(folder, 'server.key'),
    certificateFile: certificate,
    authorityFile: authority,
  }
}

/** Whether a certificate is for this address, by this authority, and good for a while. */
function holds(file: string, authorityFile: string, host: string): boolean {
  if (!existsSync(file)) return false
  const certificate = new X509Certificate(readFileSync(file))
  const daysLeft = (Date.parse(certificate.validTo) - Date.now()) / 86_400_000
  const authority = new X509Certificate(readFileSync(authorityFile))
  return daysLeft > renewedDays && certificate.checkIP(host) === host && certificate.checkIssued(authority)
}

/** It can vouch for addresses of networks of one's own and for nothing on the internet, whoever gets hold of it. */
function makeAuthority(folder: string): void {
  const file = (name: string) => join(folder, name)
  writeFileSync(
    file('authority.cnf'),
    `[req]
distinguished_name = name
x509_extensions = authority
prompt = no
[name]
CN = Even Shot at ${
      hostname()
        .replace(/[^\w.-]/g, '')
        .slice(0, 40) || 'the workshop'
    }
[authority]
basicConstraints = critical, CA:TRUE, pathlen:0
keyUsage = critical, keyCertSign, cRLSign
subjectKeyIdentifier = hash
nameConstraints = critical, permitted;IP:10.0.0.0/255.0.0.0, permitted;IP:172.16.0.0/255.240.0.0, permitted;IP:192.168.0.0/255.255.0.0, permitted;IP:127.0.0.0/255.0.0.0, permitted;DNS:.invalid
`,
  )
  openssl(
    ['req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes', '-sha256'],
    ['-days', String(authorityDays), '-config', file('authority.cnf')],
    ['-keyout', file('authority.key'), '-out', file('authority.pem')],
  )
  chmodSync(file('authority.key'), 0o600)
}

function makeCertificate(folder: string, host: string): void {
  const file = (name: string) => join(folder, name)
  writeFileSync(
    file('server.cnf'),
    `[req]
distinguished_name = name
prompt = no
[name]
CN = Even Shot
[server]
basicConstraints = CA:FALSE
keyUsage = critical, digitalSignature
extendedKeyUsage = serverAuth
subjectAltName = IP:${host}
`,
  )
  openssl(
    ['req', '-new', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes', '-sha256'],
    ['-config', file('server.cnf'), '-keyout', file('server.key'), '-out', file('server.csr')],
  )
  openssl(
    ['x509', '-req', '-in', file('server.csr'), '-CA', file('authority.pem'), '-CAkey', file('authority.key')],
    ['-CAcreateserial', '-days', String(certificateDays), '-sha256'],
    ['-extfile', file('server.cnf'), '-extensions', 'server', '-out', file('server.pem')],
  )
  chmodSync(file('server.key'), 0o600)
}

function openssl(...words: string[][]): void {
  try {
    execFileSync('openssl', words.flat(), { stdio: ['ignore', 'ignore', 'pipe'] })
  } catch (error) {
    if ((error as { code?: string }).code === 'ENOENT')
      throw new Error('--phones needs openssl. On Debian: apt install openssl')
    throw new Error(`openssl did not make the certificate: ${(error as { stderr?: Buffer }).stderr?.toString().trim()}`)
  }
}

/** What the terminal says of it: where, how a phone comes to trust it, and what that opens. */
export async function phonesWords(door: PhonesDoor): Promise<string> {
  const welcome = `http://${door.host}:${door.welcomePort}/`
  const { fingerprint256 } = new X509Certificate(readFileSync(door.authorityFile))
  const others = workshopAddresses().filter((address) => address !== door.host)
  return [
    `  For phones in the same network: https://${door.host}:${door.port}`,
    '  1. On the phone open the address in this code. It is a page without secrets:',
    `     ${welcome}`,
    (await QRCode.toString(welcome, { type: 'terminal', small: true })).replace(/^/gm, '     ').trimEnd(),
    '  2. Compare the fingerprint it shows with this one, sign by sign:',
    `     ${fingerprint256.match(/.{1,48}/g)!.join('\n     ')}`,
    '  3. Fetch the certificate there and install it, as the page says for your phone.',
    '  4. Go on to the application from there and sign in.',
    '  5. Lost phones: sign them out under Signing in.',
    '',
    '  What this opens: whoever is in this network can reach the sign-in page. Guests belong in another network. The',
    '  certificate vouches for addresses of private networks alone; keep data/phones out of other hands all the same.',
    ...(others.length > 0 ? [`  This computer has other addresses too: --phones=${others[0]}`] : []),
    '',
  ].join('\n')
}
