import { setTimeout as wait } from 'node:timers/promises'
import { quantile } from '../../bench/times.ts'
import { type Dice, dice } from '../../src/demo/dice.ts'
import { accountByEmail } from '../../src/records/accounts.ts'
import { withFirm } from '../../src/records/database.ts'
import { demoSignIn } from '../../src/services/demo-firm.ts'
import { entryAbout } from '../records/a-database.ts'
import { type Application, headersOf, startApplication } from './application.ts'
import { addCounts, roundsAsked } from './figures.ts'

// `npm run drill:load [-- seconds]`: the demo world asked by 1, 8, 64 and 512 clients at once, four of five times for a
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

const application = await startApplication([], { EVENSHOT_LOG: 'error' })
try {
  const place = await placeOf(application)
  const alone = await healthMs(application)
  console.log(`/healthz, one at a time: ${alone.toFixed(1)} ms`)
  let broken = 0
  for (const clients of clientCounts) {
    const came = await run(place, clients)
    const fives = came.filter(({ status }) => status >= 500 && status !== 503)
    broken += fives.length
    console.log(inWords(clients, came))
    addCounts('load', {
      requests: came.length,
      'answered 503': came.filter(({ status }) => status === 503).length,
      'answered with another 5xx': fives.length,
    })
  }
  if (broken > 0) throw new Error(`${broken} requests met a breakdown`)
} finally {
  await application.stop()
}

async function placeOf(application: Application): Promise<Place> {
  const db = application.openDb()
  try {
    const { firmId, technicianId } = (await accountByEmail(db, demoSignIn.email))!
    const machines = await withFirm(db, firmId, (trx) => trx('machine').orderBy('id').pluck('id'))
    return { application, headers: await headersOf(db, firmId, technicianId), machines }
  } finally {
    await db.destroy()
  }
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
