// `npm run bench`: sets itself up, builds the measuring as it would be shipped, and runs it.
import { spawnSync } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { installDependencies, locked, root } from './install.mjs'

await locked('install', async () => installDependencies())
const { buildSync } = await import('esbuild')
const outfile = join(root, 'dist', 'bench.mjs')
const { register } = await import('tsx/esm/api')
register()
const { buildIfNeeded } = await import('./build.ts')
buildIfNeeded()
mkdirSync(join(root, 'dist'), { recursive: true })
buildSync({
  entryPoints: [join(root, 'bench/main.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  logLevel: 'error',
})
const ran = spawnSync(process.execPath, [outfile, ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, EVENSHOT_CLOCK: '2026-11-26T07:34:00Z', EVENSHOT_LOG: 'error' },
})
process.exit(ran.status ?? 1)
