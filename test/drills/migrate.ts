import { spawn } from 'node:child_process'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startCluster } from '../../scripts/cluster.ts'
import { privateDatabase } from '../../scripts/database.ts'
import { root } from '../../scripts/install.mjs'
import { type Db, openDatabase } from '../../src/records/database.ts'
import { migrate, stepNames } from '../../src/records/migrate.ts'
import { addCounts, roundsAsked } from './figures.ts'

// `npm run drill:migrate [-- every]`: an empty database is brought up to date and its connections are cut after one
// statement, after two, and so on to the last (or after every so-manieth); begun again it must come to the shape of one
// nobody disturbed. Then several processes begin at once, and one of them is killed.
const every = roundsAsked(1)
const role = 'evenshot_app'

if (process.env.EVENSHOT_DRILL_URL) {
  // One of several starters.
  const db = openDatabase(process.env.EVENSHOT_DRILL_URL, 2)
  await migrate(db, role)
  await db.destroy()
} else await drill()

async function drill(): Promise<void> {
  const work = mkdtempSync(join(tmpdir(), 'evenshot-migrate-'))
  chmodSync(work, 0o755)
  const cluster = await startCluster(join(work, 'data'))
  const admin = openDatabase(cluster.adminUrl('postgres'), 1)
  const counts = { 'cut off': 0, 'killed among several': 0, 'came out otherwise': 0 }
  try {
    const clean = await fresh('clean')
    const statements = await counted(clean)
    const wanted = await shapeOf(clean)
    for (let n = 1; n <= statements; n += every) {
      const url = await fresh(`cut_${n}`)
      await cutAfter(url, n)
      const db = openDatabase(url, 2)
      await migrate(db, role)
      await db.destroy()
      counts['cut off'] += 1
      if ((await shapeOf(url)) !== wanted) counts['came out otherwise'] += 1
      await admin.raw('drop database ?? with (force)', [`cut_${n}`])
    }
    for (let n = 0; n < Math.max(1, Math.round(12 / every)); n += 1) {
      const url = await fresh(`many_${n}`)
      await severalStart(url, 150 + n * 90)
      counts['killed among several'] += 1
      if ((await shapeOf(url)) !== wanted) counts['came out otherwise'] += 1
    }
    console.log(`${statements} statements in ${stepNames.length} steps. In this run: ${JSON.stringify(counts)}`)
    console.log(`In all: ${JSON.stringify(addCounts('migrate', counts))}`)
    if (counts['came out otherwise'] > 0) throw new Error('A migration that was cut off came out otherwise')
  } finally {
    await admin.destroy()
    await cluster.stop()
    rmSync(work, { recursive: true, force: true })
  }

  async function fresh(name: string): Promise<string> {
    return (await privateDatabase(cluster, join(work, 'data'), name)).ownerUrl
  }

  /** Cuts every connection to the database after so many statements, as a power cut does. */
  async function cutAfter(url: string, n: number): Promise<void> {
    const db = openDatabase(url, 2)
    let seen = 0
    let cut: Promise<unknown> | null = null
    db.on('query-response', () => {
      seen += 1
      const name = new URL(url).pathname.slice(1)
      if (seen === n)
        cut = admin.raw('select pg_terminate_backend(pid) from pg_stat_activity where datname = ?', [name]).then()
    })
    await migrate(db, role).catch(() => undefined)
    await cut
    await db.destroy()
  }
}

/** How many statements it takes, undisturbed. */
async function counted(url: string): Promise<number> {
  const db = openDatabase(url, 2)
  let seen = 0
  db.on('query-response', () => {
    seen += 1
  })
  await migrate(db, role)
  await db.destroy()
  return seen
}

/** Three processes at once, one of which is killed after a while; whoever is left, or begins again, finishes it. */
async function severalStart(url: string, killedAfterMs: number): Promise<void> {
  const starter = () =>
    spawn(join(root, 'node_modules/.bin/tsx'), [import.meta.filename], {
      cwd: root,
      stdio: 'ignore',
      env: { ...process.env, EVENSHOT_DRILL_URL: url },
    })
  const all = [starter(), starter(), starter()]
  setTimeout(() => all[0]!.kill('SIGKILL'), killedAfterMs + 600)
  await Promise.all(all.map((child) => new Promise((resolve) => child.once('exit', resolve))))
}

/** Tables, columns, rules, rights and steps, as text. */
async function shapeOf(url: string): Promise<string> {
  const db: Db = openDatabase(url, 1)
  const asked = [
    `select table_name, column_name, data_type, is_nullable, column_default from information_schema.columns
       where table_schema = 'public' order by 1, 2`,
    `select conrelid::regclass::text as of, conname, pg_get_constraintdef(oid) as says from pg_constraint
       where connamespace = 'public'::regnamespace order by 1, 2`,
    `select indexname, indexdef from pg_indexes where schemaname = 'public' order by 1`,
    `select tablename, policyname, qual, with_check from pg_policies order by 1, 2`,
    `select table_name, grantee, privilege_type from information_schema.role_table_grants
       where table_schema = 'public' order by 1, 2, 3`,
    'select name from knex_migrations order by id',
  ]
  try {
    const told: unknown[] = []
    for (const sql of asked) told.push((await db.raw(sql)).rows)
    return JSON.stringify(told)
  } finally {
    await db.destroy()
  }
}
