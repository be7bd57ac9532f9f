import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Cluster, startCluster } from './cluster.ts'
import { bringUpToDate, privateDatabase } from './database.ts'
import { root } from './install.mjs'
import { chromium, chromiumPackage, installPackage } from './packages.ts'

// `npm test`: everything there is to run, on a throwaway cluster. The last line alone counts.
const work = mkdtempSync(join(tmpdir(), 'evenshot-test-'))
// PostgreSQL runs as its own user, which must be able to walk in.
spawnSync('chmod', ['755', work])
let passed = 0
let failed = 0

const bin = (name: string) => join(root, 'node_modules', '.bin', name)

/** Runs a check that passes or fails as a whole. */
async function step(name: string, command: string, args: string[]): Promise<void> {
  const started = Date.now()
  const { code, output } = await run(command, args)
  const seconds = Math.round((Date.now() - started) / 1000)
  if (code === 0) passed += 1
  else failed += 1
  console.log(`${code === 0 ? 'ok  ' : 'FAIL'} ${name} (${seconds} s)`)
  if (code !== 0) console.log(output.slice(-6000))
}

function run(
  command: string,
  args: string[],
  env: Record<string, string> = {},
): Promise<{ code: number; output: string }> {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', ...env } })
    let output = ''
    child.stdout.on('data', (data) => (output += data))
    child.stderr.on('data', (data) => (output += data))
    child.on('error', (error) => resolve({ code: 1, output: String(error) }))
    child.on('close', (code) => resolve({ code: code ?? 1, output }))
  })
}

/** Runs a suite that counts its own tests; one that does not even report counts as one failure. */
async function suite(
  name: string,
  command: string,
  args: string[],
  env: Record<string, string>,
  count: () => [number, number],
  failures: () => string[] = () => [],
) {
  const started = Date.now()
  const { code, output } = await run(command, args, env)
  let counted: [number, number]
  let told: string[] = []
  try {
    counted = count()
    told = failures()
  } catch {
    counted = [0, 1]
  }
  if (code !== 0 && counted[1] === 0) counted = [counted[0], 1]
  passed += counted[0]
  failed += counted[1]
  console.log(
    `${counted[1] === 0 ? 'ok  ' : 'FAIL'} ${name}: ${counted[0]} passed, ${counted[1]} failed (${Math.round((Date.now() - started) / 1000)} s)`,
  )
  if (counted[1] > 0) console.log(told.join('\n') || output.slice(-12_000))
}

/** Everything where nothing is said; `--unit`, `--browser`, `--screenshots`; words run the tests whose file or name has one of them. */
const flags = process.argv.slice(2)
const words = flags.filter((flag) => !flag.startsWith('-'))
const all = words.length === 0
const only = ['unit', 'browser', 'screenshots'].find((one) => flags.includes(`--${one}`)) ?? null

/** Test files whose name has one of the words; none where they are part of a test's name at most. */
function filesWith(folder: string, ending: string): string[] {
  if (all) return []
  return readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .map((name) => join(folder, name))
    .filter(
      (path) => path.endsWith(ending) && words.some((word) => path.includes(word)) && !path.includes('node_modules'),
    )
}

type Job = () => Promise<void>

/** Each job as soon as one of two cores is free, the long ones first. */
async function twoAtATime(jobs: Job[]): Promise<void> {
  const waiting = [...jobs]
  const hand = async () => {
    for (let job = waiting.shift(); job; job = waiting.shift()) await job()
  }
  await Promise.all([hand(), hand()])
}

/** Short forms of the drills, on the built application. */
const drill = (name: string, words: string, rounds: number) => () =>
  step(`drill: ${words}`, bin('tsx'), [`test/drills/${name}.ts`, String(rounds)])
const drills: Job[] = [
  drill('hostile', 'treated badly', 200),
  drill('kill', 'killed and started again', 6),
  drill('load', 'asked by many', 3),
  drill('backup', 'backed up while it is written to', 2),
  drill('migrate', 'migrations cut off', 10),
  drill('offline', 'written without network, sent over broken lines', 25),
]

/** Lint, types and the rest of what is read, not run. */
const readThrough: Job[] = [
  () => step('types', bin('astro'), ['check', '--minimumSeverity', 'error']),
  () => step('nothing unused', bin('knip'), []),
  () => step('format and lint', bin('biome'), ['check', '--error-on-warnings', '.']),
  () => step('arrows go down only', bin('tsx'), ['scripts/layers.ts']),
]

/** Tests that need nothing but themselves, and tests that share a database: each lot in a process of its own. */
const recordsFolders = ['records', 'services', 'server', 'scripts']
const coreFolders = readdirSync(join(root, 'test'), { withFileTypes: true })
  .filter((one) => one.isDirectory() && !['e2e', 'drills', ...recordsFolders].includes(one.name))
  .map(({ name }) => name)

