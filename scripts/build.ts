import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { buildSync } from 'esbuild'
import { root } from './install.mjs'

const mark = join(root, 'dist', '.evenshot-build')

/** Builds the pages, unless exactly these sources were built already. */
export function buildIfNeeded(): void {
  const wanted = fingerprint()
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return
  console.log('Building the pages (about half a minute) …')
  const astro = join(root, 'node_modules', 'astro', 'astro.js')
  const built = spawnSync(process.execPath, [astro, 'build', '--silent'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' },
  })
  if (built.status !== 0) throw new Error('The pages could not be built: see the lines above.')
  bundle('src/server/worker.ts', 'dist/server/worker.mjs')
  bundle('src/server/plan-thread.ts', 'dist/server/plan-thread.mjs')
  bundle('src/server/picture-child.ts', 'dist/server/picture-child.mjs')
  bundle('scripts/serve-child.ts', 'dist/server/serve-child.mjs')
  bundleServiceWorker(wanted)
  writeFileSync(mark, wanted)
}

/** Bundles the program that opens pages without network, with the list of all files it keeps and what they are known by. */
function bundleServiceWorker(build: string): void {
  const client = join(root, 'dist', 'client')
  const files = readdirSync(client, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && entry.name !== 'sw.js')
    .map((entry) => join(entry.parentPath, entry.name))
    .sort()
  const precached = files.map((file) => {
    const url = file.slice(client.length).replaceAll('\\', '/')
    // What is named by what it holds needs nothing besides.
    const revision = url.startsWith('/_astro/') ? null : createHash('sha256').update(readFileSync(file)).digest('hex')
    return { url, revision }
  })
  buildSync({
    entryPoints: [join(root, 'src/service-worker/index.ts')],
    outfile: join(client, 'sw.js'),
    bundle: true,
    minify: true,
    platform: 'browser',
    format: 'iife',
    target: 'es2022',
    define: {
      'process.env.NODE_ENV': '"production"',
      // The frame is drawn by the server: another build draws another one.
      precached: JSON.stringify([...precached, { url: '/here', revision: build }]),
    },
    logLevel: 'error',
  })
}

/** Bundles a program of ours into one file: run from source it would be several times slower. */
export function bundle(entry: string, outfile: string): void {
  buildSync({
    entryPoints: [join(root, entry)],
    outfile: join(root, outfile),
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    logLevel: 'error',
  })
}

/** One digest of everything the build reads. */
function fingerprint(): string {
  const hash = createHash('sha256')
  const folders = ['src', 'public'].map((name) => join(root, name)).filter((path) => existsSync(path))
  const files = folders.flatMap((folder) =>
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => join(entry.parentPath, entry.name)),
  )
  for (const name of [
    'astro.config.mjs',
    'package-lock.json',
    'tsconfig.json',
    'scripts/serve-child.ts',
    'scripts/build.ts',
  ])
    files.push(join(root, name))
  for (const file of files.sort()) hash.update(file.slice(root.length)).update(readFileSync(file))
  return hash.digest('hex')
}
