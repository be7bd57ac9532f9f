import { array, object, string } from 'yup'
import { readWork } from '../core/files/read-work.ts'
import { kindById } from '../core/kinds/index.ts'
import { effectiveHistory } from '../core/ledger/effective-history.ts'
import { jot } from '../core/ledger/jot.ts'
import { canonical } from '../core/ledger/same-body.ts'
import { type Issue, parseStrict } from '../core/parse/parse-strict.ts'
import { dayAt } from '../core/quantity/site-time.ts'
import { numberIn } from '../core/typed/read-as.ts'
import { type DateForm, dateForms, dayOf } from '../core/typed/read-day.ts'
import { type Db, withFirm } from '../records/database.ts'
import { siteZones } from '../records/kept.ts'
import { entriesOf } from '../records/ledger.ts'
import { type MachineBySerial, machinesBySerial } from '../records/machines.ts'
import type { JudgedWork } from '../views/judged-row.ts'

const mostRows = 5000
const cell = (most = 200) => string().max(most, `must be at most ${most} characters`).defined()

const request = object({
  dateForm: string().oneOf(dateForms).required(),
  rows: array(
    object({ serial: cell(), date: cell(), what: cell(2000), group: cell(), count: cell() })
      .noUnknown()
      .required(),
  )
    .required()
    .max(mostRows, `must be at most ${mostRows} rows: split the file`),
}).noUnknown()

/** Judges the rows of an old service record: what each would write. Nothing is written. */
export async function checkWork(
  db: Db,
  firmId: string,
  timeZone: string,
  input: unknown,
  now: Date,
): Promise<{ ok: true; rows: JudgedWork[] } | { ok: false; issues: Issue[] }> {
  const parsed = parseStrict(request, input)
  if (!parsed.ok) return parsed
  const { rows, dateForm } = parsed.value
  return withFirm(db, firmId, async (trx) => {
    const machines = await machinesBySerial(trx, [...new Set(rows.map((row) => row.serial.trim()))])
    const bySerial = new Map(machines.map((machine) => [machine.serial.toLowerCase(), machine]))
    const { entries } = effectiveHistory(
      await entriesOf(
        trx,
        machines.map(({ id }) => id),
      ),
    )
    const seen = new Set(entries.map((entry) => keyOf(entry.subjectId, entry.happenedOn, entry.kind, entry.body)))
    const zones = await siteZones(trx, [...new Set(machines.map(({ siteId }) => siteId))])
    const judged = rows.map((row): JudgedWork => {
      const machine = bySerial.get(row.serial.trim().toLowerCase())
      const zone = (machine && zones.get(machine.siteId)) ?? timeZone
      const read = { ...readRow(row, machine, dateForm as DateForm, dayAt(zone, now)), timeZone: zone }
      if (!read.work) return read
      const fresh = read.work.filter(({ kind, body }) => {
        const key = keyOf(read.machineId!, read.happenedOn!, kind, body)
        return !seen.has(key) && seen.add(key)
      })
      if (fresh.length > 0) return { ...read, work: fresh }
      return {
        ...read,
        work: [],
        verdict: 'duplicate',
        reason: 'this day and work are in the ledger or the file already',
      }
    })
    return { ok: true, rows: judged }
  })
}

const keyOf = (id: string, on: string, kind: string, body: object) => `${id} ${on} ${kind} ${canonical(body)}`

function readRow(
  row: { serial: string; date: string; what: string; group: string; count: string },
  machine: MachineBySerial | undefined,
  form: DateForm,
  today: string,
): JudgedWork {
  if (!machine) {
    const serial = row.serial.trim()
    const reason = serial ? `no machine has the serial number "${serial}"` : 'the serial number is empty'
    return { verdict: 'unknown-machine', reason }
  }
  const known = { machineId: machine.id, machineName: machine.name, machineKind: machine.kind }
  const unreadable = (reason: string): JudgedWork => ({ ...known, verdict: 'unreadable', reason })
  const happenedOn = dayOf(row.date, form)
  if (happenedOn === null) return unreadable(`"${row.date}" is not a date`)
  if (happenedOn > today) return unreadable(`${happenedOn} is in the future`)
  const count = row.count.trim() ? numberIn(row.count, { whole: true }) : undefined
  if (count === null) return unreadable(`"${row.count}" is not a count`)
  const group = row.group.trim() ? Number(row.group.trim()) : undefined
  if (group !== undefined && !(Number.isInteger(group) && group >= 1 && group <= 4))
    return unreadable(`"${row.group}" is not a group from 1 to 4`)
  const what = row.what.trim()
  if (!what && count === undefined) return unreadable('neither says what was done nor what the counter showed')
  const kind = kindById(machine.kind)!
  return {
    ...known,
    happenedOn,
    verdict: 'taken',
    work: [
      ...(count === undefined ? [] : [jot('reading', { counter: 'shots', count })]),
      ...(what ? [readWork(kind, what, group)] : []),
    ],
  }
}
