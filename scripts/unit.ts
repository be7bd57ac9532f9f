import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './install.mjs'
import { unitFile } from './unit-file.ts'

// `npm run unit -- user [folder]`: writes a unit for systemd, hardened, that starts the application with the machine and
// starts it again should the process that keeps the others end.
const [user, folder = '.'] = process.argv.slice(2)
try {
  if (!user || user === 'root')
    throw new Error('For which user? npm run unit -- <user> [folder]; a user of its own, never root.')
  const passed = Object.entries(process.env).filter(([name]) => name.startsWith('EVENSHOT_'))
  const file = join(folder, 'even-shot.service')
  writeFileSync(file, unitFile({ root, user, node: process.execPath, environment: Object.fromEntries(passed) }), {
    // There may be a database's password in it.
    mode: 0o600,
  })
  console.log(`${file} is written. Read it, copy it to /etc/systemd/system, then:
  sudo systemctl daemon-reload && sudo systemctl enable --now even-shot`)
} catch (error) {
  console.error((error as Error).message)
  process.exitCode = 1
}
