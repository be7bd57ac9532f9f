import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

/** The address of an application that answers for this data folder; a file left by a kill proves nothing. */
export async function isRunning(dataDir: string): Promise<string | null> {
  const file = runningFile(dataDir)
  if (!existsSync(file)) return null
  try {
    const { url } = JSON.parse(readFileSync(file, 'utf8')) as { url: string }
    const answer = await fetch(`${url}/healthz`, { signal: AbortSignal.timeout(2000) })
    return answer.ok ? url : null
  } catch {
    return null
  }
}

/** Where a running application says where it is. */
export const runningFile = (dataDir: string): string => join(dataDir, 'running.json')
