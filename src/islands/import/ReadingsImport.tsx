import type { Entry } from '../../core/ledger/entry.ts'
import { instantAt } from '../../core/quantity/site-time.ts'
import { browserNow } from '../../ui/clock.ts'
import { dayLong, figure } from '../../ui/format.ts'
import type { JudgedRow } from '../../views/judged-row.ts'
import { island } from '../island.tsx'
import { FileImport } from './FileImport.tsx'
import type { ImportKind } from './import-kind.ts'
import { writeInBatches } from './write-in-batches.ts'

const serial = /serial|machine no|s\/n|seriennummer|matricule/

const readings: ImportKind<JudgedRow> = {
  title: 'Readings from a spreadsheet',
  about:
    "A CSV with a line of column names; one row a reading, with the machine's serial number, a day and what the counter showed.",
  thing: 'reading',
  things: 'readings',
  columns: [
    { id: 'serial', label: 'Serial number', guess: serial, required: true },
    { id: 'date', label: 'Day', guess: /date|day|datum|read on|when/, required: true },
    { id: 'count', label: 'Counter', guess: /count|reading|shots|drinks|z(ä|ae)hler|cycles|total/, required: true },
  ],
  dateColumn: 'date',
  checkUrl: '/api/readings/check',
  write: (rows, stop, progress) =>
    writeInBatches(
      rows.map(({ row, id }) => [toEntry(row, id)]),
      stop,
      progress,
    ),
  heads: ['Serial', 'Machine', 'Day', 'Counter'],
  cells: (row, raw) => [
    <span key="serial" className="mono">
      {raw('serial')}
    </span>,
    row.machineName,
    <span key="day" className="mono">
      {row.happenedOn ? dayLong(row.happenedOn) : raw('date')}
    </span>,
    <span key="count" className="mono">
      {row.count === undefined ? raw('count') : figure(row.count)}
    </span>,
  ],
}

/** Counter readings from a CSV. */
const ReadingsImport = ({ firm }: { firm: string }) => <FileImport kind={readings} firm={firm} />

function toEntry(row: JudgedRow, id: string): Entry {
  // Read before the day's first drink: six in the morning is as good an hour as any, unless it is still to come.
  const morning = new Date(instantAt(row.timeZone!, row.happenedOn!, '06:00'))
  const now = browserNow()
  return {
    id,
    subjectKind: 'machine',
    subjectId: row.machineId!,
    kind: 'reading',
    happenedAt: (morning < now ? morning : now).toISOString(),
    happenedOn: row.happenedOn!,
    body: { v: 1, counter: 'shots', count: row.count! },
  }
}

export const ReadingsImportIsland = island(ReadingsImport)
