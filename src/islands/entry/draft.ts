import type { Kind } from '../../core/kinds/kind.ts'
import type { RemovalReason } from '../../core/ledger/removal.ts'
import type { Reads } from '../../core/typed/read-as.ts'
import { firmUnit } from '../../ui/quantity.ts'

/** One water test as it is being typed. */
export interface TestDraft {
  method: 'drops' | 'strip'
  drops: string
  low: string
  high: string
}

/** A part as it is being jotted down: how it looked, and whether it was changed. */
export interface PartDraft {
  condition?: number
  changed: boolean
  /** Why the old one came out, where its condition does not say. */
  why?: RemovalReason
  /** Of the new one. */
  variant?: string
  size?: string
  warrantyUntil?: string
}

/** A visit being written, with the ids its entries will have: saved twice is saved once. */
export interface Draft {
  visitId: string
  ids: Record<string, string>
  happenedOn: string
  startedAt: string
  counter: string
  /** What the counter counts apart: `group 1`, `drink espresso`, `rinses`. */
  apart: Record<string, string>
  meter: string
  unit: string
  perDrop: string
  tests: Record<string, TestDraft>
  /** Read off a pen or a paper, by point and figure. */
  figures: Record<string, string>
  tasks: string[]
  /** What a descale took, and what its spent solution showed: drops of a sample one part in a hundred. */
  acid: string
  acidGrams: string
  spentDrops: string
  spentLitres: string
  parts: Record<string, PartDraft>
  found: Record<string, string>
  left: Record<string, string>
  note: string
  /** For the firm's own eyes. */
  noteInternal: boolean
  remarkInternal: boolean
  photos: PhotoDraft[]
  /** In the customer's own words. */
  complaint: string
  cause: string
  repair: string
  /** What stays open. */
  remark: string
  terms: string
  /** The customer's, for this call. */
  orderNumber: string
  minutes: string
  arrived: string
  went: string
  /** What was measured with, and which reagent counted the drops. */
  instrument: string
  reagent: string
}

export const emptyDraft: Omit<Draft, 'visitId' | 'happenedOn' | 'startedAt'> = {
  ids: {},
  counter: '',
  apart: {},
  meter: '',
  unit: 'dH',
  perDrop: '1',
  tests: {},
  figures: {},
  tasks: [],
  acid: '',
  acidGrams: '',
  spentDrops: '',
  spentLitres: '',
  parts: {},
  found: {},
  left: {},
  note: '',
  noteInternal: false,
  remarkInternal: false,
  photos: [],
  complaint: '',
  cause: '',
  repair: '',
  remark: '',
  terms: '',
  orderNumber: '',
  minutes: '',
  arrived: '',
  went: '',
  instrument: '',
  reagent: '',
}

export const emptyTest: TestDraft = { method: 'drops', drops: '', low: '', high: '' }

/** The water tests a visit may hold: where the sample is from, and what is counted. */
export const testSlots = {
  'raw-total': { point: 'raw', quantity: 'total', name: 'Raw, total', subject: 'site' },
  'raw-carbonate': { point: 'raw', quantity: 'carbonate', name: 'Raw, carbonate', subject: 'site' },
  softened: { point: 'softened', quantity: 'total', name: 'After softener', subject: 'softener' },
  /** A weak-acid cartridge is told by carbonate hardness: total says nothing of it. */
  'softened-carbonate': {
    point: 'softened',
    quantity: 'carbonate',
    name: 'After cartridge, carbonate',
    subject: 'softener',
  },
} as const

/** How a measured figure is read: in the firm's unit, or another that is typed behind it. */
export const measureReads = (unit: string): Reads => ({ unit: firmUnit(unit) })

/** Fields of what a kind's counter may count apart, by their slots. */
export function apartSlots(kind: Kind): { slot: string; name: string }[] {
  const { drinks } = kind.budget
  return [
    ...(kind.groups > 1
      ? Array.from({ length: kind.groups }, (_, i) => ({ slot: `group ${i + 1}`, name: `Group ${i + 1}` }))
      : []),
    ...(drinks.length > 1 ? drinks.map(({ name }) => ({ slot: `drink ${name}`, name })) : []),
    { slot: 'rinses', name: 'Rinses among them' },
  ]
}

/** A photo taken for this entry: it waits on this device as an image until the server has given it its name. */
export interface PhotoDraft {
  id: string
  image?: string
  name?: string
  /** Position of the part it shows, as `group-gasket@2`; empty for the whole. */
  part: string
  text: string
}
