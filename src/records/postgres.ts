import type { Knex } from 'knex'
import PostgresTransaction from 'knex/lib/dialects/postgres/execution/pg-transaction.js'
import PostgresClient from 'knex/lib/dialects/postgres/index.js'

/** A transaction in which one firm's rows are to be seen. */
export interface FirmTransactionConfig extends Knex.TransactionConfig {
  firmId?: string
}

/**
 * A transaction says at its beginning, before anything can be asked in it, whose rows it sees: row-level security
 * reads that setting, which lasts as long as the transaction.
 *
 * One that only looks waits neither for that nor for its end: what is asked is sent right behind the one, and the
 * answer is given before the other, since nothing was written that could be lost. A beginning that fails fails the
 * whole.
 */
class Transaction extends PostgresTransaction {
  readonly #firmId: string | undefined

  constructor(client: unknown, container: unknown, config: FirmTransactionConfig = {}, outer: unknown = null) {
    super(client, container, config, outer)
    this.#firmId = config.firmId
  }

  override begin(connection: unknown): Promise<unknown> {
    return this.#seeing(super.begin(connection), connection)
  }

  override savepoint(connection: unknown): Promise<unknown> {
    return this.#seeing(super.savepoint(connection), connection)
  }

  #seeing(begun: Promise<unknown>, connection: unknown): Promise<unknown> {
    const seen =
      this.#firmId &&
      this.query(connection, { sql: `select set_config('evenshot.firm', ?, true)`, bindings: [this.#firmId] })
    return this.readOnly ? Promise.resolve() : Promise.all([begun, seen])
  }

  override commit(connection: unknown, value: unknown): Promise<unknown> {
    if (!this.readOnly) return super.commit(connection, value)
    void this.query(connection, 'COMMIT;')
    this._completed = true
    this._resolver(value)
    return Promise.resolve()
  }
}

/** Knex's PostgreSQL, with transactions of our own. */
export class Postgres extends PostgresClient {
  override transaction(container: unknown, config?: FirmTransactionConfig, outer?: unknown): Knex.Transaction {
    // What a transaction is handed out as is made by Knex around it.
    return new Transaction(this, container, config, outer) as unknown as Knex.Transaction
  }
}
