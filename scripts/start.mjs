// `npm start`: everything from a fresh clone to a running application.
import { installDependencies, locked } from './install.mjs'

await locked('install', async () => installDependencies())
const { register } = await import('tsx/esm/api')
register()
await import('./start-app.ts')
