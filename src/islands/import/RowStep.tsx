import { useState } from 'react'
import type { ImportWhat } from '../../core/files/import-columns.ts'
import { counted, figure } from '../../ui/format.ts'
import { type RowVerdict, writes } from '../../views/judged-row.ts'
import { listWords, verdictWords } from './import-words.ts'
import { Progress } from './Progress.tsx'
import { shownRows } from './row-cells.tsx'
import type { Import } from './use-import.ts'

const pageSize = 50

interface Props {
  what: ImportWhat
  list: Import
  step: number
  kindName: (id: string) => string
}

/** What becomes of each row, and the button that hands the list over to be written. */
export function RowStep({ what, list, step, kindName }: Props) {
  const { judged, table, choices, busy } = list
  const [only, setOnly] = useState<RowVerdict | ''>('')
  const [page, setPage] = useState(0)
  if (!judged || !table || !choices) return null
  const words = listWords[what]
  const count = (verdict: RowVerdict) => judged.filter((row) => row.verdict === verdict).length
  const written = judged.filter(({ verdict }) => writes(verdict)).length
  const rows = judged.map((row, i) => ({ row, i })).filter(({ row }) => only === '' || row.verdict === only)
  const pages = Math.max(1, Math.ceil(rows.length / pageSize))
  const at = Math.min(page, pages - 1)
  const { heads, cells } = shownRows[what]
  const choose = (verdict: RowVerdict | '') => {
    setOnly(verdict)
    setPage(0)
  }
  return (
    <section aria-labelledby="rows" className="mt-6">
      <h2 id="rows" className="head m-0">
        {step} What becomes of each row
      </h2>
      <p className="m-0 mt-1 flex flex-wrap gap-x-4">
        <Verdict on={only === ''} n={judged.length} words="all rows" onChoose={() => choose('')} />
        {(Object.keys(verdictWords) as RowVerdict[])
          .filter((verdict) => count(verdict) > 0)
          .map((verdict) => (
            <Verdict
              key={verdict}
              on={only === verdict}
              n={count(verdict)}
              words={verdictWords[verdict]}
              onChoose={() => choose(verdict)}
            />
          ))}
      </p>
      <p className="mt-2 mb-2 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="act"
          disabled={written === 0 || busy !== '' || list.isOld}
          onClick={list.write}
        >
          Write {counted(written, words.thing, words.things)}
        </button>
        {busy ? (
          <Progress words={busy} onStop={list.stop} />
        ) : (
          <span className="text-second">
            {list.isOld
              ? 'Meanings were chosen since: check the rows again first.'
              : 'Nothing has been written yet. It goes on if this page is closed, and can be taken back as one.'}
          </span>
        )}
      </p>
      <div className="overflow-x-auto">
        <table className="w-full border-collapse text-[14px]">
          <thead>
            <tr className="slim text-left text-[13px] text-second">
              <th className="py-1 pr-3 font-semibold">Line</th>
              {heads.map((head) => (
                <th key={head} className="pr-3 font-semibold">
                  {head}
                </th>
              ))}
              <th className="font-semibold">Verdict</th>
            </tr>
          </thead>
          <tbody>
            {rows.slice(at * pageSize, (at + 1) * pageSize).map(({ row, i }) => (
              <tr key={i} className="border-t border-hair align-baseline">
                <td className="mono py-1 pr-3 text-[13px] text-second">{i + choices.head + 2}</td>
                {cells(row, (column) => table.rows[i]![choices.columns[column] ?? -1] ?? '', kindName).map(
                  (cell, n) => (
                    <td key={heads[n]} className="max-w-[320px] pr-3 text-[13.5px]">
                      {cell}
                    </td>
                  ),
                )}
                <td>
                  <b className={toneOf(row.verdict)}>{verdictWords[row.verdict]}</b>
                  {row.reason && <span className="text-second">: {row.reason}</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {pages > 1 && (
        <nav aria-label="Pages of rows" className="mt-2 flex items-center gap-3">
          <button type="button" className="plain" disabled={at === 0} onClick={() => setPage(at - 1)}>
            Before
          </button>
          <span className="mono text-[14px]">
            {figure(at * pageSize + 1)} to {figure(Math.min(rows.length, (at + 1) * pageSize))} of {figure(rows.length)}
          </span>
          <button type="button" className="plain" disabled={at === pages - 1} onClick={() => setPage(at + 1)}>
            Next
          </button>
        </nav>
      )}
    </section>
  )
}

const toneOf = (verdict: RowVerdict) =>
  verdict === 'taken' || verdict === 'fills'
    ? 'text-deep'
    : verdict === 'duplicate' || verdict === 'left-out'
      ? 'text-second'
      : verdict === 'note-only'
        ? 'text-brass-ink'
        : 'text-seal-ink'

function Verdict({ on, n, words, onChoose }: { on: boolean; n: number; words: string; onChoose(): void }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onChoose}
      className={`min-h-[44px] ${on ? 'border-b-2 border-copper font-semibold' : 'text-second'}`}
    >
      <span className="mono">{figure(n)}</span> {words}
    </button>
  )
}
