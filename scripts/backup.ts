import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { startCluster } from './cluster.ts'
import { backupFolder, givenDatabase, privateDatabase } from './database.ts'
import { makeBackup } from './dump.ts'
import { root } from './install.mjs'

// `npm run backup [-- folder]`: the database and the files, while the application runs or not.
const dataDir = process.env.EVENSHOT_DATA ?? join(root, 'data')
const stops = !existsSync(join(dataDir, 'running.json'))
const given = givenDatabase()
const cluster = given ? null : await startCluster(dataDir)
const urls = given ?? (await privateDatabase(cluster!, dataDir))
const now = new Date()
const folder = process.argv[2] ? resolve(process.argv[2]) : backupFolder(dataDir, now)
try {
  const { tables, files } = await makeBackup(urls.ownerUrl, join(dataDir, 'files'), folder, now)
  const rows = Object.values(tables).reduce((sum, table) => sum + table.rows, 0)
  console.log(`${folder}: ${rows} rows of ${Object.keys(tables).length} tables, ${Object.keys(files).length} files`)
} catch (error) {
  console.error((error as Error).message)
  process.exitCode = 1
} finally {
  if (stops) cluster?.stop()
}
