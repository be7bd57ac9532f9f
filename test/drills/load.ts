import { setTimeout as wait } from 'node:timers/promises'
import { quantile } from '../../bench/times.ts'
import { root } from '../../scripts/install.mjs'
import { type Dice, dice } from '../../src/demo/dice.ts'
import { demoSignIn } from '../../src/services/demo-firm.ts'
import { entryAbout } from '../records/a-database.ts'
import { type Application, startApplication } from './application.ts'
import { addCounts, roundsAsked } from './figures.ts'

// `npm run drill:load [-- seconds [folder]]`, with a folder another commit's tree is asked in turn: the demo world asked by 1, 8, 64 and 512 clients at once, four of five times for a
// page or a board, else an entry saved. Whoever is told to come again does so, as a device does.
const clientCounts = [1, 8, 64, 512]
const seconds = roundsAsked(20)

interface Place {
  application: Application
  headers: Record<string, string>
  machines: string[]
}

interface Came {
  ms: number
  status: number
  isEntry: boolean
}

const trees = [root, ...process.argv.slice(3)]
const places: Place[] = []
try {
  for (const tree of trees) places.push(await placeOf(await startApplication([], { EVENSHOT_LOG: 'error' }, tree)))
  for (const [i, { application }] of places.entries())
    console.log(`${nameOf(i)}/healthz, one at a time: ${(await healthMs(application)).toFixed(1)} ms`)
  let broken = 0
  // In turn: a shared machine is never twice equally fast.
  for (const clients of clientCounts)
    for (const [i, place] of places.entries()) {
      const came = await run(place, clients)
      console.log(nameOf(i) + inWords(clients, came))
      if (i > 0) continue
      const fives = came.filter(({ status }) => status >= 500 && status !== 503)
      broken += fives.length
      addCounts('load', {
        requests: came.length,
        'answered 503': came.filter(({ status }) => status === 503).length,
        'answered with another 5xx': fives.length,
      })
    }
  if (broken > 0) throw new Error(`${broken} requests met a breakdown`)
} finally {
  for (const { application } of places) await application.stop()
}

function nameOf(i: number): string {
  return trees.length === 1 ? '' : i === 0 ? 'here   ' : 'there  '
}

/** Signed in by the form, as every commit has it. */
async function placeOf(application: Application): Promise<Place> {
  const { url } = application
  const signedIn = await fetch(`${url}/api/sign-in`, {
    method: 'POST',
    redirect: 'manual',
    headers: { origin: url, 'content-type': 'application/x-www-form-urlencoded' },
    body: new URLSearchParams({ ...demoSignIn }),
  })
  const cookie = signedIn.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ')
  const headers = { cookie, 'content-type': 'application/json' }
  const { rows } = (await (await fetch(`${url}/api/machines`, { headers })).json()) as { rows: { id: string }[] }
  return { application, headers, machines: rows.map(({ id }) => id) }
}

async function healthMs({ url }: Application): Promise<number> {
  const taken: number[] = []
  for (let i = 0; i < 100; i += 1) {
    const began = performance.now()
    await (await fetch(`${url}/healthz`)).arrayBuffer()
    taken.push(performance.now() - began)
  }
  return quantile(
    taken.sort((a, b) => a - b),
    0.5,
  )
}

async function run(place: Place, clients: number): Promise<Came[]> {
  const until = Date.now() + seconds * 1000
  const came: Came[] = []
  const client = async (n: number) => {
    const own = dice(`load ${clients} ${n}`)
    while (Date.now() < until) {
      const one = await ask(place, own)
      came.push(one)
      if (one.status === 503) await wait(1000 + 1000 * own.next())
    }
  }
  await Promise.all(Array.from({ length: clients }, (_, n) => client(n)))
  return came
}

async function ask({ application, headers, machines }: Place, own: Dice): Promise<Came> {
  const isEntry = own.chance(0.2)
  const machine = own.pick(machines)
  const path = own.pick(['/round', '/machines', `/machines/${machine}`, `/machines/${machine}`, '/api/round', '/sites'])
  const began = performance.now()
  const response = isEntry
    ? await fetch(`${application.url}/api/entries`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ entries: [entryAbout('machine', machine, 'note', { text: 'under load' })] }),
      })
    : await fetch(application.url + path, { headers })
  await response.arrayBuffer()
  return { ms: performance.now() - began, status: response.status, isEntry }
}

function inWords(clients: number, came: Came[]): string {
  const accepted = came.filter(({ status }) => status < 500)
  const ms = accepted.map((one) => one.ms).sort((a, b) => a - b)
  const at = (share: number) => `${Math.round(quantile(ms, share))}`
  const told = came.length - accepted.length
  const entries = accepted.filter(({ isEntry }) => isEntry).length
  return `${String(clients).padStart(3)} clients: ${(accepted.length / seconds).toFixed(1)} a second (${entries} entries), p50 ${at(0.5)}, p95 ${at(0.95)}, p99 ${at(0.99)} ms; ${told} told to come again or broken`
}
