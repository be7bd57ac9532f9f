import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from '../../scripts/install.mjs'

/** Counts of a drill, added up over its runs: it may be ended at any time and gone on with. */
export type Counts = Record<string, number>

const fileOf = (drill: string): string => join(root, 'data', 'drills', `${drill}.json`)

export function countsSoFar(drill: string): Counts {
  try {
    return JSON.parse(readFileSync(fileOf(drill), 'utf8')) as Counts
  } catch {
    return {}
  }
}

/** Adds to what there is; of names that begin with "longest" the larger is kept. @returns all of it */
export function addCounts(drill: string, more: Counts): Counts {
  const all = countsSoFar(drill)
  for (const [name, count] of Object.entries(more))
    all[name] = name.startsWith('longest') ? Math.max(all[name] ?? 0, count) : (all[name] ?? 0) + count
  mkdirSync(join(root, 'data', 'drills'), { recursive: true })
  writeFileSync(fileOf(drill), `${JSON.stringify(all, null, 2)}\n`)
  return all
}

/** How many rounds were asked for on the command line. */
export function roundsAsked(usual: number): number {
  const said = process.argv[2]
  if (said === undefined) return usual
  const rounds = Number(said)
  if (!Number.isInteger(rounds) || rounds < 1) throw new Error(`How many rounds? ${JSON.stringify(said)}`)
  return rounds
}
