import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { kinds } from '../src/core/kinds/index.ts'
import type { Kind, Prompt, Task } from '../src/core/kinds/kind.ts'
import type { Mark } from '../src/core/quantity/working.ts'
import { clocks, policies } from '../src/core/wear/limits.ts'
import { limitWords } from '../src/ui/interval-words.ts'
import { root } from './install.mjs'

const folder = 'src/core/trade'

/** Source of the kinds and of what they share, by path. */
const sources = (): Map<string, string> =>
  new Map(
    readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
      .filter((name) => /^machines\/[^/]+\/kind\.ts$|^shared\/(parts|sets)\/.*\.ts$/.test(name))
      .map((name) => [`${folder}/${name}`, readFileSync(join(root, folder, name), 'utf8')] as const),
  )

/** The file a row of a kind stands in: the kind's own, else one it takes rows from. */
function fileOf(kind: Kind, id: string, files: Map<string, string>): string {
  const isOwn = ([path, text]: [string, string]) => path.includes('/machines/') && text.includes(`'${kind.id}'`)
  const own = [...files].filter(isOwn).map(([path]) => path)
  const taken = [...files.keys()].filter((path) => path.includes('/shared/'))
  // A task that belongs to a part carries its name: "dispersion-block-clean" stands where the block does.
  const names = [id, id.replace(/-[a-z]+$/, '')]
  const from = names
    .flatMap((name) => [...own, ...taken].filter((path) => files.get(path)!.includes(`'${name}'`)))
    .at(0)
  if (!from) throw new Error(`${kind.id}: ${id} stands in no file`)
  return from.slice(folder.length + 1)
}

interface Row {
  cells: string[]
  kinds: string[]
}

/** Rows that say the same of several kinds, once. */
function gathered(rows: { cells: string[]; kind: string }[]): Row[] {
  const byCells = new Map<string, Row>()
  for (const { cells, kind } of rows) {
    const key = cells.join('|')
    const there = byCells.get(key)
    if (there) there.kinds.push(kind)
    else byCells.set(key, { cells, kinds: [kind] })
  }
  return [...byCells.values()].sort((a, b) => a.cells[0]!.localeCompare(b.cells[0]!, 'en'))
}

const table = (head: string[], rows: Row[]) =>
  [
    `| ${[...head, 'kinds'].join(' | ')} |`,
    `| ${[...head, 'kinds'].map(() => '---').join(' | ')} |`,
    ...rows.map(({ cells, kinds }) => `| ${[...cells, kinds.join(' ')].map(plain).join(' | ')} |`),
  ].join('\n')

const plain = (text: string) => text.replaceAll('|', '/')
const nameOf = (task: Task) => (task.variant ? `${task.name}, ${task.variant.replaceAll('-', ' ')}` : task.name)
const from = (mark: Mark) => ({ P: 'published', T: 'common practice', M: 'from memory' })[mark]

function taskCells(kind: Kind, task: Task, files: Map<string, string>): string[] {
  const by = policies.map((way) =>
    clocks.flatMap((clock) => {
      const limit = task.limits[clock]
      return limit ? [limitWords(clock, limit[way], kind.counter.unit)] : []
    }),
  )
  return [nameOf(task), ...by.map((words) => words.join('; ')), from(task.mark), fileOf(kind, task.id, files)]
}

const promptCells = (kind: Kind, prompt: Prompt): string[] => [
  `${prompt.where}, ${prompt.looks ?? prompt.shows}`,
  prompt.means,
  prompt.everyDrinks ? `every ${prompt.everyDrinks} ${kind.counter.unit}` : '',
  from(prompt.mark),
]

/** Every part, interval and prompt of the trade and where it lives, as a page: read off the kinds as they stand. */
export function coverage(): string {
  const files = sources()
  const tasks = (replace: boolean) =>
    gathered(
      kinds.flatMap((kind) =>
        kind.tasks
          .filter(({ action }) => (action === 'replace') === replace)
          .map((task) => ({ cells: taskCells(kind, task, files), kind: kind.id })),
      ),
    )
  const prompts = gathered(
    kinds.flatMap((kind) => kind.prompts.map((prompt) => ({ cells: promptCells(kind, prompt), kind: kind.id }))),
  )
  const cleaning = gathered(
    kinds.flatMap((kind) =>
      kind.cleaning.map(({ what, takes, why }) => ({ cells: [what, takes ? 'yes' : 'no', why], kind: kind.id })),
    ),
  )
  const options = gathered(
    kinds.flatMap((kind) =>
      kind.options.map((option) => ({
        cells: [option.name, option.standard ? 'most have it' : 'few have it', String(option.howToTell.length)],
        kind: kind.id,
      })),
    ),
  )
  return `# What is covered

Every part, interval and prompt the trade names, by its name, with the file it lives in. Written by \`npm run schemas\`
from the kinds as they stand; a test holds it to them, and \`test/core/kinds/trade-figures.ts\` holds the kinds to the
trade's tables. Files are under \`${folder}\`; on screen each kind stands at \`/kinds/ID\`, what its parts lasted at \`/parts\`.
What treats the water (softeners, cartridges, membranes, carbon) has its intervals reckoned in \`src/core/standing\`, on screen at
\`/softeners/ID\`; descaling by chalk likewise, on a machine's water lens.

${kinds.map(({ id, name, about }) => `- \`${id}\` ${name}: ${about}`).join('\n')}

## Parts: replaced

${table(['part', 'cautious', 'usual', 'long life', 'from', 'file'], tasks(true))}

## Tasks: cleaned, descaled, greased, checked

${table(['task', 'cautious', 'usual', 'long life', 'from', 'file'], tasks(false))}

## Prompts

${table(['shows', 'means', 'said to come', 'from'], prompts)}

## What cleaning it takes

${table(['cleaning', 'takes it', 'why'], cleaning)}

## What some have and others not

${table(['revision', 'as a rule', 'ways to tell'], options)}
`
}
