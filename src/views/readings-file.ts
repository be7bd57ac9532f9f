/** A row of a mapped spreadsheet, as the user's program sends it to be judged. */
export interface FileRow {
  serial: string
  date: string
  count: string
}

/** What becomes of one row, and why in words. */
export interface JudgedRow {
  verdict: 'taken' | 'duplicate' | 'impossible' | 'unknown-machine' | 'unreadable'
  reason?: string
  machineId?: string
  machineName?: string
  happenedOn?: string
  count?: number
  timeZone?: string
}
