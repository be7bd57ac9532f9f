// `npm run licences`: every package that is installed to run, with its licence.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './install.mjs'

const lock = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'))
const byLicence = new Map()
for (const [path, entry] of Object.entries(lock.packages)) {
  if (!path || entry.dev || entry.optional) continue
  const licence =
    entry.license ?? JSON.parse(readFileSync(join(root, path, 'package.json'), 'utf8')).license ?? 'not stated'
  const name = `${path.replace(/^.*node_modules\//, '')} ${entry.version}`
  byLicence.set(licence, [...(byLicence.get(licence) ?? []), name])
}
for (const [licence, names] of [...byLicence].sort()) {
  console.log(`\n${licence} (${names.length})`)
  for (const name of names.sort()) console.log(`  ${name}`)
}
