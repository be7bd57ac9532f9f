import type { Mark } from '../quantity/working.ts'
import type { Step } from './step.ts'

/** Something to have at hand before starting. */
export interface Item {
  name: string
  /** Why it is on the list, where that is not plain. */
  why?: string
}

/** Steps done once, or at each group or steam side in turn. */
export interface ProcedurePart {
  id: string
  name: string
  each?: 'group' | 'side'
  steps: Step[]
}

/** One figure of a way, to stand beside those of the others. */
export interface WayFigure {
  name: string
  words: string
  mark: Mark
  /** The step it is read off: where that is changed, the words follow. */
  step?: string
}

/** How often a way has it done; the first of its clocks that runs out. */
export interface Every {
  /** As it is said. @example 'every 30 lifts' */
  words: string
  days?: number
  drinks?: number
  litres?: number
  /** Within a day of work. */
  hours?: number
  mark: Mark
}

/** One way of doing it, with its figures and its reason. */
export interface Way {
  id: string
  /** By what it does. */
  name: string
  reason: string
  /** Kinds it fits, where not all of its procedure's. */
  kinds?: string[]
  /** Kinds it is the usual one for, until somebody chooses. */
  usualFor: string[]
  every?: Every
  /** What a run of it writes, where that is not what its procedure writes. */
  writes?: Written[]
  /** It is the usual one instead, of these kinds, where this much is made: from so many drinks an open day, below so many. */
  usualAt?: { kinds: string[]; fromDrinks?: number; belowDrinks?: number }
  /** Its figures by name, to stand beside those of the others. */
  figures: WayFigure[]
  tools: Item[]
  materials: Item[]
  parts: ProcedurePart[]
}

/** The figures of a way to stand beside those of others, how often it has it done among them. */
export const shownFigures = ({ figures, every }: Way): WayFigure[] => [
  ...figures,
  ...(every ? [{ name: 'How often', words: every.words, mark: 'T' as const }] : []),
]

/** Kinds of entry that a run may write, beside its own. */
export const writtenEntries = [
  'cleaned',
  'greased',
  'checked',
  'serviced',
  'descaled',
  'regenerated',
  'cartridge-changed',
  'salt-added',
  'prefilter-changed',
  'membrane-changed',
] as const

/** What a run of it writes into the ledger. */
export interface Written {
  entry: (typeof writtenEntries)[number]
  /** The task as most kinds have it, and as some call it. */
  task: string
  taskOf?: Record<string, string>
  each?: 'group'
  /** About the softener or cartridge ahead of the machine, not the machine. */
  of?: 'softener'
  /** Steps that must have been done, not skipped, for it to be so. */
  by?: string[]
  /** A figure of its body, as a step of the run read it. */
  figure?: { field: string; step: string }
}

/** Where a procedure stands in the library. */
export const familyNames = {
  brewing: 'Brewing side',
  steam: 'Steam and milk',
  water: 'Water',
  service: 'Service and setting',
  place: 'Place and standing',
} as const
export type Family = keyof typeof familyNames

export interface Procedure {
  id: string
  /** A firm's own version: the procedure it was copied from, and stands in for. */
  basedOn?: string
  version: number
  family: Family
  name: string
  about: string
  /** Kinds of machine it is written for. */
  kinds: string[]
  /** Once in a machine's life at a place, or when something calls for it: it dates nothing. */
  once?: true
  /** Only where water is treated this way ahead of it. */
  behind?: 'exchanger' | 'cartridge' | 'membrane' | 'any'
  /** It needs one of these stations, as this machine has it; without, why, and what to do instead. */
  needs?: { stations: string[]; why: string; instead?: string }
  writes: Written[]
  /** Once begun it must be finished: what is looked at first. */
  mustFinish?: { why: string; first: string[] }
  ways: Way[]
}

/** What a run of a way writes. */
export const writtenBy = ({ writes }: Procedure, way: Way): Written[] => way.writes ?? writes

/** What ways, tasks and alternatives call a procedure by: a firm's own version answers to the name of its original. */
export const rootOf = ({ id, basedOn }: Procedure): string => basedOn ?? id
