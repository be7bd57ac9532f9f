import { type Db, openServing } from '../records/database.ts'

export { isBusy } from '../records/database.ts'

let db: Db | null = null

/** The pool the pages share, opened at first use. */
export function connection(): Db {
  const url = process.env.EVENSHOT_DATABASE_URL
  if (!url) throw new Error('EVENSHOT_DATABASE_URL is not set: start with `npm start`')
  db ??= openServing(url)
  return db
}
