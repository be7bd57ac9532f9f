import type { RoundRow } from '../../views/round-page.ts'
import { machineHref } from './machine-href.ts'

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
