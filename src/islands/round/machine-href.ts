import type { RoundRow } from '../../views/round-page.ts'

/** The machine of a row, with the row's task chosen. */
export const machineHref = (row: RoundRow) => `/machines/${row.machineId}?task=${encodeURIComponent(row.standing.key)}`
