import { type ImportWhat, importColumns } from '../../core/files/import-columns.ts'
import { hardnessSymbol, hardnessUnits } from '../../core/quantity/hardness.ts'
import type { DateForm } from '../../core/typed/read-day.ts'
import type { DecimalMark } from '../../core/typed/read-number.ts'
import type { Choices, Import } from './use-import.ts'

const formWords: Record<DateForm, string> = {
  'day-first': 'day, month, year',
  'month-first': 'month, day, year',
  'year-first': 'year, month, day',
}

/** Which line names the columns, which column is what, how days and figures are written; and what is left. */
export function ColumnStep({ what, list }: { what: ImportWhat; list: Import }) {
  const { file, table, choices, change, days } = list
  if (!file || !table || !choices) return null
  const lines = file.sheets[choices.sheet]!.lines
  const used = new Set(Object.values(choices.columns))
  const left = table.head.filter((_, i) => !used.has(i))
  const has = (...ids: string[]) => ids.some((id) => (choices.columns[id] ?? -1) >= 0)
  return (
    <section aria-labelledby="columns" className="mt-6">
      <h2 id="columns" className="head m-0">
        2 Which column is what
      </h2>
      <div className="mt-2 flex flex-wrap gap-4">
        {file.sheets.length > 1 && (
          <Choice
            label="Sheet"
            value={String(choices.sheet)}
            onChange={(value) => change({ sheet: Number(value) })}
            options={file.sheets.map(({ name }, i) => [String(i), name])}
          />
        )}
        <Choice
          label="The columns are named in line"
          value={String(choices.head)}
          onChange={(value) => change({ head: Number(value) })}
          options={lines
            .slice(0, 15)
            .map((line, i) => [String(i), `${i + 1}: ${line.filter(Boolean).slice(0, 3).join(', ').slice(0, 40)}`])}
        />
        {days.matters && (
          <Choice
            label="Days are written"
            value={choices.dateForm}
            onChange={(value) => change({ dateForm: value as DateForm })}
            options={Object.entries(formWords)}
            under={
              days.fitting.length === 0
                ? 'No form fits every day: the rows say which.'
                : 'The days fit more than one: please look.'
            }
          />
        )}
        {has('hardness', 'total', 'carbonate') && (
          <Choice
            label="Hardness is in"
            value={choices.unit}
            onChange={(value) => change({ unit: value as Choices['unit'] })}
            options={hardnessUnits.map((unit) => [unit, hardnessSymbol[unit]])}
            under="where the cell names no unit"
          />
        )}
        {has('hardness', 'total', 'carbonate', 'pH') && choices.mark === null && (
          <Choice
            label="1,234 is"
            value=""
            onChange={(value) => change({ mark: (value || null) as DecimalMark | null })}
            options={[
              ['', 'asked for in the row'],
              [',', 'one and a bit'],
              ['.', 'a thousand and more'],
            ]}
          />
        )}
        {what === 'machines' && has('count', 'hardness') && (
          <label className="flex flex-col gap-1">
            <span className="slim text-[14px]">Counters and tests are of</span>
            <input
              className="field mono"
              type="date"
              value={choices.readOn}
              onChange={(event) => change({ readOn: event.target.value })}
            />
            <span className="text-[12.5px] text-second">where the row names no day</span>
          </label>
        )}
        {['machines', 'work'].includes(what) && has('site') && (
          <label className="flex min-h-[44px] items-center gap-2 self-end">
            <input
              type="checkbox"
              className="h-5 w-5"
              checked={choices.fillDown}
              onChange={(event) => change({ fillDown: event.target.checked })}
            />
            An empty site means the one above
          </label>
        )}
      </div>
      <div className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(176px,1fr))] gap-x-4 gap-y-3">
        {importColumns[what].map(({ id, label, hint, required }) => (
          <label key={id} className="flex min-w-0 flex-col gap-1">
            <span className="slim text-[14px]">
              {label} {hint && <span className="font-normal text-second">{hint}</span>}
            </span>
            <select
              className="field w-full"
              value={choices.columns[id] ?? -1}
              onChange={(event) => change({ columns: { ...choices.columns, [id]: Number(event.target.value) } })}
            >
              <option value={-1}>{required ? 'choose …' : 'not in the file'}</option>
              {table.head.map((name, i) => (
                <option key={i} value={i}>
                  {name}
                </option>
              ))}
            </select>
            <span className="mono truncate text-[12.5px] text-second">
              {(choices.columns[id] ?? -1) >= 0 ? `such as ${example(table.rows, choices.columns[id]!)}` : ''}
            </span>
          </label>
        ))}
      </div>
      {left.length > 0 && (
        <p className="mt-3 mb-0 border-l-4 border-brass pl-3">
          Left in the file, not brought in: <b>{left.join(', ')}</b>.
        </p>
      )}
    </section>
  )
}

/** The first cell that says something. */
const example = (rows: string[][], at: number) => rows.find((row) => row[at])?.[at] ?? '(empty)'

function Choice({
  label,
  value,
  onChange,
  options,
  under,
}: {
  label: string
  value: string
  onChange(value: string): void
  options: readonly (readonly [string, string])[]
  under?: string
}) {
  return (
    <label className="flex max-w-[280px] flex-col gap-1">
      <span className="slim text-[14px]">{label}</span>
      <select className="field" value={value} onChange={(event) => onChange(event.target.value)}>
        {options.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
      {under && <span className="text-[12.5px] text-second">{under}</span>}
    </label>
  )
}
