import { join } from 'node:path'
import { firmIds } from '../src/records/accounts.ts'
import { openDatabase } from '../src/records/database.ts'
import { catchUp } from '../src/services/projections.ts'
import { forgetStandings } from '../src/services/rebuild.ts'
import { startCluster } from './cluster.ts'
import { givenDatabase, privateDatabase } from './database.ts'
import { root } from './install.mjs'
import { isRunning } from './running.ts'

// `npm run rebuild`: reckons every standing anew from the ledger; the figures come out the same.
const dataDir = process.env.EVENSHOT_DATA ?? join(root, 'data')
const stops = (await isRunning(dataDir, 0)) === null
const given = givenDatabase()
const cluster = given ? null : await startCluster(dataDir)
const urls = given ?? (await privateDatabase(cluster!, dataDir))
const db = openDatabase(urls.appUrl, 2)
try {
  for (const firmId of await firmIds(db)) {
    await forgetStandings(db, firmId)
    console.log(`${await catchUp(db, firmId)} machines and softeners reckoned anew`)
  }
} finally {
  await db.destroy()
  if (stops) await cluster?.stop()
}
