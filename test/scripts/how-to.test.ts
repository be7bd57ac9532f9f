import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { root } from '../../scripts/install.mjs'

/** One recipe of the docs: the file it makes, and the line it puts into another. */
interface Recipe {
  path: string
  code: string
  into: string
  line: string
}

/** Reads a recipe as a person would: the path in code, the file under it, the list, the line under that. */
function recipe(heading: string): Recipe {
  const text = readFileSync(join(root, 'docs', 'how-to.md'), 'utf8')
  const part = text.split(/^## /m).find((one) => one.startsWith(heading))!
  const [, path, code, into, line] =
    /^`(src\/[^`]+)`\n\n```ts\n([\s\S]*?)```[\s\S]*?^In `(src\/[^`]+)`[\s\S]*?```ts\n([\s\S]*?)```/m.exec(part)!
  return { path: path!, code: code!, into: into!, line: line! }
}

/** Puts the import above the rest and the line where a list opens. */
function withLine(source: string, { path, line, into }: Recipe, opens: RegExp): string {
  const name = /(\w+),\s*$/.exec(line)![1]!
  const from = path.slice(into.slice(0, into.lastIndexOf('/')).length + 1)
  expect(source, into).to.match(opens)
  return `import { ${name} } from './${from}'\n${source.replace(opens, (opening) => `${opening}\n${line.trimEnd()}`)}`
}

const used = `
import { entryKindOf } from './src/core/ledger/entry-kinds.ts'
import { parseEntry } from './src/core/ledger/parse-entry.ts'
import { reckonMachine } from './src/core/standing/reckon-machine.ts'
import { tasksToWrite } from './src/core/standing/tasks/index.ts'
import { kindById } from './src/core/kinds/index.ts'
import { entryWords } from './src/ui/entry-words.ts'

const id = (n: number) => '01939000-0000-7000-8000-' + String(n).padStart(12, '0')
let n = 1
const entry = (kind: string, on: string, body: object) => ({
  id: id((n += 1)), subjectKind: 'machine', subjectId: id(1), kind,
  happenedAt: on + 'T09:00:00Z', happenedOn: on, body: { v: 1, ...body },
}) as never
const smelt = entry('descaler-smelt', '2026-11-02', { strength: 'strong', note: 'rinsed twice more' })
const machine = [
  entry('commissioned', '2026-01-05', { kind: 'pk', kindVersion: 1, partsNew: true }),
  entry('reading', '2026-10-30', { counter: 'shots', count: 4000 }),
  entry('stage', '2026-11-01', { stage: 'still' }),
]
const due = (ledger: never[]) => reckonMachine({ machine: ledger })!.standings.find(({ key }) => key === 'drain-tank')?.due?.p50
const done = tasksToWrite({}).find((task) => task.id === 'drain-tank')!
console.log(JSON.stringify({
  taken: parseEntry(smelt).ok,
  refused: parseEntry(entry('descaler-smelt', '2026-11-02', { strength: 'loud' })),
  words: entryWords(smelt, kindById('pk')),
  affects: entryKindOf('descaler-smelt' as never).affects,
  due: due(machine),
  writes: done,
  dueAfter: due([...machine, entry(done.kind, '2026-11-03', done.body)]) ?? null,
}))
`

describe('the recipes of docs/how-to.md', function () {
  this.timeout(120_000)
  let copy: string
  // biome-ignore lint/suspicious/noExplicitAny: what a process printed
  let told: any

  before(() => {
    copy = mkdtempSync(join(tmpdir(), 'evenshot-how-to-'))
    cpSync(join(root, 'src'), join(copy, 'src'), { recursive: true })
    for (const file of ['package.json', 'tsconfig.json']) cpSync(join(root, file), join(copy, file))
    symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))
    for (const [heading, opens] of [
      ['… a kind of entry', /export const entryKinds = \{/],
      ['… a task that the reckoning raises', /export const machineTasks: MachineTask\[\] = \[/],
    ] as const) {
      const one = recipe(heading)
      writeFileSync(join(copy, one.path), one.code)
      const into = join(copy, one.into)
      writeFileSync(into, withLine(readFileSync(into, 'utf8'), one, opens))
    }
    writeFileSync(join(copy, 'used.ts'), used)
    const ran = spawnSync(join(root, 'node_modules/.bin/tsx'), ['used.ts'], { cwd: copy, encoding: 'utf8' })
    expect(ran.status, ran.stderr).to.equal(0)
    told = JSON.parse(ran.stdout)
  })

  after(() => rmSync(copy, { recursive: true, force: true }))

  it('make a kind of entry with one file and one line: parsed, refused at its field, put into words', () => {
    expect(told.taken).to.equal(true)
    expect(told.refused.issues[0]).to.include({ path: 'body.strength', message: 'must be one of faint, strong' })
    expect(told.words).to.equal('Acid smelt in the cup, strong. rinsed twice more')
    expect(told.affects).to.equal('nobody')
  })

  it('make a task with one file and one line: due, ticked off by what it says, no longer due', () => {
    expect(told.due).to.equal('2026-11-08')
    expect(told.writes).to.deep.include({ about: 'machine', kind: 'cleaned', body: { task: 'drain-tank' } })
    expect(told.dueAfter).to.equal(null)
  })
})
