import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { dev } from 'astro'
import { demoSignIn } from '../src/services/demo-firm.ts'
import { root } from './install.mjs'
import { readyDatabase } from './ready-database.ts'

// Beside the data of `npm start`, never in it: what is tried out here is not what somebody works with.
const dataDir = process.env.EVENSHOT_DATA ?? join(root, 'data', 'dev')
const port = Number(process.env.EVENSHOT_PORT ?? 4871)

mkdirSync(dataDir, { recursive: true })
const { urls, cluster, demo } = await readyDatabase(dataDir, process.argv.includes('--own'))
// Nothing is asked of the outside, not even whether there is something newer.
process.env.ASTRO_DISABLE_UPDATE_CHECK = 'true'
process.env.ASTRO_TELEMETRY_DISABLED = '1'
process.env.EVENSHOT_DATABASE_URL = urls.appUrl
process.env.EVENSHOT_DATA = dataDir
const running = await dev({ root, server: { host: '127.0.0.1', port }, logLevel: 'warn' })
console.log(`\n  Even Shot, as it is being written, is at http://127.0.0.1:${running.address.port}`)
if (demo) console.log(`  Sign in with ${demoSignIn.email} and the password ${demoSignIn.password}`)
console.log('  A change to a file is there at once. Ctrl C stops it.\n')

const stop = async () => {
  await running.stop()
  await cluster?.stop()
  process.exit(0)
}
process.on('SIGINT', stop)
process.on('SIGTERM', stop)
