import { type ChildProcess, spawn, spawnSync } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync, symlinkSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root } from '../scripts/install.mjs'
import { median } from './times.ts'

// `npm run bench:against COMMIT`: this tree and an earlier one, each in a process of its own, do the same work in turn,
// and the ratios are printed. On a shared machine only such ratios say anything.
const rounds = 25

const commit = process.argv[2]
if (!commit) {
  console.error('Name a commit to be timed against: npm run bench:against 171e2cf')
  process.exit(1)
}
const earlier = mkdtempSync(join(tmpdir(), 'evenshot-against-'))
try {
  sh('git', ['worktree', 'add', '--detach', '--force', earlier, commit], root)
  prepare(earlier)
  prepare(root)
  const trees = [await begun(earlier), await begun(root)] as const
  const known = trees[1].tasks.filter((task) => trees[0].tasks.includes(task))
  console.log(`| | ${commit.slice(0, 12)} | now | ratio |\n| --- | --- | --- | --- |`)
  for (const task of known) console.log(await compared(task, trees))
  for (const tree of trees) tree.child.send('stop')
} finally {
  spawnSync('git', ['worktree', 'remove', '--force', earlier], { cwd: root })
  rmSync(earlier, { recursive: true, force: true })
}

function sh(command: string, args: string[], cwd: string): void {
  const ran = spawnSync(command, args, { cwd, stdio: ['ignore', 'ignore', 'inherit'] })
  if (ran.status !== 0) throw new Error(`${command} ${args.join(' ')} failed`)
}

/** Its dependencies, its built pages, and what asks it: an earlier tree does not know how it will be asked. */
function prepare(tree: string): void {
  if (tree !== root) {
    const lock = (of: string) => readFileSync(join(of, 'package-lock.json'), 'utf8')
    if (lock(tree) === lock(root)) symlinkSync(join(root, 'node_modules'), join(tree, 'node_modules'))
    else sh('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], tree)
    for (const file of ['one-tree.ts', 'long-history.ts']) cpSync(join(root, 'bench', file), join(tree, 'bench', file))
  }
  if (tree === root || !existsSync(join(tree, 'dist')))
    sh(join(tree, 'node_modules/.bin/tsx'), ['scripts/build-pages.ts'], tree)
}

interface Tree {
  child: ChildProcess
  tasks: string[]
}

async function begun(tree: string): Promise<Tree> {
  const child = spawn(join(tree, 'node_modules/.bin/tsx'), ['bench/one-tree.ts'], {
    cwd: tree,
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...process.env, EVENSHOT_CLOCK: '2026-11-26T07:34:00Z', EVENSHOT_LOG: 'error', NODE_ENV: 'production' },
  })
  const { tasks } = (await answer(child)) as { tasks: string[] }
  return { child, tasks }
}

function answer(child: ChildProcess): Promise<unknown> {
  return new Promise((resolve, reject) => {
    const ended = (code: number | null) => reject(new Error(`a tree ended: ${code}`))
    child.once('exit', ended)
    child.once('message', (told) => {
      child.off('exit', ended)
      resolve(told)
    })
  })
}

async function asked({ child }: Tree, task: string): Promise<number> {
  child.send(task)
  const told = (await answer(child)) as { value?: number; error?: string }
  if (told.value === undefined) throw new Error(`${task}: ${told.error}`)
  return told.value
}

/** A round of each in turn; sizes do not change from one round to the next. */
async function compared(task: string, trees: readonly [Tree, Tree]): Promise<string> {
  const found: [number[], number[]] = [[], []]
  for (let i = 0; i < (task.includes('kB') ? 1 : rounds); i += 1)
    for (const [which, tree] of trees.entries()) found[which as 0 | 1].push(await asked(tree, task))
  const [was, is] = found.map((values) => median(values.sort((a, b) => a - b))) as [number, number]
  return `| ${task} | ${was.toFixed(1)} | ${is.toFixed(1)} | × ${(is / was).toFixed(2)} |`
}
