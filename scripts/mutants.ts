import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, normalize } from 'node:path'
import { root } from './install.mjs'
import { type Mutation, mutationsOf, picked } from './mutations.ts'

// `npm run mutants`: twenty lines of the core are spoilt one at a time, always the same twenty for a seed, and the unit
// tests that can reach the line must notice. `-- SEED` for other twenty, `-- SEED COUNT` for more.
const seed = Number(process.argv[2] ?? 1)
const count = Number(process.argv[3] ?? 20)
/** One that nobody notices in twenty is let pass: some change nothing that can be seen. */
const most = Math.floor(count / 20)

const copy = mkdtempSync(join(tmpdir(), 'evenshot-mutants-'))
for (const part of [
  'src',
  'test',
  'bin',
  'scripts',
  'docs',
  'bench',
  'drills',
  'package.json',
  'tsconfig.json',
  '.mocharc.json',
])
  cpSync(join(root, part), join(copy, part), { recursive: true })
symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))

const files = (folder: string): string[] =>
  readdirSync(join(copy, folder), { recursive: true, encoding: 'utf8' })
    .map((name) => join(folder, name))
    .filter((path) => path.endsWith('.ts') || path.endsWith('.tsx'))
const tests = ['core', 'islands', 'ui', 'demo'].flatMap((folder) => files(join('test', folder)))
const imports = new Map([...files('src'), ...tests].map((path) => [path, importsOf(path)]))

try {
  // Types, data of the trade and words are left alone: what they say is read against the trade, not reckoned.
  const lines = files('src/core').filter((path) => !/core\/(trade|ledger\/affects-table)/.test(path))
  const chosen = picked(
    lines.flatMap((path) => mutationsOf(path, readFileSync(join(copy, path), 'utf8'))),
    count,
    seed,
  )
  const lived = chosen.filter((mutation) => !noticed(mutation))
  console.log(`\n${chosen.length - lived.length} of ${chosen.length} were noticed (seed ${seed})`)
  for (const { path, line, was, is } of lived) console.log(`lived: ${path}:${line}\n  - ${was}\n  + ${is}`)
  process.exitCode = lived.length > most ? 1 : 0
} finally {
  rmSync(copy, { recursive: true, force: true })
}

function importsOf(path: string): string[] {
  const text = readFileSync(join(copy, path), 'utf8')
  return [...text.matchAll(/^import (?!type)[^'"]*['"](\.[^'"]+)['"]/gm)].map((found) =>
    normalize(join(dirname(path), found[1]!)),
  )
}

/** Test files that reach a file, the nearest first. */
function reaching(target: string): string[] {
  const distance = (test: string): number => {
    let [reached, steps] = [new Set([test]), 0]
    for (const seen = new Set(reached); reached.size > 0; steps += 1) {
      if (reached.has(target)) return steps
      reached = new Set([...reached].flatMap((path) => imports.get(path) ?? []).filter((path) => !seen.has(path)))
      for (const path of reached) seen.add(path)
    }
    return Number.POSITIVE_INFINITY
  }
  return tests
    .filter((path) => path.endsWith('.test.ts'))
    .map((path) => ({ path, far: distance(path) }))
    .filter(({ far }) => Number.isFinite(far))
    .sort((a, b) => a.far - b.far)
    .map(({ path }) => path)
}

/** Spoils the line, runs what can reach it until something fails, and mends it again. */
function noticed({ path, line, was, is }: Mutation): boolean {
  const file = join(copy, path)
  const text = readFileSync(file, 'utf8')
  const all = text.split('\n')
  all[line - 1] = is
  writeFileSync(file, all.join('\n'))
  const started = Date.now()
  const near = reaching(path)
  const fails = (some: string[]) => some.length > 0 && !passes(some)
  const killed = fails(near.slice(0, 6)) || fails(near.slice(6, 40)) || fails(near.slice(40))
  writeFileSync(file, text)
  const seconds = Math.round((Date.now() - started) / 1000)
  console.log(`${killed ? 'noticed' : 'LIVED  '} ${path}:${line} ${was.trim()} → ${is.trim()} (${seconds} s)`)
  return killed
}

function passes(some: string[]): boolean {
  const config = join(copy, 'mocharc.json')
  const { spec: _, ...plain } = JSON.parse(readFileSync(join(root, '.mocharc.json'), 'utf8'))
  writeFileSync(config, JSON.stringify({ ...plain, bail: true, timeout: 60_000 }))
  const args = ['--config', config, '--reporter', 'dot', ...some]
  return spawnSync(join(copy, 'node_modules/.bin/mocha'), args, { cwd: copy, timeout: 600_000 }).status === 0
}
