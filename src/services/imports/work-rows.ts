import { isTotals } from '../../core/files/is-totals.ts'
import { readWork, workAs } from '../../core/files/read-work.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import type { Jotting } from '../../core/ledger/entry-kinds.ts'
import { jot } from '../../core/ledger/jot.ts'
import { canonical } from '../../core/ledger/same-body.ts'
import { effective } from '../../core/standing/histories.ts'
import { machineKind } from '../../core/standing/machine-kind.ts'
import { countWords } from '../../core/typed/count-words.ts'
import { readAs } from '../../core/typed/read-as.ts'
import { saysUnknown } from '../../core/typed/typed.ts'
import type { Trx } from '../../records/database.ts'
import { allKept, type KeptRecord } from '../../records/kept.ts'
import { entriesOf } from '../../records/ledger.ts'
import type { JudgedWork } from '../../views/judged-row.ts'
import {
  type Cells,
  dayOfCell,
  entryOn,
  type ImportContext,
  meaningOf,
  nothing,
  type Planned,
  plainName,
  refused,
} from './import-context.ts'

type Machine = KeptRecord<'machine'>

/** Where work can have been done: machines by their serial numbers, and by place and name. */
interface There {
  bySerial: Map<string, Machine>
  byPlace: Map<string, Machine[]>
  zones: Map<string, string>
  kinds: Map<string, Kind>
  /** What the ledger has: the same work on the same day is there already. */
  seen: Set<string>
}

/** Judges the rows of an old service record: what each would write. */
export async function planWork(trx: Trx, context: ImportContext, rows: Cells[]): Promise<Planned<JudgedWork>[]> {
  const there = await thereNow(trx, context, rows)
  return rows.map((cells) => planRow(cells, context, there))
}

async function thereNow(trx: Trx, context: ImportContext, rows: Cells[]): Promise<There> {
  const [machines, sites, customers] = await Promise.all([
    allKept(trx, 'machine'),
    allKept(trx, 'site'),
    allKept(trx, 'customer'),
  ])
  const siteOf = new Map(sites.map((site) => [site.id, site]))
  const customerOf = new Map(customers.map((customer) => [customer.id, customer.name]))
  const bySerial = new Map(machines.filter(({ serial }) => serial).map((one) => [one.serial.trim().toLowerCase(), one]))
  const byPlace = new Map<string, Machine[]>()
  const at = (place: string, machine: Machine) =>
    byPlace.set(plainName(place), [...(byPlace.get(plainName(place)) ?? []), machine])
  for (const machine of machines) {
    const site = siteOf.get(machine.siteId)!
    const customer = customerOf.get(site.customerId) ?? ''
    at(site.name, machine)
    if (plainName(customer) !== plainName(site.name)) at(customer, machine)
  }
  const named = new Map(
    rows.flatMap((cells) => {
      const one = machineOf(cells, { bySerial, byPlace })
      return typeof one === 'string' ? [] : [[one.id, one]]
    }),
  )
  const entries = await entriesOf(trx, [...named.keys()])
  const firm = await entriesOf(trx, [context.firmId])
  const of = new Map<string, RecordedEntry[]>()
  for (const entry of entries) {
    const list = of.get(entry.subjectId)
    if (list) list.push(entry)
    else of.set(entry.subjectId, [entry])
  }
  const kinds = new Map(
    [...named.values()].flatMap(({ id, kind }) => {
      // With its own groups and options, as it was taken on.
      const own =
        machineKind(effective({ machine: of.get(id) ?? [], firm })) ?? context.kinds.find((one) => one.id === kind)
      return own ? [[id, own] as const] : []
    }),
  )
  const seen = new Set(
    effectiveHistory(entries).entries.map((entry) => keyOf(entry.subjectId, entry.happenedOn, entry)),
  )
  return { bySerial, byPlace, zones: new Map(sites.map(({ id, timeZone }) => [id, timeZone])), kinds, seen }
}

const keyOf = (id: string, on: string, { kind, body }: Jotting) => `${id} ${on} ${kind} ${canonical(body)}`

/** The machine a row speaks of; or why none. */
function machineOf(cells: Cells, { bySerial, byPlace }: Pick<There, 'bySerial' | 'byPlace'>): Machine | string {
  const serial = cells('serial').trim()
  if (serial && !saysUnknown(serial))
    return bySerial.get(serial.toLowerCase()) ?? `no machine has the serial number “${serial}”`
  const [site, name] = [cells('site').trim(), cells('name').trim()]
  if (!site) return 'neither a serial number nor a place says which machine it is'
  const here = byPlace.get(plainName(site)) ?? []
  if (here.length === 0) return `no place is called “${site}”`
  const called = name
    ? here.filter((one) =>
        [one.name, one.model, `${one.maker} ${one.model}`].some((own) => plainName(own) === plainName(name)),
      )
    : here
  if (called.length === 1) return called[0]!
  if (called.length === 0) return `no machine at “${site}” is called “${name}”`
  return name
    ? `${called.length} machines at “${site}” are called “${name}”`
    : `${called.length} machines stand at “${site}”: which one?`
}

