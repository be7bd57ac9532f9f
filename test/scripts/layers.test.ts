import { appendFileSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { expect } from 'chai'
import { type Refused, readableCopy, refusedImports, strayQueries } from '../../scripts/layers.ts'

/** What each folder may know, as docs/architecture.md draws it. */
const mayKnow: Record<string, string[]> = {
  core: [],
  views: ['core'],
  ui: ['core'],
  device: ['core', 'views'],
  'service-worker': ['core', 'views', 'device'],
  islands: ['core', 'views', 'ui', 'device'],
  records: ['core'],
  services: ['core', 'views', 'records'],
  demo: ['core', 'services'],
  server: ['core', 'views', 'records', 'services'],
  layouts: ['core', 'views', 'ui', 'islands', 'services'],
  pages: ['core', 'views', 'ui', 'islands', 'layouts', 'services', 'server'],
}
const folders = Object.keys(mayKnow)
/** The one file that stands beside them. */
const middlewareMayKnow = ['core', 'ui', 'services', 'server']
const outside = ['scripts', 'bench', 'bin']

/** A package or part of Node.js each of these must do without. */
const strangers: [string, string][] = [
  ['core', 'knex'],
  ['core', 'react'],
  ['core', 'node:fs'],
  ['core', 'uuid'],
  ['views', 'yup'],
  ['ui', 'knex'],
  ['ui', 'node:path'],
  ['islands', 'pg'],
  ['islands', 'node:fs'],
  ['islands', 'express'],
  ['records', 'express'],
  ['services', 'knex'],
  ['services', 'pg'],
  ['demo', 'pg'],
  ['pages', 'knex'],
  ['pages', 'node:fs'],
  ['layouts', 'pg'],
  ['server', 'knex'],
  ['device', 'react'],
  ['service-worker', 'react'],
  ['service-worker', 'node:fs'],
]

describe('the rules of who may know whom', function () {
  this.timeout(180_000)
  let copy: string
  let refused: Refused[]
  const ruleOf = (from: string): string[] => refused.filter((one) => one.from === from).map(({ rule }) => rule)

  before(async () => {
    copy = readableCopy()
    const plant = (path: string, text: string) => {
      mkdirSync(dirname(join(copy, path)), { recursive: true })
      writeFileSync(join(copy, path), text)
    }
    for (const to of folders) plant(`src/${to}/planted.ts`, 'export const planted = 1\n')
    for (const to of outside) plant(`${to}/planted.ts`, 'export const planted = 1\n')
    for (const from of folders) {
      for (const to of [...folders, ...outside]) {
        if (to === from) continue
        const target = relative(`src/${from}`, outside.includes(to) ? `${to}/planted.ts` : `src/${to}/planted.ts`)
        plant(`src/${from}/from-${to}.ts`, `export { planted } from '${target}'\n`)
        plant(
          `src/${from}/type-from-${to}.ts`,
          `import type { planted } from '${target}'\nexport type P = typeof planted\n`,
        )
      }
    }
    // As the head of a page, which is no TypeScript file of its own.
    plant('src/pages/planted.astro.ts', "import { planted } from '../records/planted.ts'\nexport const p = planted\n")
    for (const to of [...folders, ...outside])
      appendFileSync(
        join(copy, 'src/middleware.ts'),
        `\nexport { planted as ${to.replace('-', '')}Planted } from '${outside.includes(to) ? '..' : '.'}/${to}/planted.ts'\n`,
      )
    plant('src/cellar/planted.ts', "export { planted } from '../core/planted.ts'\n")
    plant('src/core/a-circle.ts', "import type { B } from './b-circle.ts'\nexport type A = B | 1\n")
    plant('src/core/b-circle.ts', "import type { A } from './a-circle.ts'\nexport type B = A | 2\n")
    for (const [from, name] of strangers)
      plant(
        `src/${from}/uses-${name.replace(':', '-')}.ts`,
        `import * as stranger from '${name}'\nexport { stranger }\n`,
      )
    plant('src/services/asks.ts', "export const asks = (trx: (table: string) => unknown) => trx('machine')\n")
    refused = await refusedImports(copy)
  })

  after(() => rmSync(copy, { recursive: true, force: true }))

  for (const from of folders) {
    it(`refuses every import into src/${from}/ that its list has not, of types too, and no other`, () => {
      for (const to of [...folders, ...outside]) {
        if (to === from) continue
        const rules = [...ruleOf(`src/${from}/from-${to}.ts`), ...ruleOf(`src/${from}/type-from-${to}.ts`)]
        const allowed = mayKnow[from]!.includes(to)
        expect(
          rules.filter((rule) => rule.startsWith(`src/${from}/ knows only`)),
          `${from} → ${to}`,
        ).to.have.length(allowed ? 0 : 2)
        if (allowed) expect(rules, `${from} → ${to}`).to.deep.equal([])
      }
    })
  }

  it('refuses what the middleware has no business with', () => {
    const strays = refused.filter(({ from, to }) => from === 'src/middleware.ts' && to.includes('planted'))
    const wanted = [...folders, ...outside].filter((to) => !middlewareMayKnow.includes(to))
    expect(strays.map(({ to }) => to.replace(/^src\/|\/planted.ts$/g, '')).sort()).to.deep.equal(wanted.sort())
  })

  it('reads the pages themselves', () => {
    expect(ruleOf('src/pages/planted.astro.ts')).to.have.length(1)
  })

  it('refuses a folder without a list', () => {
    expect(ruleOf('src/cellar/planted.ts')).to.deep.equal(['every folder of src has its list'])
  })

  it('refuses circles, of types alone too', () => {
    expect(ruleOf('src/core/a-circle.ts')).to.include('no circles')
  })

  it('refuses packages and parts of Node.js that a folder has no use for', () => {
    for (const [from, name] of strangers)
      expect(ruleOf(`src/${from}/uses-${name.replace(':', '-')}.ts`), `${from} → ${name}`).to.have.length(1)
  })

  it('refuses SQL outside the records', () => {
    expect(strayQueries(copy).map(({ from }) => from)).to.deep.equal(['src/services/asks.ts'])
  })

  it('finds nothing else: the house keeps its own rules', () => {
    const planted = /planted|from-|circle|uses-/
    expect(refused.filter(({ from, to }) => !planted.test(from) && !planted.test(to))).to.deep.equal([])
  })
})
