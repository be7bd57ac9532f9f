import { array, object, string } from 'yup'
import { judgeRows } from '../core/files/judge-rows.ts'
import { kindById } from '../core/kinds/index.ts'
import { effectiveHistory } from '../core/ledger/effective-history.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import type { Issue } from '../core/parse/parse-strict.ts'
import { parseStrict } from '../core/parse/parse-strict.ts'
import { dayAt } from '../core/quantity/site-time.ts'
import { effective } from '../core/standing/histories.ts'
import { siteOpening } from '../core/standing/site-opening.ts'
import { numberIn } from '../core/typed/read-as.ts'
import { type DateForm, dateForms, dayOf } from '../core/typed/read-day.ts'
import { type Db, type Trx, withFirm } from '../records/database.ts'
import { keptById } from '../records/kept.ts'
import { entriesOfKinds } from '../records/ledger.ts'
import { type MachineBySerial, machinesBySerial } from '../records/machines.ts'
import { reckonedBy } from '../records/subjects.ts'
import type { FileRow, JudgedRow } from '../views/judged-row.ts'
import { ledgersById, ledgersOf } from './reckon-subjects.ts'

const mostRows = 5000

const cell = () => string().max(200, 'must be at most 200 characters').defined()

const request = object({
  dateForm: string().oneOf(dateForms).required(),
  rows: array(object({ serial: cell(), date: cell(), count: cell() }).noUnknown().required())
    .required()
    .max(mostRows, `must be at most ${mostRows} rows: split the file`),
}).noUnknown()

export type Checked = { ok: true; rows: JudgedRow[] } | { ok: false; issues: Issue[] }

/** Judges a spreadsheet's rows against the ledger. Nothing is written. */
export async function checkReadings(db: Db, firmId: string, input: unknown, now: Date): Promise<Checked> {
  const parsed = parseStrict(request, input)
  if (!parsed.ok) return parsed
  const { dateForm, rows } = parsed.value
  const judged = await withFirm(db, firmId, (trx) => judge(trx, firmId, rows, dateForm as DateForm, now))
  return { ok: true, rows: judged }
}

async function judge(trx: Trx, firmId: string, rows: FileRow[], form: DateForm, now: Date): Promise<JudgedRow[]> {
  const machines = await machinesBySerial(trx, [...new Set(rows.map((row) => row.serial.trim()))])
  const bySerial = new Map(machines.map((machine) => [machine.serial.toLowerCase(), machine]))
  const judged: JudgedRow[] = rows.map((row) => readRow(row, bySerial.get(row.serial.trim().toLowerCase()), form))
  for (const machine of machines) {
    const own = judged.flatMap((row, i) => (row.machineId === machine.id && row.verdict === 'taken' ? [i] : []))
    if (own.length > 0) await judgeMachine(trx, firmId, machine, judged, own, now)
  }
  return judged
}

function readRow(row: FileRow, machine: MachineBySerial | undefined, form: DateForm): JudgedRow {
  if (!machine) {
    const reason = row.serial.trim()
      ? `no machine has the serial number "${row.serial.trim()}"`
      : 'the serial number is empty'
    return { verdict: 'unknown-machine', reason }
  }
  const known = { machineId: machine.id, machineName: machine.name }
  const happenedOn = dayOf(row.date, form)
  if (happenedOn === null) return { ...known, verdict: 'unreadable', reason: `"${row.date}" is not a date` }
  const count = numberIn(row.count, { whole: true })
  if (count === null) return { ...known, verdict: 'unreadable', reason: `"${row.count}" is not a count` }
  return { ...known, verdict: 'taken', happenedOn, count }
}

async function judgeMachine(
  trx: Trx,
  firmId: string,
  machine: MachineBySerial,
  judged: JudgedRow[],
  own: number[],
  now: Date,
) {
  const self = (await reckonedBy(trx, { id: machine.id, kind: 'machine' })).find(
    (subject) => subject.id === machine.id,
  )!
  const ledgers = ledgersOf(firmId, self, await ledgersById(trx, firmId, [self]))
  const timeZone = (await keptById(trx, 'site', machine.siteId))?.timeZone ?? 'UTC'
  const today = dayAt(timeZone, now)
  // What is twice may lie however long ago.
  const existing = effectiveHistory(await entriesOfKinds(trx, [machine.id], ['reading', 'withdrawn']))
    .entries.filter(isKind('reading'))
    .filter((entry) => entry.body.counter === 'shots')
    .map((entry) => ({ on: entry.happenedOn, count: entry.body.count }))
  const dated = own.filter((i) => {
    const row = judged[i]!
    row.timeZone = timeZone
    if (row.happenedOn! <= today) return true
    Object.assign(row, { verdict: 'impossible', reason: `${row.happenedOn} is in the future` })
    return false
  })
  const verdicts = judgeRows(
    dated.map((i) => ({ on: judged[i]!.happenedOn!, count: judged[i]!.count! })),
    existing,
    {
      open: siteOpening(effective(ledgers)).openDays,
      priorPerOpenDay: kindById(machine.kind)?.drinksPerOpenDay.p50 ?? 60,
    },
  )
  dated.forEach((i, n) => {
    const verdict = verdicts[n]!
    judged[i]!.verdict = verdict
    if (verdict === 'duplicate') judged[i]!.reason = 'this day and count are in the ledger or the file already'
    if (verdict === 'impossible')
      judged[i]!.reason = 'its neighbours say otherwise: below the last count, or far above what the machine makes'
  })
}
