// `npm test`: sets itself up and runs everything; the last line counts.
import { installDependencies, locked } from './install.mjs'

await locked('install', async () => installDependencies())
const { register } = await import('tsx/esm/api')
register()
await import('./test-all.ts')
