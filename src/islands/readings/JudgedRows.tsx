import { dayLong, figure } from '../../ui/format.ts'
import type { JudgedRow } from '../../views/readings-file.ts'
import { type FileTable, refusedCsv } from './read-file.ts'

/** A verdict as it is called on the screen and in the refused rows. */
export const verdictWords: Record<JudgedRow['verdict'], string> = {
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
export function Rows({
  table,
  judged,
  columns,
  only,
}: {
  table: FileTable
  judged: JudgedRow[]
  columns: { serial: number; date: number; count: number }
  only: string
}) {
  const rows = judged.map((row, i) => ({ row, i })).filter(({ row }) => only === '' || row.verdict === only)
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse text-[14px]">
        <thead>
          <tr className="slim text-left text-[13px] text-second">
            <th className="py-1 pr-3 font-semibold">Row</th>
            <th className="pr-3 font-semibold">Serial</th>
            <th className="pr-3 font-semibold">Machine</th>
            <th className="pr-3 font-semibold">Day</th>
            <th className="pr-3 text-right font-semibold">Counter</th>
            <th className="font-semibold">Verdict</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, mostShown).map(({ row, i }) => (
            <tr key={i} className="border-t border-hair align-baseline">
              <td className="mono py-1 pr-3 text-[13px] text-second">{i + 2}</td>
              <td className="mono pr-3 text-[13px] whitespace-nowrap">{table.rows[i]![columns.serial]}</td>
              <td className="narrow pr-3 whitespace-nowrap">{row.machineName}</td>
              <td className="mono pr-3 text-[13px] whitespace-nowrap">
                {row.happenedOn ? dayLong(row.happenedOn) : table.rows[i]![columns.date]}
              </td>
              <td className="mono pr-3 text-right text-[13px]">
                {row.count === undefined ? table.rows[i]![columns.count] : figure(row.count)}
              </td>
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
