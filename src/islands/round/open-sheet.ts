import type { RoundRow } from '../../views/round-page.ts'

/** What stands over the board: the working of the chosen row, rows to put on a visit, a task that is to wait. */
export type OpenSheet = { what: 'row' } | { what: 'put'; rows: readonly RoundRow[] } | { what: 'waits'; row: RoundRow }
