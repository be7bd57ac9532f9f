import { v7 } from 'uuid'
import type { Kept, RecordKind } from '../../core/firm/records.ts'
import type { Issue } from '../../core/parse/parse-strict.ts'
import { addChanges } from '../../records/changes.ts'
import { type Db, lookIn, retrying, type Trx, withFirm } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import {
  addImport,
  addOutcomes,
  cellsOfImport,
  holdImport,
  importWaiting,
  type KeptImport,
  keepMeanings,
  type Made,
  outcomesOf,
  setImport,
} from '../../records/imports.ts'
import { ask } from '../../records/job-queue.ts'
import { insertManyKept, type KeptRecord, keptById, updateKept } from '../../records/kept.ts'
import type { JudgedRow } from '../../views/judged-row.ts'
import { now } from '../clock.ts'
import type { Actor } from '../judge-entry.ts'
import { isWritten, writeGroup } from '../write-entries.ts'
import type { Plan, Planned } from './import-context.ts'
import { parseImport, tableOf } from './import-request.ts'
import { issuesOfSpec, planImport } from './judge-import.ts'
import { takeBackNext } from './take-back.ts'

/** Takes a list on, to be written by whoever works in the background. The same list again is there already. */
export async function startImport(
  db: Db,
  actor: Actor,
  input: unknown,
  at: Date,
): Promise<{ ok: true; id: string } | { ok: false; issues: Issue[] }> {
  const parsed = parseImport(input)
  if (!parsed.ok) return parsed
  const { id, spec, table, cells, fileName, encoding, separator, file } = parsed.value
  return withFirm(db, actor.firmId, async (trx) => {
    const issues = await issuesOfSpec(trx, spec)
    if (issues.length > 0) return { ok: false, issues }
    const list = {
      id,
      spec,
      technicianId: actor.technicianId,
      askedAt: at.toISOString(),
      fileName,
      encoding,
      separator,
    }
    const isNew = await addImport(trx, actor.firmId, { ...list, rows: table.rows.length }, { file, cells })
    if (!isNew) return { ok: true, id }
    for (const [about, said] of Object.entries(spec.words))
      await keepMeanings(
        trx,
        actor.firmId,
        about,
        Object.entries(said).filter(([word]) => word !== ''),
      )
    await ask(trx, 'bring-in', { firmId: actor.firmId })
    return { ok: true, id }
  })
}

/** Stops a list that is being written: what is written stays, and can be taken back. */
export const stopImport = (db: Db, actor: Actor, id: string): Promise<boolean> =>
  withFirm(db, actor.firmId, async (trx) => {
    if ((await holdImport(trx, id)) !== 'waiting') return false
    await setImport(trx, id, { state: 'stopped', endedAt: now().toISOString() })
    return true
  })

/** So many rows are written in a transaction: a list that is killed goes on behind the last. */
const batch = 100
/** So often a list is read anew because something changed under it. */
const mostReadings = 5

/** Writes every list that waits, and takes back those that go back. Begun anew, it goes on where it was. */
export async function bringIn(db: Db, firmId: string, signal: AbortSignal): Promise<void> {
  while (!signal.aborted) {
    const list = await lookIn(db, firmId, (trx) => importWaiting(trx))
    if (!list) return
    const isEnded =
      list.state === 'waiting'
        ? await writeList(db, firmId, list, signal)
        : await takeBackNext(db, firmId, list, signal)
    if (!isEnded) return
  }
}

/** Rows that the ledger refused when they were written: of each, why. */
class RowsRefused extends Error {
  constructor(readonly rows: Map<number, string>) {
    super('rows were refused')
  }
}

/** Something of the list changed while it was written: it is read anew. */
const changedUnder = '23505'

/** @returns whether it ended; false where it was told to stop in the middle */
async function writeList(db: Db, firmId: string, list: KeptImport, signal: AbortSignal): Promise<boolean> {
  const refusedRows = new Map<number, string>()
  for (let reading = 0; reading < mostReadings; reading += 1) {
    const { planned, done } = await lookIn(db, firmId, (trx) => planWaiting(trx, firmId, list, refusedRows))
    const waiting = planned
      .map(({ row: judged, plan }, row) => ({ row, judged, plan }))
      .filter(({ row }) => !done.has(row))
    try {
      for (let i = 0; i < waiting.length; i += batch) {
        if (signal.aborted) return false
        const some = waiting.slice(i, i + batch)
        const went = await retrying(() =>
          withFirm(db, firmId, (trx) => writeRows(trx, firmId, list, some, done.size + i + some.length)),
        )
        if (!went) return true
      }
      await withFirm(db, firmId, async (trx) => {
        if ((await holdImport(trx, list.id)) === 'waiting')
          await setImport(trx, list.id, { state: 'written', endedAt: now().toISOString() })
      })
      return true
    } catch (error) {
      if (error instanceof RowsRefused) for (const [row, why] of error.rows) refusedRows.set(row, why)
      else if ((error as { code?: string }).code !== changedUnder) throw error
    }
  }
  const problem = 'It changed under the writing again and again: read the rest of the file once more.'
  await withFirm(db, firmId, (trx) =>
    setImport(trx, list.id, { state: 'failed', problem, endedAt: now().toISOString() }),
  )
  return true
}

