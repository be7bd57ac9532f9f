import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { copyFileSync, cpSync, existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { basename, dirname, join, relative } from 'node:path'
import { type Db, openDatabase } from '../src/records/database.ts'
import { stepNames } from '../src/records/migrate.ts'
import { postgresBin } from './packages.ts'

/** What a backup holds, so that a restore can say whether it came back whole. */
export interface Manifest {
  format: 'evenshot-backup'
  version: 1
  madeAt: string
  /** Migrations the database had been through. */
  migrations: string[]
  /** Rows of each table, and a digest of them whatever their order. */
  tables: Record<string, { rows: number; digest: string }>
  /** SHA-256 of each file, by its path in the files folder. */
  files: Record<string, string>
}

const dumpName = 'database.dump'
const manifestName = 'manifest.json'

/** Runs one of PostgreSQL's own programs. @throws Error with what it said */
async function program(name: string, url: string, args: string[]): Promise<void> {
  const bin = postgresBin()
  if (!bin) throw new Error(`PostgreSQL's ${name} is not installed: apt-get install postgresql-client`)
  const { username, password, hostname, port, pathname } = new URL(url)
  const child = spawn(join(bin, name), args, {
    stdio: ['ignore', 'ignore', 'pipe'],
    env: {
      ...process.env,
      PGHOST: hostname,
      PGPORT: port || '5432',
      PGUSER: decodeURIComponent(username),
      PGPASSWORD: decodeURIComponent(password),
      PGDATABASE: pathname.slice(1),
    },
  })
  let said = ''
  child.stderr.on('data', (text) => (said += text))
  const code = await new Promise<number | null>((resolve, reject) => {
    child.once('error', reject)
    child.once('close', resolve)
  })
  if (code !== 0) throw new Error(`${name} failed: ${said.trim() || `it ended with ${code}`}`)
}

/**
 * Writes the database and the files into a new folder, with a manifest of what is in it. Dump and digests are of one
 * moment, whoever writes meanwhile; a photo's file is there before its row, so files are copied after that moment.
 *
 * @param folder - made here; one that exists is refused
 * @throws Error where a photo of that moment has no file; the folder is then no backup
 */
export async function makeBackup(ownerUrl: string, filesDir: string, folder: string, now: Date): Promise<Manifest> {
  if (existsSync(folder)) throw new Error(`${folder} exists already: a backup gets a folder of its own`)
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const db = openDatabase(ownerUrl, 1)
  try {
    const ofThatMoment = await db.transaction(
      async (trx) => {
        const { rows } = await trx.raw('select pg_export_snapshot() as snapshot')
        const dump = ['--format=custom', `--snapshot=${rows[0].snapshot}`, `--file=${join(folder, dumpName)}`]
        await program('pg_dump', ownerUrl, dump)
        return { migrations: await migrationsOf(trx), tables: await tableDigests(trx), photos: await photosOf(trx) }
      },
      { isolationLevel: 'repeatable read', readOnly: true },
    )
    const { photos, ...database } = ofThatMoment
    const copied = join(folder, 'files')
    copyFiles(filesDir, copied)
    const files = fileDigests(copied)
    const there = new Set(Object.keys(files).map((path) => basename(path, '.jpg')))
    const missing = photos.filter((name) => !there.has(name))
    if (missing.length > 0)
      throw new Error(`Photos without a file: ${missing.slice(0, 3).join(', ')} (${missing.length} in all)`)
    const manifest: Manifest = {
      format: 'evenshot-backup',
      version: 1,
      madeAt: now.toISOString(),
      ...database,
      files,
    }
    writeFileSync(join(folder, manifestName), `${JSON.stringify(manifest, null, 2)}\n`)
    return manifest
  } finally {
    await db.destroy()
  }
}

/** Copies what is whole: files come and go meanwhile, and one that is still being written has a longer name. */
function copyFiles(from: string, to: string): void {
  if (!existsSync(from)) return
  for (const entry of readdirSync(from, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile() || isHalf(entry.name)) continue
    const path = relative(from, join(entry.parentPath, entry.name))
    mkdirSync(dirname(join(to, path)), { recursive: true, mode: 0o700 })
    try {
      copyFileSync(join(from, path), join(to, path))
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error
    }
  }
}

/** A file under its final name ends with its kind. */
const isHalf = (name: string) => /\.[0-9a-f]{8}-[0-9a-f-]{27}$/.test(name)

/** Photos that the database names. */
async function photosOf(trx: Db): Promise<string[]> {
  const { rows } = await trx.raw(`select to_regclass('public.photo') as there`)
  return rows[0].there ? trx('photo').distinct().pluck('name') : []
}

/**
 * Reads a backup into an empty database and compares it with the manifest, table by table and file by file.
 * @throws Error naming what differs; the database is then not to be used
 */
export async function readBackup(folder: string, ownerUrl: string, filesDir: string): Promise<Manifest> {
  const manifest = readManifest(folder)
  const later = manifest.migrations.filter((step) => !stepNames.includes(step))
  if (later.length > 0)
    throw new Error(`${folder} was made by a later version, which knows ${later.join(', ')}: restore it with that one.`)
  const copied = fileDigests(join(folder, 'files'))
  const wrongFiles = differing(manifest.files, copied)
  if (wrongFiles.length > 0) throw new Error(`The backup is damaged: ${wrongFiles.join(', ')}`)
  const db = openDatabase(ownerUrl, 1)
  try {
    const { rows } = await db.raw(`select count(*) as n from pg_tables where schemaname = 'public'`)
    if (rows[0].n > 0) throw new Error('The database to restore into is not empty.')
    await program('pg_restore', ownerUrl, [
      '--no-owner',
      '--exit-on-error',
      `--dbname=${new URL(ownerUrl).pathname.slice(1)}`,
      join(folder, dumpName),
    ])
    const restored = await tableDigests(db)
    const wrong = differing(flat(manifest.tables), flat(restored))
    if (wrong.length > 0) throw new Error(`What was restored is not what was backed up: ${wrong.join(', ')}`)
    if (existsSync(join(folder, 'files'))) cpSync(join(folder, 'files'), filesDir, { recursive: true })
    return manifest
  } finally {
    await db.destroy()
  }
}

export function readManifest(folder: string): Manifest {
  const file = join(folder, manifestName)
  if (!existsSync(file)) throw new Error(`${folder} holds no backup: ${manifestName} is missing`)
  const manifest = JSON.parse(readFileSync(file, 'utf8')) as Manifest
  if (manifest.format !== 'evenshot-backup' || manifest.version !== 1)
    throw new Error(`${file} is not of this kind: made by a later version?`)
  return manifest
}

const flat = (tables: Manifest['tables']) =>
  Object.fromEntries(Object.entries(tables).map(([name, { rows, digest }]) => [name, `${rows} ${digest}`]))

/** Names whose values differ, or that only one side has. */
function differing(a: Record<string, string>, b: Record<string, string>): string[] {
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].filter((name) => a[name] !== b[name]).sort()
}

