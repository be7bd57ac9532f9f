import Papa from 'papaparse'
import { kindById } from '../core/kinds/index.ts'
import type { Kind } from '../core/kinds/kind.ts'
import type { Entry } from '../core/ledger/entry.ts'
import { inTodaysWords } from '../core/ledger/upcast.ts'
import { fromDay, toDay } from '../core/quantity/local-day.ts'
import { type Db, withFirm } from '../records/database.ts'
import { technicians } from '../records/firms.ts'
import { entriesSince } from '../records/ledger.ts'
import { type RoundCursor, roundRows } from '../records/round.ts'
import { subjectNames } from '../records/subjects.ts'
import { veryOwnKindsIn } from './own-kinds.ts'

const pageSize = 1000

/** Lines of a CSV; a cell a spreadsheet would run as a formula is made plain. */
const lines = (rows: unknown[][]) => `${Papa.unparse(rows, { escapeFormulae: true })}\r\n`

/**
 * The whole ledger as a spreadsheet, oldest first: for reading and reckoning elsewhere.
 * @param inWords - says an entry as the screens do
 */
export async function ledgerCsv(
  db: Db,
  firmId: string,
  inWords: (entry: Entry, machine: Kind | null) => string,
  write: (text: string) => Promise<void> | void,
): Promise<void> {
  await withFirm(db, firmId, async (trx) => {
    const people = new Map((await technicians(trx)).map((person) => [person.id, person.name]))
    await write(
      lines([
        [
          'number',
          'day',
          'site',
          'about',
          'name',
          'serial',
          'kind',
          'in words',
          'by',
          'written',
          'from',
          'corrects',
          'body',
          'id',
        ],
      ]),
    )
    const own = await veryOwnKindsIn(trx)
    for (let seq = 0; ; ) {
      const entries = await entriesSince(trx, seq, pageSize)
      const names = await subjectNames(trx, [...new Set(entries.map((entry) => entry.subjectId))])
      const rows = entries.map((entry) => {
        const { name = '', siteName = '', serial = '', kind = '' } = names.get(entry.subjectId) ?? {}
        return [
          entry.seq,
          entry.happenedOn,
          siteName,
          entry.subjectKind,
          name,
          serial,
          entry.kind,
          inWords(inTodaysWords(entry), kindById(kind) ?? own.find(({ id }) => id === kind) ?? null),
          people.get(entry.recordedBy) ?? '',
          entry.recordedAt,
          entry.origin ?? '',
          entry.supersedes ?? '',
          JSON.stringify(entry.body),
          entry.id,
        ]
      })
      if (rows.length > 0) await write(lines(rows))
      if (entries.length < pageSize) return
      seq = entries.at(-1)!.seq
    }
  })
}

/** What is due within a time, soonest first, as a spreadsheet. @param days - how far ahead; all without */
export async function dueCsv(
  db: Db,
  firmId: string,
  today: string,
  days: number | null,
  write: (text: string) => Promise<void> | void,
): Promise<void> {
  await withFirm(db, firmId, async (trx) => {
    const people = new Map((await technicians(trx)).map((person) => [person.id, person.name]))
    await write(
      lines([
        [
          'due',
          'from',
          'to',
          'overdue days',
          'site',
          'area',
          'machine',
          'model',
          'task',
          'governed by',
          'minutes',
          'technician',
          'last read',
        ],
      ]),
    )
    let after: RoundCursor | null = null
    for (;;) {
      const until = days === null ? {} : { until: fromDay(toDay(today) + days) }
      const rows = await roundRows(trx, until, after, pageSize)
      const cells = rows.map((row) => {
        const { due, name, instance, governing, minutes } = row.detail
        return [
          due.p50,
          due.p10,
          due.p90,
          Math.max(0, toDay(today) - toDay(due.p50)),
          row.site_name,
          row.area,
          row.softener_name ?? row.machine_name ?? '',
          row.maker ? `${row.maker} ${row.model}` : '',
          instance ? `${name}, ${instance}` : name,
          governing,
          minutes,
          people.get(row.technician_id) ?? '',
          row.reading_on ?? '',
        ]
      })
      if (cells.length > 0) await write(lines(cells))
      if (rows.length < pageSize) return
      const last = rows.at(-1)
      after = [last.due_p50, last.due_p90, last.subject_id, last.key]
    }
  })
}
