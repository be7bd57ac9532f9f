import { useMemo, useRef, useState } from 'react'
import type { Entry } from '../../core/ledger/entry.ts'
import { type DateForm, fittingForms } from '../../core/readings-file/parse-cells.ts'
import { browserNow } from '../../ui/clock.ts'
import { figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { JudgedRow } from '../../views/readings-file.ts'
import { newId, sendEntries } from '../send-entries.ts'
import { Download, Rows, verdictWords } from './JudgedRows.tsx'
import { type FileTable, guessColumns, readFile } from './read-file.ts'

const formWords: Record<DateForm, string> = {
  'day-first': 'day, month, year',
  'month-first': 'month, day, year',
  'year-first': 'year, month, day',
}

const batch = 200

/** Counter readings from a CSV: columns mapped by the user, each row's verdict shown, nothing written until confirmed. */
export function ReadingsImport({ firm }: { firm: string }) {
  const [table, setTable] = useState<FileTable | null>(null)
  const [columns, setColumns] = useState({ serial: -1, date: -1, count: -1 })
  const [form, setForm] = useState<DateForm>('day-first')
  const [judged, setJudged] = useState<JudgedRow[] | null>(null)
  const [problem, setProblem] = useState('')
  const [busy, setBusy] = useState('')
  const [written, setWritten] = useState<number | null>(null)
  const [only, setOnly] = useState<JudgedRow['verdict'] | ''>('')
  const ids = useRef<string[]>([])
  const stop = useRef<AbortController | null>(null)

  const forms = useMemo(
    () =>
      table && columns.date >= 0
        ? fittingForms(
            table.rows
              .map((row) => row[columns.date]!)
              .filter(Boolean)
              .slice(0, 500),
          )
        : [],
    [table, columns.date],
  )
  const mapped = columns.serial >= 0 && columns.date >= 0 && columns.count >= 0

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
    const guess = guessColumns(read.table.head)
    setTable(read.table)
    setColumns(guess)
    if (guess.date >= 0) {
      const fitting = fittingForms(
        read.table.rows
          .map((row) => row[guess.date]!)
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
      const rows = table.rows.map((row) => ({
        serial: row[columns.serial]!.slice(0, 200),
        date: row[columns.date]!.slice(0, 200),
        count: row[columns.count]!.slice(0, 200),
      }))
      const response = await fetch('/api/readings/check', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ dateForm: form, rows }),
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
    const entries = judged.flatMap((row, i): Entry[] =>
      row.verdict === 'taken' ? [toEntry(row, ids.current[i]!)] : [],
    )
    setProblem('')
    stop.current = new AbortController()
    let done = 0
    for (let at = 0; at < entries.length; at += batch) {
      if (stop.current.signal.aborted) break
      setBusy(`Writing ${Math.min(at + batch, entries.length)} of ${entries.length} …`)
      const sent = await sendEntries(entries.slice(at, at + batch))
      if (!sent.ok) {
        setBusy('')
        setProblem(
          `${done} of ${entries.length} readings are written. ${'message' in sent ? sent.message : sent.why === 'refused' ? `Then one was refused: ${sent.issues[0]?.message}` : ''} Pressing the button again writes the rest; none is written twice.`,
        )
        return
      }
      done += sent.answer.verdicts.length
    }
    setBusy('')
    if (done === entries.length) setWritten(done)
    else
      setProblem(
        `Stopped: ${done} of ${entries.length} readings are written. Pressing the button again writes the rest.`,
      )
  }

  const counts = (verdict: JudgedRow['verdict']) => judged?.filter((row) => row.verdict === verdict).length ?? 0
  const refused =
    judged?.flatMap((row, i) =>
      row.verdict === 'taken'
        ? []
        : [{ cells: table!.rows[i]!, reason: `${verdictWords[row.verdict]}: ${row.reason ?? ''}` }],
    ) ?? []
  return (
    <div>
      <TitleBlock
        name="Readings from a spreadsheet"
        under={`${firm}: counters read elsewhere, brought into the ledger`}
        facts={[]}
      />
      <div className="max-w-[980px] px-4 pt-4 pb-12 lg:px-6">
        <section aria-labelledby="file">
          <h2 id="file" className="head m-0">
            1 The file
          </h2>
          <p className="m-0 mt-1 text-second">
            A CSV with a line of column names; one row a reading, with the machine's serial number, a day and what the
            counter showed. Commas, semicolons or tabs; up to 5 MB.
          </p>
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
              {(
                [
                  ['serial', 'Serial number'],
                  ['date', 'Day'],
                  ['count', 'Counter'],
                ] as const
              ).map(([field, label]) => (
                <label key={field} className="flex flex-col gap-1">
                  <span className="slim text-[14px]">{label}</span>
                  <select
                    className="field"
                    value={columns[field]}
                    onChange={(event) => {
                      setColumns({ ...columns, [field]: Number(event.target.value) })
                      setJudged(null)
                    }}
                  >
                    <option value={-1}>choose …</option>
                    {table.head.map((name, i) => (
                      <option key={i} value={i}>
                        {name}
                      </option>
                    ))}
                  </select>
                  <span className="mono text-[12.5px] text-second">
                    {columns[field] >= 0 ? `such as ${table.rows[0]![columns[field]] || '(empty)'}` : ''}
                  </span>
                </label>
              ))}
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
            </div>
            <p className="mt-3 mb-0 flex items-center gap-3">
              <button type="button" className="act" disabled={!mapped || busy !== ''} onClick={check}>
                Check the rows
              </button>
              {busy && <Progress words={busy} onStop={() => stop.current?.abort()} />}
              {!mapped && <span className="text-second">Choose all three columns first.</span>}
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
              {(Object.keys(verdictWords) as JudgedRow['verdict'][]).map(
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
                  Write {figure(counts('taken'))} readings
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
                <b>{figure(written)} readings are in the ledger.</b>
                <a className="plain inline-flex items-center" href="/round">
                  See what is due
                </a>
                {refused.length > 0 && <Download head={table.head} refused={refused} name={table.name} />}
              </p>
            )}
            <Rows table={table} judged={judged} columns={columns} only={only} />
          </section>
        )}
      </div>
    </div>
  )
}

function toEntry(row: JudgedRow, id: string): Entry {
  // Read before the day's first drink: six in the morning is as good an hour as any, unless it is still to come.
  const morning = new Date(`${row.happenedOn}T06:00:00.000Z`)
  const now = browserNow()
  return {
    id,
    subjectKind: 'machine',
    subjectId: row.machineId!,
    kind: 'reading',
    happenedAt: (morning < now ? morning : now).toISOString(),
    happenedOn: row.happenedOn!,
    body: { v: 1, counter: 'shots', count: row.count },
  }
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
  name: JudgedRow['verdict'] | ''
  n: number
  on: string
  set: (name: JudgedRow['verdict'] | '') => void
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
