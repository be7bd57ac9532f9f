import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { fileURLToPath } from 'node:url'
import { freePort } from '../scripts/cluster.ts'
import { root } from '../scripts/install.mjs'
import { addAccount } from '../src/records/accounts.ts'
import { type Db, withFirm } from '../src/records/database.ts'
import { serve } from '../src/server/serve.ts'
import { openSession } from '../src/services/sign-in.ts'

/** The application as it is shipped, in a process of its own: what a measuring runs itself as, with `--serve`. */
export async function serveUntilTold(databaseUrl: string, port: number): Promise<void> {
  const running = await serve(root, databaseUrl, join(root, 'data'), '127.0.0.1', port)
  process.send!(running.url)
  process.once('message', () => void running.stop().then(() => process.exit(0)))
}

/** Runs some work against such a server. */
export async function withServer(databaseUrl: string, work: (url: string) => Promise<void>): Promise<void> {
  const child = spawn(
    process.execPath,
    [fileURLToPath(import.meta.url), '--serve', databaseUrl, String(await freePort())],
    {
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      cwd: root,
    },
  )
  const url = await new Promise<string>((resolve, reject) => {
    child.once('message', (said) => resolve(String(said)))
    child.once('exit', (code) => reject(new Error(`the server ended: ${code}`)))
  })
  try {
    for (let i = 0; i < 20; i += 1) await fetch(`${url}/sign-in`)
    await work(url)
  } finally {
    child.send('stop')
    await Promise.race([new Promise((resolve) => child.once('exit', resolve)), wait(15_000).then(() => child.kill())])
  }
}

/** A session of the firm's owner. @returns its token */
export async function tokenOf(app: Db, firmId: string): Promise<string> {
  const [technicianId] = await withFirm(app, firmId, (trx) => trx('technician').where({ role: 'owner' }).pluck('id'))
  await addAccount(app, { email: 'bench@many.example', firmId, technicianId, passwordHash: '-' })
  return (await openSession(app, { firmId, technicianId }, 'bench')).token
}
