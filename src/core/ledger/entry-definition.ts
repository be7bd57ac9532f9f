import type { Kind } from '../kinds/kind.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { Clock } from '../wear/limits.ts'
import type { SubjectKind } from './subject.ts'
import type { Shapes } from './versions.ts'

/** How a sentence of the ledger is put: figures, days and units as its reader writes them, and the machine it is about. */
export interface Pen {
  /** Null where the line is about no machine, or one of a kind nobody knows here. */
  machine: Kind | null
  /** @example figure(184220) // '184,220' */
  figure(value: number): string
  /** @example quantity(9, 'bar') // '130.5 psi' */
  quantity(value: number, unit: string): string
  /** @example day('2027-01-06') // '6 Jan 2027' */
  day(day: LocalDay): string
  /** What one clock allows. @example limit('months', 6, 'shots') // '6 months' */
  limit(clock: Clock, value: number, drinks: string): string
}

/**
 * Whose dates an entry may move.
 *
 * - `nobody`: no reckoning reads it.
 * - `itself`: the machine or softener it is about, and none beside it.
 * - `along`: whatever reads what it is about as well: a machine's counts draw on its softener, a site's water
 *   reaches every machine there, a firm's settings all of them.
 */
export type Affects = 'nobody' | 'itself' | 'along'

/** A field that is put right by typing it again. */
export interface Correctable<Body> {
  field: Body extends unknown ? keyof Body & string : never
  label: string
  is: 'number' | 'words'
}

/** One kind of entry: all that is known of it, in one place. */
export interface EntryDefinition<Body> {
  /** Its shapes, oldest first. Strict: an unknown field is refused, not dropped. */
  body: Shapes<Body>
  about: readonly SubjectKind[]
  affects: Affects
  /** Whether only people write it, or a device that counts or measures may. */
  madeBy: 'people' | 'people and devices'
  /** The one figure or sentence of it that people get wrong, where there is one. */
  corrects?(body: Body): Correctable<Body> | null
  /** As the trade says it. */
  words(body: Body, pen: Pen): string
}

export const entryKind = <Body>(definition: EntryDefinition<Body>): EntryDefinition<Body> => definition

export const machineOnly = ['machine'] as const
export const softenerOnly = ['softener'] as const
export const machineOrSoftener = ['machine', 'softener'] as const
export const water = ['site', 'supply', 'softener'] as const
export const anywhere = ['machine', 'softener', 'supply', 'site', 'customer', 'instrument', 'firm'] as const
