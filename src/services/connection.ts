import { type Db, openServing } from '../records/database.ts'

export { isBusy } from '../records/database.ts'

/** Connections a process holds for those who look, and for those who write: neither waits behind the other. */
const pools: Record<'looks' | 'writes', { most: number; db: Db | null }> = {
  looks: { most: 6, db: null },
  writes: { most: 4, db: null },
}

/** The pool of those who look or of those who write, opened at first use. */
export function connection(what: 'looks' | 'writes'): Db {
  const url = process.env.EVENSHOT_DATABASE_URL
  if (!url) throw new Error('EVENSHOT_DATABASE_URL is not set: start with `npm start`')
  const pool = pools[what]
  pool.db ??= openServing(url, pool.most)
  return pool.db
}
