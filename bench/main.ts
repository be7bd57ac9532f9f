import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { cpus, tmpdir, totalmem } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { type Cluster, startCluster } from '../scripts/cluster.ts'
import { bringUpToDate, privateDatabase } from '../scripts/database.ts'
import { root } from '../scripts/install.mjs'
import { reckonMachine } from '../src/core/standing/reckon-machine.ts'
import { type Db, openDatabase, withFirm } from '../src/records/database.ts'
import { keptPart } from '../src/records/plan-parts.ts'
import { now as clockNow } from '../src/services/clock.ts'
import { reckonWaiting } from '../src/services/rebuild.ts'
import { gatherings, roundPage } from '../src/services/round.ts'
import { makePart } from '../src/services/weeks/make-plan.ts'
import { planParts } from '../src/services/weeks/plan-parts.ts'
import { weeksAhead } from '../src/services/weeks/weeks-ahead.ts'
import { isWritten, writeGroup } from '../src/services/write-entries.ts'
import { serveUntilTold, tokenOf, withServer } from './a-server.ts'
import { forecastCoverage } from './forecast.ts'
import { machineLedgers } from './machine-ledgers.ts'
import { makeManyMachines } from './many-machines.ts'
import { scriptBytes } from './script-bytes.ts'
import { median, quantile, times } from './times.ts'

const today = '2026-11-26'
const now = new Date(`${today}T07:34:00Z`)
const rounds = 200
/** Simulated counters the forecast bands are held against. */
const counters = 500

interface Size {
  machines: number
  /** Where each has a livelier past than is usual here. */
  entriesEach?: number
}

/** `npm run bench -- 5000` for one size, `-- 50000x270` with so many entries each, `-- forecast` for the bands alone. */
function sizes(): Size[] {
  const asked = process.argv.slice(2).flatMap((size): Size[] => {
    const [machines = 0, entriesEach] = size.split('x').map(Number)
    return machines > 0 ? [{ machines, ...(entriesEach && { entriesEach }) }] : []
  })
  return asked.length > 0 ? asked : [{ machines: 5000 }, { machines: 50_000 }]
}

interface Measured {
  machines: number
  rows: Record<string, string>
}

async function bench(all: Size[]): Promise<void> {
  const work = mkdtempSync(join(tmpdir(), 'evenshot-bench-'))
  chmodSync(work, 0o755)
  console.log(
    `${cpus().length} cores (${cpus()[0]!.model}), ${Math.round(totalmem() / 2 ** 30)} GB, Node.js ${process.version}\n`,
  )
  console.log(reckoningSpeed())
  console.log(`${forecastCoverage(counters)}\n`)
  const cluster = await startCluster(join(work, 'data'))
  try {
    const measured: Measured[] = []
    for (const size of all) measured.push(await atSize(cluster, join(work, 'data'), size))
    console.log(table(measured))
  } finally {
    await cluster.stop()
    rmSync(work, { recursive: true, force: true })
  }
}

/** Machines of the demo world reckoned a second on this one thread, from ledgers in memory. */
function reckoningSpeed(): string {
  const ledgers = machineLedgers()
  const entries = ledgers.reduce((sum, { machine }) => sum + machine!.length, 0) / ledgers.length
  const perSecond = (showWorking: boolean) => {
    const run = () => {
      // Fresh lists: nothing is remembered from the round before.
      const fresh = ledgers.map((one) => ({ ...one, machine: [...one.machine!] }))
      const start = performance.now()
      for (const one of fresh) reckonMachine(one, { showWorking })
      return performance.now() - start
    }
    for (let i = 0; i < 30; i += 1) run()
    const ms = Array.from({ length: 60 }, run).sort((a, b) => a - b)
    return Math.round((ledgers.length / median(ms)) * 1000)
  }
  return `Demo world, ${Math.round(entries)} entries a machine: ${perSecond(false)} machines/s reckoned for a board, ${perSecond(true)} with every working\n`
}

