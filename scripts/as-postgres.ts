import { spawn, spawnSync } from 'node:child_process'

export interface Ran {
  /** Null when it was ended by a signal. */
  status: number | null
  stdout: string
  stderr: string
}

export const isRoot = process.getuid?.() === 0

/** As root a program drops to the postgres user, since PostgreSQL refuses root. */
function command(program: string, args: string[]): [string, string[]] {
  const plain = ['LC_ALL=C.UTF-8', 'PATH=/usr/bin:/bin', program, ...args]
  if (!isRoot) return ['env', plain]
  return ['setpriv', ['--reuid=postgres', '--regid=postgres', '--init-groups', '--reset-env', '--', 'env', ...plain]]
}

/** Runs a PostgreSQL program to its end, without holding up whoever waits for something else. */
export function asPostgres(program: string, args: string[]): Promise<Ran> {
  const [first, rest] = command(program, args)
  // The server keeps its descriptors: none of ours may be among them, or we would wait for it to end.
  const quiet = program.endsWith('pg_ctl')
  const child = spawn(first, rest, { cwd: '/', stdio: quiet ? 'ignore' : ['ignore', 'pipe', 'pipe'] })
  const said = { stdout: '', stderr: '' }
  child.stdout?.on('data', (text) => (said.stdout += text))
  child.stderr?.on('data', (text) => (said.stderr += text))
  return new Promise((resolve, reject) => {
    child.once('error', reject)
    child.once('close', (status) => resolve({ status, ...said }))
  })
}

/** Whether the postgres user may walk into a folder. */
export function mayWalkInto(folder: string): boolean {
  const [first, rest] = command('test', ['-x', folder])
  return spawnSync(first, rest, { cwd: '/', stdio: 'ignore' }).status === 0
}
