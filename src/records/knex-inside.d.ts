// Two of Knex's own classes, which it gives no types for: a dialect is made by extending them.

declare module 'knex/lib/dialects/postgres/index.js' {
  import { Knex } from 'knex'
  export default class PostgresClient extends Knex.Client {
    transaction(container: unknown, config?: object, outer?: unknown): Knex.Transaction
  }
}

declare module 'knex/lib/dialects/postgres/execution/pg-transaction.js' {
  export default class PostgresTransaction {
    constructor(client: unknown, container: unknown, config: object, outer: unknown)
    readonly readOnly?: boolean
    _completed: boolean
    _resolver(value: unknown): void
    begin(connection: unknown): Promise<unknown>
    savepoint(connection: unknown): Promise<unknown>
    commit(connection: unknown, value: unknown): Promise<unknown>
    query(connection: unknown, asked: string | { sql: string; bindings: unknown[] }): Promise<unknown>
  }
}
