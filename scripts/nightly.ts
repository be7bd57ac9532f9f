import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { log } from '../src/server/log.ts'
import { root } from './install.mjs'

/** `HH:MM` of this machine's clock; null where no backup is wanted. */
export function backupTime(said = process.env.EVENSHOT_BACKUP_AT ?? '03:30'): { hour: number; minute: number } | null {
  if (said === 'off') return null
  const found = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(said)
  if (!found) throw new Error(`EVENSHOT_BACKUP_AT is no time of day such as 03:30, nor "off": ${JSON.stringify(said)}`)
  return { hour: Number(found[1]), minute: Number(found[2]) }
}

/** The next moment a clock shows that time. */
export function nextAt(now: Date, { hour, minute }: { hour: number; minute: number }): Date {
  const next = new Date(now)
  next.setHours(hour, minute, 0, 0)
  if (next <= now) next.setDate(next.getDate() + 1)
  return next
}

/** Makes a backup every night, in a process of its own, and thins the older ones. @returns what stops it */
export function backUpNightly(time: { hour: number; minute: number }): () => void {
  let timer: NodeJS.Timeout
  const wait = () => {
    timer = setTimeout(run, nextAt(new Date(), time).getTime() - Date.now())
    timer.unref()
  }
  const run = () => {
    const child = spawn(join(root, 'node_modules/.bin/tsx'), ['scripts/backup.ts', '--thin'], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text))
    child.once('error', (error) => log.error({ err: error }, 'the nightly backup could not be started'))
    child.once('close', (code) => {
      if (code === 0) log.info({ said: said.trim() }, 'the nightly backup is made')
      else log.error({ said: said.trim() }, 'the nightly backup failed')
    })
    wait()
  }
  wait()
  return () => clearTimeout(timer)
}
