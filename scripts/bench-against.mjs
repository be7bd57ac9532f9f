// `npm run bench:against COMMIT`: sets itself up and times this tree against an earlier one.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { installDependencies, locked, root } from './install.mjs'

await locked('install', async () => installDependencies())
const ran = spawnSync(join(root, 'node_modules/.bin/tsx'), ['bench/against.ts', ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
})
process.exit(ran.status ?? 1)
