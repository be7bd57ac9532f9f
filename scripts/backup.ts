import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { openDatabase } from '../src/records/database.ts'
import { type BackupState, backupStateFile } from '../src/services/backup-state.ts'
import { type Cluster, startCluster } from './cluster.ts'
import { backupFolder, givenDatabase, privateDatabase } from './database.ts'
import { makeBackup, readBackup } from './dump.ts'
import { root } from './install.mjs'
import { isRunning } from './running.ts'
import { sealIfAsked } from './seal.ts'
import { thinBackups } from './thin-backups.ts'

// `npm run backup [-- folder] [--fast]`: the database and the files, while the application runs or not. What was written
// is read back into a database of its own and compared before it is called a backup; `--fast` leaves that out. With
// `--thin` those that need not be kept are taken away afterwards: what `npm start` does every night.
const dataDir = process.env.EVENSHOT_DATA ?? join(root, 'data')
const stops = (await isRunning(dataDir, 0)) === null
const given = givenDatabase()
const cluster = given ? null : await startCluster(dataDir)
const urls = given ?? (await privateDatabase(cluster!, dataDir))
const now = new Date()
const words = process.argv.slice(2)
const isFast = words.includes('--fast')
const thins = words.includes('--thin')
const [asked] = words.filter((word) => !word.startsWith('--'))
const folder = asked ? resolve(asked) : backupFolder(dataDir, now)
try {
  const { tables, files } = await makeBackup(urls.ownerUrl, join(dataDir, 'files'), folder, now)
  if (cluster && !isFast) await readBack(cluster)
  const place = await sealIfAsked(folder)
  const rows = Object.values(tables).reduce((sum, table) => sum + table.rows, 0)
  console.log(
    `${place}: ${rows} rows of ${Object.keys(tables).length} tables, ${Object.keys(files).length} files${said(cluster !== null)}`,
  )
  if (thins) for (const gone of thinBackups(join(dataDir, 'backups'))) console.log(`${gone}: taken away`)
  tell({ ok: true, why: '' })
} catch (error) {
  tell({ ok: false, why: (error as Error).message })
  if (existsSync(folder) && !existsSync(join(folder, 'manifest.json'))) rmSync(folder, { recursive: true, force: true })
  console.error((error as Error).message)
  process.exitCode = 1
} finally {
  if (stops) await cluster?.stop()
}

/** Says what came of it where the application looks. */
function tell(came: Pick<BackupState, 'ok' | 'why'>): void {
  const file = backupStateFile(dataDir)
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 })
  writeFileSync(file, JSON.stringify({ at: now.toISOString(), ...came }))
}

/** Whether it was read back, and why not. */
function said(isOurs: boolean): string {
  if (isFast) return '. Not read back: --fast'
  return isOurs ? '. Read back and compared' : '. Not read back: an outside database is not ours to make another in'
}

/** Restores what was just written into a database of its own, which is gone afterwards. */
async function readBack(cluster: Cluster): Promise<void> {
  const name = `evenshot_check_${process.pid}`
  const files = mkdtempSync(join(tmpdir(), 'evenshot-check-'))
  const admin = openDatabase(cluster.adminUrl('postgres'), 1)
  try {
    const { ownerUrl } = await privateDatabase(cluster, dataDir, name)
    await readBackup(folder, ownerUrl, files)
  } finally {
    await admin.raw('drop database if exists ?? with (force)', [name])
    await admin.destroy()
    rmSync(files, { recursive: true, force: true })
  }
}
