import type { RoundRow } from '../../views/round-page.ts'

/** The machine of a row, with the row's task chosen. */
export const machineHref = (row: RoundRow) => `/machines/${row.machineId}?task=${encodeURIComponent(row.standing.key)}`

/** From a row to its machine, or straight to an entry there. */
export function WhereTo({ row }: { row: RoundRow }) {
  return (
    <p className="mt-4 mb-0 flex gap-3">
      <a href={machineHref(row)} className="plain inline-flex items-center">
        Open the machine
      </a>
      {row.machineId && (
        <a href={`/machines/${row.machineId}/entry`} className="plain inline-flex items-center">
          New entry
        </a>
      )}
    </p>
  )
}
