import type { Knex } from 'knex'
import type { Db } from './database.ts'
import * as first from './migrations/0001-first.ts'
import * as ownData from './migrations/0002-own-data.ts'
import * as photos from './migrations/0003-photos.ts'
import * as pasts from './migrations/0004-pasts.ts'

/** Migrations in order; a name once released is never changed. */
const steps: { name: string; up(trx: Knex, appRole: string): Promise<void> }[] = [
  { name: '0001-first', up: first.up },
  { name: '0002-own-data', up: ownData.up },
  { name: '0003-photos', up: photos.up },
  { name: '0004-pasts', up: pasts.up },
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
 * Brings a database up to date, as its owner. Two that start at once wait for each other: Knex holds a
 * lock row, and each step is one transaction.
 *
 * @param appRole - the role that will serve: it gets its rights here
 * @param upTo - how many steps to take in all; every one unless an older shape is wanted, to try an upgrade
 * @returns names of the steps taken
 */
export async function migrate(owner: Db, appRole: string, upTo?: number): Promise<string[]> {
  const [, taken] = await owner.migrate.latest({ migrationSource: source(appRole, upTo) })
  return taken as string[]
}

/** Which steps a database has been through, and which wait. */
export async function migrations(owner: Db): Promise<{ done: string[]; pending: string[] }> {
  const [done, pending] = (await owner.migrate.list({ migrationSource: source('') })) as [
    { name: string }[],
    (typeof steps)[number][],
  ]
  return { done: done.map(({ name }) => name), pending: pending.map(({ name }) => name) }
}
