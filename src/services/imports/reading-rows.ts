import { isTotals } from '../../core/files/is-totals.ts'
import { judgeRows } from '../../core/files/judge-rows.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { jot } from '../../core/ledger/jot.ts'
import { instantAt } from '../../core/quantity/site-time.ts'
import { effective } from '../../core/standing/histories.ts'
import { siteOpening } from '../../core/standing/site-opening.ts'
import { countWords } from '../../core/typed/count-words.ts'
import { readAs } from '../../core/typed/read-as.ts'
import type { Trx } from '../../records/database.ts'
import { siteZones } from '../../records/kept.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { type MachineBySerial, machinesBySerial } from '../../records/machines.ts'
import { reckonedByIds } from '../../records/subjects.ts'
import type { JudgedReading } from '../../views/judged-row.ts'
import { ledgersById, ledgersOf } from '../reckon-subjects.ts'
import {
  type Cells,
  dayOfCell,
  earlier,
  entryOn,
  type ImportContext,
  nothing,
  type Planned,
  refused,
} from './import-context.ts'

/** Judges a list of counter readings against the ledger and against each other, machine by machine. */
export async function planReadings(trx: Trx, context: ImportContext, rows: Cells[]): Promise<Planned<JudgedReading>[]> {
  const machines = await machinesBySerial(trx, [...new Set(rows.map((cells) => cells('serial').trim()))])
  const bySerial = new Map(machines.map((machine) => [machine.serial.toLowerCase(), machine]))
  const zones = await siteZones(trx, [...new Set(machines.map(({ siteId }) => siteId))])
  const zoneOf = (machine: MachineBySerial | undefined) => (machine && zones.get(machine.siteId)) ?? context.timeZone
  const judged = rows.map((cells) => {
    const machine = bySerial.get(cells('serial').trim().toLowerCase())
    return readRow(cells, machine, context, zoneOf(machine))
  })
  for (const machine of machines) {
    const own = judged.filter((row) => row.machineId === machine.id && row.verdict === 'taken')
    if (own.length > 0) await judgeMachine(trx, context, machine, own)
  }
  return judged.map((row, i): Planned<JudgedReading> => {
    if (row.verdict !== 'taken') return refused(row)
    const timeZone = zoneOf(machines.find(({ id }) => id === row.machineId))
    const about = { kind: 'machine' as const, id: row.machineId!, timeZone }
    const entry = entryOn(
      context,
      `row ${rows[i]!.row}`,
      about,
      row.happened!.on,
      jot('reading', { counter: 'shots', count: row.count! }),
    )
    // Read before the day's first drink: six in the morning is as good an hour as any, unless it is still to come.
    const morning = instantAt(timeZone, row.happened!.on, '06:00')
    const happenedAt = earlier(morning, entry.happenedAt)
    return { row, plan: { ...nothing, entries: [{ ...entry, happenedAt }] } }
  })
}

function readRow(
  cells: Cells,
  machine: MachineBySerial | undefined,
  context: ImportContext,
  zone: string,
): JudgedReading {
  const serial = cells('serial').trim()
  if (isTotals(serial)) return { verdict: 'left-out', reason: 'a line of totals' }
  if (!machine)
    return {
      verdict: 'unknown-machine',
      reason: serial ? `no machine has the serial number “${serial}”` : 'the serial number is empty',
    }
  const kind = context.kinds.find(({ id }) => id === machine.kind)
  const unit = kind?.counter.unit ?? ''
  const known = { machineId: machine.id, machineName: machine.name, unit }
  const unreadable = (reason: string): JudgedReading => ({ ...known, verdict: 'unreadable', reason })
  if (kind?.uncounted) return unreadable(`a ${kind.name} has no counter here`)
  const day = dayOfCell(cells('date'), context, zone)
  if (day.is === 'wrong' && day.why === 'is in the future')
    return { ...known, verdict: 'impossible', reason: `“${cells('date').trim()}” is in the future` }
  if (day.is !== 'value') return unreadable(`“${cells('date').trim()}” is not a date`)
  if (day.value.known) return unreadable(`“${cells('date').trim()}” names no day: a reading needs one`)
  const count = readAs(cells('count'), { whole: true, unit, words: countWords })
  if (count.is !== 'value')
    return unreadable(`“${cells('count').trim()}” ${count.is === 'wrong' ? count.why : 'is not a count'}`)
  return { ...known, verdict: 'taken', happened: day.value, count: count.value }
}

/** Falls and leaps that the neighbours refute, and what is in the ledger already. */
async function judgeMachine(
  trx: Trx,
  context: ImportContext,
  machine: MachineBySerial,
  own: JudgedReading[],
): Promise<void> {
  const [self] = await reckonedByIds(trx, [{ id: machine.id, kind: 'machine' }])
  const ledgers = ledgersOf(context.firmId, self!, await ledgersById(trx, context.firmId, [self!]))
  // What is twice may lie however long ago.
  const existing = effectiveHistory(await entriesOfKinds(trx, [machine.id], ['reading', 'withdrawn']))
    .entries.filter(isKind('reading'))
    .filter((entry) => entry.body.counter === 'shots')
    .map((entry) => ({ on: entry.happenedOn, count: entry.body.count }))
  const verdicts = judgeRows(
    own.map((row) => ({ on: row.happened!.on, count: row.count! })),
    existing,
    {
      open: siteOpening(effective(ledgers)).openDays,
      priorPerOpenDay: context.kinds.find(({ id }) => id === machine.kind)?.drinksPerOpenDay.p50 ?? 60,
    },
  )
  own.forEach((row, i) => {
    row.verdict = verdicts[i]!
    if (row.verdict === 'duplicate') row.reason = 'this day and count are in the ledger or the file already'
    if (row.verdict === 'impossible')
      row.reason = 'its neighbours say otherwise: below the last count, or far above what the machine makes'
  })
}
