import knex, { type Knex } from 'knex'
import pg from 'pg'
import { type FirmTransactionConfig, Postgres } from './postgres.ts'

// Dates stay local days, numbers stay numbers: no silent shift through a time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text)
pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number)
pg.types.setTypeParser(pg.types.builtins.INT8, Number)

export type Db = Knex
export type Trx = Knex.Transaction

/** @throws when the database does not answer */
export async function knock(db: Db): Promise<void> {
  await db.raw('select 1')
}

/** What is asked without waiting for the answer before it is sent at once: a page costs as many waits as it is deep. */
const askedAtOnce = { pipeline: true }

/** Opens a pool on a database; the caller closes it with `destroy`. */
export function openDatabase(url: string, poolMax = 10): Db {
  return knex({
    client: Postgres,
    connection: { connectionString: url, ...askedAtOnce },
    pool: { min: 0, max: poolMax },
    acquireConnectionTimeout: 20_000,
  })
}

/** How long somebody who waits for an answer is kept waiting for the database, ms. */
const patience = { statementMs: 20_000, lockMs: 5_000, idleMs: 30_000, connectionMs: 10_000 }

/** A pool for whoever serves: nothing it asks for may hold up a screen for longer than somebody looks at it. */
export const openServing = (url: string, poolMax = 10, { statementMs, lockMs, idleMs, connectionMs } = patience): Db =>
  knex({
    client: Postgres,
    connection: {
      connectionString: url,
      ...askedAtOnce,
      options: `-c statement_timeout=${statementMs} -c lock_timeout=${lockMs} -c idle_in_transaction_session_timeout=${idleMs}`,
    },
    pool: { min: 0, max: poolMax },
    acquireConnectionTimeout: connectionMs,
  })

/** PostgreSQL's words for: cancelled after its time, a lock not had, too many connections, starting or shutting down. */
const busyCodes = new Set(['57014', '55P03', '53300', '57P01', '57P02', '57P03', 'ECONNREFUSED', 'ECONNRESET'])

/** Whether trying again in a moment may help: the database is busy, locked or just coming back. */
export function isBusy(error: unknown): boolean {
  const { code = '', name = '', message = '' } = (error ?? {}) as { code?: string; name?: string; message?: string }
  return busyCodes.has(code) || name === 'KnexTimeoutError' || message === 'Connection terminated unexpectedly'
}

/**
 * Runs work inside one transaction that sees this firm's rows and no other's, see `Postgres`.
 */
export async function withFirm<T>(
  db: Db,
  firmId: string,
  work: (trx: Trx) => Promise<T>,
  config: Knex.TransactionConfig = {},
): Promise<T> {
  const seeing: FirmTransactionConfig = { ...config, firmId }
  return db.transaction(work, seeing)
}

/**
 * The same for who only looks: PostgreSQL refuses a write in it. Ask for all that does not depend on each other at
 * once (`Promise.all`): it is one wait.
 */
export const lookIn = <T>(db: Db, firmId: string, work: (trx: Trx) => Promise<T>): Promise<T> =>
  withFirm(db, firmId, work, { readOnly: true })

const transient = new Set(['40001', '40P01'])
const tries = 5

/**
 * Runs again when PostgreSQL broke a deadlock or a serialisation at this transaction's cost.
 * @param besides - further codes that look otherwise the second time, when the other's work is there to be seen
 */
export async function retrying<T>(work: () => Promise<T>, besides: string[] = []): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await work()
    } catch (error) {
      const code = (error as { code?: string }).code
      if (attempt >= tries || !code || !(transient.has(code) || besides.includes(code))) throw error
    }
  }
}

/**
 * Refuses to serve with a role that row-level security does not bind.
 * @throws Error naming the role and what is wrong with it
 */
export async function refusePrivileged(db: Db): Promise<void> {
  const { rows } = await db.raw(
    `select current_user as name, r.rolsuper, r.rolbypassrls,
       exists (select 1 from pg_class c where c.relname = 'entry' and c.relowner = r.oid) as owns
     from pg_roles r where r.rolname = current_user`,
  )
  const role = rows[0]
  const why = role.rolsuper
    ? 'is a superuser'
    : role.rolbypassrls
      ? 'bypasses row-level security'
      : role.owns
        ? 'owns the tables'
        : null
  if (why) throw new Error(`The database role "${role.name}" ${why}: serve with a role that row-level security binds.`)
}
