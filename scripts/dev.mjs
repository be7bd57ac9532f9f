// `npm run dev`: the application as it is being written, drawn anew at every change, on a demo world of its own.
import { installDependencies, locked } from './install.mjs'

await locked('install', async () => installDependencies())
const { register } = await import('tsx/esm/api')
register()
await import('./dev-app.ts')
