// `npm run bench:faults [cases] [kind]`, `npm run bench:calibration [cases] [kind]`: need the packages, no build and no
// database.
import { installDependencies, locked } from './install.mjs'

await locked('install', async () => installDependencies())
const { register } = await import('tsx/esm/api')
register()
const calibrates = process.argv[2] === 'calibration'
if (calibrates) process.argv.splice(2, 1)
await import(calibrates ? '../bench/calibration.ts' : '../bench/faults.ts')