/** A failure as the reporter writes it down. */
interface Told {
  stack?: string
  message?: string
  actual?: unknown
  expected?: unknown
}

/** What was there and what was meant to be, from where they part. */
function apart({ actual, expected }: Told): string {
  if (actual === undefined || expected === undefined) return ''
  const [is, was] = [actual, expected].map((one) => (typeof one === 'string' ? one : JSON.stringify(one)))
  let at = 0
  while (at < is!.length && is![at] === was![at]) at += 1
  const around = (text: string) => text.slice(Math.max(0, at - 200), at + 400)
  return `\n  is:     …${around(is!)}\n  was to: …${around(was!)}`
}

/** One lot of unit tests; nothing where a word chose none of its files. */
async function unitTests(name: string, folders: string[], env: Record<string, string>): Promise<void> {
  const here = (path: string) => folders.some((folder) => path.startsWith(join('test', folder)))
  const named = filesWith('test', '.test.ts')
  const files = named.length > 0 ? named.filter(here) : [`test/{${folders.join(',')}}/**/*.test.ts`]
  if (files.length === 0) return
  const report = join(work, `mocha-${folders[0]}.json`)
  const config = join(work, `mocharc-${folders[0]}.json`)
  const { spec: _, ...plain } = JSON.parse(readFileSync(join(root, '.mocharc.json'), 'utf8'))
  writeFileSync(config, JSON.stringify(plain))
  const grep = !all && named.length === 0 ? ['--grep', words.join('|')] : []
  await suite(
    name,
    bin('mocha'),
    ['--config', config, '--reporter', 'json', '--reporter-option', `output=${report}`, ...grep, ...files],
    env,
    () => {
      const { stats } = JSON.parse(readFileSync(report, 'utf8'))
      return [stats.passes, stats.failures]
    },
    // The reporter writes to its file alone: what failed is told here.
    () =>
      JSON.parse(readFileSync(report, 'utf8')).failures.map(
        ({ fullTitle, err }: { fullTitle: string; err: Told }) =>
          `${fullTitle}\n${(err.stack ?? err.message ?? '').slice(0, 1500)}${apart(err)}`,
      ),
  )
}

/** Records and services, on a database of their own. */
async function recordsTests(cluster: Cluster): Promise<void> {
  const urls = await privateDatabase(cluster, join(work, 'data'), 'evenshot_test')
  await bringUpToDate(urls)
  await unitTests('records and services', recordsFolders, {
    EVENSHOT_OWNER_URL: urls.ownerUrl,
    EVENSHOT_DATABASE_URL: urls.appUrl,
    EVENSHOT_ADMIN_URL: cluster.adminUrl('evenshot_test'),
  })
}

async function browserTests(): Promise<void> {
  const report = join(work, 'playwright.json')
  const files = filesWith('test/e2e', '.spec.ts')
  const chosen = files.length > 0 || all ? files : ['--grep', words.join('|')]
  const pictures = only === 'screenshots'
  await suite(
    pictures ? 'pictures' : 'the interface in a browser',
    bin('playwright'),
    [
      'test',
      ...chosen,
      '--pass-with-no-tests',
      '--reporter',
      'json',
      ...(pictures ? ['--grep', '@screenshots'] : ['--grep-invert', '@screenshots']),
    ],
    { EVENSHOT_TEST_WORK: work, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
    () => {
      const { stats } = JSON.parse(readFileSync(report, 'utf8'))
      return [stats.expected, stats.unexpected + stats.flaky]
    },
  )
}

/** The pages, built in a process of their own, so that tests can run beside it. */
async function buildPages(): Promise<void> {
  const { code, output } = await run(bin('tsx'), ['scripts/build-pages.ts'])
  if (code !== 0) throw new Error(output)
}

const browser = only !== 'unit' && (all || only !== null || filesWith('test', '.test.ts').length === 0)
const unit = only === null ? !(filesWith('test/e2e', '.spec.ts').length > 0) : only === 'unit'
try {
  if (browser && !chromium()) installPackage(chromiumPackage)
  const cluster = await startCluster(join(work, 'data'))
  try {
    await twoAtATime([
      ...(unit ? [() => unitTests('core', coreFolders, {}), () => recordsTests(cluster)] : []),
      ...(only === null && all ? readThrough : []),
      ...(browser ? [buildPages] : []),
    ])
    if (browser) await browserTests()
    if (only === null && all) await twoAtATime(drills)
  } finally {
    await cluster.stop()
  }
} catch (error) {
  failed += 1
  console.log((error as Error).stack)
} finally {
  rmSync(work, { recursive: true, force: true })
}
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 && passed > 0 ? 0 : 1)
