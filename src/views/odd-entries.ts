import type { SubjectKind } from '../core/ledger/subject.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'

/** A stretch of the ledger, looked through for what today's rules would refuse. */
export interface OddEntries {
  rows: {
    id: string
    subjectKind: SubjectKind
    subjectId: string
    /** What the machine, site or softener is called; absent for the firm itself. */
    name?: string
    kind: string
    on: LocalDay
    /** What is odd about it, in words. */
    why: string[]
  }[]
  /** Where the next stretch begins; absent at the end. */
  next?: number
  /** How many entries there are. */
  of: number
}
