// `npm run bench:faults [cases] [kind]`, `npm run bench:calibration [cases] [kind]`, `npm run bench:plan`,
// `npm run bench:replay`: need the packages, no build and no database.
import { installDependencies, locked } from './install.mjs'

await locked('install', async () => installDependencies())
const { register } = await import('tsx/esm/api')
register()
const [name] = process.argv.splice(2, 1)
if (name === 'faults') await import('../bench/faults.ts')
else if (name === 'calibration') await import('../bench/calibration.ts')
else if (name === 'plan') await import('../bench/plan.ts')
else if (name === 'replay') await import('../bench/replay.ts')
else throw new Error(`No such bench: ${name}`)
