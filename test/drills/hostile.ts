import { readFileSync } from 'node:fs'
import { request } from 'node:http'
import { connect, type Socket } from 'node:net'
import { setTimeout as wait } from 'node:timers/promises'
import { gzipSync } from 'node:zlib'
import sharp from 'sharp'
import { endpoints } from '../e2e/endpoints.ts'
import { oddRequests } from '../e2e/odd-bodies.ts'
import { type Application, firmIn, startApplication } from './application.ts'
import { addCounts, countsSoFar, roundsAsked } from './figures.ts'

// `npm run drill:hostile [-- bodies]`: what was found to stop a server, one after the other, while an owner goes on
// signing in from elsewhere: that is what counts, and that nothing answers with a breakdown. Then so many odd bodies
// over all endpoints. Go on with it: each run throws other ones.
const bodies = roundsAsked(2000)
/** A long run looks at the memory once more. */
const quietAfter = 3000
const application = await startApplication(['--own'], { EVENSHOT_SERVERS: '2' })
let watching = true
try {
  const { firm, headers } = await firmIn(application)
  const before = memoryMb(application)
  const slowest = { 'longest sign-in, ms': 0 }
  const watch = (async () => {
    // She signed in with this device before.
    const { cookies } = await signIn(application, firm.email, 'a good password', '127.0.0.3')
    while (watching) {
      const began = Date.now()
      const { status } = await signIn(application, firm.email, 'a good password', '127.0.0.3', { cookie: cookies })
      slowest['longest sign-in, ms'] = Math.max(slowest['longest sign-in, ms'], Date.now() - began)
      if (status !== 303) throw new Error(`The owner could not sign in: ${status}`)
      await wait(200)
    }
  })()
  const answers: Record<string, string> = {}
  for (const [name, attack] of attacks(application, headers, firm.email)) {
    answers[name] = tally(await attack())
    console.log(`${name}: ${answers[name]}`)
  }
  const asked = endpoints({ machine: firm.c2, site: firm.siteId, technician: firm.odile, session: firm.ines })
  const each = Math.ceil(bodies / asked.filter(({ data }) => data !== undefined).length)
  const thrown = oddRequests(asked, each, 1_000_000 + (countsSoFar('hostile').bodies ?? 0))
  const between = memoryMb(application)
  const statuses = await throwAll(application, headers, thrown)
  console.log(`${thrown.length} odd bodies: ${tally(statuses)}`)
  watching = false
  await watch
  const broken = [...Object.values(answers), tally(statuses)].filter((words) => /\b5(00|02|04)\b|gone/.test(words))
  const counts = {
    bodies: thrown.length,
    'broke down': statuses.filter((status) => status === '500').length,
    ...slowest,
  }
  console.log(
    `Memory of those who serve, MB: ${before} before, ${between} after the pictures, ${memoryMb(application)} after the bodies`,
  )
  if (bodies >= quietAfter) {
    // Whether it was only not given back yet.
    for (let i = 0; i < 60; i += 1) {
      await wait(1000)
      await fetch(`${application.url}/livez`)
    }
    console.log(`${memoryMb(application)} MB after a quiet minute`)
  }
  console.log(`In this run: ${JSON.stringify(counts)}`)
  console.log(`In all: ${JSON.stringify(addCounts('hostile', counts))}`)
  if (broken.length > 0) throw new Error(`Something broke down: ${broken.join('; ')}`)
} finally {
  watching = false
  await application.stop()
}

type Attack = [name: string, attack: () => Promise<string[]>]

function attacks(app: Application, headers: Record<string, string>, email: string): Attack[] {
  const many = (n: number, one: (i: number) => Promise<string>) =>
    Promise.all(Array.from({ length: n }, (_, i) => one(i)))
  const post = (path: string, body: string | Uint8Array<ArrayBuffer>, more: Record<string, string> = {}) =>
    answer(
      fetch(app.url + path, {
        method: 'POST',
        body,
        headers: { ...headers, ...more },
        signal: AbortSignal.timeout(60_000),
      }),
    )
  const photo = (bytes: Buffer) => post('/api/photos', JSON.stringify({ image: bytes.toString('base64') }))
  const svg = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" width="7700" height="7700"><filter id="f"><feTurbulence baseFrequency=".9" numOctaves="9"/><feGaussianBlur stdDeviation="90"/></filter><rect width="7700" height="7700" filter="url(#f)"/></svg>',
  )
  return [
    [
      'eight strangers send 290 MB of nothing, packed',
      () => {
        const packed = new Uint8Array(gzipSync(Buffer.alloc(290 * 2 ** 20, 0x20)))
        return many(8, () =>
          answer(
            fetch(`${app.url}/api/first-run-data`, {
              method: 'POST',
              body: packed,
              headers: { 'content-encoding': 'gzip', 'content-type': 'application/json' },
              signal: AbortSignal.timeout(60_000),
            }),
          ),
        )
      },
    ],
    [
      'one of the house sends 290 MB of nothing, packed',
      async () => [
        await post('/api/entries', new Uint8Array(gzipSync(Buffer.alloc(290 * 2 ** 20, 0x20))), {
          'content-encoding': 'gzip',
        }),
      ],
    ],
    ['a drawing that never ends, six times', () => many(6, () => photo(svg))],
    [
      'a picture of 59 million points, twenty times',
      async () => {
        const png = await sharp({ create: { width: 7700, height: 7700, channels: 3, background: '#fff' } })
          .png()
          .toBuffer()
        return many(20, () => photo(png))
      },
    ],
    [
      'a picture of 49 million points, twelve times',
      async () => {
        const png = await sharp({ create: { width: 7000, height: 7000, channels: 3, background: '#eee' } })
          .png()
          .toBuffer()
        return many(12, () => photo(png))
      },
    ],
    [
      'forty wrong passwords for the owner, all at once',
      () => many(40, (i) => leadsBack(app, email, `127.0.1.${i + 1}`)),
    ],
    [
      'sixty wrong passwords that say they come from elsewhere',
      async () => {
        const came: string[] = []
        for (let i = 0; i < 60; i += 1) {
          const said = { 'x-forwarded-for': `203.0.113.${i}` }
          came.push(await leadsBack(app, `guess${i}@test.example`, '127.0.2.1', said))
        }
        return came
      },
    ],
    [
      'five thousand levels',
      async () => [await post('/api/entries', `{"entries":${'['.repeat(5000)}${']'.repeat(5000)}}`)],
    ],
    ['TRACE', async () => [await raw(app, 'TRACE / HTTP/1.1\r\nHost: x\r\n\r\n')]],
    ['three hundred that send a letter a second', () => slowly(app, 300)],
    ['no HTTP at all', async () => [await raw(app, `${'\x16\x03\x01'.repeat(2000)}\r\n\r\n`)]],
    [
      'a header of a megabyte',
      async () => [await raw(app, `GET / HTTP/1.1\r\nHost: x\r\nX: ${'a'.repeat(2 ** 20)}\r\n\r\n`)],
    ],
  ]
}

