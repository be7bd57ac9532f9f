import { type ReactNode, useMemo, useRef, useState } from 'react'
import { type DateForm, fittingForms } from '../../core/typed/read-day.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { Judged } from '../../views/judged-row.ts'
import { newId } from '../send-entries.ts'
import { ColumnChoice } from './ColumnChoice.tsx'
import type { ImportKind } from './import-kind.ts'
import { RowVerdicts } from './RowVerdicts.tsx'
import { type FileTable, guessColumns, readFile } from './read-file.ts'

/** A spreadsheet brought in: columns mapped by the user, each row's verdict shown, nothing written until confirmed. */
export function FileImport<R extends Judged>({
  kind,
  firm,
  children,
}: {
  kind: ImportKind<R>
  firm: string
  children?: ReactNode
}) {
  const [table, setTable] = useState<FileTable | null>(null)
  const [columns, setColumns] = useState<Record<string, number>>({})
  const [form, setForm] = useState<DateForm>('day-first')
  const [judged, setJudged] = useState<R[] | null>(null)
  const [problem, setProblem] = useState('')
  const [busy, setBusy] = useState('')
  const [written, setWritten] = useState<number | null>(null)
  const ids = useRef<string[]>([])
  const stop = useRef<AbortController | null>(null)
  const dates = columns[kind.dateColumn ?? ''] ?? -1

  const forms = useMemo(
    () =>
      table && dates >= 0
        ? fittingForms(
            table.rows
              .map((row) => row[dates]!)
              .filter(Boolean)
              .slice(0, 500),
          )
        : [],
    [table, dates],
  )
  const cell = (row: string[], id: string) => ((columns[id] ?? -1) >= 0 ? row[columns[id]!]! : '').slice(0, 2000)

  const choose = async (file: File | undefined) => {
    if (!file) return
    setProblem('')
    setJudged(null)
    setWritten(null)
    const read = await readFile(file)
    if (!read.ok) {
      setTable(null)
      return setProblem(read.why)
    }
    const guess = guessColumns(read.table.head, kind.columns)
    const day = guess[kind.dateColumn ?? ''] ?? -1
    setTable(read.table)
    setColumns(guess)
    if (day >= 0) {
      const fitting = fittingForms(
        read.table.rows
          .map((row) => row[day]!)
          .filter(Boolean)
          .slice(0, 500),
      )
      if (fitting[0]) setForm(fitting[0])
    }
  }

  const check = async () => {
    if (!table) return
    setBusy('Checking each row …')
    setProblem('')
    stop.current = new AbortController()
    try {
      const rows = table.rows.map((row) => Object.fromEntries(kind.columns.map(({ id }) => [id, cell(row, id)])))
      const response = await fetch(kind.checkUrl, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ dateForm: form, ...kind.extra, rows }),
        signal: stop.current.signal,
      })
      const answer = await response.json()
      if (!response.ok) throw new Error(answer.issues?.[0]?.message ?? 'the server refused the rows')
      ids.current = rows.map(newId)
      setJudged(answer.rows)
    } catch (error) {
      if (!stop.current.signal.aborted)
        setProblem(`The rows could not be checked: ${(error as Error).message}. Nothing was written.`)
    }
    setBusy('')
  }

  const write = async () => {
    if (!judged) return
    const rows = judged.flatMap((row, i) => (row.verdict === 'taken' ? [{ row, id: ids.current[i]! }] : []))
    setProblem('')
    stop.current = new AbortController()
    const { done, problem: why } = await kind.write(rows, stop.current.signal, (n) =>
      setBusy(`Writing ${n} of ${rows.length} …`),
    )
    setBusy('')
    if (done === rows.length) return setWritten(done)
    setProblem(
      `${why ? '' : 'Stopped: '}${done} of ${rows.length} ${kind.things} are written. ${why ?? ''} Pressing the button again writes the rest; none is written twice.`,
    )
  }

  const changeForm = (chosen: DateForm) => {
    setForm(chosen)
    setJudged(null)
  }
  return (
    <div>
      <TitleBlock name={kind.title} under={firm} facts={[]} />
      <div className="max-w-[980px] px-4 pt-4 pb-12 lg:px-6">
        <section aria-labelledby="file">
          <h2 id="file" className="head m-0">
            1 The file
          </h2>
          <p className="m-0 mt-1 text-second">{kind.about} Commas, semicolons or tabs; up to 5 MB.</p>
          <label className="plain mt-2 inline-flex cursor-pointer items-center has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper">
            {table ? 'Another file' : 'Choose a file'}
            <FileInput
              accept=".csv,.txt,.tsv,text/csv,text/plain"
              className="sr-only"
              onChosen={(file) => void choose(file)}
            />
          </label>
          {table && (
            <span className="ml-3 text-second">
              <b className="text-ink">{table.name}</b>: {figure(table.rows.length)} rows, {table.separator}
              -separated, {table.encoding}
            </span>
          )}
        </section>
        {problem && (
          <p role="alert" className="mt-3 border-l-4 border-seal pl-3 font-semibold text-seal-ink">
            {problem}
          </p>
        )}
        {table && (
          <ColumnChoice
            kind={kind}
            table={table}
            columns={columns}
            onColumns={(chosen) => {
              setColumns(chosen)
              setJudged(null)
            }}
            days={dates >= 0 ? { form, fitting: forms, onForm: changeForm } : null}
            busy={busy}
            onCheck={check}
            onStop={() => stop.current?.abort()}
          >
            {children}
          </ColumnChoice>
        )}
        {judged && table && (
          <RowVerdicts
            kind={kind}
            table={table}
            judged={judged}
            cell={cell}
            busy={busy}
            written={written}
            onWrite={write}
            onStop={() => stop.current?.abort()}
          />
        )}
      </div>
    </div>
  )
}
