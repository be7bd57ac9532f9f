import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { cruise, type ICruiseOptions, type ICruiseResult } from 'dependency-cruiser'
import extractTSConfig from 'dependency-cruiser/config-utl/extract-ts-config'
import { root } from './install.mjs'

// `npm run layers`: holds every import to the lists of .dependency-cruiser.cjs, those of the pages too, and SQL to the
// folder of records.

const read = ['src', 'bin', 'scripts', 'bench']

/** Something that stands where it must not. */
export interface Refused {
  from: string
  to: string
  rule: string
}

/**
 * A copy of the sources in which the pages can be read: the script at the head of an `.astro` file as TypeScript.
 * @returns its folder, for whoever asked to throw away
 */
export function readableCopy(): string {
  const copy = mkdtempSync(join(tmpdir(), 'evenshot-layers-'))
  for (const folder of read) cpSync(join(root, folder), join(copy, folder), { recursive: true })
  for (const file of ['tsconfig.json', 'package.json']) cpSync(join(root, file), join(copy, file))
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))
  for (const path of readdirSync(join(copy, 'src'), { recursive: true, encoding: 'utf8' })) {
    if (!path.endsWith('.astro')) continue
    const page = join(copy, 'src', path)
    const [, head = ''] = readFileSync(page, 'utf8').split(/^---$/m)
    writeFileSync(`${page}.ts`, head.replaceAll(/(from '[^']+\.astro)'/g, "$1.ts'"))
    rmSync(page)
  }
  return copy
}

/** Every import that no list has, in a folder made by `readableCopy`. */
export async function refusedImports(copy: string): Promise<Refused[]> {
  const { forbidden, options } = createRequire(import.meta.url)(join(root, '.dependency-cruiser.cjs'))
  const rules = { ...options, baseDir: copy, ruleSet: { forbidden }, validate: true } as ICruiseOptions
  const { output } = await cruise(read, rules, {}, { tsConfig: extractTSConfig(join(root, 'tsconfig.json')) })
  return (output as ICruiseResult).summary.violations.map(({ from, to, rule }) => ({ from, to, rule: rule.name }))
}

/** What asks the database: a table of a transaction or a pool, or SQL in words. */
const asksDatabase = /\b(?:trx|db)\s*(?:\(|\.raw\b|\.from\b|\.with\b|\.select\b)/

/** SQL outside the records, in a folder made by `readableCopy`. */
export function strayQueries(copy: string): Refused[] {
  return readdirSync(join(copy, 'src'), { recursive: true, encoding: 'utf8' })
    .filter((path) => /\.tsx?$/.test(path) && !path.startsWith('records'))
    .filter((path) => asksDatabase.test(readFileSync(join(copy, 'src', path), 'utf8')))
    .map((path) => ({ from: join('src', path), to: 'the database', rule: 'SQL stands in src/records/ alone' }))
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const copy = readableCopy()
  try {
    const refused = [...(await refusedImports(copy)), ...strayQueries(copy)]
    for (const { from, to, rule } of refused) console.log(`${from} → ${to}\n  ${rule}`)
    console.log(refused.length === 0 ? 'Arrows go down only.' : `${refused.length} that no list has.`)
    process.exitCode = refused.length === 0 ? 0 : 1
  } finally {
    rmSync(copy, { recursive: true, force: true })
  }
}
