// `npm run bench`, `npm run bench:lists`, `npm run bench:device`: sets itself up, builds the measuring as it would be shipped, and runs it.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { installDependencies, locked, root } from './install.mjs'

await locked('install', async () => installDependencies())
const { register } = await import('tsx/esm/api')
register()
const { buildIfNeeded, bundle } = await import('./build.ts')
buildIfNeeded()
const apart = ['lists', 'device']
const [what = 'main', ...given] = apart.includes(process.argv[2] ?? '')
  ? process.argv.slice(2)
  : ['main', ...process.argv.slice(2)]
bundle(`bench/${what}.ts`, `dist/bench-${what}.mjs`)
const ran = spawnSync(process.execPath, [join(root, 'dist', `bench-${what}.mjs`), ...given], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, EVENSHOT_CLOCK: '2026-11-26T07:34:00Z', EVENSHOT_LOG: 'error' },
})
process.exit(ran.status ?? 1)
