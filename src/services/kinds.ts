import { kindById, kinds } from '../core/kinds/index.ts'
import type { Kind } from '../core/kinds/kind.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import { effective, type Histories, latestDay, nearestKindAs } from '../core/standing/histories.ts'
import { movesOf } from '../core/standing/moves-of.ts'
import { ownKinds } from '../core/standing/own-kinds.ts'
import { reckonMachine } from '../core/standing/reckon-machine.ts'
import { type Db, type Trx, withFirm } from '../records/database.ts'
import { machineRows } from '../records/find.ts'
import { kindCounts } from '../records/kind-counts.ts'
import { entriesOf } from '../records/ledger.ts'
import { reckonedByIds } from '../records/subjects.ts'
import type { KindMoves, KindPage, KindRow } from '../views/kind-page.ts'
import { ledgersById, ledgersOf } from './reckon-subjects.ts'

/** Machines reckoned twice for one preview. */
const mostPreviewed = 200
const shownMoves = 40

/** The firm's own kinds and which of them is in use: all that stands in its ledger about kinds. */
const firmHistories = async (trx: Trx, firmId: string): Promise<Histories> =>
  effective({ firm: await entriesOf(trx, [firmId]) })

/** Every kind of machine there is, the firm's own after those that ship, with how many of each there are. */
export async function kindsOfFirm(db: Db, firmId: string): Promise<KindRow[]> {
  return withFirm(db, firmId, async (trx) => {
    const counted = await kindCounts(trx)
    const firm = await firmHistories(trx, firmId)
    const row = (kind: Kind, machines: number): KindRow => ({
      id: kind.id,
      ...(kind.basedOn && { basedOn: kindById(kind.basedOn)?.name ?? kind.basedOn }),
      name: kind.name,
      about: kind.about,
      parts: kind.parts.length,
      tasks: kind.tasks.filter(({ action }) => action !== 'replace').length,
      machines,
    })
    const here = (kind: Kind) => {
      const base = kind.basedOn ?? kind.id
      return nearestKindAs(firm, base)?.body.own === kind.id || base === kind.id ? (counted.get(base) ?? 0) : 0
    }
    return [
      ...kinds.map((kind) => row(kind, counted.get(kind.id) ?? 0)),
      ...[...ownKinds(firm).values()].map((kind) => ({ ...row(kind, here(kind)), ownMake: true as const })),
    ]
  })
}

/** One kind with how it is used; null where there is no such kind. */
export async function kindOfFirm(db: Db, firmId: string, id: string): Promise<KindPage | null> {
  return withFirm(db, firmId, async (trx) => {
    const firm = await firmHistories(trx, firmId)
    const kind = kindById(id) ?? ownKinds(firm).get(id)
    if (!kind) return null
    const base = kind.basedOn ?? kind.id
    const counted = await kindCounts(trx)
    const as = nearestKindAs(firm, base)
    const isOwn = kindById(id) === null
    return { firmId, kind, isOwn, machines: counted.get(base) ?? 0, inUse: (as?.body.own ?? base) === kind.id }
  })
}

/** What would move if every machine of the kind it is based on were reckoned as this one. */
export async function kindMoves(db: Db, firmId: string, kind: Kind): Promise<KindMoves> {
  return withFirm(db, firmId, async (trx) => {
    const base = kind.basedOn ?? kind.id
    const rows = await machineRows(trx, { kind: base }, null, mostPreviewed)
    const subjects = await reckonedByIds(
      trx,
      rows.map(({ id }) => ({ id, kind: 'machine' as const })),
    )
    const byId = await ledgersById(trx, firmId, subjects)
    const moves: KindMoves['rows'] = []
    let machines = 0
    for (const row of rows) {
      const ledgers = ledgersOf(firmId, subjects.find(({ id }) => id === row.id)!, byId)
      const before = reckonMachine(ledgers, { showWorking: false })
      const after = reckonMachine(
        {
          ...ledgers,
          firm: [
            ...(ledgers.firm ?? []),
            ...asIf(firmId, kind, base, latestDay(effective({ firm: ledgers.firm ?? [] }), 'firm') ?? '1970-01-01'),
          ],
        },
        { showWorking: false },
      )
      const here = movesOf(before?.standings ?? [], after?.standings ?? []).map(({ key: _, ...move }) => move)
      if (here.length > 0) machines += 1
      moves.push(...here.map((move) => ({ ...move, machine: row.name, site: row.siteName })))
    }
    return { read: rows.length, machines, moved: moves.length, rows: moves.slice(0, shownMoves) }
  })
}

/** The entries that would make it so, last of the firm's latest day: they move no clock. */
const asIf = (firmId: string, kind: Kind, base: string, on: string): RecordedEntry[] =>
  [
    { kind: 'own-kind' as const, body: { v: 1, kind } },
    { kind: 'setting' as const, body: { v: 1, setting: 'kind-as', kind: base, own: kind.id } },
  ].map((entry, i) => ({
    ...entry,
    id: `ffffffff-ffff-7fff-bfff-00000000000${i}`,
    subjectKind: 'firm',
    subjectId: firmId,
    happenedAt: `${on}T23:59:59Z`,
    happenedOn: on,
    seq: 0,
    recordedAt: '',
    recordedBy: '',
  })) as unknown as RecordedEntry[]
