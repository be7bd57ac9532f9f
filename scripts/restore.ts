import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { openDatabase } from '../src/records/database.ts'
import { tellEveryFirm } from '../src/services/signing-in/tell.ts'
import { startCluster } from './cluster.ts'
import { bringUpToDate, givenDatabase, privateDatabase } from './database.ts'
import { readBackup } from './dump.ts'
import { locked, root } from './install.mjs'
import { isRunning } from './running.ts'
import { saveBefore } from './save-before.ts'
import { sealedEnding, unseal } from './seal.ts'

// `npm run restore -- folder [--replace]`: reads a backup, compares it, and only then puts it in place. A sealed one takes
// its key too: `npm run restore -- file.tar.age --key=file`.
const dataDir = process.env.EVENSHOT_DATA ?? join(root, 'data')
const [folder] = process.argv.slice(2).filter((word) => !word.startsWith('--'))
const replace = process.argv.includes('--replace')
try {
  if (!folder) throw new Error('Which backup? npm run restore -- <folder>')
  const opened = folder.endsWith(sealedEnding) ? await openSealed(resolve(folder)) : null
  try {
    await locked('start', () => restore(opened ?? resolve(folder)))
  } finally {
    if (opened) rmSync(dirname(dirname(opened)), { recursive: true, force: true })
  }
} catch (error) {
  console.error((error as Error).message)
  process.exitCode = 1
}

async function openSealed(file: string): Promise<string> {
  const key = process.argv.find((word) => word.startsWith('--key='))?.slice('--key='.length)
  if (!key) throw new Error('This backup is sealed: npm run restore -- <file> --key=<file with the secret key>')
  return unseal(file, readFileSync(key, 'utf8'), join(mkdtempSync(join(tmpdir(), 'evenshot-open-')), 'backup'))
}

async function restore(from: string): Promise<void> {
  if (await isRunning(dataDir, 0)) throw new Error('The application runs: stop it first, then restore.')
  const given = givenDatabase()
  if (given) {
    const { madeAt } = await readBackup(from, given.ownerUrl, join(dataDir, 'files'))
    await bringUpToDate(given)
    await sayRestored(given.appUrl)
    console.log(`Restored and compared: the backup of ${madeAt}`)
    return
  }
  const cluster = await startCluster(dataDir)
  const admin = openDatabase(cluster.adminUrl('postgres'), 1)
  try {
    const { rows } = await admin.raw(`select 1 from pg_database where datname = 'evenshot'`)
    const there = rows.length > 0
    if (there && !replace)
      throw new Error('A database stands here already. With --replace it is set aside, not deleted.')
    const fresh = await privateDatabase(cluster, dataDir, 'evenshot_restored')
    const { madeAt } = await readBackup(from, fresh.ownerUrl, join(dataDir, 'files'))
    const aside = `evenshot_${new Date().toISOString().replace(/\D/g, '').slice(0, 14)}`
    // Both or neither: there is no moment without a database of that name.
    await admin.transaction(async (trx) => {
      if (there) await trx.raw('alter database evenshot rename to ??', [aside])
      await trx.raw('alter database evenshot_restored rename to evenshot')
    })
    if (there) console.log(`What stood here before is set aside as the database ${aside}.`)
    const urls = await privateDatabase(cluster, dataDir)
    await bringUpToDate(urls, (steps) => saveBefore(urls.ownerUrl, dataDir, steps))
    await sayRestored(urls.appUrl)
    console.log(`Restored and compared: the backup of ${madeAt}.`)
  } catch (error) {
    await admin.raw('drop database if exists evenshot_restored with (force)')
    throw error
  } finally {
    await admin.destroy()
    await cluster.stop()
  }
}

/** Its owners read in their log that what they see was put in place. */
async function sayRestored(appUrl: string): Promise<void> {
  const db = openDatabase(appUrl, 1)
  await tellEveryFirm(db, 'restored').finally(() => db.destroy())
}
