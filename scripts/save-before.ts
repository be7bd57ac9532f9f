import { join } from 'node:path'
import { makeBackup } from './dump.ts'
import { sealIfAsked } from './seal.ts'

/**
 * A database with data in it changes its shape only after a backup: going back is restoring it. It has a name of its own,
 * so that no night thins it away.
 *
 * @param steps - what is about to be done
 */
export async function saveBefore(ownerUrl: string, dataDir: string, steps: string[]): Promise<void> {
  const now = new Date()
  const folder = join(dataDir, 'backups', `before-${steps[0]}-${now.toISOString().replace(/\D/g, '').slice(0, 14)}`)
  console.log(`A backup before the database is brought up to date: ${folder}`)
  await makeBackup(ownerUrl, join(dataDir, 'files'), folder, now)
  await sealIfAsked(folder)
}
