import type { Knex } from 'knex'
import { type Db, openDatabase } from './database.ts'
import { readyJobQueue } from './job-queue.ts'
import * as first from './migrations/0001-first.ts'
import * as ownData from './migrations/0002-own-data.ts'
import * as photos from './migrations/0003-photos.ts'
import * as pasts from './migrations/0004-pasts.ts'
import * as signingIn from './migrations/0005-signing-in.ts'
import * as keeping from './migrations/0006-keeping.ts'
import * as theirOwnTraces from './migrations/0007-their-own-traces.ts'
import * as imports from './migrations/0008-imports.ts'
import * as papers from './migrations/0009-papers.ts'
import * as planning from './migrations/0010-planning.ts'
import * as day from './migrations/0011-day.ts'
import * as calls from './migrations/0012-calls.ts'
import * as waiting from './migrations/0013-waiting.ts'
import * as knows from './migrations/0014-knows.ts'
import * as planParts from './migrations/0015-plan-parts.ts'
import * as withoutNetwork from './migrations/0016-without-network.ts'
import * as customersPages from './migrations/0017-customers-pages.ts'
import * as invoices from './migrations/0018-invoices.ts'
import * as letters from './migrations/0019-letters.ts'
import * as reportNumbers from './migrations/0020-report-numbers.ts'
import * as callers from './migrations/0021-callers.ts'
import * as logos from './migrations/0022-logos.ts'
import * as lettersOfPlaces from './migrations/0023-letters-of-places.ts'

/** Migrations in order; a name once released is never changed. */
const steps: { name: string; up(trx: Knex, appRole: string): Promise<void> }[] = [
  { name: '0001-first', up: first.up },
  { name: '0002-own-data', up: ownData.up },
  { name: '0003-photos', up: photos.up },
  { name: '0004-pasts', up: pasts.up },
  { name: '0005-signing-in', up: signingIn.up },
  { name: '0006-keeping', up: keeping.up },
  { name: '0007-their-own-traces', up: theirOwnTraces.up },
  { name: '0008-imports', up: imports.up },
  { name: '0009-papers', up: papers.up },
  { name: '0010-planning', up: planning.up },
  { name: '0011-day', up: day.up },
  { name: '0012-calls', up: calls.up },
  { name: '0013-waiting', up: waiting.up },
  { name: '0014-knows', up: knows.up },
  { name: '0015-plan-parts', up: planParts.up },
  { name: '0016-without-network', up: withoutNetwork.up },
  { name: '0017-customers-pages', up: customersPages.up },
  { name: '0018-invoices', up: invoices.up },
  { name: '0019-letters', up: letters.up },
  { name: '0020-report-numbers', up: reportNumbers.up },
  { name: '0021-callers', up: callers.up },
  { name: '0022-logos', up: logos.up },
  { name: '0023-letters-of-places', up: lettersOfPlaces.up },
]

/** Every step that this version knows, in order. */
export const stepNames = steps.map(({ name }) => name)

const source = (appRole: string, upTo = steps.length) => ({
  getMigrations: async () => steps.slice(0, upTo),
  getMigrationName: (step: (typeof steps)[number]) => step.name,
  getMigration: async (step: (typeof steps)[number]) => ({
    up: (trx: Knex) => step.up(trx, appRole),
    // Going back is restoring a backup: no step undoes itself.
    down: async () => {
      throw new Error(`${step.name} cannot be undone: restore a backup`)
    },
  }),
})

/**
 * Brings a database up to date, as its owner. However many start at once wait for each other, and each step is one
 * transaction: one that was killed is begun anew.
 *
 * @param appRole - the role that will serve: it gets its rights here
 * @param upTo - how many steps to take in all; every one unless an older shape is wanted, to try an upgrade
 * @returns names of the steps taken
 */
export async function migrate(owner: Db, appRole: string, upTo?: number): Promise<string[]> {
  const ownerUrl: string = owner.client.config.connection.connectionString
  const guard = openDatabase(ownerUrl, 1)
  try {
    // Held from before the first table is made; it ends with its connection, whoever is killed.
    return await guard.transaction(async (trx) => {
      await trx.raw(`select pg_advisory_xact_lock(hashtext('evenshot: migrations'))`)
      const migrationSource = source(appRole, upTo)
      // Nobody else is at it: a lock row that stands was left behind by a kill.
      await owner.migrate.forceFreeMigrationsLock({ migrationSource })
      const [, taken] = await owner.migrate.latest({ migrationSource })
      // Which steps were taken is for the owner alone to say.
      await owner.raw('revoke all on knex_migrations, knex_migrations_lock from ??', [appRole])
      // The queue of background work brings its own tables up to date.
      if (upTo === undefined) await readyJobQueue(ownerUrl, appRole)
      return taken as string[]
    })
  } finally {
    await guard.destroy()
  }
}

/** Which steps a database has been through, and which wait. */
export async function migrations(owner: Db): Promise<{ done: string[]; pending: string[] }> {
  const [done, pending] = (await owner.migrate.list({ migrationSource: source('') })) as [
    { name: string }[],
    (typeof steps)[number][],
  ]
  return { done: done.map(({ name }) => name), pending: pending.map(({ name }) => name) }
}
