import type { ListedStage, Stage } from '../core/ledger/stage.ts'
import { bitsIn } from '../core/papers/code.ts'
import type { Trx } from './database.ts'
import { likeWord, words } from './round.ts'

export type MachineCursor = [siteName: string, machineName: string, id: string]

/** A row of machines joined with their sites. */
interface FoundRow {
  id: string
  name: string
  maker: string
  model: string
  serial: string
  kind: string
  softener_id: string | null
  site_id: string
  site_name: string
  area: string
  technician_id: string
  counter: { count: number; on: string; unit: string } | null
  uncounted: true | null
  next_due: string | null
  stale: boolean
  stage: Stage
}

/** The thirty bits of a machine’s id that its code tells, see `codeOf`. */
const codeBits = `(('x' || right(m.id::text, 8))::bit(32)::bigint & 1073741823)`

/** Machines by place and name, with what is due next; every word must be found somewhere. */
export async function machineRows(
  trx: Trx,
  filter: { text?: string; siteId?: string; kind?: string; stage?: ListedStage | 'any' },
  after: MachineCursor | null,
  limit: number,
) {
  const query = trx('machine as m')
    .join('site as s', (on) => on.on('s.firm_id', 'm.firm_id').andOn('s.id', 'm.site_id'))
    .join('subject as su', (on) => on.on('su.firm_id', 'm.firm_id').andOn('su.id', 'm.id'))
    .select(
      'm.id',
      'm.name',
      'm.maker',
      'm.model',
      'm.serial',
      'm.kind',
      'm.softener_id',
      's.id as site_id',
      's.name as site_name',
      's.area',
      's.technician_id',
      'su.stale',
      'su.stage',
      trx.raw(`su.summary -> 'counter' as counter`),
      trx.raw(`su.summary -> 'uncounted' as uncounted`),
      trx.raw(
        `(select min(st.due_p50) from standing st where st.firm_id = m.firm_id and st.subject_id = m.id) as next_due`,
      ),
    )
    .orderBy(['s.name', 'm.name', 'm.id'])
    .limit(limit)
  // What stands on its label, read out or typed: it may be a word all the same.
  const label = bitsIn(filter.text ?? '')
  if (label !== null)
    query.whereRaw(`(${codeBits} = ? or m.words || ' ' || s.words like ?)`, [label, likeWord(filter.text!)])
  else
    for (const word of words(filter.text)) {
      query.whereRaw(`m.words || ' ' || s.words like ?`, [likeWord(word)])
    }
  if (filter.siteId) query.where('m.site_id', filter.siteId)
  if (filter.kind) query.where('m.kind', filter.kind)
  if (!filter.stage) query.whereNot('su.stage', 'retired')
  else if (filter.stage !== 'any') query.where('su.stage', filter.stage)
  if (after) query.whereRaw('(s.name, m.name, m.id) > (?, ?, ?::uuid)', after)
  const rows: FoundRow[] = await query
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    maker: row.maker,
    model: row.model,
    serial: row.serial,
    kind: row.kind,
    softenerId: row.softener_id,
    siteId: row.site_id,
    siteName: row.site_name,
    area: row.area,
    technicianId: row.technician_id,
    counter: row.counter ?? null,
    ...(row.uncounted && { uncounted: true as const }),
    nextDue: row.next_due ?? null,
    stale: row.stale,
    stage: row.stage,
  }))
}

/** What was removed has no record any more, and is no machine. */
const machinesKept = (trx: Trx) =>
  trx('subject')
    .where({ kind: 'machine' })
    .whereExists(trx('machine').select(trx.raw('1')).whereRaw('machine.id = subject.id'))

/** Machines in the firm's care: those retired are history. */
export async function countMachines(trx: Trx): Promise<number> {
  const row = await machinesKept(trx).whereNot('stage', 'retired').count({ n: '*' }).first()
  return Number(row?.n ?? 0)
}

/** Machines whose last counter reading is older than a day, or that were never read. */
export async function countStaleReadings(trx: Trx, before: string): Promise<number> {
  const row = await machinesKept(trx)
    .whereNot('stage', 'retired')
    .where('reading_on', '<', before)
    .count({ n: '*' })
    .first()
  return Number(row?.n ?? 0)
}
