import type { ImportSpec } from '../../core/files/import-spec.ts'
import { may } from '../../core/firm/rights.ts'
import { type Db, lookIn, type Trx, withFirm } from '../../records/database.ts'
import {
  cellsOfImport,
  fileOfImport,
  holdImport,
  importById,
  importsLatest,
  type KeptImport,
  madeBy,
  meaningsOf,
  outcomesOf,
  setImport,
  verdictCounts,
} from '../../records/imports.ts'
import { ask } from '../../records/job-queue.ts'
import { allKept, keptByIds } from '../../records/kept.ts'
import type { ImportPage, ImportRow } from '../../views/import.ts'
import { type RowVerdict, writes } from '../../views/judged-row.ts'
import { type Answer, refusal } from '../answer.ts'
import type { Actor } from '../judge-entry.ts'
import { tableOf } from './import-request.ts'
import { listText } from './list-text.ts'
import { staysOf } from './take-back.ts'

const mostListed = 100

/** The lists that were brought in, the latest first. */
export const importList = (db: Db, firmId: string): Promise<ImportRow[]> =>
  lookIn(db, firmId, async (trx) => {
    const lists = await importsLatest(trx, mostListed)
    const counts = await verdictCounts(
      trx,
      lists.map(({ id }) => id),
    )
    const people = await namesOfPeople(trx)
    return lists.map((list) => rowOf(list, people, counts.get(list.id) ?? {}))
  })

const namesOfPeople = async (trx: Trx) => new Map((await allKept(trx, 'technician')).map(({ id, name }) => [id, name]))

function rowOf(list: KeptImport, people: Map<string, string>, verdicts: Record<string, number>): ImportRow {
  const { id, spec, technicianId, askedAt, state, fileName, rows, done, problem } = list
  return {
    id,
    what: spec.what,
    fileName,
    by: people.get(technicianId) ?? 'somebody',
    askedAt,
    state,
    rows,
    done,
    ...(problem && { problem }),
    verdicts,
  }
}

const mostNamed = 50
const mostRefused = 200

/** One list whole; null where this firm has none of that id. */
export const importPage = (db: Db, actor: Actor, id: string): Promise<ImportPage | null> =>
  lookIn(db, actor.firmId, async (trx) => {
    const list = await importById(trx, id)
    if (!list) return null
    const [people, counts, made, outcomes] = await Promise.all([
      namesOfPeople(trx),
      verdictCounts(trx, [id]),
      madeBy(trx, id),
      outcomesOf(trx, id),
    ])
    const isBack = list.state === 'taken-back'
    const { hanging } = isBack ? { hanging: [] } : await staysOf(trx, made, id)
    const records: Record<string, number> = {}
    for (const { kind } of made.filter(({ what }) => what === 'record')) records[kind] = (records[kind] ?? 0) + 1
    return {
      ...rowOf(list, people, counts.get(id) ?? {}),
      made: {
        records,
        filled: made.filter(({ what }) => what === 'filled').length,
        entries: made.filter(({ what }) => what === 'entry').length,
      },
      builtUpon: await named(trx, hanging.slice(0, mostNamed)),
      refused: outcomes
        .filter(({ verdict }) => !writes(verdict as RowVerdict))
        .slice(0, mostRefused)
        .map(({ row, verdict, reason = '' }) => ({ row, verdict, reason })),
      ...(list.takenBackBy && { takenBackBy: people.get(list.takenBackBy) ?? 'somebody' }),
      mayTakeBack: mayTakeBack(actor, list),
    }
  })

async function named(
  trx: Trx,
  hanging: Awaited<ReturnType<typeof staysOf>>['hanging'],
): Promise<ImportPage['builtUpon']> {
  const names = new Map<string, string>()
  for (const kind of new Set(hanging.map((one) => one.kind)))
    for (const record of await keptByIds(
      trx,
      kind,
      hanging.filter((one) => one.kind === kind).map(({ id }) => id),
    ))
      names.set(record.id, (record as unknown as { name: string }).name)
  return hanging.map(({ kind, id, entries, records }) => ({
    kind,
    id,
    name: names.get(id) ?? 'something',
    by: [
      entries > 0 && `${entries} ${entries === 1 ? 'entry' : 'entries'}`,
      records > 0 && `${records} more ${records === 1 ? 'record' : 'records'}`,
    ]
      .filter(Boolean)
      .join(', '),
  }))
}

/** Who brought it in, and the owner. */
const mayTakeBack = (actor: Actor, list: KeptImport): boolean =>
  list.technicianId === actor.technicianId || may(actor.role, 'decide-for-the-firm')

/** Asks for a list to be taken back; whoever works in the background does it. */
export const takeBack = (db: Db, actor: Actor, id: string): Promise<Answer> =>
  withFirm(db, actor.firmId, async (trx) => {
    const state = await holdImport(trx, id)
    const list = state && (await importById(trx, id))
    if (!list) return refusal(404, '', 'unknown', 'is not here')
    if (!mayTakeBack(actor, list))
      return refusal(403, '', 'forbidden', 'Whoever brought it in, or the owner, takes it back.')
    if (state === 'going-back' || state === 'taken-back') return { ok: true }
    if (state === 'waiting') return refusal(409, '', 'busy', 'It is still being written: stop it first.')
    await setImport(trx, id, { state: 'going-back', takenBackBy: actor.technicianId, problem: null })
    await ask(trx, 'bring-in', { firmId: actor.firmId })
    return { ok: true }
  })

/** The file as it came; null where there is none. */
export const importFile = (db: Db, firmId: string, id: string): Promise<{ name: string; bytes: Buffer } | null> =>
  lookIn(db, firmId, async (trx) => {
    const list = await importById(trx, id)
    const bytes = list && (await fileOfImport(trx, id))
    return list && bytes && bytes.length > 0 ? { name: list.fileName, bytes } : null
  })

/** The rows that were not written, with the reason, in the file's own separators and letters. */
export const refusedRows = (db: Db, firmId: string, id: string): Promise<{ name: string; bytes: Buffer } | null> =>
  lookIn(db, firmId, async (trx) => {
    const list = await importById(trx, id)
    const table = list && tableOf((await cellsOfImport(trx, id))!)
    if (!list || !table || typeof table === 'string') return null
    const refused = (await outcomesOf(trx, id)).filter(({ verdict }) => !writes(verdict as RowVerdict))
    // Of a list whose cells were forgotten with somebody in them nothing is handed back.
    if (refused.some(({ row }) => !table.rows[row])) return null
    const lines = refused.map(({ row, reason = '' }) => [...table.rows[row]!, reason])
    return {
      name: `refused-${list.fileName.replace(/\.[^.]+$/, '')}.csv`,
      bytes: listText([[...table.head, 'reason'], ...lines], list),
    }
  })

/** What words of lists mean for this firm, as it said before. */
export const knownWords = (db: Db, firmId: string): Promise<ImportSpec['words']> =>
  lookIn(db, firmId, (trx) => meaningsOf(trx))
