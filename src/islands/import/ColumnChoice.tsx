import type { ReactNode } from 'react'
import type { DateForm } from '../../core/typed/read-day.ts'
import type { Judged } from '../../views/judged-row.ts'
import type { ImportKind } from './import-kind.ts'
import { Progress } from './Progress.tsx'
import type { FileTable } from './read-file.ts'

const formWords: Record<DateForm, string> = {
  'day-first': 'day, month, year',
  'month-first': 'month, day, year',
  'year-first': 'year, month, day',
}

interface Props<R extends Judged> {
  kind: ImportKind<R>
  table: FileTable
  /** Which column of the file is which of ours; −1 or nothing where none is. */
  columns: Record<string, number>
  onColumns: (columns: Record<string, number>) => void
  /** How its days are written, and the ways that would fit them; null where it has none. */
  days: { form: DateForm; fitting: DateForm[]; onForm: (form: DateForm) => void } | null
  busy: string
  onCheck: () => void
  onStop: () => void
  /** What else the rows are read with. */
  children?: ReactNode
}

/** Which column is what, and how days are written. */
export function ColumnChoice<R extends Judged>(props: Props<R>) {
  const { kind, table, columns, onColumns, days, busy, onCheck, onStop, children } = props
  const missing = kind.columns.filter(({ id, required }) => required && (columns[id] ?? -1) < 0)
  return (
    <section aria-labelledby="columns" className="mt-6">
      <h2 id="columns" className="head m-0">
        2 Which column is what
      </h2>
      <div className="mt-2 flex flex-wrap gap-4">
        {kind.columns.map(({ id, label, required }) => (
          <label key={id} className="flex flex-col gap-1">
            <span className="slim text-[14px]">{label}</span>
            <select
              className="field"
              value={columns[id] ?? -1}
              onChange={(event) => onColumns({ ...columns, [id]: Number(event.target.value) })}
            >
              <option value={-1}>{required ? 'choose …' : 'not in the file'}</option>
              {table.head.map((name, i) => (
                <option key={i} value={i}>
                  {name}
                </option>
              ))}
            </select>
            <span className="mono max-w-[180px] truncate text-[12.5px] text-second">
              {(columns[id] ?? -1) >= 0 ? `such as ${table.rows[0]![columns[id]!] || '(empty)'}` : ''}
            </span>
          </label>
        ))}
        {days && (
          <label className="flex flex-col gap-1">
            <span className="slim text-[14px]">Days are written</span>
            <select
              className="field"
              value={days.form}
              onChange={(event) => days.onForm(event.target.value as DateForm)}
            >
              {Object.entries(formWords).map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </select>
            <span className="text-[12.5px] text-second">
              {days.fitting.length > 1 ? 'The days fit more than one: please look.' : ''}
            </span>
          </label>
        )}
      </div>
      {children}
      <p className="mt-3 mb-0 flex items-center gap-3">
        <button type="button" className="act" disabled={missing.length > 0 || busy !== ''} onClick={onCheck}>
          Check the rows
        </button>
        {busy && <Progress words={busy} onStop={onStop} />}
        {missing.length > 0 && (
          <span className="text-second">
            Choose first: {missing.map(({ label }) => label.toLowerCase()).join(', ')}.
          </span>
        )}
      </p>
    </section>
  )
}