function planRow(cells: Cells, context: ImportContext, there: There): Planned<JudgedWork> {
  if (isTotals(cells('serial')) || isTotals(cells('site')) || isTotals(cells('date')))
    return refused({ verdict: 'left-out', reason: 'a line of totals' })
  const machine = machineOf(cells, there)
  if (typeof machine === 'string') return refused({ verdict: 'unknown-machine', reason: machine })
  const kind = there.kinds.get(machine.id)
  const known = { machineId: machine.id, machineName: machine.name, machineKind: machine.kind }
  if (!kind) return refused({ ...known, verdict: 'unreadable', reason: 'its kind is not known here' })
  const timeZone = there.zones.get(machine.siteId) ?? context.timeZone
  const read = readRow(cells, context, kind, timeZone)
  if (!read.work) return refused({ ...known, ...read })
  const fresh = read.work.filter((jotting) => {
    const key = keyOf(machine.id, read.happened!.on, jotting)
    return !there.seen.has(key) && there.seen.add(key)
  })
  if (fresh.length === 0)
    return refused({
      ...known,
      ...read,
      work: [],
      verdict: 'duplicate',
      reason: 'this day and work are in the ledger or the file already',
    })
  const about = { kind: 'machine' as const, id: machine.id, timeZone }
  return {
    row: { ...known, ...read, work: fresh },
    plan: {
      ...nothing,
      entries: fresh.map((jotting, n) => entryOn(context, `row ${cells.row} ${n}`, about, read.happened!.on, jotting)),
    },
  }
}

function readRow(cells: Cells, context: ImportContext, kind: Kind, timeZone: string): JudgedWork {
  const unreadable = (reason: string): JudgedWork => ({ verdict: 'unreadable', reason })
  const text = (column: string) => (saysUnknown(cells(column)) ? '' : cells(column).trim())
  const day = dayOfCell(cells('date'), context, timeZone)
  if (day.is === 'wrong' && day.why === 'is in the future')
    return { verdict: 'impossible', reason: `“${cells('date').trim()}” is in the future` }
  if (day.is !== 'value') return unreadable(`“${cells('date').trim()}” ${day.is === 'wrong' ? day.why : 'is no day'}`)
  const count = readAs(cells('count'), { whole: true, unit: kind.counter.unit, words: countWords })
  if (count.is === 'wrong' || count.is === 'either')
    return unreadable(
      `the counter “${text('count')}” ${count.is === 'wrong' ? count.why : `can be ${count.values.join(' or ')}`}`,
    )
  const group = readAs(cells('group').replace(/^\s*(group|gruppe|groupe|gruppo|gr)\.?\s*/i, ''), {
    whole: true,
    from: 1,
    to: 4,
  })
  if (group.is === 'wrong') return unreadable(`“${text('group')}” is not a group from 1 to 4`)
  const what = text('what')
  if (!what && count.is !== 'value') return unreadable('neither says what was done nor what the counter showed')
  const meaning = meaningOf(context.spec, 'what', what)
  if (meaning?.is === 'left-out') return { verdict: 'left-out', reason: `“${what}” is left out` }
  const at = group.is === 'value' ? group.value : undefined
  const done = !what
    ? { work: [] }
    : meaning?.is === 'note'
      ? { work: [jot('note', { text: what })] }
      : meaning?.is === 'work'
        ? { work: workAs(kind, { ...meaning, ...(at !== undefined && { group: at }) }, what) }
        : readWork(kind, what, at)
  const beside = besides(
    text('by'),
    text('charge'),
    text('note'),
    day.value.known ? day.value.on.slice(0, day.value.known === 'year' ? 4 : 7) : '',
  )
  const isNoteOnly = count.is !== 'value' && done.work.every((jotting) => jotting.kind === 'note')
  return {
    verdict: isNoteOnly ? 'note-only' : 'taken',
    happened: day.value,
    ...('guess' in done && done.guess && { guess: done.guess }),
    work: [
      ...(count.is === 'value' ? [jot('reading', { counter: 'shots', count: count.value })] : []),
      ...done.work,
      ...(beside ? [jot('note', { text: beside })] : []),
    ],
  }
}

/** What a record says besides, in one note: who did it, what was charged, what was remarked. */
const besides = (by: string, charge: string, note: string, known: string): string =>
  [by && `By ${by}.`, charge && `Charged ${charge}.`, note, known && `The list says ${known} and no day.`]
    .filter(Boolean)
    .join(' ')
