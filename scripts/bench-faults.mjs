// `npm run bench:faults [cases]`: needs the packages, no build and no database.
import { installDependencies, locked } from './install.mjs'

await locked('install', async () => installDependencies())
const { register } = await import('tsx/esm/api')
register()
await import('../bench/faults.ts')
