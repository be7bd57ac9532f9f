import { useState } from 'react'
import { counted, figure } from '../../ui/format.ts'
import type { Judged, RowVerdict } from '../../views/judged-row.ts'
import type { ImportKind } from './import-kind.ts'
import { Download, Rows, verdictWords } from './JudgedRows.tsx'
import { Progress } from './Progress.tsx'
import type { FileTable } from './read-file.ts'

interface Props<R extends Judged> {
  kind: ImportKind<R>
  table: FileTable
  judged: R[]
  cell: (row: string[], id: string) => string
  busy: string
  /** How many were written; null where none is yet. */
  written: number | null
  onWrite: () => void
  onStop: () => void
}

/** What becomes of each row, and the button that writes those that are taken. */
export function RowVerdicts<R extends Judged>(props: Props<R>) {
  const { kind, table, judged, cell, busy, written, onWrite, onStop } = props
  const [only, setOnly] = useState<RowVerdict | ''>('')
  const counts = (verdict: RowVerdict) => judged.filter((row) => row.verdict === verdict).length
  const refused = judged.flatMap((row, i) =>
    row.verdict === 'taken'
      ? []
      : [{ cells: table.rows[i]!, reason: `${verdictWords[row.verdict]}: ${row.reason ?? ''}` }],
  )
  return (
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
          <button type="button" className="act" disabled={counts('taken') === 0 || busy !== ''} onClick={onWrite}>
            Write {counted(counts('taken'), kind.thing, kind.things)}
          </button>
          {busy ? (
            <Progress words={busy} onStop={onStop} />
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
