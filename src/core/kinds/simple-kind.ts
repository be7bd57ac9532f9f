import { slugOf } from '../parse/slug-of.ts'
import { byPolicy } from '../wear/limits.ts'
import { part, task } from './build.ts'
import type { Action, Caution, Kind } from './kind.ts'

/** Where a simple kind's water comes from. */
export const simpleWaters = ['plumbed', 'tank', 'none'] as const
export type SimpleWater = (typeof simpleWaters)[number]

/** Something that comes round on a machine of a simple kind. */
export interface SimpleTask {
  /** Where it is a task that other kinds have too; else it is made from the name. */
  id?: string
  name: string
  action: Exclude<Action, 'grease' | 'descale'>
  /** How often, months; absent where it goes by the counter alone. */
  months?: number
  /** How often by its counter. */
  counts?: number
  minutes: number
  caution?: Caution
}

/** What a firm says of a machine that no kind here describes: a brewer, an urn, a boiler, something with ice. */
export interface SimpleKind {
  name: string
  about: string
  water: SimpleWater
  /** What it draws an open day, L: it counts at its softener. Absent where nobody knows. */
  litresPerOpenDay?: number
  /** What it counts, and about how many an open day; null where it counts nothing. */
  counter: { unit: string; perOpenDay: number } | null
  tasks: SimpleTask[]
}

/**
 * A kind of the firm's own, from nothing: a supply, the machine, an outlet, and the tasks the firm says with the one
 * figure it says. Nothing is reckoned of it but those: no chalk, no faults, since nobody has told what is inside.
 *
 * @param taken - ids of the kinds there are
 * @example simpleKind({ name: 'filter brewer', about: '', water: 'plumbed', counter: null, tasks: [] }, []).id // 'filter-brewer'
 */
export function simpleKind({ name, about, water, litresPerOpenDay, counter, tasks }: SimpleKind, taken: string[]): Kind {
  const list = tasks.reduce<Pick<Kind, 'parts' | 'tasks'>>(withSimpleTask, { parts: [], tasks: [] })
  const usual = counter?.perOpenDay ?? 1
  return {
    id: slugOf(name, taken),
    version: 1,
    name,
    about,
    counter: { id: 'shots', name: 'Counter', unit: counter?.unit ?? 'uses' },
    ...(!counter && { uncounted: true }),
    groups: 1,
    groupShares: [1],
    sides: 1,
    stations: [...(water === 'none' ? [] : [supplies[water]]), { id: 'machine', name: 'The machine', symbol: 'full-boiler' }, { id: 'outlet', name: 'Outlet', symbol: 'tap' }],
    lines: [{ id: 'main', medium: 'water', lane: 0, stations: [...(water === 'none' ? [] : ['supply']), 'machine', 'outlet'] }],
    ...list,
    measures: [],
    budget: {
      drinks: [{ name: counter?.unit ?? 'use', share: 1, cupMl: 0, puckMl: 0, dischargeMl: 0, flushMl: 0 }],
      besides: [],
      daily: litresPerOpenDay ? [{ name: 'As our firm reckons', ml: litresPerOpenDay * 1000, goes: 'past' }] : [],
      mark: 'M',
    },
    doseG: null,
    counts: {},
    options: [],
    prompts: [],
    cleaning: [],
    // How far off "about" may be. From memory.
    drinksPerOpenDay: { p10: usual / 3, p50: usual, p90: usual * 3 },
    detergent: null,
    vessels: [],
    descale: null,
    descaleNote: 'What is inside it is not told: it is descaled by the interval that stands among its tasks, if any.',
    routine: [],
  }
}

const supplies = {
  plumbed: { id: 'supply', name: 'Supply', symbol: 'mains' },
  tank: { id: 'supply', name: 'Tank', symbol: 'tank' },
} as const

function withSimpleTask(list: Pick<Kind, 'parts' | 'tasks'>, simple: SimpleTask): Pick<Kind, 'parts' | 'tasks'> {
  const { name, action, months, counts, minutes, caution } = simple
  const id = slugOf(
    simple.id ?? name,
    [...list.parts, ...list.tasks].map((one) => one.id),
  )
  const common = { min: minutes, markNote: 'our own figure', ...(caution && { caution }) }
  // The firm says one figure: whatever the policy, that one holds.
  const limits = {
    ...(months && { months: byPolicy(months, months, months) }),
    ...(counts && { shots: byPolicy(counts, counts, counts) }),
  }
  if (action !== 'replace') return { ...list, tasks: [...list.tasks, { ...task(id, name, action, 'machine', {}, common), limits }] }
  const made = part(id, name, 'machine', {}, { ...common, beta: 2 })
  return {
    parts: [...list.parts, made.part],
    tasks: [...list.tasks, ...made.tasks.map((one) => ({ ...one, limits }))],
  }
}
