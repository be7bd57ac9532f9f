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
  bundle('src/server/picture-child.ts', 'dist/server/picture-child.mjs')
  bundle('scripts/serve-child.ts', 'dist/server/serve-child.mjs')
  writeFileSync(mark, wanted)
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
  for (const name of ['astro.config.mjs', 'package-lock.json', 'tsconfig.json', 'scripts/serve-child.ts'])
    files.push(join(root, name))
  for (const file of files.sort()) hash.update(file.slice(root.length)).update(readFileSync(file))
  return hash.digest('hex')
}
