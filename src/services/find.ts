import { kinds as shipped } from '../core/kinds/index.ts'
import { effective } from '../core/standing/histories.ts'
import { libraryHere } from '../core/standing/own-procedures.ts'
import { raisedTasks } from '../core/standing/tasks/index.ts'
import { type Db, lookIn } from '../records/database.ts'
import { machineRows } from '../records/find.ts'
import { keptByName } from '../records/kept.ts'
import { kindCounts } from '../records/kind-counts.ts'
import { entriesOf } from '../records/ledger.ts'
import { words as wordsOf } from '../records/round.ts'
import type { Found, FoundThing } from '../views/found.ts'
import { veryOwnKindsIn } from './own-kinds.ts'

/** So many of each sort: who sees more types a word more. */
const mostMachines = 12
const mostOfASort = 5

/**
 * What the words of the find box may mean: machines, sites, customers, what is done to machines, procedures, kinds.
 * Every word must be found; nothing but machines is offered before there are words.
 */
export const findAll = (db: Db, firmId: string, text: string): Promise<Found> =>
  lookIn(db, firmId, async (trx) => {
    const words = wordsOf(text)
    const machines = machineRows(trx, { text, ...(text && { stage: 'any' }) }, null, mostMachines)
    if (words.length === 0) return { rows: await machines, things: [] }
    const named = { words, after: null, limit: mostOfASort }
    const [rows, sites, customers, firm, own, counts] = await Promise.all([
      machines,
      keptByName(trx, 'site', named),
      keptByName(trx, 'customer', named),
      entriesOf(trx, [firmId]),
      veryOwnKindsIn(trx),
      kindCounts(trx),
    ])
    const has = (...texts: (string | undefined)[]) => {
      const said = texts.join(' ').toLowerCase()
      return words.every((word) => said.includes(word.toLowerCase()))
    }
    const kinds = [...shipped, ...own]
    const here = kinds.filter(({ id }) => (counts.get(id) ?? 0) > 0)
    const tasks = new Set([
      ...here.flatMap((kind) => kind.tasks.map(({ name }) => name)),
      ...raisedTasks.flatMap(({ searchNames }) => searchNames.map(capital)),
    ])
    const things: FoundThing[] = [
      ...sites.map(({ id, name, area }) => ({ sort: 'site' as const, name, about: area, href: `/sites/${id}` })),
      ...customers.map(({ id, name, contact, phone }) => ({
        sort: 'customer' as const,
        name,
        about: [contact, phone].filter(Boolean).join(', '),
        href: `/customers/${id}`,
      })),
      ...[...tasks]
        .filter((name) => has(name))
        .slice(0, mostOfASort)
        .map((name) => ({
          sort: 'task' as const,
          name,
          about: 'when it is due, on every machine',
          href: `/round?${new URLSearchParams({ text: name, horizon: 'all' })}`,
        })),
      ...libraryHere(effective({ firm }))
        .filter(({ name, about }) => has(name, about))
        .slice(0, mostOfASort)
        .map(({ id, name, about }) => ({ sort: 'procedure' as const, name, about, href: `/procedures/${id}` })),
      ...kinds
        .filter(({ name, about, calledToo = [] }) => has(name, about, ...calledToo))
        .slice(0, mostOfASort)
        .map(({ id, name, about }) => ({ sort: 'kind' as const, name, about, href: `/kinds/${id}` })),
    ]
    return { rows, things }
  })

const capital = (name: string) => name.charAt(0).toUpperCase() + name.slice(1)
