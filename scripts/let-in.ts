import { join } from 'node:path'
import { openDatabase } from '../src/records/database.ts'
import { letInAgain } from '../src/services/signing-in/own.ts'
import { startCluster } from './cluster.ts'
import { givenDatabase, privateDatabase } from './database.ts'
import { root } from './install.mjs'
import { isRunning } from './running.ts'

// `npm run let-in -- address`: for whoever lost everything they sign in with and has no other owner to ask. Their second
// proofs are taken away, and a one-time link for a new password is printed. It stands in the firm's log.
const dataDir = process.env.EVENSHOT_DATA ?? join(root, 'data')
const there = await isRunning(dataDir, 0)
const given = givenDatabase()
const cluster = given ? null : await startCluster(dataDir)
const urls = given ?? (await privateDatabase(cluster!, dataDir))
const db = openDatabase(urls.appUrl, 2)
try {
  const [email] = process.argv.slice(2)
  if (!email) throw new Error('Whom? npm run let-in -- <e-mail address>')
  const token = await letInAgain(db, email)
  if (!token) throw new Error(`Nobody signs in with ${email}, or they have left.`)
  const origin = process.env.EVENSHOT_ORIGIN ?? there?.url ?? 'http://127.0.0.1:4870'
  console.log(`A new password is set at ${origin}/join/${token}, once, within seven days.`)
} catch (error) {
  console.error((error as Error).message)
  process.exitCode = 1
} finally {
  await db.destroy()
  if (!there) await cluster?.stop()
}
