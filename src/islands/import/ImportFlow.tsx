import { useMemo, useState } from 'react'
import { type ImportWhat, importColumns } from '../../core/files/import-columns.ts'
import type { ImportSpec } from '../../core/files/import-spec.ts'
import type { HardnessUnit } from '../../core/quantity/hardness.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { island } from '../island.tsx'
import { ColumnStep } from './ColumnStep.tsx'
import { listWords } from './import-words.ts'
import { Progress } from './Progress.tsx'
import { RowStep } from './RowStep.tsx'
import { saveTemplate } from './template.ts'
import { useImport } from './use-import.ts'
import { type NamedKind, WordStep } from './WordStep.tsx'
import { type WorkChoice, WorkWords } from './WorkWords.tsx'

interface Props {
  what: ImportWhat
  firm: string
  today: string
  unit: HardnessUnit
  /** Kinds of machine, the firm's own among them. */
  kinds: NamedKind[]
  /** What words mean, as the firm said before. */
  words: ImportSpec['words']
  workChoices?: WorkChoice[]
  supply?: { id: string; name: string }
}

/** A list on its way in: the file, its columns, its words, its rows; written only when that is asked for. */
function ImportFlow({ what, firm, today, unit, kinds: there, words, workChoices = [], supply }: Props) {
  const [made, setMade] = useState<NamedKind[]>([])
  const kinds = useMemo(() => [...there, ...made], [there, made])
  // A choice of past work is of that list: the next may mean something else by it.
  const start = useMemo(
    () => ({ unit, readOn: today, words: { kind: words.kind ?? {}, softener: words.softener ?? {} } }),
    [unit, today, words],
  )
  const list = useImport(what, start, supply?.id)
  const { file, table, choices, problem, busy } = list
  const { title, about } = listWords[what]
  const missing = choices
    ? importColumns[what].filter(({ id, required }) => required && (choices.columns[id] ?? -1) < 0)
    : []
  const hasWords = what === 'machines'
  return (
    <div>
      <TitleBlock name={supply ? `Analyses of ${supply.name}` : title} under={firm} facts={[]} />
      <div className="max-w-[1180px] px-4 pt-4 pb-12 lg:px-6">
        <section aria-labelledby="file">
          <h2 id="file" className="head m-0">
            1 The file
          </h2>
          <p className="m-0 mt-1 text-second">
            {about} A CSV, or a workbook (xlsx, xls, ods); up to 5 MB and 5,000 rows.
          </p>
          <p className="mt-2 mb-0 flex flex-wrap items-center gap-3">
            <label className="plain inline-flex cursor-pointer items-center has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper">
              {file ? 'Another file' : 'Choose a file'}
              <FileInput
                accept=".csv,.txt,.tsv,.xlsx,.xls,.ods,text/csv,text/plain"
                className="sr-only"
                onChosen={(given) => void list.choose(given)}
              />
            </label>
            {file && table ? (
              <span className="text-second">
                <b className="font-semibold text-ink">{file.name}</b>: {figure(table.rows.length)} rows,{' '}
                {table.head.length} columns{file.sheets.length > 1 ? `, ${file.sheets.length} sheets` : ''},{' '}
                {file.encoding}
              </span>
            ) : (
              <button type="button" className="word" onClick={() => void saveTemplate(what)}>
                A template with examples
              </button>
            )}
          </p>
        </section>
        <ColumnStep what={what} list={list} />
        {hasWords && (
          <WordStep list={list} kinds={kinds} today={today} onMade={(kind) => setMade((now) => [...now, kind])} />
        )}
        {choices && (
          <p className="mt-4 mb-0 flex flex-wrap items-center gap-3">
            <button type="button" className="act" disabled={missing.length > 0 || busy !== ''} onClick={list.check}>
              Check the rows
            </button>
            {missing.length > 0 && (
              <span className="text-second">
                Choose first: {missing.map(({ label }) => label.toLowerCase()).join(', ')}.
              </span>
            )}
          </p>
        )}
        {busy && !list.judged && <Progress words={busy} onStop={list.stop} />}
        {problem && (
          <p role="alert" className="mt-3 mb-0 font-semibold text-seal-ink">
            {problem}
          </p>
        )}
        {what === 'work' && <WorkWords list={list} choices={workChoices} />}
        <RowStep
          what={what}
          list={list}
          step={what === 'machines' ? 4 : what === 'work' ? 5 : 3}
          kindName={(id) => kinds.find((kind) => kind.id === id)?.name ?? id}
        />
      </div>
    </div>
  )
}

export const ImportFlowIsland = island(ImportFlow)
