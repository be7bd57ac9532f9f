import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'

/** What is known of an application of this data folder that was started before. */
export interface There {
  pid: number
  url: string
  /** Whether it answers, database and all. */
  answers: boolean
}

interface Said {
  pid: number
  url: string
  /** When that process began, in the kernel's count: a number may have passed to another program since. */
  since: string | null
}

/** How long one that is there but does not answer is given to mend itself, ms. */
const mendsWithin = 20_000

/**
 * The application that keeps this data folder; a file left by a kill proves nothing.
 * @param patienceMs - how long one that lives but does not answer is waited for
 */
export async function isRunning(dataDir: string, patienceMs = mendsWithin): Promise<There | null> {
  const said = readRunning(dataDir)
  if (!said || said.since === null || startOf(said.pid) !== said.since) return null
  const until = Date.now() + patienceMs
  do {
    if (await answers(said.url)) return { pid: said.pid, url: said.url, answers: true }
    await wait(500)
  } while (Date.now() < until && startOf(said.pid) === said.since)
  return startOf(said.pid) === said.since ? { pid: said.pid, url: said.url, answers: false } : null
}

async function answers(url: string): Promise<boolean> {
  try {
    return (await fetch(`${url}/healthz`, { signal: AbortSignal.timeout(2000) })).ok
  } catch {
    return false
  }
}

const fileOf = (dataDir: string): string => join(dataDir, 'running.json')

function readRunning(dataDir: string): Said | null {
  try {
    return JSON.parse(readFileSync(fileOf(dataDir), 'utf8')) as Said
  } catch {
    return null
  }
}

/** Says where this process serves. @returns what takes the word back */
export function sayRunning(dataDir: string, url: string): () => void {
  const said: Said = { pid: process.pid, url, since: startOf(process.pid) }
  writeFileSync(fileOf(dataDir), JSON.stringify(said))
  return () => rmSync(fileOf(dataDir), { force: true })
}

/** When a process began, in the kernel's count; null when there is none, or it is only not buried yet. */
function startOf(pid: number): string | null {
  const file = `/proc/${pid}/stat`
  try {
    // The name in brackets may have blanks in it.
    const [state, ...fields] = readFileSync(file, 'utf8').split(') ').at(-1)!.split(' ')
    return state === 'Z' ? null : fields[18]!
  } catch {
    // Where the kernel keeps no such folder, a living process is believed.
    return existsSync('/proc/self') || !lives(pid) ? null : 'unknown'
  }
}

function lives(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch {
    return false
  }
}
