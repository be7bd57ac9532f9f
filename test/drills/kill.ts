import { readFileSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'
import { dice } from '../../src/demo/dice.ts'
import { entryAbout } from '../records/a-database.ts'
import { type Application, answersAgain, firmIn, startApplication } from './application.ts'
import { addCounts, type Counts, countsSoFar, roundsAsked } from './figures.ts'

// `npm run drill:kill [-- rounds]`: four write without pause, in groups of three entries that stand or fall together,
// and send again what was not acknowledged, as a device does. Meanwhile a serving process, all of them, or the database
// is killed as a power cut kills. What was acknowledged must be there, once; of a group all or nothing.
const rounds = roundsAsked(20)
const already = countsSoFar('kill')
const own = dice(`kill ${already['server kills'] ?? 0} ${already['database kills'] ?? 0}`)

/** As long as whoever starts a database waits for it at the most, and a moment for what ends before it. */
const databaseMs = 75_000

/** Not taken for a reason that sending again does not change. */
class Refused extends Error {}

interface Group {
  entries: ReturnType<typeof entryAbout>[]
  acknowledged: boolean
}

const application = await startApplication(['--own'], { EVENSHOT_SERVERS: '2' })
try {
  const { firm, headers } = await firmIn(application)
  const groups: Group[] = []
  let writing = true
  const writer = async (n: number) => {
    for (let i = 0; writing; i += 1) {
      const entries = [0, 1, 2].map((k) => entryAbout('machine', firm.c2, 'note', { text: `${n}, ${i}, ${k}` }))
      const group: Group = { entries, acknowledged: false }
      groups.push(group)
      while (writing && !group.acknowledged) {
        group.acknowledged = await send(application, headers, entries)
        if (!group.acknowledged) await wait(30)
      }
    }
  }
  const writers = [1, 2, 3, 4].map(writer)
  const counts: Counts = { 'server kills': 0, 'database kills': 0, 'longest outage, ms': 0 }
  for (let round = 0; round < rounds; round += 1) {
    await wait(100 + 400 * own.next())
    const kind = own.pick(['one server', 'one server', 'all servers', 'database'])
    const database = postmasterOf(application)
    if (kind === 'database') kill(database)
    else for (const pid of kind === 'one server' ? [own.pick(application.servers())] : application.servers()) kill(pid)
    counts[kind === 'database' ? 'database kills' : 'server kills']! += 1
    const killedAt = Date.now()
    // Those who serve the connections of a database outlive it by a moment, and answer: another must have come.
    if (kind === 'database') await anotherThan(application, database)
    await answersAgain(application)
    counts['longest outage, ms'] = Math.max(counts['longest outage, ms']!, Date.now() - killedAt)
  }
  writing = false
  await Promise.all(writers)
  Object.assign(counts, await compare(application, firm.firmId, groups))
  console.log(`In this run: ${JSON.stringify(counts)}`)
  console.log(`In all: ${JSON.stringify(addCounts('kill', counts))}`)
  if (counts.lost! + counts.doubled! + counts.half! > 0) throw new Error('The ledger is not what was acknowledged')
} finally {
  await application.stop()
}
// All is counted and stopped: what a connection that was cut left open keeps nobody waiting.
process.exit()

function kill(pid: number | undefined): void {
  // Nobody's number, or none yet: zero would be all of these here.
  if (!pid) return
  try {
    process.kill(pid, 'SIGKILL')
  } catch (error) {
    // One that was just ended is as dead as was asked.
    if ((error as { code?: string }).code !== 'ESRCH') throw error
  }
}

/** Waits until the database is another process. @throws Error when none has come, with what its keeper said last */
async function anotherThan(application: Application, former: number): Promise<void> {
  for (const began = Date.now(); Date.now() - began < databaseMs; await wait(20)) {
    // Between two of them there is no file that names one.
    if (![former, 0].includes(postmasterOf(application))) return
  }
  const said = readFileSync(application.logFile, 'utf8').slice(-3000)
  throw new Error(
    `No other database has come than ${former}, now ${postmasterOf(application)}; its keeper said:\n${said}`,
  )
}

function postmasterOf(application: Application): number {
  try {
    return application.postmaster()
  } catch {
    return 0
  }
}

/** @returns whether it was acknowledged; anything else is sent again */
async function send({ url }: Application, headers: Record<string, string>, entries: unknown[]): Promise<boolean> {
  try {
    const response = await fetch(`${url}/api/entries`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ entries }),
      signal: AbortSignal.timeout(15_000),
    })
    await response.arrayBuffer()
    if (response.status < 500 && !response.ok) throw new Refused(String(response.status))
    return response.ok
  } catch (error) {
    if (error instanceof Refused) throw error
    return false
  }
}

/** What stands in the database against what was acknowledged. */
async function compare(application: Application, firmId: string, groups: Group[]): Promise<Counts> {
  const db = application.openDb()
  try {
    const ids: string[] = await db.transaction(async (trx) => {
      await trx.raw(`select set_config('evenshot.firm', ?, true)`, [firmId])
      return trx('entry').pluck('id')
    })
    const times = new Map<string, number>()
    for (const id of ids) times.set(id, (times.get(id) ?? 0) + 1)
    const there = ({ entries }: Group) => entries.filter(({ id }) => times.has(id)).length
    const acknowledged = groups.filter((group) => group.acknowledged)
    return {
      'acknowledged entries': acknowledged.length * 3,
      lost: acknowledged.reduce((sum, group) => sum + 3 - there(group), 0),
      doubled: [...times.values()].filter((n) => n > 1).length,
      half: groups.filter((group) => ![0, 3].includes(there(group))).length,
    }
  } finally {
    await db.destroy()
  }
}
