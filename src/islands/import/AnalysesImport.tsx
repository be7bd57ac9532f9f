import { useMemo, useState } from 'react'
import type { Entry } from '../../core/ledger/entry.ts'
import { type HardnessUnit, hardnessSymbol, hardnessUnits } from '../../core/quantity/hardness.ts'
import { instantAt } from '../../core/quantity/site-time.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { dayLong } from '../../ui/format.ts'
import { preferences } from '../../ui/preferences.ts'
import type { JudgedAnalysis } from '../../views/judged-row.ts'
import { island } from '../island.tsx'
import { FileImport } from './FileImport.tsx'
import { follows } from './follows.ts'
import type { ImportKind } from './import-kind.ts'
import { writeInBatches } from './write-in-batches.ts'

interface Props {
  firm: string
  supply: { id: string; name: string }
}

/** What the works print of one zone, from a CSV. */
function AnalysesImport({ firm, supply }: Props) {
  const [unit, setUnit] = useState<HardnessUnit>(preferences().hardnessUnit)
  const kind = useMemo(() => analyses(supply, unit), [supply, unit])
  return (
    <FileImport key={unit} kind={kind} firm={firm}>
      <label className="flex items-center gap-2 text-[14px]">
        Hardness in the file is in
        <select className="field" value={unit} onChange={(event) => setUnit(event.target.value as HardnessUnit)}>
          {hardnessUnits.map((one) => (
            <option key={one} value={one}>
              {hardnessSymbol[one]}
            </option>
          ))}
        </select>
      </label>
    </FileImport>
  )
}

const analyses = (supply: Props['supply'], unit: HardnessUnit): ImportKind<JudgedAnalysis> => ({
  title: `Analyses of ${supply.name}`,
  about:
    'A CSV with a line of column names; one row a sampling day. Calcium as mg/L of the metal, as works print it; a cell left empty was not measured.',
  thing: 'analysis',
  things: 'analyses',
  columns: [
    { id: 'date', label: 'Day', guess: /date|day|datum|sampled|when/, required: true },
    { id: 'total', label: 'Total hardness', guess: /total h|hardness|h(ä|ae)rte|titre/, required: false },
    { id: 'carbonate', label: 'Carbonate hardness', guess: /carbon|alkal|karbonat/, required: false },
    { id: 'pH', label: 'pH', guess: /^ph\b/, required: false },
    { id: 'conductivity', label: 'Conductivity, µS/cm', guess: /conduct|leitf|µs|us\/cm/, required: false },
    { id: 'calcium', label: 'Calcium, mg/L Ca', guess: /calcium|kalzium|\bca\b/, required: false },
    { id: 'chloride', label: 'Chloride, mg/L', guess: /chlorid/, required: false },
    { id: 'silica', label: 'Silica, mg/L', guess: /silic|kiesel|sio/, required: false },
  ],
  dateColumn: 'date',
  checkUrl: '/api/import/analyses',
  extra: { supplyId: supply.id, unit },
  write: (rows, stop, progress) =>
    writeInBatches(
      rows.map(({ row, id }) => toEntries(supply.id, row, id)),
      stop,
      progress,
    ),
  heads: ['Day', 'Becomes'],
  cells: (row, raw) => [
    <span key="day" className="mono whitespace-nowrap">
      {row.happenedOn ? dayLong(row.happenedOn) : raw('date')}
    </span>,
    row.work
      ?.map((jotting) =>
        entryWords(jotting, '')
          .replace('Water raw', '')
          .replace(/^[,:] /, ''),
      )
      .join('; '),
  ],
})

const toEntries = (supplyId: string, row: JudgedAnalysis, id: string): Entry[] =>
  row.work!.map((jotting, i) => ({
    id: follows(id, i),
    subjectKind: 'supply',
    subjectId: supplyId,
    ...jotting,
    happenedAt: instantAt(row.timeZone!, row.happenedOn!),
    happenedOn: row.happenedOn!,
  }))

export const AnalysesImportIsland = island(AnalysesImport)
