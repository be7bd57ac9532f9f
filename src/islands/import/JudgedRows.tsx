import { figure } from '../../ui/format.ts'
import type { Judged, RowVerdict } from '../../views/judged-row.ts'
import type { ImportKind } from './import-kind.ts'
import { type FileTable, refusedCsv } from './read-file.ts'

/** A verdict as it is called on the screen and in the refused rows. */
export const verdictWords: Record<RowVerdict, string> = {
  taken: 'taken',
  duplicate: 'duplicate',
  impossible: 'impossible',
  'unknown-machine': 'unknown machine',
  unreadable: 'not readable',
}

/** Refused rows as a file, with the reason, to mend and read again. */
export function Download({
  head,
  refused,
  name,
}: {
  head: string[]
  refused: { cells: string[]; reason: string }[]
  name: string
}) {
  const save = () => {
    const url = URL.createObjectURL(new Blob(['﻿', refusedCsv(head, refused)], { type: 'text/csv' }))
    const link = document.createElement('a')
    link.href = url
    link.download = `refused-${name.replace(/\.[^.]+$/, '')}.csv`
    link.click()
    URL.revokeObjectURL(url)
  }
  return (
    <button type="button" className="plain" onClick={save}>
      Download {refused.length} refused rows
    </button>
  )
}

const mostShown = 300

/** Each row of the file with what becomes of it. */
export function Rows<R extends Judged>({
  table,
  judged,
  kind,
  cell,
  only,
}: {
  table: FileTable
  judged: R[]
  kind: ImportKind<R>
  cell: (row: string[], column: string) => string
  only: string
}) {
  const rows = judged.map((row, i) => ({ row, i })).filter(({ row }) => only === '' || row.verdict === only)
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse text-[14px]">
        <thead>
          <tr className="slim text-left text-[13px] text-second">
            <th className="py-1 pr-3 font-semibold">Row</th>
            {kind.heads.map((head) => (
              <th key={head} className="pr-3 font-semibold">
                {head}
              </th>
            ))}
            <th className="font-semibold">Verdict</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, mostShown).map(({ row, i }) => (
            <tr key={i} className="border-t border-hair align-baseline">
              <td className="mono py-1 pr-3 text-[13px] text-second">{i + 2}</td>
              {kind
                .cells(row, (column) => cell(table.rows[i]!, column))
                .map((content, n) => (
                  <td key={kind.heads[n]} className="pr-3 text-[13.5px]">
                    {content}
                  </td>
                ))}
              <td>
                <b
                  className={
                    row.verdict === 'taken'
                      ? 'text-deep'
                      : row.verdict === 'duplicate'
                        ? 'text-second'
                        : 'text-seal-ink'
                  }
                >
                  {verdictWords[row.verdict]}
                </b>
                {row.reason && <span className="text-second">: {row.reason}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > mostShown && (
        <p className="text-second">and {figure(rows.length - mostShown)} more rows like these</p>
      )}
    </div>
  )
}
