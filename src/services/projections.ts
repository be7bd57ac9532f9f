import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { Db, Trx } from '../records/database.ts'
import { forgetPasts } from '../records/pasts.ts'
import { lockSubjects, type Reckoned } from '../records/subjects.ts'
import { affectedBy } from './affected-by.ts'
import { followLedger } from './follow-ledger.ts'
import { reckonLater, reckonWaiting } from './rebuild.ts'
import { reckonAndStore } from './reckon-subjects.ts'

/** What was just accepted, before it is in the ledger: projections are made in the same transaction. */
export interface Written {
  firmId: string
  entries: RecordedEntry[]
  /** Machines and softeners whose dates it may move. */
  affected: Map<string, Reckoned>
  /** Leave what takes long to the worker, however little it is: for imports. */
  later: boolean
}

/** Something that is kept beside the ledger and made from it: it can be forgotten and made again. */
export interface Projection {
  name: string
  /** In the transaction of what was written. */
  atOnce(trx: Trx, written: Written): Promise<void>
  /** In the background, what was left for later. @returns how much was done */
  catchUp?(db: Db, firmId: string, signal?: AbortSignal): Promise<number>
}

/** A write that moves more than this marks them stale and leaves the reckoning to the worker. */
const mostReckonedAtOnce = 50

/** Whether what a write moves is reckoned in its own transaction. */
export const isReckonedAtOnce = ({ affected, later }: Pick<Written, 'affected' | 'later'>): boolean =>
  affected.size <= mostReckonedAtOnce && !later

/** Where each machine stands and what it is, as its history says. What it left and what it came to are reckoned anew. */
const places: Projection = {
  name: 'places',
  async atOnce(trx, { entries, affected }) {
    if (!(await followLedger(trx, entries))) return
    for (const [id, subject] of await affectedBy(trx, entries)) affected.set(id, subject)
    await lockSubjects(trx, [...affected.keys()])
  },
}

/** What is kept of long pasts, but for those that are reached into: the next reckoning of the subject makes them anew. */
const pasts: Projection = {
  name: 'pasts',
  atOnce: (trx, { entries }) => forgetPasts(trx, entries),
}

/** What is due when, of all that was moved. */
const standings: Projection = {
  name: 'standings',
  async atOnce(trx, written) {
    const { firmId, affected, entries } = written
    if (isReckonedAtOnce(written)) await reckonAndStore(trx, firmId, [...affected.values()], entries)
    else await reckonLater(trx, firmId, [...affected.keys()])
  },
  catchUp: reckonWaiting,
}

/** Everything made from the ledger, in the order it is made: dates go by where a machine stands. */
export const projections: Projection[] = [places, pasts, standings]

/** What every projection left for later. @returns how much was done */
export async function catchUp(db: Db, firmId: string, signal?: AbortSignal): Promise<number> {
  let done = 0
  for (const projection of projections) done += (await projection.catchUp?.(db, firmId, signal)) ?? 0
  return done
}
