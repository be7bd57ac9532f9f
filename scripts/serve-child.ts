// One of the processes that serve, started and kept by `npm start`; built into one file, since it starts three times as fast.
import { log } from '../src/server/log.ts'
import { serve } from '../src/server/serve.ts'
import type { ServerSettings } from './keep-servers.ts'

const { root, databaseUrl, dataDir, host, port, phones } = JSON.parse(process.env.EVENSHOT_SERVE!) as ServerSettings

// Ctrl C reaches every process of a terminal: whoever keeps them says when to stop.
process.on('SIGINT', () => undefined)

const tell = (said: object) => process.connected && process.send!(said)
try {
  const running = await serve(root, databaseUrl, dataDir, host, port, phones)
  const stop = async () => {
    await running.stop()
    process.exit(0)
  }
  process.once('SIGTERM', stop)
  process.on('message', (said) => {
    if (said === 'turning?') tell({ turning: true })
    if (said === 'stop') void stop()
  })
  tell({ ready: true })
} catch (error) {
  log.error({ err: error }, 'could not serve')
  tell({ failed: (error as Error).message })
  process.exitCode = 1
  process.disconnect?.()
}