async function answer(asked: Promise<Response>): Promise<string> {
  try {
    const response = await asked
    await response.arrayBuffer()
    return String(response.status)
  } catch {
    return 'hung up'
  }
}

/** How many of each answer. @example '4 × 401, 1 × 422' */
function tally(came: string[]): string {
  const times = new Map<string, number>()
  for (const one of came) times.set(one, (times.get(one) ?? 0) + 1)
  return [...times].map(([what, n]) => `${n} × ${what}`).join(', ')
}

async function throwAll(
  { url }: Application,
  headers: Record<string, string>,
  waiting: ReturnType<typeof oddRequests>,
): Promise<string[]> {
  const came: string[] = []
  const thrower = async () => {
    for (let one = waiting[came.length]; one; one = waiting[came.length]) {
      const at = came.push('') - 1
      came[at] = await answer(fetch(url + one.path, { method: one.method, body: one.body, headers }))
      if (came[at] === '500') console.log(`500: ${one.path} ${one.body.slice(0, 300)}`)
    }
  }
  await Promise.all(Array.from({ length: 8 }, thrower))
  return came
}

/** A sign-in by the form, from an address of this machine. Status 303 leads in, 401 stands for being led back. */
function signIn(
  { url }: Application,
  email: string,
  password: string,
  from: string,
  more: Record<string, string> = {},
): Promise<{ status: number; cookies: string }> {
  const body = new URLSearchParams({ email, password }).toString()
  const headers = {
    origin: url,
    'content-type': 'application/x-www-form-urlencoded',
    'content-length': Buffer.byteLength(body),
    ...more,
  }
  return new Promise((resolve, reject) => {
    // A connection of its own: one left open may be closed just when it is used again.
    const asked = { method: 'POST', localAddress: from, agent: false, headers }
    const sent = request(`${url}/api/sign-in`, asked, (response) => {
      response.resume()
      const cookies = (response.headers['set-cookie'] ?? []).map((cookie) => cookie.split(';')[0]).join('; ')
      const isLedBack = response.statusCode === 303 && !cookies.includes('evenshot_session=')
      response.once('end', () => resolve({ status: isLedBack ? 401 : response.statusCode!, cookies }))
    })
    sent.once('error', reject)
    sent.end(body)
  })
}

async function leadsBack(app: Application, email: string, from: string, more: Record<string, string> = {}) {
  return String((await signIn(app, email, 'wrong', from, more)).status)
}

/** Words on a bare socket. @returns the first line of the answer */
function raw({ url }: Application, text: string): Promise<string> {
  return new Promise((resolve) => {
    const { port, hostname } = new URL(url)
    const socket = connect(Number(port), hostname, () => socket.write(text))
    socket.once('data', (data) => {
      resolve(String(data).split(' ')[1] ?? 'something')
      socket.destroy()
    })
    socket.once('error', () => resolve('hung up'))
    socket.once('close', () => resolve('hung up'))
    socket.setTimeout(20_000, () => socket.destroy())
  })
}

/** Many that hold a connection and say next to nothing. @returns what a plain request meets meanwhile */
async function slowly(app: Application, n: number): Promise<string[]> {
  const { port, hostname } = new URL(app.url)
  const sockets: Socket[] = Array.from({ length: n }, () =>
    connect(Number(port), hostname).on('error', () => undefined),
  )
  const came: string[] = []
  for (let i = 0; i < 5; i += 1) {
    for (const socket of sockets)
      socket.write(i === 0 ? 'POST /api/sign-in HTTP/1.1\r\nHost: x\r\nContent-Length: 1000\r\n\r\n' : 'a')
    came.push(await answer(fetch(`${app.url}/healthz`)))
    await wait(1000)
  }
  for (const socket of sockets) socket.destroy()
  return came
}

/** Resident memory of all that serve. */
function memoryMb(app: Application): number {
  const kb = app.servers().map((pid) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]))
  return Math.round(kb.reduce((sum, n) => sum + n, 0) / 1024)
}
