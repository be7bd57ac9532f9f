// `npm run bench:faults [cases] [kind]`, `npm run bench:calibration [cases] [kind]`: need the packages, no build and no
// database.
import { installDependencies, locked } from './install.mjs'

await locked('install', async () => installDependencies())
const { register } = await import('tsx/esm/api')
register()
if (process.argv[2] === 'calibration') {
  process.argv.splice(2, 1)
  await import('../bench/calibration.ts')
} else await import('../bench/faults.ts')
