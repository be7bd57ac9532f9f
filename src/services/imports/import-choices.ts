import type { ImportSpec } from '../../core/files/import-spec.ts'
import type { WorkEntry } from '../../core/files/read-work.ts'
import { kinds } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { effective } from '../../core/standing/histories.ts'
import { veryOwnKinds } from '../../core/standing/own-kinds.ts'
import { calledToo as shippedToo } from '../../core/trade/called-too.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { meaningsOf } from '../../records/imports.ts'
import { kindCounts } from '../../records/kind-counts.ts'
import { entriesOf } from '../../records/ledger.ts'

/** What an import offers to choose from: kinds of machine, pieces of work, what words meant before. */
export interface ImportChoices {
  kinds: Pick<Kind, 'id' | 'name' | 'calledToo' | 'tasks'>[]
  words: ImportSpec['words']
  work: { entry: WorkEntry; id: string; words: string; many: boolean }[]
}

/** Work is offered of those kinds that the firm has machines of; of all where it has none. */
export const importChoices = (db: Db, firmId: string): Promise<ImportChoices> =>
  lookIn(db, firmId, async (trx) => {
    const [firm, counts, words] = await Promise.all([entriesOf(trx, [firmId]), kindCounts(trx), meaningsOf(trx)])
    const all = [...kinds, ...veryOwnKinds(effective({ firm }))]
    const here = all.filter(({ id }) => (counts.get(id) ?? 0) > 0)
    return {
      kinds: all.map(({ id, name, calledToo, tasks }) => ({
        id,
        name,
        calledToo: [...(calledToo ?? []), ...(shippedToo[id] ?? [])],
        // Of its tasks only whether they are of a group is asked.
        tasks: tasks.some(({ each }) => each === 'group') ? [tasks.find(({ each }) => each === 'group')!] : [],
      })),
      words,
      work: workOf(here.length > 0 ? here : all),
    }
  })

const deedWords: Record<WorkEntry, string> = {
  fitted: 'changed',
  cleaned: 'cleaned',
  greased: 'greased',
  checked: 'checked',
  serviced: 'serviced',
  descaled: 'descaled',
  repaired: 'repaired',
}

function workOf(list: Kind[]): ImportChoices['work'] {
  const found = new Map<string, ImportChoices['work'][number]>()
  for (const kind of list) {
    const add = (entry: WorkEntry, id: string, name: string, many: boolean) => {
      const key = `${entry} ${id}`
      const known = found.get(key)
      if (known) known.many ||= many
      else found.set(key, { entry, id, words: `${name}: ${deedWords[entry]}`, many })
    }
    const isMany = (each: 'group' | 'side' | undefined) =>
      (each === 'group' ? kind.groups : each === 'side' ? kind.sides : 1) > 1
    for (const part of kind.parts) add('fitted', part.id, part.name, isMany(part.each))
    for (const task of kind.tasks)
      if (task.action !== 'replace') add(task.doneBy, task.id, task.name, isMany(task.each))
    if (kind.descale) add('descaled', 'descale', 'Descale', false)
  }
  return [...found.values()].sort((a, b) => (a.words < b.words ? -1 : 1))
}
