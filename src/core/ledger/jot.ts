import type { Body, EntryKind, Jotting, JottingOf } from './entry-kinds.ts'
import type { Unversioned } from './versions.ts'

/** Kinds that have had one shape only: those of a later one are written with their number, and the compiler says so. */
export type OfFirstShape = { [K in EntryKind]: Body<K>['v'] extends 1 ? K : never }[EntryKind]

/**
 * Something to be written down. It knows nothing of schemas, so that a page can make entries without carrying them.
 *
 * @example jot('reading', { counter: 'shots', count: 184220 }) // { kind: 'reading', body: { v: 1, … } }
 */
export const jot = <K extends OfFirstShape>(kind: K, body: Unversioned<Body<K>>): JottingOf<K> =>
  ({ kind, body: { v: 1, ...body } }) as unknown as JottingOf<K>

/** The same with one field said anew: what may be said there is checked where it is written. */
export const corrected = ({ kind, body }: Jotting, field: string, said: string | number): Jotting =>
  ({ kind, body: { ...body, [field]: said } }) as Jotting