async function atSize(cluster: Cluster, dataDir: string, { machines, entriesEach }: Size): Promise<Measured> {
  const name = `evenshot_bench_${machines}_${entriesEach ?? ''}`
  const urls = await privateDatabase(cluster, dataDir, name)
  await bringUpToDate(urls)
  const owner = openDatabase(urls.ownerUrl, 2)
  const app = openDatabase(urls.appUrl, 4)
  const rows: Record<string, string> = {}
  const say = (what: string, value: string) => {
    rows[what] = value
    console.log(`  ${what}: ${value}`)
  }
  console.log(`${machines} machines`)
  try {
    const filling = performance.now()
    const firmId = await makeManyMachines(owner, machines, today, entriesEach)
    const { rows: counted } = await owner.raw('select count(*) as n from entry')
    console.log(`  filled with ${counted[0].n} entries in ${seconds(filling)} s`)
    say('Reckoned a second, in memory, one thread', String(await inMemory(app, firmId)))
    const reckoning = performance.now()
    const done = await reckonWaiting(app, firmId)
    say('Reckoned and stored a second, one worker', (done / ((performance.now() - reckoning) / 1000)).toFixed(0))
    const { rows: stored } = await owner.raw('select count(*) as n, pg_total_relation_size(?) as bytes from standing', [
      'standing',
    ])
    say('Standings', `${stored[0].n} in ${Math.round(stored[0].bytes / 1e6)} MB`)
    await owner.raw('vacuum analyze')
    await withServer(urls.appUrl, async (url) => {
      const cookie = `evenshot_session=${await tokenOf(app, firmId)}`
      const get = async (path: string) => {
        const response = await fetch(`${url}${path}`, { headers: { cookie } })
        if (!response.ok) throw new Error(`${path}: ${response.status}`)
        return response.text()
      }
      const board = await againstSql(app, firmId, () => roundPage(app, firmId, { horizon: 'quarter' }, today), {
        url: '/api/round',
        get,
        rounds,
      })
      say(`GET /api/round, ${JSON.parse(await get('/api/round')).rows.length} rows, p50`, ms(board.http))
      say('its bare SQL p50', ms(board.sql))
      say('ratio (reach ≤ 3)', (board.http / board.sql).toFixed(2))
      const page = await times(rounds, () => get('/round'))
      say('Round page p50 / p95', `${ms(median(page))} / ${ms(quantile(page, 0.95))}`)
      const far = await times(50, async () => get(`/api/round?horizon=all&cursor=${await deepCursor(app, firmId)}`))
      say('A page deep in the list p50', ms(median(far)))
      const found = await times(50, (i) => get(`/api/round?horizon=all&text=MM-${1 + ((i * 37) % machines)}`))
      say('Found by serial in the Round p50', ms(median(found)))
      await weeksAheadMeasured(app, firmId, get, say)
      for (const gather of gatherings) {
        const gathered = await times(12, () => get(`/api/round?gather=${gather}`))
        say(`Gathered by ${gather} p50`, ms(median(gathered)))
      }
      const list = await times(50, () => get('/machines'))
      say('Machines page p50', ms(median(list)))
      await entrySaved(app, firmId, say)
      if (machines === sizes()[0]!.machines) await bytes(get, app, firmId, say)
    })
  } finally {
    await app.destroy()
    await owner.destroy()
  }
  return { machines, rows }
}

/** Machines a second from ledgers already fetched: the reckoning alone, on data of this shape. */
async function inMemory(app: Db, firmId: string): Promise<number> {
  const { ledgersById, ledgersOf } = await import('../src/services/reckon-subjects.ts')
  const { reckonedByIds, toReckon } = await import('../src/records/subjects.ts')
  return withFirm(app, firmId, async (trx) => {
    const subjects = await reckonedByIds(trx, await toReckon(trx, 2000))
    const byId = await ledgersById(trx, firmId, subjects)
    for (const subject of subjects.slice(0, 500))
      reckonMachine(ledgersOf(firmId, subject, byId), { showWorking: false })
    const fresh = await ledgersById(trx, firmId, subjects)
    const start = performance.now()
    for (const subject of subjects) reckonMachine(ledgersOf(firmId, subject, fresh), { showWorking: false })
    return Math.round((subjects.length / (performance.now() - start)) * 1000)
  })
}

