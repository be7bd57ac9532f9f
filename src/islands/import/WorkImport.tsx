import type { Entry } from '../../core/ledger/entry.ts'
import { instantAt } from '../../core/quantity/site-time.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { dayLong } from '../../ui/format.ts'
import type { JudgedWork } from '../../views/judged-row.ts'
import { island } from '../island.tsx'
import { FileImport } from './FileImport.tsx'
import { follows } from './follows.ts'
import type { ImportKind } from './import-kind.ts'
import { writeInBatches } from './write-in-batches.ts'

const work: ImportKind<JudgedWork> = {
  title: 'Past work from a spreadsheet',
  about:
    "A CSV with a line of column names; one row a piece of work, with the machine's serial number, a day and what was done in words. What matches no part or task is kept as a note.",
  thing: 'row of work',
  things: 'rows of work',
  columns: [
    { id: 'serial', label: 'Serial number', guess: /serial|machine no|s\/n/, required: true },
    { id: 'date', label: 'Day', guess: /date|day|datum|when/, required: true },
    { id: 'what', label: 'What was done', guess: /what|work|done|descr|part|task|remark|note/, required: true },
    { id: 'group', label: 'Group', guess: /group|side/, required: false },
    { id: 'count', label: 'Counter', guess: /count|shots|drinks/, required: false },
  ],
  dateColumn: 'date',
  checkUrl: '/api/import/work',
  write: (rows, stop, progress) =>
    writeInBatches(
      rows.map(({ row, id }) => toEntries(row, id)),
      stop,
      progress,
    ),
  heads: ['Machine', 'Day', 'In the file', 'Becomes'],
  cells: (row, raw) => [
    row.machineName ?? raw('serial'),
    <span key="day" className="mono whitespace-nowrap">
      {row.happenedOn ? dayLong(row.happenedOn) : raw('date')}
    </span>,
    raw('what'),
    row.work?.map((jotting) => entryWords(jotting, row.machineKind!)).join('; '),
  ],
}

/** An old service record from a CSV. */
const WorkImport = ({ firm }: { firm: string }) => <FileImport kind={work} firm={firm} />

function toEntries(row: JudgedWork, id: string): Entry[] {
  return row.work!.map((jotting, i) => ({
    id: follows(id, i),
    subjectKind: 'machine',
    subjectId: row.machineId!,
    ...jotting,
    happenedAt: instantAt(row.timeZone!, row.happenedOn!),
    happenedOn: row.happenedOn!,
  }))
}

export const WorkImportIsland = island(WorkImport)