/** Every row as things stand now, and those that are dealt with. */
async function planWaiting(
  trx: Trx,
  firmId: string,
  list: KeptImport,
  refusedRows: ReadonlyMap<number, string>,
): Promise<{ planned: Planned<JudgedRow>[]; done: Set<number> }> {
  const table = tableOf((await cellsOfImport(trx, list.id))!)
  if (typeof table === 'string') throw new Error(`list ${list.id}: its cells ${table}`)
  const firm = (await theFirm(trx))!
  const about = {
    importId: list.id,
    firmId,
    technicianId: list.technicianId,
    timeZone: firm.timeZone,
    askedAt: new Date(list.askedAt),
    now: now(),
    spec: list.spec,
  }
  const planned = await planImport(trx, about, table, refusedRows)
  return { planned, done: new Set((await outcomesOf(trx, list.id)).map(({ row }) => row)) }
}

/** A row of the file that is not dealt with yet. */
interface Waiting {
  row: number
  judged: JudgedRow
  plan: Plan
}

/** @returns false where somebody stopped the list */
async function writeRows(trx: Trx, firmId: string, list: KeptImport, rows: Waiting[], done: number): Promise<boolean> {
  if ((await holdImport(trx, list.id)) !== 'waiting') return false
  const at = now()
  const made: Made[] = []
  await writeRecords(trx, firmId, list, rows, at, made)
  await fillRecords(trx, firmId, list, rows, at, made)
  // The same entry may follow from several rows: one test of a place's water.
  const entries = new Map(
    rows.flatMap(({ row, plan }) => plan.entries.map((entry) => [entry.id, { row, entry }] as const)),
  )
  const actor: Actor = { firmId, technicianId: list.technicianId, role: 'technician' }
  const options = { now: at, origin: 'a spreadsheet', reckonLater: true }
  const answer = await writeGroup(
    trx,
    actor,
    [...entries.values()].map(({ entry }) => entry),
    options,
  )
  if (!isWritten(answer)) {
    const why = new Map<number, string>()
    for (const verdict of answer.verdicts)
      if ('issues' in verdict) {
        const { path = '', message = 'was refused' } = verdict.issues[0] ?? {}
        why.set(entries.get(verdict.id)!.row, `${path.replace(/^body\./, '')} ${message}`.trim())
      }
    throw new RowsRefused(why)
  }
  const kept = new Set(answer.verdicts.filter(({ verdict }) => verdict === 'saved').map(({ id }) => id))
  for (const { row, entry } of entries.values())
    if (kept.has(entry.id)) made.push({ row, what: 'entry', kind: entry.kind, id: entry.id })
  const outcomes = rows.map(({ row, judged: { verdict, reason } }) => ({ row, verdict, ...(reason && { reason }) }))
  await addOutcomes(trx, firmId, list.id, outcomes, made)
  await setImport(trx, list.id, { done })
  return true
}

/** What points at another comes after it. */
const order: RecordKind[] = ['customer', 'supply', 'site', 'softener', 'machine']

async function writeRecords(trx: Trx, firmId: string, list: KeptImport, rows: Waiting[], at: Date, made: Made[]) {
  for (const kind of order) {
    const fresh = rows.flatMap(({ row, plan }) =>
      plan.records.filter((one) => one.kind === kind).map((one) => ({ row, ...one })),
    )
    if (fresh.length === 0) continue
    await insertManyKept(
      trx,
      firmId,
      kind,
      fresh.map(({ id, record }) => ({ id, version: 1, ...record }) as KeptRecord<typeof kind>),
    )
    await addChanges(
      trx,
      firmId,
      fresh.map(({ id, record }) => ({
        id: v7(),
        at: at.toISOString(),
        technicianId: list.technicianId,
        action: 'added',
        aboutKind: kind,
        aboutId: id,
        after: record,
      })),
    )
    made.push(...fresh.map(({ row, id }) => ({ row, what: 'record' as const, kind, id })))
  }
}

/** Fills in what is still missing: whoever filled it in meanwhile is right. */
async function fillRecords(trx: Trx, firmId: string, list: KeptImport, rows: Waiting[], at: Date, made: Made[]) {
  for (const { row, plan } of rows)
    for (const { kind, id, after } of plan.fills) {
      const there = await keptById(trx, kind, id)
      if (!there) continue
      const { id: _, version, ...before } = there
      const was = before as Record<string, unknown>
      const missing = Object.fromEntries(Object.entries(after).filter(([field]) => !was[field]))
      if (Object.keys(missing).length === 0) continue
      const record = { ...before, ...missing } as Kept<RecordKind>
      await updateKept(trx, kind, id, version, record)
      await addChanges(trx, firmId, [
        {
          id: v7(),
          at: at.toISOString(),
          technicianId: list.technicianId,
          action: 'changed',
          aboutKind: kind,
          aboutId: id,
          before,
          after: record,
        },
      ])
      const empty = Object.fromEntries(Object.keys(missing).map((field) => [field, was[field] ?? '']))
      made.push({ row, what: 'filled', kind, id, before: empty, after: missing })
    }
}