/** An endpoint against the very statements it runs, in turn, in one run: ms, the middle of each. */
async function againstSql(
  app: Db,
  firmId: string,
  work: () => Promise<unknown>,
  { url, get, rounds: turns }: { url: string; get: (path: string) => Promise<string>; rounds: number },
): Promise<{ http: number; sql: number }> {
  const statements = await recorded(app, work)
  const endpoint: number[] = []
  const bare: number[] = []
  for (let i = 0; i < turns; i += 1) {
    endpoint.push(...(await times(1, () => get(url))))
    bare.push(...(await times(1, () => replay(app, firmId, statements))))
  }
  // The first tenth warms both.
  const [http, sql] = [endpoint, bare].map((list) =>
    median(list.slice(Math.ceil(turns / 10)).sort((a, b) => a - b)),
  ) as [number, number]
  return { http, sql }
}

/** The weeks ahead: the whole plan where there is one, and the first page of it beside its bare SQL. */
async function weeksAheadMeasured(
  app: Db,
  firmId: string,
  get: (path: string) => Promise<string>,
  say: (what: string, value: string) => void,
): Promise<void> {
  const start = performance.now()
  const parts = await withFirm(app, firmId, (trx) => planParts(trx, firmId))
  // Of many parts, each a technician’s, the first: the others are alike.
  await makePart(app, firmId, parts[0]!.id)
  const plan = await withFirm(app, firmId, (trx) => keptPart(trx, parts[0]!.id))
  const { cost, least } = plan!.body
  say('Visits of twelve weeks, parts planned', String(parts.length))
  say(
    'one part planned in',
    `${seconds(start)} s, ${(cost / 60).toFixed(0)} h, no plan below ${(least / 60).toFixed(0)} h`,
  )
  const weeks = await againstSql(
    app,
    firmId,
    () => weeksAhead(app, firmId, clockNow().toISOString().slice(0, 10), { technicianId: parts[0]!.id }),
    {
      url: `/api/round/weeks?who=${parts[0]!.id}`,
      get,
      rounds: 20,
    },
  )
  say('GET /api/round/weeks p50', ms(weeks.http))
  say('its bare SQL p50, weeks', ms(weeks.sql))
}

/** Saves against the same writes with nothing fetched to reckon from and nothing reckoned; both undone. */
async function entrySaved(app: Db, firmId: string, say: (what: string, value: string) => void): Promise<void> {
  const machineIds: string[] = await withFirm(app, firmId, (trx) => trx('machine').orderBy('id').limit(120).pluck('id'))
  const [owner] = await withFirm(app, firmId, (trx) => trx('technician').where({ role: 'owner' }).pluck('id'))
  const actor = { firmId, technicianId: owner as string, role: 'owner' as const }
  const undone = (work: (trx: Knex.Transaction) => Promise<unknown>) =>
    withFirm(app, firmId, async (trx) => {
      await work(trx)
      throw new Error('undone')
    }).catch((error: Error) => {
      if (error.message !== 'undone') throw error
    })
  const whole: number[] = []
  const writes: number[] = []
  for (const [i, id] of machineIds.entries()) {
    const entry = {
      id: `01939000-0000-7000-8000-${String(i).padStart(12, '0')}`,
      subjectKind: 'machine',
      subjectId: id,
      kind: 'reading',
      happenedAt: now.toISOString(),
      happenedOn: today,
      body: { v: 1, counter: 'shots', count: 90_000 },
    }
    const statements: Statement[] = []
    const listen = (query: Statement) => statements.push({ sql: query.sql, bindings: query.bindings })
    app.on('query', listen)
    const save = async (trx: Knex.Transaction) => {
      const answer = await writeGroup(trx, actor, [entry], { now })
      if (!isWritten(answer)) throw new Error(`refused: ${JSON.stringify(answer)}`)
    }
    whole.push(...(await times(1, () => undone(save))))
    app.off('query', listen)
    const kept = statements.filter(({ sql }) => /^(insert|update|delete|with taken)|for update/i.test(sql.trim()))
    writes.push(...(await times(1, () => undone(async (trx) => run(trx, kept)))))
  }
  const [all, bare] = [whole, writes].map((list) => median(list.slice(20).sort((a, b) => a - b))) as [number, number]
  say('An entry saved p50', ms(all))
  say('the same writes without reckoning p50', ms(bare))
  say('ratio (reach ≤ 2.5)', (all / bare).toFixed(2))
}

