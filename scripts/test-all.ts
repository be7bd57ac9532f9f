import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildIfNeeded } from './build.ts'
import { startCluster } from './cluster.ts'
import { bringUpToDate, privateDatabase } from './database.ts'
import { root } from './install.mjs'
import { chromium, installPackage } from './packages.ts'

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

const only = process.argv.includes('--screenshots') ? 'screenshots' : null
try {
  if (!chromium()) installPackage('chromium')
  const cluster = await startCluster(join(work, 'data'))
  try {
    if (!only) {
      await Promise.all([
        step('format and lint', bin('biome'), ['check', '--error-on-warnings', '.']),
        step('types', bin('astro'), ['check', '--minimumSeverity', 'error']),
      ])
      await Promise.all([
        step('arrows go down only', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'src', 'bin', 'scripts']),
        step('nothing unused', bin('knip'), []),
      ])
      const urls = await privateDatabase(cluster, join(work, 'data'), 'evenshot_test')
      await bringUpToDate(urls)
      const report = join(work, 'mocha.json')
      await suite(
        'core, records and services',
        bin('mocha'),
        ['--reporter', 'json', '--reporter-option', `output=${report}`],
        {
          EVENSHOT_OWNER_URL: urls.ownerUrl,
          EVENSHOT_DATABASE_URL: urls.appUrl,
          EVENSHOT_ADMIN_URL: cluster.adminUrl('evenshot_test'),
        },
        () => {
          const { stats } = JSON.parse(readFileSync(report, 'utf8'))
          return [stats.passes, stats.failures]
        },
        // The reporter writes to its file alone: what failed is told here.
        () =>
          JSON.parse(readFileSync(report, 'utf8')).failures.map(
            ({ fullTitle, err }: { fullTitle: string; err: { stack?: string; message?: string } }) =>
              `${fullTitle}\n${(err.stack ?? err.message ?? '').slice(0, 1500)}`,
          ),
      )
    }
    buildIfNeeded()
    const report = join(work, 'playwright.json')
    await suite(
      only ?? 'the interface in a browser',
      bin('playwright'),
      ['test', '--reporter', 'json', ...(only ? ['--grep', '@screenshots'] : ['--grep-invert', '@screenshots'])],
      { EVENSHOT_TEST_WORK: work, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
      () => {
        const { stats } = JSON.parse(readFileSync(report, 'utf8'))
        return [stats.expected, stats.unexpected + stats.flaky]
      },
    )
  } finally {
    cluster.stop()
  }
} catch (error) {
  failed += 1
  console.log((error as Error).stack)
} finally {
  rmSync(work, { recursive: true, force: true })
}
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 && passed > 0 ? 0 : 1)
