import type { Entry } from './entry.ts'

/** A photo that an entry names, with what it shows where the entry says it. */
export interface PhotoNamed {
  name: string
  shows?: string
}

/** Every photo an entry names, in order. @example photosIn(stripDown) // [{ name: '9f86…', shows: 'Finger guard' }] */
export function photosIn(entry: Entry): PhotoNamed[] {
  if (entry.kind === 'pictured')
    return entry.body.photos.map((name) => ({ name, ...(entry.body.text && { shows: entry.body.text }) }))
  if (entry.kind === 'run') return entry.body.steps.flatMap(({ photo }) => (photo ? [{ name: photo }] : []))
  if (entry.kind === 'setting')
    return entry.body.setting === 'letterhead' && entry.body.logo ? [{ name: entry.body.logo, shows: 'Logo' }] : []
  if (entry.kind !== 'strip-down') return []
  return entry.body.things.flatMap(({ name: shows, photos = [] }) => photos.map((name) => ({ name, shows })))
}

/**
 * Whether something was written for the firm's own eyes: no customer's paper and no passport has it. Who rang, and from
 * which number, is nobody else's.
 */
export const isInternal = (entry: Entry): boolean =>
  entry.kind === 'call' || ('internal' in entry.body && entry.body.internal === true)
