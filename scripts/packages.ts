import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'

/** Folder of PostgreSQL's programs, newest version first; null when it is not installed. */
export function postgresBin(): string | null {
  const base = '/usr/lib/postgresql'
  const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : []
  const found = versions.map((version) => join(base, version, 'bin')).find((bin) => existsSync(join(bin, 'initdb')))
  return found ?? null
}

/** The browser without a window draws a page in two thirds of the time; a whole one serves where only that is there. */
export const chromiumPackage = 'chromium-headless-shell'

export const chromium = (): string | null =>
  [`/usr/bin/${chromiumPackage}`, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => existsSync(path)) ??
  null

/**
 * Installs a Debian package as root or through passwordless sudo.
 * @throws Error with the one line to type, when neither is possible
 */
export function installPackage(name: string): void {
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n']
  const allowed = sudo.length === 0 || spawnSync('sudo', ['-n', 'true']).status === 0
  if (!allowed) throw new Error(`Please install it first: sudo apt-get install ${name}`)
  console.log(`Installing Debian's ${name} …`)
  const run = (args: string[]) => {
    const [command, ...rest] = [...sudo, ...args]
    return (
      spawnSync(command!, rest, {
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      }).status === 0
    )
  }
  run(['apt-get', 'update', '-qq'])
  if (!run(['apt-get', 'install', '-y', '-qq', '--no-install-recommends', name])) {
    throw new Error(`${name} could not be installed; please install it by hand: apt-get install ${name}`)
  }
}
