import { type ReactNode, useMemo, useRef, useState } from 'react'
import { type DateForm, fittingForms } from '../../core/files/parse-cells.ts'
import { counted, figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { Judged, RowVerdict } from '../../views/judged-row.ts'
import { newId } from '../send-entries.ts'
import type { ImportKind } from './import-kind.ts'
import { Download, Rows, verdictWords } from './JudgedRows.tsx'
import { type FileTable, guessColumns, readFile } from './read-file.ts'

const formWords: Record<DateForm, string> = {
  'day-first': 'day, month, year',
  'month-first': 'month, day, year',
  'year-first': 'year, month, day',
}

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
  const [only, setOnly] = useState<RowVerdict | ''>('')
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
  const mapped = kind.columns.every(({ id, required }) => !required || (columns[id] ?? -1) >= 0)
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

  const counts = (verdict: RowVerdict) => judged?.filter((row) => row.verdict === verdict).length ?? 0
  const refused =
    judged?.flatMap((row, i) =>
      row.verdict === 'taken'
        ? []
        : [{ cells: table!.rows[i]!, reason: `${verdictWords[row.verdict]}: ${row.reason ?? ''}` }],
    ) ?? []
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
            <input
              type="file"
              accept=".csv,.txt,.tsv,text/csv,text/plain"
              className="sr-only"
              onChange={(event) => void choose(event.target.files?.[0])}
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
                    onChange={(event) => {
                      setColumns({ ...columns, [id]: Number(event.target.value) })
                      setJudged(null)
                    }}
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
              {dates >= 0 && (
                <label className="flex flex-col gap-1">
                  <span className="slim text-[14px]">Days are written</span>
                  <select
                    className="field"
                    value={form}
                    onChange={(event) => {
                      setForm(event.target.value as DateForm)
                      setJudged(null)
                    }}
                  >
                    {Object.entries(formWords).map(([value, words]) => (
                      <option key={value} value={value}>
                        {words}
                      </option>
                    ))}
                  </select>
                  <span className="text-[12.5px] text-second">
                    {forms.length > 1 ? 'The days fit more than one: please look.' : ''}
                  </span>
                </label>
              )}
            </div>
            {children}
            <p className="mt-3 mb-0 flex items-center gap-3">
              <button type="button" className="act" disabled={!mapped || busy !== ''} onClick={check}>
                Check the rows
              </button>
              {busy && <Progress words={busy} onStop={() => stop.current?.abort()} />}
              {!mapped && (
                <span className="text-second">
                  Choose first:{' '}
                  {kind.columns
                    .filter(({ id, required }) => required && (columns[id] ?? -1) < 0)
                    .map(({ label }) => label.toLowerCase())
                    .join(', ')}
                  .
                </span>
              )}
            </p>
          </section>
        )}
        {judged && table && (
          <section aria-labelledby="rows" className="mt-6">
            <h2 id="rows" className="head m-0">
              3 What becomes of each row
            </h2>
            <p className="m-0 mt-1">
              <Verdict name="" n={judged.length} on={only} set={setOnly} words="all rows" />
              {(Object.keys(verdictWords) as RowVerdict[]).map(
                (verdict) =>
                  counts(verdict) > 0 && (
                    <Verdict
                      key={verdict}
                      name={verdict}
                      n={counts(verdict)}
                      on={only}
                      set={setOnly}
                      words={verdictWords[verdict]}
                    />
                  ),
              )}
            </p>
            {written === null ? (
              <p className="mt-2 mb-2 flex flex-wrap items-center gap-3">
                <button type="button" className="act" disabled={counts('taken') === 0 || busy !== ''} onClick={write}>
                  Write {counted(counts('taken'), kind.thing, kind.things)}
                </button>
                {busy ? (
                  <Progress words={busy} onStop={() => stop.current?.abort()} />
                ) : (
                  <span className="text-second">Nothing has been written yet.</span>
                )}
                {refused.length > 0 && <Download head={table.head} refused={refused} name={table.name} />}
              </p>
            ) : (
              <p role="status" className="mt-2 mb-2 flex flex-wrap items-center gap-3 border-l-4 border-water pl-3">
                <b>
                  {counted(written, kind.thing, kind.things)} {written === 1 ? 'is' : 'are'} written.
                </b>
                <a className="plain inline-flex items-center" href="/round">
                  See what is due
                </a>
                {refused.length > 0 && <Download head={table.head} refused={refused} name={table.name} />}
              </p>
            )}
            <Rows table={table} judged={judged} kind={kind} cell={cell} only={only} />
          </section>
        )}
      </div>
    </div>
  )
}

function Progress({ words, onStop }: { words: string; onStop: () => void }) {
  return (
    <span role="status" className="flex items-center gap-2">
      {words}
      <button type="button" className="min-h-[44px] font-semibold text-copper" onClick={onStop}>
        Stop
      </button>
    </span>
  )
}

function Verdict({
  name,
  n,
  on,
  set,
  words,
}: {
  name: RowVerdict | ''
  n: number
  on: string
  set: (name: RowVerdict | '') => void
  words: string
}) {
  return (
    <button
      type="button"
      aria-pressed={on === name}
      onClick={() => set(name)}
      className={`mr-4 min-h-[44px] ${on === name ? 'border-b-2 border-copper font-semibold' : 'text-second'}`}
    >
      <span className="mono">{figure(n)}</span> {words}
    </button>
  )
}