async function bytes(
  get: (path: string) => Promise<string>,
  app: Db,
  firmId: string,
  say: (what: string, value: string) => void,
): Promise<void> {
  const [machine] = await withFirm(app, firmId, (trx) => trx('machine').limit(1).pluck('id'))
  const [site] = await withFirm(app, firmId, (trx) => trx('site').limit(1).pluck('id'))
  const pages = [
    '/round',
    '/machines',
    `/machines/${machine}`,
    `/machines/${machine}/entry`,
    '/sites',
    `/sites/${site}`,
    '/visits',
    '/firm',
    '/data',
  ]
  for (const path of pages) {
    const size = scriptBytes(join(root, 'dist/client'), await get(path))
    say(`Script of ${path.replace(/[0-9a-f-]{36}/, '…')}`, `${Math.round(size / 1000)} kB`)
  }
}

interface Statement {
  sql: string
  bindings: unknown[]
}

/** Statements some work runs. */
async function recorded(app: Db, work: () => Promise<unknown>): Promise<Statement[]> {
  const statements: Statement[] = []
  const listen = (query: Statement) => statements.push({ sql: query.sql, bindings: query.bindings })
  app.on('query', listen)
  await work()
  app.off('query', listen)
  return statements.filter(({ sql }) => !/^(begin|commit|rollback)|set_config/i.test(sql))
}

const replay = (app: Db, firmId: string, statements: Statement[]) =>
  withFirm(app, firmId, (trx) => run(trx, statements))

/** Through the driver, without the builder: the bare statements. */
async function run(trx: Knex.Transaction, statements: Statement[]): Promise<void> {
  const connection = await (
    trx as unknown as {
      client: { acquireConnection(): Promise<{ query(sql: string, values: unknown[]): Promise<unknown> }> }
    }
  ).client.acquireConnection()
  for (const { sql, bindings } of statements) await connection.query(sql, bindings)
}

let deep: string | null = null
async function deepCursor(app: Db, firmId: string): Promise<string> {
  if (deep) return deep
  const row = await withFirm(app, firmId, async (trx) => {
    const due = () => trx('standing').whereNotNull('due_p50')
    const all = await due().count({ n: '*' }).first()
    return due()
      .orderBy(['due_p50', 'due_p90', 'subject_id', 'key'])
      .offset(Math.min(100_000, Math.floor(Number(all!.n) / 2)))
      .first()
  })
  deep = Buffer.from(JSON.stringify([row.due_p50, row.due_p90, row.subject_id, row.key])).toString('base64url')
  return deep
}

function table(measured: Measured[]): string {
  const names = [...new Set(measured.flatMap(({ rows }) => Object.keys(rows)))]
  const number = (text: string | undefined) => Number(/^[\d.]+/.exec(text ?? '')?.[0] ?? Number.NaN)
  const growth = (name: string) => {
    const [first, last] = [number(measured[0]!.rows[name]), number(measured.at(-1)!.rows[name])]
    return measured.length > 1 && Number.isFinite(last / first) ? `× ${(last / first).toFixed(2)}` : ''
  }
  const head = ['', ...measured.map(({ machines }) => `${machines.toLocaleString('en-GB')} machines`), 'growth']
  const lines = [
    head,
    head.map(() => '---'),
    ...names.map((name) => [name, ...measured.map(({ rows }) => rows[name] ?? ''), growth(name)]),
  ]
  const text = lines.map((cells) => `| ${cells.join(' | ')} |`).join('\n')
  const out = process.env.EVENSHOT_BENCH_OUT
  if (out) writeFileSync(out, `${text}\n`)
  return `\n${text}`
}

const ms = (value: number) => `${value.toFixed(1)} ms`
const seconds = (since: number) => ((performance.now() - since) / 1000).toFixed(1)

if (process.argv[2] === '--serve') await serveUntilTold(process.argv[3]!, Number(process.argv[4]))
else if (process.argv[2] === 'forecast') console.log(forecastCoverage(counters))
else await bench(sizes())
