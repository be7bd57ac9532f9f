// Plain JavaScript, Node alone: it runs before anything is installed.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')
const mark = join(root, 'node_modules', '.evenshot-installed')

/** Installs the dependencies of the lock file, unless exactly these are there already. */
export function installDependencies() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 11))
    stop(`Even Shot needs Node.js 20.11 or newer; this is ${process.version}.`)
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .update(process.versions.modules)
    .digest('hex')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return
  console.log('Installing dependencies from the lock file (about a minute) …')
  const npm = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
  })
  if (npm.status !== 0) stop('The dependencies could not be installed: see the lines above.')
  writeFileSync(mark, wanted)
}

/**
 * Waits for its turn: two that start at once take the set-up one after the other. The lock names its
 * holder, so that one left by a killed process is taken over.
 */
export async function locked(name, work) {
  const { mkdirSync, openSync, closeSync, writeSync, rmSync } = await import('node:fs')
  const folder = join(root, 'data')
  mkdirSync(folder, { recursive: true })
  const file = join(folder, `${name}.lock`)
  for (let told = false; ; ) {
    try {
      const handle = openSync(file, 'wx')
      writeSync(handle, String(process.pid))
      closeSync(handle)
      break
    } catch (error) {
      if (error.code !== 'EEXIST') throw error
      if (!holderLives(file)) {
        rmSync(file, { force: true })
        continue
      }
      if (!told) console.log('Another start is setting up; waiting for it …')
      told = true
      await new Promise((resolve) => setTimeout(resolve, 300))
    }
  }
  try {
    return await work()
  } finally {
    rmSync(file, { force: true })
  }
}

function holderLives(file) {
  try {
    const pid = Number(readFileSync(file, 'utf8'))
    if (!pid) return true
    process.kill(pid, 0)
    // A number may have passed to another program since.
    const command = existsSync('/proc') ? readFileSync(`/proc/${pid}/cmdline`, 'utf8') : 'node'
    return command.includes('node')
  } catch (error) {
    return error.code === 'EPERM'
  }
}

export function stop(message) {
  console.error(message)
  process.exit(1)
}
