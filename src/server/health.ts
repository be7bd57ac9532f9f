import type { RequestHandler } from 'express'
import { type Db, knock } from '../records/database.ts'
import { countFailed } from '../records/job-queue.ts'
import { lastBackup } from '../services/backup-state.ts'
import { log } from './log.ts'

/** Whoever asks whether all is well is told within this, ms, whatever the database does. */
const toldWithin = 800

/** Whether this process turns, database or not: who restarts processes asks this. */
export const alive: RequestHandler = (_request, response) => void response.json({ ok: true })

/** Whether it can serve: the database answers, and with `?deep` also whether the last backup is a good one and no background work failed. */
export function ready(db: Db, dataDir: string): RequestHandler {
  // One knock at a time: a database that hangs does not fill up with those who ask about it.
  let knocking: Promise<boolean> | null = null
  const knocks = () => {
    knocking ??= knock(db)
      .then(() => true)
      .catch((error) => {
        log.error({ err: error }, 'the database does not answer')
        return false
      })
      .finally(() => {
        knocking = null
      })
    return knocking
  }
  return async (request, response) => {
    let late: NodeJS.Timeout | undefined
    const patience = new Promise<boolean>((resolve) => {
      late = setTimeout(() => resolve(false), toldWithin)
    })
    const answers = await Promise.race([knocks(), patience])
    clearTimeout(late)
    if (!answers) return void response.status(503).json({ ok: false })
    if (request.query.deep === undefined) return void response.json({ ok: true })
    const backup = lastBackup(dataDir)
    const failedWork = await countFailed(db).catch(() => null)
    const ok = (backup?.ok ?? true) && failedWork === 0
    response.status(ok ? 200 : 503).json({ ok, backup: backup && { at: backup.at, ok: backup.ok }, failedWork })
  }
}
