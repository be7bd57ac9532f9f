import { v7 } from 'uuid'
import { browserNow } from '../ui/clock.ts'

const last = { msecs: 0, seq: 0 }

/** An id for an entry made here and now; of two made in one millisecond the later one sorts later. */
export function newId(): string {
  const msecs = browserNow().getTime()
  if (msecs > last.msecs) Object.assign(last, { msecs, seq: 0 })
  else last.seq += 1
  return v7(last)
}

/**
 * The moment an id was made at: what is sent again under its id says the same as the first time.
 * @example madeAt('0193a000-0000-7000-8000-000000000001') // '2024-12-07T10:02:48.576Z'
 */
export const madeAt = (id: string): string =>
  new Date(Number.parseInt(id.replaceAll('-', '').slice(0, 12), 16)).toISOString()