async function migrationsOf(db: Db): Promise<string[]> {
  const { rows } = await db.raw(`select to_regclass('public.knex_migrations') as there`)
  return rows[0].there ? db('knex_migrations').orderBy('id').pluck('name') : []
}

/** Rows and an order-free digest of every table, as its owner sees it. */
export async function tableDigests(db: Db): Promise<Manifest['tables']> {
  const { rows } = await db.raw(`select tablename from pg_tables where schemaname = 'public' order by tablename`)
  const tables: Manifest['tables'] = {}
  for (const { tablename } of rows as { tablename: string }[]) {
    // Sixty bits of each row's hash, summed: the same rows give the same sum in any order.
    const found = await db.raw(
      `select count(*) as n, coalesce(sum(('x' || substr(md5(t::text), 1, 15))::bit(60)::bigint), 0)::text as digest from ?? t`,
      [tablename],
    )
    tables[tablename] = { rows: found.rows[0].n, digest: found.rows[0].digest }
  }
  return tables
}

function fileDigests(folder: string): Record<string, string> {
  if (!existsSync(folder)) return {}
  const files = readdirSync(folder, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile())
  return Object.fromEntries(
    files.map((entry) => {
      const path = join(entry.parentPath, entry.name)
      return [relative(folder, path), createHash('sha256').update(readFileSync(path)).digest('hex')]
    }),
  )
}
